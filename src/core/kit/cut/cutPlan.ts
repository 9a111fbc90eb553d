import { invalid } from '../../error';
import { hasDirection } from '../../material';
import type { At } from '../nest/convexParts';
import { nestPolygons, type PlacedPolygon, type PolygonPiece } from '../nest/polygons';
import { boxOf, moved, rectangle } from '../pieces/outline';
import type { Piece } from '../pieces/piece';
import { CUT_WAYS, saidPiece, type CutInput, type CutPlace, type CutStep, type CutWay } from './cutWay';
import { inRows, type Laid } from './inRows';
import { reckon } from './reckon';
import { spread } from './spread';

/** Pieces in the order in which they are laid: part by part, in each layer by layer, then what is of no part. */
export function inLayingOrder(pieces: readonly Piece[]): Piece[] {
  const parts = [...new Set(pieces.map(({ partId }) => partId))].filter((id) => id !== null);
  const rank = ({ partId }: Piece) => (partId === null ? parts.length : parts.indexOf(partId));
  return pieces
    .map((piece, at) => ({ piece, at }))
    .sort((a, b) => rank(a.piece) - rank(b.piece) || a.piece.layerNumber - b.piece.layerNumber || a.at - b.at)
    .map(({ piece }) => piece);
}

/**
 * Ways to cut all pieces of a fabric from what there is and from new rolls: straight cuts in laying order, true shapes
 * in rows, true shapes nested; each with cloth, knife, minutes and money. Nothing is turned or mirrored that its fibres
 * forbid: along the roll either way, a mat any quarter. What is fast stays where it lies, and the rest is nested round
 * it.
 *
 * @throws KeramosError `invalid` that names a piece wider than the roll, or longer than a whole one.
 */
export function* cutPlan(input: CutInput): Generator<CutStep, CutWay[]> {
  const { material, pieces, cutting } = input;
  const width = material.width.value - 2 * cutting.selvage;
  const ordered = inLayingOrder(pieces);
  for (const piece of ordered) {
    const { maxX, maxY, minX, minY } = boxOf(piece.outline);
    if (maxX - minX > width + 1e-6)
      throw invalid(
        'pieces',
        `${saidPiece(piece)} is wider than a roll of ${material.name}: part it, or take a wider one`,
      );
    if (maxY - minY > material.rollLength.value)
      throw invalid('pieces', `${saidPiece(piece)} is longer than a whole roll of ${material.name}: part it`);
  }
  const ways: CutWay[] = [];
  for (const name of ['blanks', 'rows'] as const) {
    const way = reckon(input, name, spread(input, inRows(ordered, width, cutting.gap)));
    ways.push(way);
    yield { done: 0.02, at: CUT_WAYS[name], length: way.length, best: way };
  }
  return [...ways, yield* nestedWay(input, ordered, ways[1]!.length)];
}

/** What lies fast of a lay, in the strip's place or on its own cloth. */
function fastOf({ fast = [], cloth, cutting }: CutInput, strip: string) {
  const offcuts = new Set(cloth.flatMap(({ id, outline }) => (outline ? [id] : [])));
  const inside = (place: CutPlace): At[] => {
    const edge = offcuts.has(place.clothId) ? 0 : cutting.selvage;
    return place.outline.map(([x, y]): At => [x - edge, y]);
  };
  const of = (clothId: string) => fast.filter((place) => place.clothId === clothId).map(inside);
  return { of, onStrip: of(strip), clothIds: [...new Set(fast.map(({ clothId }) => clothId))] };
}

function* nestedWay(input: CutInput, ordered: readonly Piece[], need: number): Generator<CutStep, CutWay> {
  const { material, cutting, cloth, fast = [], looks, seed, from } = input;
  const width = material.width.value - 2 * cutting.selvage;
  const rotations = hasDirection(material) ? [0, 180] : [0, 90, 180, 270];
  // Offcuts, and rolls that are too short for all, are filled one by one; a roll that is long enough is the strip.
  const isShort = (length: number | null) => length !== null && length > 0 && length < need;
  const long = cloth.find(({ outline, length }) => outline === null && (length ?? 0) > 0 && !isShort(length));
  const strip = long?.id ?? 'new-1';
  const lying = fastOf(input, strip);
  const stock = cloth.flatMap(({ id, outline, length }) => {
    const own = { id, fast: lying.of(id) };
    if (outline) return [{ ...own, outline }];
    return isShort(length) ? [{ ...own, outline: rectangle(width, length!) }] : [];
  });
  // Of any other roll no more is taken than what is fast on it does.
  const others = lying.clothIds
    .filter((id) => id !== strip && !stock.some((one) => one.id === id))
    .map((id) => {
      const own = lying.of(id);
      return { id, fast: own, outline: rectangle(width, Math.max(...own.map((outline) => boxOf(outline).maxY))) };
    });
  const isFast = new Set(fast.map(({ pieceId, copy }) => `${pieceId} ${copy}`));
  const copies = new Map(
    ordered.map(({ id, count }) => [
      id,
      Array.from({ length: count }, (_, copy) => copy).filter((copy) => !isFast.has(`${id} ${copy}`)),
    ]),
  );
  const shapes = ordered.flatMap(({ id, outline }): PolygonPiece[] => {
    const count = copies.get(id)!.length;
    return count > 0 ? [{ id, outline, count, rotations }] : [];
  });
  const byId = new Map(ordered.map((piece) => [piece.id, piece]));
  const wayOf = (lay: readonly PlacedPolygon[]): CutWay => {
    const laid = lay.map(({ id, copy, rotation, x, y, stock: on }): Laid => {
      const outline = moved(byId.get(id)!.outline, { turnDeg: rotation }).map(([u, v]): At => [u + x, v + y]);
      return { piece: byId.get(id)!, copy: copies.get(id)![copy]!, rotation, x, y, outline, cloth: on ?? null };
    });
    const still = fast.map(({ pieceId, copy, clothId, rotation, x, y, outline }): Laid => {
      const edge = cloth.some(({ id, outline: own }) => id === clothId && own) ? 0 : cutting.selvage;
      const inside = outline.map(([u, v]): At => [u - edge, v]);
      const on = clothId === strip ? null : clothId;
      return { piece: byId.get(pieceId)!, copy, rotation, x: x - edge, y, outline: inside, cloth: on };
    });
    const first = lying.onStrip.length > 0 ? strip : null;
    return { ...reckon(input, 'nested', spread(input, [...laid, ...still], first)), lay: [...lay] };
  };
  const search = nestPolygons({
    stripWidth: width,
    gap: cutting.gap,
    pieces: shapes,
    stock: [...stock, ...others],
    fast: lying.onStrip,
    from: fast.length === 0 ? from : undefined,
    looks,
    seed,
  });
  for (;;) {
    const step = search.next();
    if (step.done) return wayOf(step.value.placements);
    const { done, length, lay } = step.value;
    yield { done, at: 'nesting', length, best: lay && wayOf(lay) };
  }
}
