import { boltGroupTension, type BoltPlace } from './boltGroup';
import { invalid } from '../error';

/** Pull of each bolt of a fitting that is pulled off and tipped. */
export interface TippedBolts {
  /** N, in the order of the bolts; negative is pressed. */
  tensions: number[];
  max: number;
  maxIndex: number;
}

type Axis = 0 | 1;

/**
 * Pull of each bolt of a fitting under a force along the bolts and moments that tip it either way.
 *
 * A moment is held about the bolts' centroid, working both ways, or the base tips about the edge that bears and the
 * bolts only pull, T_i = M r_i / Σ r_i² with r from that edge: which of them it is depends on how soft the ground is,
 * so the greater counts, for either sign of each moment.
 *
 * @param base along and across (m), the bolts within it. @param force N, pulling. @param moment N·m that tips along
 * and across.
 * @throws KeramosError `invalid` for no bolts.
 * @example tippedBolts([[-0.06, -0.06], [-0.06, 0.06], [0.06, -0.06], [0.06, 0.06]], [0.16, 0.16], 0, [12000, 0]).max
 * // 50000
 * Source: Shigley & Mischke, bolted bracket; docs/engineering.md, "Height of the load".
 */
export function tippedBolts(
  bolts: readonly BoltPlace[],
  base: readonly [number, number],
  force: number,
  moment: readonly [along: number, across: number],
): TippedBolts {
  if (bolts.length === 0) throw invalid('bolts', 'A bolt group needs at least one bolt');
  const ways = ([0, 1] as const).map((axis) => waysOf(bolts, base[axis], axis, moment[axis]));
  const tensions = bolts.map((_, i) => {
    const most = ways.map((way) => Math.max(...way.map((pulls) => pulls[i]!)));
    return force / bolts.length + most[0]! + most[1]!;
  });
  const maxIndex = tensions.reduce((best, value, i) => (value > tensions[best]! ? i : best), 0);
  return { tensions, max: tensions[maxIndex]!, maxIndex };
}

/** Every way in which a moment may be held, as the pulls of the bolts (N). */
function waysOf(bolts: readonly BoltPlace[], size: number, axis: Axis, moment: number): number[][] {
  const M = Math.abs(moment);
  if (M < 1e-9) return [bolts.map(() => 0)];
  const ways: number[][] = [];
  const places = bolts.map((bolt) => bolt[axis]);
  const middle = places.reduce((sum, place) => sum + place, 0) / places.length;
  const spread = places.some((place) => Math.abs(place - middle) > 1e-6);
  for (const sign of [1, -1]) {
    if (spread) ways.push(boltGroupTension(bolts, 0, axis === 1 ? [sign * M, 0] : [0, sign * M]).tensions);
    const reach = places.map((place) => sign * place + size / 2);
    const sum = reach.reduce((total, r) => total + r ** 2, 0);
    if (sum > 1e-9) ways.push(reach.map((r) => (M * r) / sum));
  }
  if (ways.length === 0) throw invalid('bolts', 'These bolts cannot hold a moment: spread them, or take a wider base');
  return ways;
}
