/** Fibres, resins, fabrics, cores, and the ply that fabric, resin and process make. */
export * from './schema';
export { directionsOf, hasDirection, hasMat, normalAngle } from './directions';
export { plyFractions, type FractionsInput } from './fractions';
export { plyThickness, type ThicknessInput } from './thickness';
export { unidirectional, type FibreConstants, type UnidirectionalInput } from './unidirectional';
export { randomMat } from './randomMat';
export { CHOICES, FIGURES, figureOf, type FigureField } from './figures';
export { COMPATIBILITIES, resinCompatibility, resinOnCore, type Compatibility } from './compatibility';
export { columnsOf, readRow, writeRow, type Column, type ReadRow } from './table';
export { RowRefusal } from './rowRefusal';
export { slug } from './slug';
export { questionMaterial } from './question';
export { CORE_FORMS, type CoreForm } from './schema';
export { asLaidStrength } from './asLaidStrength';
export { BOND_FACTOR, BOND_STRENGTH, bondAllowed, preparation, PREPARATIONS, type Preparation } from './bond';
export { weakestCore } from './weakestCore';
export { coreAsDesigned, coreKnockDown } from './coreKnockDown';
export { failureStrains } from './failureStrains';
export { unidirectionalExpansion } from './expansion';
export {
  CHARACTERISTIC_K,
  KNOCK_DOWNS,
  knockDownChain,
  strengthSpread,
  woodFactor,
  type KnockDown,
  type KnockDownSelection,
  type KnockDownStep,
} from './knockDown';
export { fibreFractionFor, PROCESSES, type Process } from './process';
export { GENERIC_MATERIALS, type ShelfItem } from './shelf';
export { cureLawSchema, type CureLaw } from './cureLaw';
