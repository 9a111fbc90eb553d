/** Mass and centre of gravity. */
export { boatWeight, DETAILS, STIFFENERS, type BoatWeight, type PartMass, type ZoneMass } from './boatWeight';
export { materialList, type MaterialUse } from './materialList';
export { rollUp, type MassItem } from './rollUp';
export { weightWorking } from './weightWorking';
export { combineProduct, combineSum, TO_P95, type Combined, type UncertainTerm } from './combine';
export { foamToFloat, type FloatedItem } from './foamToFloat';
export { rollUpMasses, type MassProperties, type PlacedMass, type Vector } from './rollUpMasses';
