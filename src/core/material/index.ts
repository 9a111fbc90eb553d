/** Fibres, resins, fabrics, cores, and the ply that fabric, resin and process make. */
export * from './schema';
export { directionsOf, hasDirection, hasMat, normalAngle } from './directions';
export { plyFractions, type FractionsInput } from './fractions';
export { plyThickness, type ThicknessInput } from './thickness';
export { unidirectional, type FibreConstants, type UnidirectionalInput } from './unidirectional';
export { randomMat } from './randomMat';
export { fibreFractionFor, PROCESSES, type Process } from './process';
export { GENERIC_MATERIALS, type ShelfItem } from './shelf';
