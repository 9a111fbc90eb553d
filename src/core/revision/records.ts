import type { Material } from '../material';
import type { Change, Edit } from '../edit';
import type { Reference } from '../document';
import type { OpenPoint } from './openPoints';

/** A boat in the list. */
export interface BoatSummary {
  id: string;
  name: string;
  archived: boolean;
  variantOf: { id: string; name: string } | null;
  version: number;
  createdAt: string;
  updatedAt: string;
  /** Label of the newest issued revision, and of the one that the shop builds. */
  revision: string | null;
  onFloor: string | null;
  parts: number;
  layers: number;
}

/** A boat that has a copy of something of the yard's: of a material of the Shelf, of a standard. */
export interface HeldByBoat {
  boatId: string;
  name: string;
  version: number;
  /** How it stands there, in words: '12 layers', 'its method'. */
  held: string;
  /** By which it takes the yard's figures over, and what they change, in words; none where it has them. */
  edits: Edit[];
  changes: string[];
}

/** A template in the list. */
export interface TemplateSummary {
  id: string;
  name: string;
  note: string;
  /** Who kept it and when; null for one that ships. */
  own: { author: string; at: string } | null;
}

/** An issued, unchangeable state of a boat. */
export interface Revision {
  id: string;
  number: number;
  label: string;
  /** SHA-256 of the snapshot's bytes. */
  hash: string;
  author: string;
  note: string;
  issuedAt: string;
  /** Version of the engine that computed what it was issued with; null before revisions kept it. */
  engine: string | null;
  /** The newest one stands; those before it are superseded; a withdrawn one may be built no longer. */
  state: 'stands' | 'superseded' | 'withdrawn';
  /** The shop builds this one. */
  onFloor: boolean;
  /** Put on the floor, withdrawn: who, why, when; oldest first. */
  events: RevisionEvent[];
  /** What was open when it was issued, and why it was issued all the same; null before revisions kept it. */
  open: IssuedOpen | null;
}

export interface IssuedOpen {
  points: OpenPoint[];
  answer: string;
}

export interface RevisionEvent {
  kind: 'floor' | 'withdrawn';
  author: string;
  note: string;
  at: string;
}

/** A change to an issued schedule: asked with a reason, decided by somebody else, issued once. */
export interface ChangeRequest {
  id: string;
  /** Label of the revision it changes. */
  against: string;
  /** Version of the draft it was asked for; approval holds for that and no other. */
  version: number;
  reason: string;
  changes: Change[];
  askedBy: string;
  askedAt: string;
  state: 'open' | 'approved' | 'refused' | 'issued';
  decidedBy: string | null;
  decidedAt: string | null;
  decision: string | null;
}

/** What a variant has of its parent, and where it goes its own way. */
export interface VariantStanding {
  parent: { id: string; name: string };
  /** From the parent as it is now to the variant. */
  departures: Change[];
  /** Why it cannot follow the parent's last changes. */
  problem: string | null;
}

/** A laminate in the book of one boat, as others may take it over. */
export interface BookLaminate {
  boatId: string;
  boatName: string;
  laminate: Reference;
  /** Where it is laid, matched or asked for. */
  uses: string[];
  materials: Material[];
}

/** One thing that was done to a boat. */
export interface ActionRecord {
  /** The version that it made. */
  version: number;
  action: 'do' | 'undo' | 'redo';
  description: string;
  /** Empty where nobody said. */
  author: string;
  at: string;
}

/** A page of what was done, newest first; the last one has the days whose single actions are no longer kept. */
export interface ActionPage {
  actions: ActionRecord[];
  more: boolean;
  days: { day: string; version: number }[];
}
