import { onCloth, type CutPlace } from '../cut/cutWay';
import { boxOf } from '../pieces/outline';
import type { At } from '../nest/convexParts';
import type { Piece } from '../pieces/piece';

/** One roll, offcut or sheet with what is cut from it. */
export interface Lay {
  /** Edge of the cloth or sheet (m), where it is one that is known. */
  edge: readonly At[] | null;
  places: readonly CutPlace[];
  pieces: ReadonlyMap<string, Piece>;
  labelOf: (pieceId: string) => string;
}

/** What is drawn of a piece where it lies: what the knife follows inside it, and marks at its edge. */
export interface DrawnPlace {
  label: string;
  outline: readonly At[];
  cuts: At[][];
  /** Slits that are proposed: marked, and cut on the mould where they are wanted. */
  darts: At[][];
  notches: At[];
  middle: At;
  /** Length of the arrow along the warp (m). */
  reach: number;
}

/** Everything of a lay in the place where it is cut. */
export const drawnPlaces = ({ places, pieces, labelOf }: Lay): DrawnPlace[] =>
  places.map((place) => {
    const piece = pieces.get(place.pieceId);
    const inside = (piece?.cuts ?? []).map((line) => onCloth(place, line));
    const { minX, maxX, minY, maxY } = boxOf(place.outline);
    return {
      label: labelOf(place.pieceId),
      outline: place.outline,
      cuts: inside.filter((line) => line.length > 2),
      darts: inside.filter((line) => line.length === 2),
      notches: onCloth(place, piece?.notches ?? []),
      middle: [(minX + maxX) / 2, (minY + maxY) / 2],
      reach: Math.min(0.2, (maxY - minY) / 3),
    };
  });
