import { convexParts, type At } from './convexParts';

/** A shape as it is turned, ready to be compared with others; its own origin lies where it was drawn. */
export interface Turned {
  /** By which tables know it: one of its own for every shape. */
  index: number;
  rotation: number;
  outline: At[];
  parts: At[][];
  minX: number;
  maxX: number;
  minY: number;
  maxY: number;
}

/**
 * An outline turned about its origin by so many degrees, against the clock. Quarter turns are exact.
 *
 * @param index its own among all shapes of a nest.
 */
export function turned(outline: readonly At[], rotation: number, index: number): Turned {
  const quarter = ((rotation % 360) + 360) % 360;
  const exact = { 0: [1, 0], 90: [0, 1], 180: [-1, 0], 270: [0, -1] }[quarter];
  const [cos, sin] = exact ?? [Math.cos((rotation * Math.PI) / 180), Math.sin((rotation * Math.PI) / 180)];
  const points = outline.map(([x, y]): At => [cos! * x - sin! * y, sin! * x + cos! * y]);
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  return {
    index,
    rotation,
    outline: points,
    parts: convexParts(points),
    minX: Math.min(...xs),
    maxX: Math.max(...xs),
    minY: Math.min(...ys),
    maxY: Math.max(...ys),
  };
}

/**
 * Where one shape may not lie against another, as half-planes: for each pair of convex parts so many triples
 * (nx, ny, c). Moved by t from the first to the second they overlap by the least of c − n·t where that is above 0.
 */
export interface Against {
  planes: Float64Array;
  /** Where the triples of each pair begin; one more at the end. */
  starts: Int32Array;
  /** The plane of each pair that parted them last: asked first. */
  hints: Int32Array;
}

const normalsOf = (part: readonly At[], sign: number): At[] =>
  part.flatMap(([x, y], i): At[] => {
    const [u, v] = part[(i + 1) % part.length]!;
    const length = Math.hypot(u - x, v - y);
    return length < 1e-12 ? [] : [[(sign * (v - y)) / length, (-sign * (u - x)) / length]];
  });
const reach = (part: readonly At[], [nx, ny]: At) => Math.max(...part.map(([x, y]) => nx * x + ny * y));

/**
 * How two shapes bar each other. The second's place must differ from the first's by a vector outside the Minkowski sum
 * of the first and the second reflected, widened by a gap (m).
 *
 * Source: the separating lines of two convex shapes are along edges of either; the gap is kept square at corners,
 * never less than it is asked.
 */
export function against(a: Turned, b: Turned, gap: number): Against {
  const planes: number[] = [];
  const starts = [0];
  for (const p of a.parts)
    for (const q of b.parts) {
      for (const normal of [...normalsOf(p, 1), ...normalsOf(q, -1)]) {
        const c =
          reach(p, normal) +
          reach(
            q.map(([x, y]): At => [-x, -y]),
            normal,
          ) +
          gap;
        planes.push(normal[0], normal[1], c);
      }
      starts.push(planes.length);
    }
  return {
    planes: Float64Array.from(planes),
    starts: Int32Array.from(starts),
    hints: Int32Array.from(starts.slice(0, -1)),
  };
}

/** How deep two shapes overlap when the second lies so far from the first (m); 0 where they do not. */
export function depthOf({ planes, starts, hints }: Against, tx: number, ty: number): number {
  let deepest = 0;
  for (let pair = 0; pair < hints.length; pair++) {
    const hint = hints[pair]!;
    if (planes[hint + 2]! - planes[hint]! * tx - planes[hint + 1]! * ty <= deepest) continue;
    let depth = Infinity;
    const end = starts[pair + 1]!;
    for (let k = starts[pair]!; k < end; k += 3) {
      const own = planes[k + 2]! - planes[k]! * tx - planes[k + 1]! * ty;
      if (own < depth) {
        depth = own;
        if (depth <= deepest) {
          hints[pair] = k;
          break;
        }
      }
    }
    if (depth > deepest) deepest = depth;
  }
  return deepest;
}
