import type { Boat } from '@/core/document';
import type { Board, Piece } from '@/core/kit';
import type { Fabric } from '@/core/material';
import { formatNumber } from '@/core/quantity';

/** What is cut: the boat as it stands, or the frozen kit of a hull. */
export interface CutFor {
  kitId: string | null;
  /** As the movements of the store say it. */
  name: string;
}

/** How many pieces, every copy counted. */
export const countOf = (pieces: readonly Piece[]) => pieces.reduce((sum, { count }) => sum + count, 0);

/** A fabric, or boards of one thickness, with its pieces. */
export interface Cuttable {
  key: string;
  name: string;
  material: Fabric | Board;
  pieces: Piece[];
}

/** Pieces by what they are cut from: fabrics first, then boards by their thickness. */
export function cuttables(boat: Boat, pieces: readonly Piece[]): Cuttable[] {
  const groups = new Map<string, Cuttable>();
  for (const piece of pieces) {
    const material = boat.materials.find(({ id }) => id === piece.material);
    if (material?.kind !== 'fabric' && material?.kind !== 'core' && material?.kind !== 'wood') continue;
    const key = material.kind === 'fabric' ? material.id : `${material.id} ${piece.thickness}`;
    const thick = piece.thickness === null ? '' : `, ${formatNumber(1000 * piece.thickness, 1)} mm`;
    const group = groups.get(key) ?? { key, name: `${material.name}${thick}`, material, pieces: [] };
    group.pieces.push(piece);
    groups.set(key, group);
  }
  const isBoard = ({ material }: Cuttable) => Number(material.kind !== 'fabric');
  return [...groups.values()].sort((a, b) => isBoard(a) - isBoard(b));
}
