import { stiffness } from '../record';
import type { BreakKind, Trial } from './trial';

/** What a test said. Loads N, deflections m. */
export interface TrialResult {
  /** N/m with its standard error; null with too few points. */
  stiffness: { slope: number; standardError: number } | null;
  highest: number;
  firstCrack: number | null;
  /** Load at which it broke, how, where; null where it did not. */
  failure: { load: number; how: BreakKind; where: string } | null;
  /** Deflection under the load that it must bear, by its stiffness; null without one. */
  atTarget: number | null;
}

/** What a sample's readings come to: stiffness within its window, first crack, how and at what it broke. */
export function readTrial({ points, window, breaks, target }: Trial): TrialResult {
  const highest = points.reduce((most, [load]) => Math.max(most, load), 0);
  // Only on the way up: after the highest load something has gone.
  const top = points.findIndex(([load]) => load === highest);
  const rising = points.slice(0, top + 1);
  const slope = (() => {
    try {
      return stiffness(rising, window ?? [0, highest / 2]);
    } catch {
      return null;
    }
  })();
  const crack = breaks.find(({ kind }) => kind === 'crack');
  const broken = breaks.find(({ kind }) => kind !== 'crack' && kind !== 'none');
  return {
    stiffness: slope && { slope: slope.slope, standardError: slope.standardError },
    highest,
    firstCrack: crack?.load ?? null,
    failure: broken ? { load: broken.load, how: broken.kind, where: broken.where } : null,
    atTarget: slope && slope.slope > 0 ? target / slope.slope : null,
  };
}
