/** One hull number, made from an issued revision, never from a draft. */
export interface Build {
  id: string;
  boatId: string;
  revisionId: string;
  hullNumber: string;
  createdBy: string;
  /** ISO 8601, UTC. */
  createdAt: string;
}

/** From one issued revision to another while the boat is being built: why, who, when. */
export interface BuildAmendment {
  id: string;
  buildId: string;
  fromRevisionId: string;
  toRevisionId: string;
  reason: string;
  author: string;
  at: string;
}

/** A fact of a build: append-only, known by the id that its device gave, corrected by a later one. */
export interface BuildRecord<Kind extends string = string, Body = unknown> {
  id: string;
  buildId: string;
  kind: Kind;
  person: string;
  device: string;
  /** When it happened, by the device. */
  at: string;
  /** When the server had it. */
  receivedAt: string;
  /** The record that this one corrects. */
  corrects: string | null;
  body: Body;
}
