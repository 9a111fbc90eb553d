import type { Boat, Part, Zone } from '../document';
import type { PanelAnalysis } from './analyseOnePanel';
import { analyseZonePanels, type ZoneAnalysisOptions } from './analyseZonePanels';
import { evaluateZone } from './evaluateZone';

/**
 * Direct analysis of every panel of a zone under the pressures of the boat's method; see {@link analyseZonePanels}.
 *
 * @throws KeramosError `invalid` as `evaluateZone` and `analyseZone`.
 * @example analysePanel(boat, hull, bottom).governing.reserveFactor
 */
export const analysePanel = (
  boat: Boat,
  part: Part,
  zone: Zone,
  options: Omit<ZoneAnalysisOptions, 'pressure'> = {},
): PanelAnalysis =>
  analyseZonePanels(boat, part, zone, {
    ...options,
    pressure: evaluateZone(boat, part, zone).pressure?.pressure ?? 0,
  });
