import type { FlatPoint } from '../../geometry';
import type { FillResult } from './simulate';

/** Time (s) at which the front passes a place, between the nodes about it; null where it stays dry. */
export function arrivalAt({ mesh, arrival }: FillResult, [x, y]: FlatPoint): number | null {
  const { x: xs, y: ys, triangles } = mesh;
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!];
    const twice = (xs[b]! - xs[a]!) * (ys[c]! - ys[a]!) - (xs[c]! - xs[a]!) * (ys[b]! - ys[a]!);
    const wb = ((x - xs[a]!) * (ys[c]! - ys[a]!) - (xs[c]! - xs[a]!) * (y - ys[a]!)) / twice;
    const wc = ((xs[b]! - xs[a]!) * (y - ys[a]!) - (x - xs[a]!) * (ys[b]! - ys[a]!)) / twice;
    if (Math.min(wb, wc, 1 - wb - wc) < -1e-9) continue;
    const time = (1 - wb - wc) * arrival[a]! + wb * arrival[b]! + wc * arrival[c]!;
    if (Number.isFinite(time)) return time;
    const near = [a, b, c].filter((_, i) => [1 - wb - wc, wb, wc][i]! > 0.5)[0];
    return near !== undefined && Number.isFinite(arrival[near]!) ? arrival[near]! : null;
  }
  let nearest = 0;
  for (let i = 0; i < xs.length; i++)
    if (Math.hypot(xs[i]! - x, ys[i]! - y) < Math.hypot(xs[nearest]! - x, ys[nearest]! - y)) nearest = i;
  return Number.isFinite(arrival[nearest]!) ? arrival[nearest]! : null;
}
