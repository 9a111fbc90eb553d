import type { FlatPoint } from '../geometry';
import type { FillMesh } from './simulate/mesh';

/** Lines on which a value of the nodes of a mesh has a level. */
export interface Isoline {
  level: number;
  lines: FlatPoint[][];
}

/** Lines of equal arrival, levels as given: straight across each triangle, joined end to end. */
export function isolines(
  { x, y, triangles }: FillMesh,
  values: ArrayLike<number>,
  levels: readonly number[],
): Isoline[] {
  return levels.map((level) => ({ level, lines: joined(segmentsAt(level)) }));

  /** Where a level crosses triangles: each end by the edge that it lies on. */
  function segmentsAt(level: number): [Crossing, Crossing][] {
    const segments: [Crossing, Crossing][] = [];
    for (let t = 0; t < triangles.length; t += 3) {
      const corners = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!];
      if (!corners.every((i) => Number.isFinite(values[i]!))) continue;
      const crossings = corners.flatMap((a, k): Crossing[] => {
        const b = corners[(k + 1) % 3]!;
        const [va, vb] = [values[a]!, values[b]!];
        if (va > level === vb > level) return [];
        const share = (level - va) / (vb - va);
        const key = a < b ? `${a} ${b}` : `${b} ${a}`;
        return [{ key, at: [x[a]! + share * (x[b]! - x[a]!), y[a]! + share * (y[b]! - y[a]!)] }];
      });
      if (crossings.length === 2) segments.push([crossings[0]!, crossings[1]!]);
    }
    return segments;
  }
}

interface Crossing {
  key: string;
  at: FlatPoint;
}

/** Segments that share an end, as lines. */
function joined(segments: readonly [Crossing, Crossing][]): FlatPoint[][] {
  const byKey = new Map<string, number[]>();
  segments.forEach((segment, i) => segment.forEach(({ key }) => byKey.set(key, [...(byKey.get(key) ?? []), i])));
  const used = new Uint8Array(segments.length);
  const lines: FlatPoint[][] = [];
  for (let i = 0; i < segments.length; i++) {
    if (used[i]) continue;
    used[i] = 1;
    const line = [...segments[i]!];
    for (const forward of [true, false])
      for (;;) {
        const end = forward ? line.at(-1)! : line[0]!;
        const next = byKey.get(end.key)!.find((one) => !used[one]);
        if (next === undefined) break;
        used[next] = 1;
        const [a, b] = segments[next]!;
        const far = a.key === end.key ? b : a;
        if (forward) line.push(far);
        else line.unshift(far);
      }
    lines.push(line.map(({ at }) => at));
  }
  return lines;
}
