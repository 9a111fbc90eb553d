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

/** The point of an edge from a to b that is nearest to another. */
export function nearestOnEdge(a: FlatPoint, b: FlatPoint, [x, y]: FlatPoint): FlatPoint {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const long = dx * dx + dy * dy;
  const t = long === 0 ? 0 : Math.max(0, Math.min(1, ((x - a[0]) * dx + (y - a[1]) * dy) / long));
  return [a[0] + t * dx, a[1] + t * dy];
}

/** Length of a line through points (m). */
export const lineLength = (points: readonly FlatPoint[]): number =>
  points.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - points[i]![0], y - points[i]![1]), 0);
