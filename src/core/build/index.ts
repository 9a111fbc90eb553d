/** A boat being built from an issued revision: what is planned, what was recorded, and what follows from that. */
export { pastLots, type DatedLot } from './pastLots';
export type { Build, BuildAmendment } from './build';
export { blockedReaches, planBuild, type PlanInput } from './planBuild';
export { layerStages } from './layerStages';
export { UNPLANNED_BAG, type BuildPlan, type LaidPiece, type PlannedPart, type Step } from './plan';
export {
  buildRecordSchema,
  DEFECT_KINDS,
  DISPOSITIONS,
  PREPARATIONS,
  type BuildRecord,
  type BuildRecordOf,
  type DefectKind,
  type Disposition,
  type RecordKind,
} from './record';
export { standingRecords } from './standing';
export {
  isFinished,
  isWet,
  lastDrop,
  openPots,
  stepBefore,
  stepsAtHand,
  toLay,
  type BuildState,
  type DefectState,
  type Pot,
  type StepState,
} from './state';
export { repairSchema, USUAL_REPAIR, type Repair } from './repair';
export { checkRepair, type CheckedRepair, type RepairCheck, type RepairPiece } from './checkRepair';
export { lifeInPot } from './lifeInPot';
export { proofFound } from './proofDoubt';
export { HARDENER_MAY_MISS, hardenerOff, saidOff, type HardenerOff } from './hardenerOff';
export { bondWindow, WINDOW_AT, type BondWindow } from './bondWindow';
export { stateOf } from './stateOf';
export { amendPlan, type AmendmentChange } from './amend';
export { lessonsFor, lessonSchema, type Lesson, type LessonTold } from './lesson';
export { READINGS, type ReadingKind } from './reading';
export { sayRecord } from './sayRecord';
export { lastOfStep } from './takeBack';
export { boardOf, heldBy, type OnBoard } from './board';
export { hindrancesOf, whyNot, type Hindrance } from './whyNot';
export {
  HOLDS,
  LATE,
  STEP_KINDS,
  type StepKind,
  stepsSchema,
  stepTemplateSchema,
  tagsOf,
  USUAL_STEPS,
  type Steps,
} from './template';
