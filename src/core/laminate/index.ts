/** A stack of plies: stiffness, response to load and temperature, failure, sandwich limits; fabrics as sublayers. */
export type { FailureStrain, Matrix3, Ply, PlyStrength, Vector3 } from './ply';
export { cosSin, reducedStiffness, transformedStiffness } from './reducedStiffness';
export { checkStack, laminateStiffness, stiffnessOf, type LaminateStiffness } from './stiffness';
export { layerSums, stackedSums, type LayerSums } from './layerSums';
export {
  laminateResponse,
  rotateStrain,
  rotateStress,
  type FaceState,
  type LaminateResponse,
  type Load,
} from './response';
export {
  CRITERIA,
  FAILURE_MODES,
  failureOf,
  faceReserve,
  laminateFailure,
  limitingStrains,
  type Criterion,
  type FailureMode,
  type FaceReserve,
  type LaminateFailure,
} from './failure';
export { progressiveFailure, type ProgressiveFailure } from './progressive';
export { thermalResponse, type ThermalResponse } from './thermal';
export { transverseShear } from './transverseShear';
export { strainCompatibility, type Member, type StrainCompatibility } from './strainCompatibility';
export { DIMPLING_DESIGN, sandwichLimits, type SandwichLimitsInput } from './sandwichLimits';
export { sandwichSection, type SandwichSectionInput } from './sandwichSection';
export { sandwichBeam, type SandwichBeamInput } from './sandwichBeam';
export { inPlaneCompliance, modulusAlong, polarModulus } from './polar';
export { pressedReserve, principalStress } from './pressedSkin';
export { fabricConstants, fabricPlies, smearedConstants, type FabricInput } from './fabric';
export { fabricAsLaid, type FabricAsLaid } from './fabricAsLaid';
export { grainStrength, plywoodAcross, woodPly, type WoodPly } from './woodPly';
export { layFabric, type LaidComponent, type PlyOrigin } from './layFabric';
export { inverse3 } from './inverse3';
