import type { FlatPoint } from '../geometry';
import type { Piece } from '../kit';
import type { StepTemplate } from './template';

/** A piece as it is laid: what its label says, where it goes, what it looks like. Lengths m, angle degrees. */
export interface LaidPiece {
  /** What its label says when it is scanned. */
  code: string;
  /** The piece of the kit, and which copy of it. */
  id: string;
  copy: number;
  copies: number;
  name: string;
  partId: string;
  layerId: string | null;
  layerNumber: number;
  material: string;
  /** As it is called on the roll. */
  cloth: string;
  isCore: boolean;
  angleDeg: number;
  hand: Piece['hand'];
  zones: string[];
  /** Where it lies, in words. */
  place: string;
  /** x across the roll, y along it. */
  outline: [number, number][];
  /** Along the warp, and across. */
  size: [number, number];
  /** Lap to keep on the next width of the same layer; null where it lies in one. */
  lap: number | null;
  /** Carried by two. */
  two: boolean;
  notes: string[];
}

/** A step of one build: what is done to a part, or to the boat. */
export interface Step
  extends
    Omit<StepTemplate, 'of' | 'process' | 'lays' | 'closes' | 'reaches' | 'people' | 'mess'>,
    // Plans of before do not have them.
    Partial<Pick<StepTemplate, 'people' | 'mess'>> {
  id: string;
  /** Null for the boat itself. */
  partId: string | null;
  /** Layers that are laid in it, from the mould, from 1. */
  layers: number[];
  /** Codes of the pieces that are laid in it, in order. */
  pieces: string[];
  closes: string[];
  reaches: string[];
  /** Parts, and steps of the hull, that are finished before it. */
  needs: string[];
  after: string[];
}

/** A part as it is built. */
export interface PlannedPart {
  id: string;
  name: string;
  kind: string;
  /** The mould it is laid in, the team, and the days it is planned for (2026-11-30); empty where nobody said. */
  mould: string;
  team: string;
  begins: string;
  ends: string;
  /** Its skins laid flat, on which zones are found; x forward. */
  skins: { id: string; name: string; half: boolean; zones: { id: string; name: string; outline: FlatPoint[] }[] }[];
  /**
   * Of its fill plan, by which a drop test is judged: volume under the bag (m³), time to gel (s), and the pressure that
   * is to drive the resin (Pa), which plans of before do not have.
   */
  bag: { volume: number; gel: number; drives?: number } | null;
  /** Lines in the order in which they are opened: what, and when. */
  clamps: { name: string; opens: string }[];
}

/** Everything that is built by, frozen from an issued revision and the yard's steps of the day. */
export interface BuildPlan {
  boat: string;
  hull: string;
  revision: string;
  units: 'metric' | 'us';
  /** The resin that it is laid in: its name, family, and life in the pot (min) by temperature. */
  resin: {
    name: string;
    family: string;
    potLife: { celsius: number; minutes: number }[];
    largestPot: number;
    /** Hardener by mass of resin; plans of before do not have it. */
    share?: number;
  };
  parts: PlannedPart[];
  steps: Step[];
  pieces: LaidPiece[];
  /** In what air it is worked, how long a reading of it is good (min), and when the pot is warned of. */
  air: { coldest: number; warmest: number; dampest: number } | null;
  climateLasts: number;
  warnAt: number;
  drop: { dropMinutes: number; dropMost: number; voids: number };
  /** What the yard should know before it begins. */
  notes: string[];
}

/** By which a drop test is judged where there is no fill plan: a long gel asks for a tighter bag. */
export const UNPLANNED_BAG = { volume: 0.02, gel: 7200 };
