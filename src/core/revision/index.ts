/** Issued states of a boat: what they keep, and what is recorded about them. */
export type {
  ActionPage,
  ActionRecord,
  BoatSummary,
  BookLaminate,
  ChangeRequest,
  HeldByBoat,
  IssuedOpen,
  Revision,
  RevisionEvent,
  TemplateSummary,
  VariantStanding,
} from './records';
export { resultsOf, type CheckResult, type RevisionResults } from './results';
export { OPEN_STANDS, openPointsOf, type OpenPoint, type OpenStand } from './openPoints';
