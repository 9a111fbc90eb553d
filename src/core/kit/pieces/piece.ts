import type { At } from '../nest/convexParts';

/** To which side of the boat a piece goes. */
export const HANDS = { starboard: 'starboard', port: 'port', across: 'across', none: '' } as const;
export type Hand = keyof typeof HANDS;

/** What a piece is of. */
export const PIECE_KINDS = {
  layer: 'Layer',
  core: 'Core',
  detail: 'Detail',
  stiffener: 'Stiffener',
  box: 'Box',
  own: 'Piece of its own',
} as const;
export type PieceKind = keyof typeof PIECE_KINDS;

/** A piece to cut. */
export interface Piece {
  id: string;
  /** The run of zones of its layer that it is cut from; null where it is of none. */
  run: string | null;
  kind: PieceKind;
  /** A fabric or a core. */
  material: string;
  /** Of a core (m). */
  thickness: number | null;
  /** Part, detail or stiffener by its name, and the part's id where it is one. */
  of: string;
  partId: string | null;
  layerId: string | null;
  /** Layer of the part from the mould, from 1; 0 where it is none. */
  layerNumber: number;
  zones: string[];
  /** From the zone's reference direction (degrees). */
  angleDeg: number;
  hand: Hand;
  /** Piece n of m that the layer is cut in on this hand. */
  n: number;
  m: number;
  /** How many of it for one boat. */
  count: number;
  /** m: x across the roll, y along it; from 0. */
  outline: At[];
  /** Inside it: darts that are proposed (two points), cut-outs (once round); marks at its edge. In its place. */
  cuts: At[][];
  notches: At[];
  /** Drawn by hand: which drawing, and what the schedule gives; `stale` where that is no longer what was drawn over. */
  drawn: { id: string; stale: boolean; schedule: At[] } | null;
  /** m², of one. */
  area: number;
  /** Degrees that cloth shears in it; 0 where it is flat. */
  shearDeg: number;
  /** What whoever cuts or lays it should know. */
  notes: string[];
}
