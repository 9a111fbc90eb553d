/** A point of the boat, m: x forward from the aft end of the waterline, y to starboard, z up from the baseline. */
export type Point = readonly [x: number, y: number, z: number];

export const distance = (a: Point, b: Point): number => {
  const [x, y, z] = [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
  return Math.sqrt(x * x + y * y + z * z);
};

/** Length of a run of points. */
export const runLength = (points: readonly Point[]): number =>
  points.reduce((sum, point, i) => (i === 0 ? 0 : sum + distance(points[i - 1]!, point)), 0);

/** Greatest distance of a run of points from the straight line between its ends: the crown over that chord. */
export function crownOf(points: readonly Point[]): number {
  const [a, b] = [points[0]!, points.at(-1)!];
  const chord = distance(a, b);
  if (chord < 1e-9) return 0;
  const along = [0, 1, 2].map((k) => (b[k]! - a[k]!) / chord);
  return Math.max(
    ...points.map((p) => {
      const from = [0, 1, 2].map((k) => p[k]! - a[k]!);
      const projection = from.reduce((sum, value, k) => sum + value * along[k]!, 0);
      return Math.hypot(...from.map((value, k) => value - projection * along[k]!));
    }),
  );
}

/** `count` + 1 numbers from 0 to 1. */
export const shares = (count: number): number[] => Array.from({ length: count + 1 }, (_, i) => i / count);

export const mix = (a: number, b: number, share: number): number => a + (b - a) * share;
