import { DEFAULT_TERMS } from '../panel';
import type { Criterion } from '../laminate';
import { isHead } from '../standard';
import { methodOf, panelsToCheck, usualPanelCase, type Boat, type Part, type Zone } from '../document';
import { analyseOnePanel, type AnalysedPanel, type AnalysedStack, type PanelAnalysis } from './analyseOnePanel';
import { designStack } from './designStack';
import { panelsNotChecked } from './heldBy';

/** Plate terms that tell which panel of a zone is the worst. */
const SCAN_TERMS = 8;

/** How a zone's panels are analysed; each left out takes its usual value. */
export interface ZoneAnalysisOptions {
  pressure: number;
  criterion?: Criterion;
  terms?: number;
  /** False leaves out the deflected shape and buckling, for many zones in a row. */
  detail?: boolean;
}

/**
 * Direct analysis of every panel of a zone, each under its own pressure; the one that is nearest its limit is given in
 * full, and the others have more in hand.
 *
 * A panel that tapers is taken in its own shape.
 *
 * @param pressure on the zone's own panel, for one that is typed (Pa). @param detail false leaves out the deflected
 * shape and buckling, for many zones in a row.
 * @throws KeramosError `invalid` as `designStack`.
 * @example analyseZonePanels(boat, hull, bottom, { pressure: 2e4 }).governing.reserveFactor
 * Source: docs/engineering.md, "Panels".
 */
export function analyseZonePanels(
  boat: Boat,
  part: Part,
  zone: Zone,
  { pressure: shown, criterion = 'tsaiWu', terms = DEFAULT_TERMS, detail = true }: ZoneAnalysisOptions,
): PanelAnalysis {
  const { plies, layerOf, cores } = designStack(boat, part, zone);
  const cored = cores.length > 0;
  const stack: AnalysedStack = {
    plies,
    layerOf,
    cores,
    panelCase: zone.panelCase ?? usualPanelCase(cored ? 'sandwich' : 'single'),
    eitherFace: isHead(zone.location),
    coreStrengthFactor: methodOf(boat).coreStrengthFactor,
  };
  const panels = panelsToCheck(boat, zone).map(
    ({ name, geometry: { panelLength: length, panelBreadth: breadth }, breadths, pressures }): AnalysedPanel => ({
      name,
      length,
      breadth,
      breadths,
      pressure: pressures?.[cored ? 'sandwich' : 'single'].pressure ?? shown,
    }),
  );
  const [first] = panels;
  const worst =
    panels.length === 1
      ? first!
      : panels
          .map((panel) => ({
            panel,
            least: analyseOnePanel(stack, panel, { criterion, terms: SCAN_TERMS, detail: false, scan: true }).governing
              .reserveFactor,
          }))
          .reduce((low, one) => (one.least < low.least ? one : low)).panel;
  const found = analyseOnePanel(stack, worst, { criterion, terms, detail });
  return { ...found, notChecked: [...found.notChecked, ...panelsNotChecked(boat, zone)] };
}
