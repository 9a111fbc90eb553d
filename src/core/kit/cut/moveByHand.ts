import { Clipper, FillRule, type Path64 } from '@countertype/clipper2-ts';
import { convexParts, type At } from '../nest/convexParts';
import { boxOf, grown } from '../pieces/outline';
import { reckon } from './reckon';
import type { CutInput, CutPlace, CutWay } from './cutWay';

/** A piece goes no further than this from where it was put (m); else there is no room. */
const SNAP = 0.4;
const MICRO = 1e6;
/** Half of a hundredth of a millimetre kept more than the gap, so that rounding never makes an overlap. */
const CLEAR = 2e-5;
/** A piece as wide as the roll still fits it. */
const ROUNDED = 1e-6;

export interface Move {
  place: Pick<CutPlace, 'pieceId' | 'copy'>;
  /** Where its origin is put, on which cloth; turned by half where the fibres allow. */
  to: { clothId: string; x: number; y: number };
  turnHalf?: boolean;
}

/**
 * A lay with one piece put elsewhere by hand: it snaps to the nearest place at which it overlaps nothing and lies on
 * its cloth, and what there is of roll, knife and money is reckoned again.
 *
 * @returns the lay, or why the piece has no room there, in words.
 * Source: places at which two shapes overlap are the Minkowski sum of one and the other reflected.
 */
export function movedByHand(input: Omit<CutInput, 'looks' | 'seed'>, way: CutWay, move: Move): CutWay | string {
  const { cutting, material } = input;
  const isMoved = ({ pieceId, copy }: CutPlace) => pieceId === move.place.pieceId && copy === move.place.copy;
  const own = way.places.find(isMoved);
  const cloth = way.cloth.find(({ id }) => id === move.to.clothId);
  if (!own || !cloth) return 'That piece, or that roll, is not in this lay';
  const rotation = move.turnHalf ? (own.rotation + 180) % 360 : own.rotation;
  const shape = own.outline.map(([x, y]): At => {
    const [u, v] = [x - own.x, y - own.y];
    return move.turnHalf ? [-u, -v] : [u, v];
  });
  const { minX, maxX, minY, maxY } = boxOf(shape);
  const edge = cloth.outline ? 0 : cutting.selvage;
  const length = cloth.length ?? material.rollLength.value;
  const room = cloth.outline
    ? boxOf(cloth.outline)
    : { minX: edge, maxX: material.width.value - edge, minY: 0, maxY: length };
  const [low, high]: [At, At] = [
    [room.minX - minX - ROUNDED, room.minY - minY - ROUNDED],
    [room.maxX - maxX + ROUNDED, room.maxY - maxY + ROUNDED],
  ];
  if (high[0] < low[0] - 1e-6 || high[1] < low[1] - 1e-6) return `It is larger than ${cloth.name}`;
  const others = way.places.filter((place) => place.clothId === cloth.id && !isMoved(place));
  const barred = others.flatMap((place) => minkowski(grownParts(place.outline, cutting.gap + CLEAR), shape));
  const outside = cloth.outline ? outsideOf(cloth.outline, shape) : [];
  const free = Clipper.difference(
    [pathOf([low, [high[0], low[1]], high, [low[0], high[1]]], 1)],
    [...barred, ...outside],
    FillRule.NonZero,
  );
  const wanted: At = [move.to.x, move.to.y];
  const found = nearestIn(free, wanted);
  if (!found || Math.hypot(found[0] - wanted[0], found[1] - wanted[1]) > SNAP)
    return 'It has no room there: it would lie over another piece or over the edge';
  const outline = shape.map(([x, y]): At => [x + found[0], y + found[1]]);
  const moved: CutPlace = { ...own, clothId: cloth.id, rotation, x: found[0], y: found[1], outline };
  const places = way.places.map((place) => (isMoved(place) ? moved : place));
  const cloths = way.cloth
    .map((one) => {
      const on = places.filter(({ clothId }) => clothId === one.id);
      const taken = one.outline || on.length === 0 ? 0 : Math.max(...on.map((place) => boxOf(place.outline).maxY));
      return { one: { ...one, taken }, empty: on.length === 0 };
    })
    .flatMap(({ one, empty }) => (empty ? [] : [one]));
  return reckon(input, way.name, { places, cloth: cloths });
}

const pathOf = (outline: readonly At[], sign: number): Path64 =>
  outline.map(([x, y]) => ({ x: Math.round(sign * x * MICRO), y: Math.round(sign * y * MICRO) }));
const grownParts = (outline: readonly At[], by: number): At[][] => grown(outline, by).flatMap(convexParts);

/** Where a shape's origin may not be for a set of convex parts: sums of each with the shape's own parts reflected. */
function minkowski(parts: readonly (readonly At[])[], shape: readonly At[]): Path64[] {
  const own = convexParts(shape);
  return parts.flatMap((part) =>
    own.flatMap((one) => {
      const round = Clipper.minkowskiSum(pathOf(one, -1), pathOf(part, 1), true);
      // The sum is of the part's rim: where the shape is small, what the rim encloses is added.
      const [x, y] = one[0]!;
      const inside = pathOf(
        part.map(([u, v]): At => [u - x, v - y]),
        1,
      );
      return Clipper.union([...round, inside], FillRule.NonZero);
    }),
  );
}

/** Where a shape's origin may not be so that it lies within an outline. */
function outsideOf(outline: readonly At[], shape: readonly At[]): Path64[] {
  const { minX, maxX, minY, maxY } = boxOf(outline);
  const around: At[] = [
    [minX - 0.01, minY - 0.01],
    [maxX + 0.01, minY - 0.01],
    [maxX + 0.01, maxY + 0.01],
    [minX - 0.01, maxY + 0.01],
  ];
  const holes = Clipper.difference([pathOf(around, 1)], [pathOf(outline, 1)], FillRule.NonZero);
  // A ring with a hole in it is cut into plain parts by lines through the corners of the outline.
  const plain = holes.length === 1 ? holes : stripsOf(around, outline);
  return minkowski(
    plain.flatMap((path) => convexParts(path.map(({ x, y }): At => [x / MICRO, y / MICRO]))),
    shape,
  );
}

/** What lies between an outline and a box about it, in strips across: none has a hole. */
function stripsOf(around: readonly At[], outline: readonly At[]): Path64[] {
  const { minX, maxX, minY, maxY } = boxOf(around);
  const levels = [...new Set([minY, ...outline.map(([, y]) => y), maxY])].sort((a, b) => a - b);
  return levels.slice(1).flatMap((top, i) => {
    const strip: At[] = [
      [minX, levels[i]!],
      [maxX, levels[i]!],
      [maxX, top],
      [minX, top],
    ];
    return Clipper.difference([pathOf(strip, 1)], [pathOf(outline, 1)], FillRule.NonZero);
  });
}

/** The point of some rings nearest to a place; the place itself where it lies in them. */
function nearestIn(rings: readonly Path64[], [x, y]: At): At | null {
  const inside = rings.reduce((odd, ring) => (crossings(ring, x * MICRO, y * MICRO) ? !odd : odd), false);
  if (inside) return [x, y];
  let best: { at: At; distance: number } | null = null;
  for (const ring of rings)
    ring.forEach((a, i) => {
      const b = ring[(i + 1) % ring.length]!;
      const [dx, dy] = [(b.x - a.x) / MICRO, (b.y - a.y) / MICRO];
      const [ax, ay] = [a.x / MICRO, a.y / MICRO];
      const long = dx * dx + dy * dy;
      const t = long === 0 ? 0 : Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / long));
      const at: At = [ax + t * dx, ay + t * dy];
      const distance = Math.hypot(at[0] - x, at[1] - y);
      if (!best || distance < best.distance) best = { at, distance };
    });
  return (best as { at: At } | null)?.at ?? null;
}

/** Whether a ray from a place crosses a ring an odd number of times. */
const crossings = (ring: Path64, x: number, y: number): boolean =>
  ring.reduce((odd, a, i) => {
    const b = ring[(i + 1) % ring.length]!;
    const crosses = a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x;
    return crosses ? !odd : odd;
  }, false);
