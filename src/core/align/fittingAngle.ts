import { invalid } from '../error';

/** A slope as a level and a rule give it: so much up over so much along (m); up is positive. */
export interface RiseOverRun {
  rise: number;
  run: number;
}

const DEGREES = 180 / Math.PI;

/**
 * The wedge under a fitting that must stand plumb on a surface with two slopes: how steep the surface is where it is
 * steepest, and towards where it rises; less what the boat itself leans and trims in the shop.
 *
 * @param forward slope going forward. @param starboard slope going to starboard.
 * @param leanDeg of the boat as it stands: starboard down is positive. @param trimDeg bow up is positive.
 * @returns the angle of the wedge, where its thick end points (degrees from forward, to starboard positive: the low
 * side), and the two slopes on the level boat (degrees).
 * @throws KeramosError `invalid` for a run of nothing.
 * @example fittingAngle({ forward: { rise: 0, run: 1 }, starboard: { rise: -0.05, run: 1 }, leanDeg: 0, trimDeg: 0 })
 * // { wedgeDeg: 2.86, thickEndDeg: 90, … }
 * Source: slope of a plane, tan² γ = tan² α + tan² β.
 */
export function fittingAngle({
  forward,
  starboard,
  leanDeg,
  trimDeg,
}: {
  forward: RiseOverRun;
  starboard: RiseOverRun;
  leanDeg: number;
  trimDeg: number;
}): { wedgeDeg: number; thickEndDeg: number; forwardDeg: number; starboardDeg: number } {
  for (const [path, { run }] of Object.entries({ forward, starboard }))
    if (Math.abs(run) < 1e-6) throw invalid(`${path}.run`, 'A run of nothing has no slope: measure along some length');
  const forwardDeg = Math.atan(forward.rise / forward.run) * DEGREES - trimDeg;
  const starboardDeg = Math.atan(starboard.rise / starboard.run) * DEGREES + leanDeg;
  const [a, b] = [Math.tan(forwardDeg / DEGREES), Math.tan(starboardDeg / DEGREES)];
  const wedgeDeg = Math.atan(Math.hypot(a, b)) * DEGREES;
  // The surface falls away from where it rises: there the wedge is thick. No minus zero where it is level.
  return { wedgeDeg, thickEndDeg: wedgeDeg < 1e-9 ? 0 : Math.atan2(-b, -a) * DEGREES, forwardDeg, starboardDeg };
}
