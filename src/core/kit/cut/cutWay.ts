import type { Fabric } from '../../material';
import type { Cutting } from '../cutting';
import type { At } from '../nest/convexParts';
import type { PlacedPolygon } from '../nest/polygons';
import { moved } from '../pieces/outline';
import type { Piece } from '../pieces/piece';

/** How cloth may be cut, from the least time to the least cloth. */
export const CUT_WAYS = {
  blanks: 'Straight cuts: boxes in laying order, trimmed on the mould',
  rows: 'True shapes, in rows in laying order',
  nested: 'True shapes, nested',
} as const;
export type CutWayName = keyof typeof CUT_WAYS;

/** A roll or an offcut that may be cut from. */
export interface Cloth {
  id: string;
  name: string;
  /** m of a roll; an offcut has its outline instead, x across and y along the cloth. */
  length: number | null;
  outline: readonly At[] | null;
}

export interface CutInput {
  material: Fabric;
  pieces: readonly Piece[];
  cutting: Cutting;
  /** What there is, offcuts and rolls in the order in which they are taken; new rolls as they are bought after them. */
  cloth: readonly Cloth[];
  /** What lies fast: the rest is nested round it. */
  fast?: readonly CutPlace[] | undefined;
  /** A lay to begin with, of the same pieces on the same cloth. */
  from?: readonly PlacedPolygon[] | undefined;
  /** Places looked at for the nested way. */
  looks: number;
  seed: number;
  /** Money of a square metre of this cloth, null where it is not known, and of an hour of work. */
  clothPrice: number | null;
  labour: number;
}

/** A piece on a cloth: its outline as it lies, m from the cloth's start and left edge. */
export interface CutPlace {
  pieceId: string;
  copy: number;
  clothId: string;
  /** Degrees by which it is turned. */
  rotation: number;
  x: number;
  y: number;
  outline: At[];
}
/** What is cut from one roll or offcut. */
export interface CutCloth {
  id: string;
  name: string;
  /** m of a roll that are taken; its whole length where known. */
  taken: number;
  length: number | null;
  /** Outline of an offcut. */
  outline: readonly At[] | null;
  /** A roll that is not there yet. */
  bought: boolean;
}

/** One way to cut all pieces of a material. */
export interface CutWay {
  name: CutWayName;
  places: CutPlace[];
  cloth: CutCloth[];
  /** m of roll. */
  length: number;
  /** Of what is taken, the share that ends in pieces. */
  utilisation: number;
  /** m of knife, number of pieces. */
  cutLength: number;
  cuts: number;
  minutes: number;
  /** Money of cloth taken and of cutting; null where the cloth has no price. */
  clothMoney: number | null;
  labourMoney: number;
  /** Of what falls away. */
  wasteMoney: number | null;
  /** The lay as it was nested, to go on from. */
  lay?: PlacedPolygon[] | undefined;
  /** Left at the end of each roll, and between rows: what is worth keeping. */
  offcuts: { from: string; width: number; length: number }[];
}

export interface CutStep {
  done: number;
  at: string;
  /** m of roll of the best so far; a way as it is found, and each better lay of the nested one. */
  length: number;
  best: CutWay | null;
}

/** A piece as it is spoken of. */
export const saidPiece = ({ of, layerNumber, kind, n, m, hand }: Piece): string => {
  const name = kind === 'layer' || kind === 'core' ? `${of}, layer ${layerNumber}` : of;
  return `${name}, piece ${n} of ${m}${hand === 'port' || hand === 'starboard' ? `, ${hand}` : ''}`;
};

/** Points of a piece (notches, cuts) where it lies on its cloth. */
export const onCloth = ({ rotation, x, y }: Pick<CutPlace, 'rotation' | 'x' | 'y'>, points: readonly At[]): At[] =>
  moved(points, { turnDeg: rotation }).map(([u, v]): At => [u + x, v + y]);
