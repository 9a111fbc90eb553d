import { boxOf } from '../pieces/outline';
import type { At } from '../nest/convexParts';
import type { Piece } from '../pieces/piece';

/** A piece where it lies on a strip without end; `cloth` is the offcut or roll that it lies on instead. */
export interface Laid {
  piece: Piece;
  copy: number;
  rotation: number;
  x: number;
  y: number;
  outline: At[];
  cloth: string | null;
}

/** Boxes side by side in rows, in laying order, a row as long as its longest. */
export function inRows(pieces: readonly Piece[], width: number, gap: number): Laid[] {
  const laid: Laid[] = [];
  let [x, y, deep] = [0, 0, 0];
  for (const piece of pieces)
    for (let copy = 0; copy < piece.count; copy++) {
      const { minX, maxX, minY, maxY } = boxOf(piece.outline);
      const [w, h] = [maxX - minX, maxY - minY];
      if (x > 0 && x + w > width + 1e-9) {
        y += deep + gap;
        [x, deep] = [0, 0];
      }
      const outline = piece.outline.map(([u, v]): At => [u - minX + x, v - minY + y]);
      laid.push({ piece, copy, rotation: 0, x: x - minX, y: y - minY, outline, cloth: null });
      x += w + gap;
      deep = Math.max(deep, h);
    }
  return laid;
}
