/** Mass and centre of gravity. */
export { boatWeight, DETAILS, STIFFENERS, type BoatWeight, type PartMass, type ZoneMass } from './boatWeight';
export { lapAreas } from './lapAreas';
export { materialList, type MaterialUse, unlisted } from './materialList';
export { pasteWork, type PasteWork } from './pasteWork';
export { rollUp, type MassItem } from './rollUp';
export { weightWorking } from './weightWorking';
export { combineProduct, combineSum, TO_P95, type Combined, type UncertainTerm } from './combine';
export { foamToFloat, type FloatedItem } from './foamToFloat';
export { rollUpMasses, type MassProperties, type PlacedMass, type Vector } from './rollUpMasses';
export { coreBonding, coreTakesUp, USUAL_BONDING } from './coreBonding';
export {
  floatIn,
  swamped,
  WATER_DENSITY,
  type FloatState,
  type Freeboard,
  type Lift,
  type NotFloating,
  type Swamped,
} from './floating';
export { heavierThanProven } from './heavierThanProven';
export { aboardIn, loadingOf, shifted, type CentreShift, type Loading } from './loading';
export { massBand, SCATTER_SOURCES, type MassBand } from './massBand';
export { bodyOfSpace, massesOf, type Mass, type MassScatter } from './masses';
export { notCounted, type NotCounted } from './notCounted';
export {
  budgetOf,
  chanceOver,
  weighedMasses,
  type Budget,
  type Explained,
  type Forecast,
  type StageBudget,
} from './budget';
export { standing, weighInSchema, WHOLE_BOAT, type KeptWeighIn, type WeighIn } from './weighIn';
export {
  guessItemColumns,
  isItemHead,
  ITEM_COLUMNS,
  kindOfItem,
  readItems,
  type ItemColumn,
  type ItemRow,
} from './readItems';
export { tankWalls, type TankWall } from './tankWalls';
export { beadMass, locationsOf, paintOver, type Covering } from './coverings';
export { roomsOf, type Room } from './rooms';
