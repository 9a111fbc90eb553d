export { areaReduction, type Member } from './areaReduction';
export { craftSchema, type Craft } from './craft';
export { dynamicLoadFactor } from './dynamicLoadFactor';
export { laminateProperties } from './laminateProperties';
export { longitudinalFactor } from './longitudinalFactor';
export { minimumFibreMass, minimumSkins, minimumWood, type MinimumLocation } from './minimum';
export {
  cite,
  packHead,
  signOffSchema,
  SMALL_CRAFT_PACK,
  smallCraftPackSchema,
  type SignOff,
  type SmallCraftPack,
} from './pack';
export { curvatureFactor, panelCoefficients } from './panelCoefficients';
export { stretchedSide } from './stretchedSide';
export { INTERLAMINAR_STRENGTH } from './betweenPlies';
export {
  headPressure,
  designPressure,
  isPlaning,
  PRESSURE_LOCATIONS,
  type PressureInput,
  type PressureLocation,
  type PressureResult,
} from './pressure';
export { sandwichRequirement, type SandwichInput, type Skin } from './sandwich';
export { stiffenerRequirement, type StiffenerRequirementInput } from './stiffener';
export { singleSkinThickness, type SingleSkinInput } from './singleSkin';
export {
  CHECKS,
  WORKING_SECTIONS,
  type Check,
  type PackFindings,
  type CheckId,
  type Sheet,
  type Trace,
  type WorkingSection,
} from './check';
export {
  checkPanel,
  headAt,
  isHead,
  panelPressure,
  ZONE_LOCATIONS,
  type PanelCheckResult,
  type ZoneLocation,
} from './checkPanel';
export { sheetProperties, type SheetProperties } from './sheet';
export { woodSheet } from './woodSheet';
export { sheetShear } from './sheetShear';
