/** A stack of plies: stiffness, response to load, fabrics as sublayers. */
export type { Matrix3, Ply, Vector3 } from './ply';
export { cosSin, reducedStiffness, transformedStiffness } from './reducedStiffness';
export { checkStack, laminateStiffness, type LaminateStiffness } from './stiffness';
export { laminateResponse, rotateStrain, type FaceState, type LaminateResponse, type Load } from './response';
export { fabricConstants, fabricPlies, smearedConstants, type FabricInput } from './fabric';
export { layFabric, type LaidComponent } from './layFabric';
