export {
  layOwn,
  memberAlong,
  type DetailCaution,
  type DetailCheck,
  type DetailLayer,
  type DetailMass,
  type PathLink,
  sceneOf,
} from './scene';
export {
  CORE_TREATMENTS,
  type CoreTreatment,
  type Detail,
  type DetailKind,
  type DetailOf,
  detailSchema,
  type DetailSheet,
  materialsOfDetail,
} from './schema';
export { drawDetail } from './drawDetail';
export { drawingSvg, offsetLine } from './drawingSvg';
export {
  type DetailEvaluation,
  detailWorking,
  evaluateDetail,
  evaluateDetails,
  type ProofCase,
  weakestOf,
} from './evaluateDetail';
export { type At, type DetailDrawing, type Mark } from './marks';
export { newDetail } from './newDetail';
export { type TransomSchool, transomSchools } from './transom/board';
export { DETAIL_KINDS, kindOf } from './kinds';
export { type Kind } from './kind';
export { additionTo } from './additions';
