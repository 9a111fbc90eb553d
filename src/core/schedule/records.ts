/** A boat in the list. */
export interface BoatSummary {
  id: string;
  name: string;
  archived: boolean;
  variantOf: { id: string; name: string } | null;
  version: number;
  updatedAt: string;
  /** Label of the newest issued revision. */
  revision: string | null;
  parts: number;
  layers: number;
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
}
