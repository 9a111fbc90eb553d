/** A boat being built from an issued revision. */
export type { Build, BuildAmendment, BuildRecord } from './build';
