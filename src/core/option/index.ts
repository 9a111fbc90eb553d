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
export { FIRST_LAYUPS, firstLayup, type FirstLayup, type FirstLayupHabit } from './firstLayup';
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
