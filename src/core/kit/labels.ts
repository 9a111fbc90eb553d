import type { Boat } from '../document';
import { boxOf } from './pieces/outline';
import { HANDS, type Piece } from './pieces/piece';
import { inLayingOrder } from './cut/cutPlan';
import { saidPiece } from './cut/cutWay';

const A4 = [210, 297] as const;
/** Labels across and down, their pitch and the corner of the first (mm). */
const grid = (across: number, down: number, size: readonly [number, number], first: readonly [number, number]) => {
  return { across, down, size, first };
};

/** Sheets of labels as they are sold. */
export const LABEL_SHEETS = {
  'a4-24': { name: 'A4, 24 of 70 × 37 mm', page: A4, ...grid(3, 8, [70, 37], [0, 0.5]) },
  'a4-21': { name: 'A4, 21 of 63.5 × 38.1 mm', page: A4, ...grid(3, 7, [66, 38.1], [6, 15.1]) },
  'a4-14': { name: 'A4, 14 of 99.1 × 38.1 mm', page: A4, ...grid(2, 7, [101.6, 38.1], [3.4, 15.1]) },
  'a4-8': { name: 'A4, 8 of 105 × 74 mm', page: A4, ...grid(2, 4, [105, 74], [0, 0.5]) },
  'letter-10': { name: 'Letter, 10 of 4 × 2 in', page: [215.9, 279.4], ...grid(2, 5, [106.4, 50.8], [4, 12.7]) },
  'roll-70': { name: 'Roll, 70 × 50 mm', page: [70, 50], ...grid(1, 1, [70, 50], [0, 0]) },
} as const;
export type LabelSheet = keyof typeof LABEL_SHEETS;

/** What stands on the label of one piece. */
export interface Label {
  /** What its code says when it is scanned: boat, piece, copy. */
  code: string;
  boat: string;
  piece: string;
  /** Fabric with its direction, hand, and which copy. */
  cloth: string;
  /** Where it lies on the mould. */
  place: string;
  /** m along the warp, and across. */
  size: readonly [number, number];
  /** In the order in which pieces are laid, from 1. */
  order: number;
}

/** What a label's code says: boat, piece, copy. */
export const labelCode = (boatName: string, { id }: Piece, copy: number) => `${boatName}|${id}|${copy}`;

/**
 * Labels of pieces in the order in which they are laid, one for every copy.
 * @param name of boat and hull, as it stands on them and in their codes.
 */
export function labelsOf(boat: Boat, pieces: readonly Piece[], name: string): Label[] {
  const zones = new Map(boat.parts.flatMap((part) => part.zones.map((zone) => [zone.id, zone.name])));
  const materials = new Map(boat.materials.map((one) => [one.id, 'code' in one ? one.code : one.name]));
  let order = 0;
  return inLayingOrder(pieces).flatMap((piece) => {
    const { maxX, maxY } = boxOf(piece.outline);
    return Array.from({ length: piece.count }, (_, i): Label => {
      const of = piece.count > 1 ? `, ${i + 1} of ${piece.count}` : '';
      const board =
        piece.thickness === null ? `${piece.angleDeg}° →` : `${Number((1000 * piece.thickness).toFixed(1))} mm`;
      order += 1;
      return {
        code: labelCode(name, piece, i + 1),
        boat: name,
        piece: saidPiece(piece),
        cloth: `${materials.get(piece.material) ?? ''} ${board} ${HANDS[piece.hand]}${of}`.replace(/ +/g, ' '),
        place: piece.zones.map((id) => zones.get(id) ?? id).join(', '),
        size: [maxY, maxX],
        order,
      };
    });
  });
}
