/** A point of a flat outline (m). */
export type FlatPoint = readonly [number, number];

/** Signed area of an outline (m²): positive where it runs against the clock. */
export const signedArea = (outline: readonly FlatPoint[]): number => {
  let sum = 0;
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i++)
    sum += outline[j]![0] * outline[i]![1] - outline[i]![0] * outline[j]![1];
  return sum / 2;
};

/** Whether an outline crosses itself, or has no area. */
export function faultOf(outline: readonly FlatPoint[]): 'no area' | 'crosses itself' | null {
  if (outline.length < 3) return 'no area';
  const crosses = (a: FlatPoint, b: FlatPoint, c: FlatPoint, d: FlatPoint) => {
    const side = (p: FlatPoint, q: FlatPoint, r: FlatPoint) =>
      Math.sign((q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]));
    return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
  };
  const n = outline.length;
  for (let i = 0; i < n; i++)
    for (let j = i + 2; j < n; j++)
      if (!(i === 0 && j === n - 1) && crosses(outline[i]!, outline[(i + 1) % n]!, outline[j]!, outline[(j + 1) % n]!))
        return 'crosses itself';
  return Math.abs(signedArea(outline)) < 1e-6 ? 'no area' : null;
}
