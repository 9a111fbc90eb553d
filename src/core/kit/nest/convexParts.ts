import earcut from 'earcut';
import { signedArea, type FlatPoint } from '../../geometry';

export { signedArea } from '../../geometry';

/** A point of an outline (m). */
export type At = FlatPoint;

const turnOf = (a: At, b: At, c: At) => (b[0] - a[0]) * (c[1] - b[1]) - (b[1] - a[1]) * (c[0] - b[0]);

/** How far off a straight line a corner may lie and be none, as twice an area (m²). */
const STRAIGHT = 1e-12;

/** Whether an outline that runs against the clock turns one way only. */
export const isConvex = (outline: readonly At[]): boolean =>
  outline.every(
    (b, i) =>
      turnOf(outline[(i + outline.length - 1) % outline.length]!, b, outline[(i + 1) % outline.length]!) >= -STRAIGHT,
  );

/**
 * An outline in few convex parts that cover it and do not overlap, each against the clock.
 *
 * @param outline that does not cross itself, either way round. @returns the outline itself where it is convex.
 * Source: triangles by ears, joined where the joint stays convex (Hertel & Mehlhorn 1983).
 */
export function convexParts(outline: readonly At[]): At[][] {
  const round = signedArea(outline) < 0 ? [...outline].reverse() : [...outline];
  if (isConvex(round)) return [round];
  const triangles = earcut(round.flatMap(([x, y]) => [x, y]));
  let parts: number[][] = [];
  for (let i = 0; i < triangles.length; i += 3) {
    const [a, b, c] = [triangles[i]!, triangles[i + 1]!, triangles[i + 2]!];
    const area = turnOf(round[a]!, round[b]!, round[c]!);
    if (Math.abs(area) > STRAIGHT) parts.push(area > 0 ? [a, b, c] : [a, c, b]);
  }
  for (let joined = true; joined;) {
    joined = false;
    search: for (let i = 0; i < parts.length; i++)
      for (let j = i + 1; j < parts.length; j++) {
        const one = joinedAt(parts[i]!, parts[j]!, round);
        if (!one) continue;
        parts = [...parts.slice(0, i), one, ...parts.slice(i + 1, j), ...parts.slice(j + 1)];
        joined = true;
        break search;
      }
  }
  return parts.map((part) => part.map((i) => round[i]!));
}

/** Two parts as one over the edge that they share; null where they share none, or it would not be convex. */
function joinedAt(a: readonly number[], b: readonly number[], points: readonly At[]): number[] | null {
  for (let i = 0; i < a.length; i++) {
    const [p, q] = [a[i]!, a[(i + 1) % a.length]!];
    const j = b.indexOf(q);
    if (j < 0 || b[(j + 1) % b.length] !== p) continue;
    const fromA = Array.from({ length: a.length }, (_, k) => a[(i + 1 + k) % a.length]!);
    const fromB = Array.from({ length: b.length - 2 }, (_, k) => b[(j + 2 + k) % b.length]!);
    const one = [...fromA, ...fromB];
    return isConvex(one.map((k) => points[k]!)) ? one : null;
  }
  return null;
}
