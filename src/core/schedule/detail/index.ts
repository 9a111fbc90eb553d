/** Details on a boat: what they are, what they come to, how they are drawn. */
export * from './detailSchema';
export {
  detailWorking,
  evaluateDetail,
  evaluateDetails,
  weakestOf,
  type DetailEvaluation,
  type ProofCase,
} from './evaluateDetail';
export { transomSchools, type TransomSchool } from './findings/transom';
export {
  sceneOf,
  type DetailCaution,
  type DetailCheck,
  type DetailLayer,
  type DetailMass,
  type PathLink,
} from './context';
export { type At, type DetailDrawing, type Mark } from './drawing/marks';
export { drawDetail } from './drawing/drawDetail';
export { drawingSvg, offsetLine } from './drawing/drawingSvg';
export { newDetail } from './newDetail';
