import { invalid } from '../error';

/** Position of a bolt in the plane of the plate (m). */
export type BoltPlace = readonly [number, number];

const centroid = (bolts: readonly BoltPlace[]): BoltPlace => [
  bolts.reduce((sum, [x]) => sum + x, 0) / bolts.length,
  bolts.reduce((sum, [, y]) => sum + y, 0) / bolts.length,
];
const greatest = (values: readonly number[]) =>
  values.reduce((best, value, i) => (value > values[best]! ? i : best), 0);

/**
 * Shear of each bolt of a group under a force in its plane that need not pass through its centroid.
 *
 * @param force N, @param at the point it acts at (m).
 * @returns the force on each and its resultant (N) in the order of the bolts, the greatest, and its index.
 * @throws KeramosError `invalid` for no bolts, or a moment on bolts that all stand in one place.
 * @example boltGroupShear(bolts, [0, -16000], [0.425, 0]).max // 21000
 * Source: Shigley & Mischke, Mechanical Engineering Design, shear of bolts with eccentric load; equal bolts, stiff
 * plate.
 */
export function boltGroupShear(
  bolts: readonly BoltPlace[],
  force: readonly [number, number],
  at: readonly [number, number],
) {
  if (bolts.length === 0) throw invalid('bolts', 'A bolt group needs at least one bolt');
  const [cx, cy] = centroid(bolts);
  const moment = (at[0] - cx) * force[1] - (at[1] - cy) * force[0];
  const J = bolts.reduce((sum, [x, y]) => sum + (x - cx) ** 2 + (y - cy) ** 2, 0);
  if (J < 1e-12 && Math.abs(moment) > 1e-9)
    throw invalid('bolts', 'Bolts in one place cannot hold a moment: spread them, or lead the force through them');
  const turn = J < 1e-12 ? 0 : moment / J;
  const forces = bolts.map(([x, y]): [number, number] => [
    force[0] / bolts.length - turn * (y - cy),
    force[1] / bolts.length + turn * (x - cx),
  ]);
  const resultants = forces.map((one) => Math.hypot(...one));
  const maxIndex = greatest(resultants);
  return { forces, resultants, max: resultants[maxIndex]!, maxIndex };
}

/**
 * Tension of each bolt of a group under a force along the bolts and a moment that tips the plate.
 *
 * @param force N, pulling. @param moment N·m about the x and y axes; positive pulls the bolts at +y and at +x.
 * @param pivotY the plate tips about the line y = pivotY and the bolts pull only; without it about their centroid,
 * and bolts work both ways.
 * @returns tensions (N; negative is pressed), the greatest, and its index.
 * @throws KeramosError `invalid` for no bolts, or a moment that bolts in one line cannot hold.
 * @example boltGroupTension(bolts, 0, [900, 0]).max // 3214
 * Source: Shigley & Mischke, bolted bracket; T = M·y / Σ y².
 */
export function boltGroupTension(
  bolts: readonly BoltPlace[],
  force: number,
  moment: readonly [number, number],
  pivotY?: number,
) {
  if (bolts.length === 0) throw invalid('bolts', 'A bolt group needs at least one bolt');
  const [cx, cy] = centroid(bolts);
  const arm = bolts.map(([x, y]): BoltPlace => (pivotY === undefined ? [x - cx, y - cy] : [0, y - pivotY]));
  const share = (M: number, axis: 0 | 1) => {
    const sum = arm.reduce((total, place) => total + place[axis] ** 2, 0);
    if (sum < 1e-12 && Math.abs(M) > 1e-9)
      throw invalid('bolts', 'Bolts in one line cannot hold a moment across it: add a second row, or a wider plate');
    return sum < 1e-12 ? 0 : M / sum;
  };
  const [alongY, alongX] = [share(moment[0], 1), pivotY === undefined ? share(moment[1], 0) : 0];
  const tensions = arm.map(([x, y]) => force / bolts.length + alongY * y + alongX * x);
  const maxIndex = greatest(tensions);
  return { tensions, max: tensions[maxIndex]!, maxIndex };
}
