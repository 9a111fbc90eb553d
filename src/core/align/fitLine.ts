import { invalid } from '../error';

/** A straight line y = offset + slope x by least squares, and how far each point is from what the others say. */
export interface FittedLine {
  offset: number;
  slope: number;
  /** Of each point from the line, by its place; null where it was left out. */
  residuals: (number | null)[];
  /** Root mean square of the residuals. */
  spread: number;
  /** Places of points that the others do not bear out; left out of the line. */
  doubtful: number[];
}

interface Sums {
  n: number;
  mean: [number, number];
  Sxx: number;
  Sxy: number;
}
function sumsOf(points: readonly (readonly [number, number])[]): Sums {
  const n = points.length;
  const mean = [0, 1].map((axis) => points.reduce((sum, point) => sum + point[axis as 0 | 1], 0) / n);
  const [mx, my] = mean as [number, number];
  const Sxx = points.reduce((sum, [x]) => sum + (x - mx) ** 2, 0);
  const Sxy = points.reduce((sum, [x, y]) => sum + (x - mx) * (y - my), 0);
  return { n, mean: [mx, my], Sxx, Sxy };
}

/** How many spreads a point may be from what the others say. */
const MOST = 3.5;

/** A point against the line through the others: how far, in spreads of such a difference. */
function deviation(points: readonly (readonly [number, number])[], i: number, least: number): number {
  const others = points.filter((_, k) => k !== i);
  const { n, mean, Sxx, Sxy } = sumsOf(others);
  if (Sxx < 1e-12) return 0;
  const slope = Sxy / Sxx;
  const at = (x: number) => mean[1] + slope * (x - mean[0]);
  const rest = others.reduce((sum, [x, y]) => sum + (y - at(x)) ** 2, 0);
  const spread = Math.max(least, n > 2 ? Math.sqrt(rest / (n - 2)) : 0);
  const [x, y] = points[i]!;
  return Math.abs(y - at(x)) / (spread * Math.sqrt(1 + 1 / n + (x - mean[0]) ** 2 / Sxx));
}

/**
 * The best straight line through measured points, without those that the others do not bear out: one at a time the
 * farthest from the line through all the others, in spreads of such a difference, while it is more than 3.5 and at
 * least three others are left.
 *
 * @param points [x, y] (m), two or more at different x. @param spread how well a reading can be repeated (m).
 * @throws KeramosError `invalid` for fewer than two places.
 * @example fitLine([[0, 0.001], [1, 0.003], [2, 0.005]], 0.001).slope // 0.002
 * Source: ordinary least squares; prediction error of a point left out (Weisberg, Applied Linear Regression).
 */
export function fitLine(points: readonly (readonly [number, number])[], spread: number): FittedLine {
  let kept = points.map((point, i) => ({ point, i }));
  const doubtful: number[] = [];
  while (kept.length > 3) {
    const all = kept.map(({ point }) => point);
    const far = all.map((_, i) => deviation(all, i, spread));
    const worst = far.indexOf(Math.max(...far));
    if (far[worst]! <= MOST) break;
    doubtful.push(kept[worst]!.i);
    kept = kept.filter((_, i) => i !== worst);
  }
  const { mean, Sxx, Sxy } = sumsOf(kept.map(({ point }) => point));
  if (kept.length < 2 || Sxx < 1e-12)
    throw invalid('pairs', 'A line wants pairs at two places along the boat at least');
  const slope = Sxy / Sxx;
  const offset = mean[1] - slope * mean[0];
  const off = ([x, y]: readonly [number, number]) => y - offset - slope * x;
  const used = kept.map(({ point }) => off(point));
  return {
    offset,
    slope,
    residuals: points.map((point) => off(point)),
    spread: Math.sqrt(used.reduce((sum, value) => sum + value * value, 0) / used.length),
    doubtful: doubtful.sort((a, b) => a - b),
  };
}
