/** One hull number, made from an issued revision, never from a draft. */
export interface Build {
  id: string;
  boatId: string;
  boat: string;
  hull: string;
  /** The revision that is built by now. */
  revision: string;
  createdBy: string;
  /** ISO 8601, UTC. */
  createdAt: string;
}

/** From one issued revision to another while the boat is being built: why, who, when. */
export interface BuildAmendment {
  id: string;
  from: string;
  to: string;
  reason: string;
  author: string;
  at: string;
}
