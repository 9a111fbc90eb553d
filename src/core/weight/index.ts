/** Mass and centre of gravity. */
export { boatWeight, DETAILS, STIFFENERS, type BoatWeight, type PartMass, type ZoneMass } from './boatWeight';
export { materialList, type MaterialUse } from './materialList';
export { rollUp, type MassItem } from './rollUp';
export { weightWorking } from './weightWorking';
