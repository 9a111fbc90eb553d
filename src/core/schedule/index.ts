/** Boat, part, zone, layer; the edits that change them; what each zone comes to. */
export * from './boat';
export * from './brief';
export { zoneLoadSchema, type ZoneLoad } from './zoneLoad';
export { applyEdits, editSchema, editsSchema, type Edit } from './edit';
export { describeEdits } from './describe';
export { EMPTY_HISTORY, pushHistory, type HistoryEntry, type HistoryStacks } from './history';
export { difference, type Change } from './difference';
export {
  evaluateZone,
  reserveBand,
  targetOf,
  traceZone,
  verdictOf,
  type Verdict,
  type ZoneEvaluation,
} from './evaluate';
export type { LaidLayer } from './book';
export type { ZoneCheck } from './packChecks';
export { analyseZone, pressureLoad, warpOf, throughThickness, type SandwichCheck, type ZoneAnalysis } from './analyse';
export { failureWorking } from './analysisWorking';
export { stackCompatibility, type StackMember } from './compatibility';
export { stackWorking, zoneWorking, type WorkingPart } from './zoneWorking';
export { newBoat, newLayer, newPart, newZone } from './newBoat';
export { makeEvaluator } from './evaluateBoat';
export type { BoatSummary, BookLaminate, ChangeRequest, Revision, RevisionEvent, VariantStanding } from './records';
export { panelCaseSchema, referenceSchema, usualPanelCase, type PanelCase, type Reference } from './zoneProof';
export { boatFromFile } from './boatFromFile';
export {
  derivedGeometry,
  methodOf,
  settleGeometry,
  shapeOf,
  skinCover,
  supportsOf,
  zonePanels,
  type ZonePanels,
} from './shape';
export { analysePanel, type PanelAnalysis, type PanelReserve } from './analysePanel';
export { panelWorking } from './panelWorking';
export { matchZone, type Match, type MatchRatio } from './match';
export { marginBand, type MarginBand } from './scatter';
export {
  evaluateStiffeners,
  membersOf,
  sectionProperties,
  STIFFENER_CHECKS,
  stiffenerMasses,
  stiffenerWorking,
  type LoadedSpan,
  type SectionProperties,
  type StiffenerCheck,
  type StiffenerEvaluation,
} from './stiffener';
export { boundariesOf, moveBoundary, type Boundary } from './boundaries';
export { neighboursOf, type ZoneLine } from './neighbours';
export {
  coreRun,
  joinAt,
  joinKey,
  linesOfPart,
  staggered,
  withJoin,
  type LayerAtLine,
  type LineFinding,
  type LineState,
} from './joins';
export { partSection, type Cut, type PartSection, type SectionWindow } from './partSection';
export { piecesOf, twinOf, type LayerPieces } from './pieces';
export * from './layerCommands';
export { findMaterial, layersFromText, layersToText, usualRole, usualThickness } from './layerText';
export {
  changeLaminate,
  keepAsLaminate,
  layAs,
  layLaminate,
  takeIntoLaminate,
  usesOf,
  type LaminateUse,
} from './families';
export { followParent, takeState } from './follow';
export { alignTo } from './align';
export * from './detail';
export { actingLoad, LOAD_CAUSES, type ActingLoad, type LoadCase, type LoadCause } from '../detail';
export { chooseMaterial, fetchMaterials, setGiven } from './layerMaterials';
