import { invalid } from '../error';
import { said } from '../quantity';
import { stiffness } from './stiffness';

/** What a proof pull came to. Loads N, deflections m. */
export interface ProofResult {
  reached: number;
  /** Load asked for, or the stop load where that is less. */
  wanted: number;
  /** Deflection at the highest load. */
  deflection: number;
  /** Stiffness of the upper half of the loads over that of the lower half; null with too few points. */
  softened: number | null;
  beyondStop: boolean;
  /** What was not looked at for want of readings. */
  notChecked: string[];
  /** Why it did not pass; empty where it did. */
  failures: string[];
}

/** Share of the deflection that may stay after the load is off, and the least that a tape tells (m). */
const MOST_SET = 0.05;
const LEAST_SET = 0.0002;
/** Softening by which something has let go. */
const SOFT = 0.85;
const HALF = 0.5;
/** Share of the load reached so far by which it may fall back while it is pulled on. */
const FALL = 0.05;

/**
 * Whether a finished detail stood a pull: the load was reached, it came back, and nothing let go on the way.
 *
 * @param points [load, deflection] in the order in which they were read. @param set what stayed when the load was off.
 * @throws KeramosError `invalid` without a reading above no load.
 * @example proofResult({ points, set: 0.0001, load: 6000, stop: 6000 }).failures // []
 */
export function proofResult({
  points,
  set,
  load,
  stop,
}: {
  points: readonly (readonly [number, number])[];
  set: number;
  load: number;
  stop: number;
}): ProofResult {
  const top = points.reduce<readonly [number, number]>((most, point) => (point[0] > most[0] ? point : most), [0, 0]);
  const [reached, deflection] = top;
  if (!(reached > 0)) throw invalid('points', 'A pull has a reading above no load');
  const wanted = Math.min(load, stop);
  const rising = points.slice(0, points.indexOf(top) + 1);
  const slopeOf = (from: number, to: number) => {
    const some = rising.filter(([p]) => p >= from && p <= to);
    return some.length < 3 ? null : stiffness(some).slope;
  };
  const [lower, upper] = [slopeOf(0, HALF * reached), slopeOf(HALF * reached, reached)];
  const softened = lower !== null && upper !== null && lower > 0 ? upper / lower : null;
  let [before, fellBack] = [0, false];
  for (const [pull] of rising) {
    if (pull < before - FALL * reached) fellBack = true;
    before = Math.max(before, pull);
  }
  const most = Math.max(LEAST_SET, MOST_SET * deflection);
  return {
    reached,
    wanted,
    deflection,
    softened,
    notChecked: [
      ...(softened === null ? ['softening: three readings in each half of the load are needed'] : []),
      ...(stop < load * (1 - 1e-9) && reached < load * (1 - 1e-9)
        ? [`the ${said(load, 'force')} that were asked for: it was to stop below them`]
        : []),
    ],
    beyondStop: reached > stop * (1 + 1e-9),
    failures: [
      ...(reached < wanted * (1 - 1e-9) ? ['the load was not reached'] : []),
      ...(fellBack ? ['the load fell back on the way up: something let go'] : []),
      ...(set > most ? ['more stayed bent than a twentieth of its deflection'] : []),
      ...(softened !== null && softened < SOFT ? ['it softened on the way up: something let go'] : []),
    ],
  };
}
