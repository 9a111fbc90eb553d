import { deckPoint, type BoatShape } from '../geometry';
import type { Slice } from './immersed';

/** Places and weights of Gauss's rule of three points over 0 to 1, exact for curves of the fifth degree. */
const GAUSS = [
  [0.5 - Math.sqrt(0.15), 5 / 18],
  [0.5, 8 / 18],
  [0.5 + Math.sqrt(0.15), 5 / 18],
] as const;

/** Pieces along a whole hull. */
const PIECES = 40;

/** Slices between two places along the boat, in so many pieces of three. */
export function slicesBetween(
  from: number,
  to: number,
  outlinesAt: (x: number) => Slice['outlines'],
  pieces = PIECES,
): Slice[] {
  const step = (to - from) / pieces;
  return Array.from({ length: pieces }, (_, i) =>
    GAUSS.map(([t, weight]) => {
      const x = from + (i + t) * step;
      return { x, weight: weight * step, outlines: outlinesAt(x) };
    }),
  ).flat();
}

type Outline = (readonly [number, number])[];

/** The boat's section at x, starboard half from keel to deck edge. */
const halfSection = ({ hull }: BoatShape, x: number): Outline => {
  return hull.section(x).map(([, y, z]) => [y, z] as const);
};

const wholeHulls = new WeakMap<object, Slice[]>();
/** The hull closed by a flat deck from edge to edge; camber, houses and the raked ends of the transom are left out. */
export function hullBody(shape: BoatShape): Slice[] {
  const known = wholeHulls.get(shape.hull);
  if (known) return known;
  const { hull } = shape;
  const slices = slicesBetween(hull.aft, hull.bow, (x) => {
    const half = halfSection(shape, x);
    return [[...half, ...half.map(([y, z]) => [-y, z] as const).reverse()]];
  });
  wholeHulls.set(hull, slices);
  return slices;
}

/** A space in the boat: what lies between these bounds and inside the skin. m. */
export interface Bounds {
  from: number;
  to: number;
  bottom: number;
  top: number;
  /** Half-breadths between which it lies; to the skin where `outer` is null. */
  inner: number;
  outer: number | null;
  hand: 'both' | 'port' | 'starboard';
  /** It keeps so far from the skin: the double skin of a tank. */
  gap: number;
}

/** A convex cut of an outline: what of it has a·y + b·z ≤ c. */
function cutOff(outline: Outline, [a, b, c]: readonly [number, number, number]): Outline {
  const kept: Outline = [];
  outline.forEach(([y1, z1], i) => {
    const [y0, z0] = outline[(i + outline.length - 1) % outline.length]!;
    const [s0, s1] = [a * y0 + b * z0 - c, a * y1 + b * z1 - c];
    if (s0 > 0 !== s1 > 0) {
      const t = s0 / (s0 - s1);
      kept.push([y0 + t * (y1 - y0), z0 + t * (z1 - z0)]);
    }
    if (s1 <= 0) kept.push([y1, z1]);
  });
  return kept;
}

/** Half a section drawn in by a gap, square to the skin; never over the centreline. */
function drawnIn(half: Outline, gap: number): Outline {
  if (gap === 0) return half;
  const normals = half.slice(1).map(([y1, z1], i): [number, number] => {
    const [y0, z0] = half[i]!;
    const length = Math.hypot(y1 - y0, z1 - z0) || 1;
    return [-(z1 - z0) / length, (y1 - y0) / length];
  });
  // A corner goes to where its two sides, each drawn in, meet; the lowest point stays on the centreline.
  return half.map(([y, z], i) => {
    if (y < 1e-9) return [0, z + gap / Math.max(0.2, normals[Math.min(i, normals.length - 1)]![1])] as const;
    const [before, after] = [normals[Math.max(0, i - 1)]!, normals[Math.min(normals.length - 1, i)]!];
    const [ny, nz] = [(before[0] + after[0]) / 2, (before[1] + after[1]) / 2];
    const square = Math.max(0.25, ny * ny + nz * nz);
    return [Math.max(0, y + (gap * ny) / square), z + (gap * nz) / square] as const;
  });
}

const SPACE_PIECES = 16;

/**
 * A space as a body, cut from the boat by its bounds; above the deck edge it ends at the cambered deck.
 * @returns no slices where nothing of it lies in the boat.
 */
export function spaceBody(shape: BoatShape, bounds: Bounds): Slice[] {
  const { hull } = shape;
  const [from, to] = [Math.max(bounds.from, hull.aft), Math.min(bounds.to, hull.bow)];
  if (!(to > from)) return [];
  const { bottom, top, inner, outer, hand, gap } = bounds;
  const outlinesAt = (x: number): Slice['outlines'] => {
    const skin = drawnIn(halfSection(shape, x), gap);
    const [edgeY, edgeZ] = skin.at(-1)!;
    // Under the deck's camber, in so many steps from its edge to the middle.
    const crown = top > edgeZ ? [0.75, 0.5, 0.25].map((t) => under(x, edgeY * t)) : [];
    const closed: Outline = [...skin, ...crown, top > edgeZ ? under(x, 0) : [0, edgeZ], [0, skin[0]![1]]];
    const cuts: [number, number, number][] = [
      [0, 1, top],
      [0, -1, -bottom],
      [-1, 0, -inner],
      ...(outer === null ? [] : [[1, 0, outer] as [number, number, number]]),
    ];
    const kept = cuts.reduce(cutOff, closed);
    if (kept.length < 3) return [];
    const mirrored = kept.map(([y, z]) => [-y, z] as const);
    if (hand === 'starboard') return [kept];
    return hand === 'port' ? [mirrored] : [kept, mirrored];
  };
  const under = (x: number, y: number): readonly [number, number] => {
    return [y, deckPoint(hull, shape.deck, x, y)[2] - gap] as const;
  };
  return slicesBetween(from, to, outlinesAt, SPACE_PIECES).filter(({ outlines }) => outlines.length > 0);
}
