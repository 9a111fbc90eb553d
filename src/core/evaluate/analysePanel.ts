import type { Criterion } from '../laminate';
import type { Boat, Part, Zone } from '../document';
import type { PanelAnalysis } from './analyseOnePanel';
import { analyseZonePanels } from './analyseZonePanels';
import { evaluateZone } from './evaluateZone';

/** How a panel is analysed; each left out takes its usual value. */
export interface AnalysisOptions {
  criterion?: Criterion;
  terms?: number;
  /** False leaves out the deflected shape and buckling, for many zones in a row. */
  detail?: boolean;
}

/**
 * Direct analysis of every panel of a zone under the pressures of the boat's method; see {@link analyseZonePanels}.
 *
 * @throws KeramosError `invalid` as `evaluateZone` and `analyseZone`.
 * @example analysePanel(boat, hull, bottom).governing.reserveFactor
 */
export const analysePanel = (boat: Boat, part: Part, zone: Zone, options: AnalysisOptions = {}): PanelAnalysis =>
  analyseZonePanels(boat, part, zone, evaluateZone(boat, part, zone).pressure?.pressure ?? 0, options);
