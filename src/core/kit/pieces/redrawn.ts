import type { Boat, PieceDrawing } from '../../document';
import { saidPiece } from '../cut/cutWay';
import { signedArea, type At } from '../nest/convexParts';
import { bareArea, boxOf, girthOf, grown, moved } from './outline';
import type { Piece } from './piece';

/** An outline is still the one that was drawn over where it lies within this of it all round (m). */
const SAME = 0.001;
/** A drawing may leave so much of what it stands for bare (m²): rounded corners. */
const ROUNDING = 0.002;

/** Whether two outlines lie so near to each other all round that a cutter would not tell them apart. */
export const sameOutline = (a: readonly At[], b: readonly At[]): boolean =>
  bareArea(a, b) + bareArea(b, a) <= SAME * (girthOf(a) + girthOf(b));

/** An outline mirrored across the roll, within its own box or that of another. */
const mirrored = (points: readonly At[], { maxX }: { maxX: number }): At[] =>
  moved(points, { mirror: true }).map(([x, y]): At => [x + maxX, y]);

/** The same piece of the other hand, by its id. */
export function otherHandOf(piece: string): string | null {
  if (piece.includes('.starboard.')) return piece.replace('.starboard.', '.port.');
  return piece.includes('.port.') ? piece.replace('.port.', '.starboard.') : null;
}

interface Drawn {
  drawing: PieceDrawing;
  outline: At[];
  notches: At[];
  basis: At[] | null;
}

/** What stands in place of each piece: its own drawing, or that of the other hand mirrored. */
function drawnPieces({ pieceDrawings }: Pick<Boat, 'pieceDrawings'>): Map<string, Drawn> {
  const found = new Map<string, Drawn>();
  const put = (piece: string, one: Drawn, over: boolean) => {
    if (over || !found.has(piece)) found.set(piece, one);
  };
  for (const drawing of pieceDrawings) {
    const { piece, bothHands, outline, notches, basis } = drawing;
    if (piece === null) continue;
    put(piece, { drawing, outline, notches, basis }, true);
    const other = bothHands ? otherHandOf(piece) : null;
    if (other === null) continue;
    const box = boxOf(basis ?? outline);
    const flip = (points: readonly At[]) => mirrored(points, box);
    put(
      other,
      { drawing, outline: flip(outline).reverse(), notches: flip(notches), basis: basis && flip(basis).reverse() },
      false,
    );
  }
  return found;
}

/** An outline from 0 both ways, with what lies in its place. */
function settled(outline: readonly At[], others: readonly At[]): { outline: At[]; others: At[] } {
  const { minX, minY } = boxOf(outline);
  const shift = (points: readonly At[]) => points.map(([x, y]): At => [x - minX, y - minY]);
  const against = signedArea(outline) < 0 ? [...outline].reverse() : outline;
  return { outline: shift(against), others: shift(others) };
}

export interface Redrawn {
  pieces: Piece[];
  /** m² of its zones that the drawing of a piece leaves bare, all copies, by layer. */
  bare: Map<string, number>;
  /** Drawings whose piece the schedule does not have any more. */
  lost: PieceDrawing[];
  /** Pieces whose drawing leaves more bare than a cutter's rounding, in words: they stop the kit. */
  short: string[];
}

/**
 * Pieces with what somebody drew in place of them, and those that somebody drew besides.
 *
 * A drawing that no longer follows the schedule says so and holds; what it does not cover of the piece as it would be
 * without its trim counts as missing.
 * @param trim in the pieces, all round (m).
 */
export function redrawn(boat: Boat, pieces: readonly Piece[], trim: number): Redrawn {
  const drawn = drawnPieces(boat);
  const bare = new Map<string, number>();
  const short: string[] = [];
  const known = new Set(pieces.map(({ id }) => id));
  const own = pieces.map((piece): Piece => {
    const found = drawn.get(piece.id);
    if (!found) return piece;
    const schedule = piece.outline;
    const stale = found.basis !== null && !sameOutline(found.basis, schedule);
    // Cloth of a layer alone has trim in it: cores, straps, strips and boards are cut to size.
    const needed = piece.kind === 'layer' ? grown(schedule, -trim) : [schedule];
    const without = needed.reduce((sum, one) => sum + Math.max(0, bareArea(one, found.outline)), 0);
    if (without > ROUNDING) short.push(`${saidPiece(piece)}: drawn by hand, it leaves ${without.toFixed(3)} m² bare`);
    if (piece.layerId) bare.set(piece.layerId, (bare.get(piece.layerId) ?? 0) + without * piece.count);
    const { outline, others } = settled(found.outline, found.notches);
    const notes = [stale ? 'drawn by hand: no longer follows the schedule' : 'drawn by hand'];
    if (without > 1e-4) notes.push(`leaves ${without.toFixed(3)} m² of its zones bare`);
    return {
      ...piece,
      outline,
      notches: others,
      cuts: [],
      area: Math.abs(signedArea(outline)),
      drawn: { id: found.drawing.id, stale, schedule },
      notes: [...notes, ...piece.notes],
    };
  });
  const lost = boat.pieceDrawings.filter(({ piece }) => piece !== null && !known.has(piece));
  return { pieces: [...own, ...boat.pieceDrawings.flatMap(pieceOfItsOwn)], bare, lost, short };
}

/** A drawing that stands for no piece of the schedule as a piece by itself. */
function pieceOfItsOwn({ id, name, piece, material, thickness, count, ...shape }: PieceDrawing): Piece[] {
  if (piece !== null || material === null) return [];
  const { outline, others } = settled(shape.outline, shape.notches);
  return [
    {
      id,
      run: null,
      kind: 'own',
      material,
      thickness,
      of: name,
      partId: null,
      layerId: null,
      layerNumber: 0,
      zones: [],
      angleDeg: 0,
      hand: 'none',
      n: 1,
      m: 1,
      count,
      outline,
      cuts: [],
      notches: others,
      drawn: { id, stale: false, schedule: outline },
      area: Math.abs(signedArea(outline)),
      shearDeg: 0,
      notes: [],
    },
  ];
}
