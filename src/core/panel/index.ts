/** Plates under pressure and in-plane load. */
export { DEFAULT_TERMS, plateUnderPressure, type PlateLoad, type PlateSolution } from './underPressure';
export { bucklingUnder, plateBuckling, type BucklingLoad } from './buckling';
export { type Plate, type PlateState, type PlateStiffness } from './plate';
export { plateStiffness } from './reducedBending';
export { taperedDeflection, type TaperedPlate } from './taperedPlate';
export { taperedUnderPressure, type TaperedShearPlate } from './taperedUnderPressure';
export { edgeShear, type SolvedPlate } from './edgeShear';
