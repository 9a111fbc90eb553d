/** What else would do? */
export {
  layerMoves,
  layerMovesJob,
  nextStep,
  MOVE_KINDS,
  NEXT_STEPS,
  type NextStep,
  type LayerMove,
  type MoveKind,
  type MoveScope,
  type MovesInput,
} from './layerMoves';
export { firstLayup, type FirstLayup } from './firstLayup';
export { habitsSchema, USUAL_HABITS, type HabitRules, type Habits, type HabitsOfYard } from './habits';
export { growSections } from './growSections';
export { newBoatFrom, type NewBoat, type NewBoatOrder } from './newBoatFrom';
export { harmless, marginChanges, wholeBoat, type Margin, type MarginChange, type WholeBoat } from './wholeBoat';
export { standingOf, type Outline, type Standing } from './standing';
export { effectOf, type Effect } from './effect';
export { equivalentStacks, type EquivalentStack, type FamilyMember, type StackMatch } from './equivalentStacks';
export {
  zoneEquivalentsJob,
  type ZoneEquivalent,
  type ZoneEquivalents,
  type ZoneEquivalentsInput,
  type ZoneMatch,
} from './zoneEquivalents';
export { loadIntegerSolver } from './integerSolver';
export type { SolveInteger } from './search/coupleZones';
export { optimiseBoat, type OptimiseInput } from './search/optimiseBoat';
export type { GridAnswer, GridStep } from './search/optimisePart';
export { takeMaterials } from './takeMaterials';
export { habitCosts, type HabitCost } from './search/habitCosts';
export { propose, type Proposal, type ProposedPart, type ProposeInput } from './search/propose';
export { slopes, tradeOff, type TradeAxes, type TradePoint } from './search/tradeOff';
export type { ZoneFront } from './search/zoneFront';
export type { Weights } from './search/readyPart';
export { whyNotLess, type LighterStack, type WhyNotLessInput } from './whyNotLess';
export { lookForBetter, type Better } from './search/lookForBetter';
export { gridChange, type GridChangeRow } from './gridChange';
export { clothOf } from './search/habitSpace';
export { groupedLedger, ledgerOf, type Ledger, type LedgerGroup, type LedgerStep } from './ledger';
export { scheduleSum, type ScheduleSum, type ZoneOfSchedule } from './scheduleSum';
export {
  MOST_PICTURE,
  PICTURE,
  readPart,
  surveySchema,
  type KeptSurvey,
  type PartCandidate,
  type PartRead,
  type Reading,
  type ReadPartInput,
  type Survey,
} from './readPart';
export { bondedLinerJob, type BondedLiner, type BondedLinerInput, type BondedLiners } from './bondedLiner';
export { otherProcesses, type OtherProcess } from './otherProcesses';
export { takeRead, type TakenRead } from './takeRead';
export {
  partEquivalents,
  type PartEquivalent,
  type PartEquivalents,
  type PartEquivalentsInput,
} from './search/partEquivalents';
