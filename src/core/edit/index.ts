export { alignTo } from './align';
export { placeOfEdits, type EditPlace, type EditScreen } from './placeOfEdits';
export { takeBack } from './takeBack';
export { applyEdits } from './applyEdits';
export { boundariesOf, type Boundary, moveBoundary } from './boundaries';
export { describeEdits } from './describe';
export { type Change, difference } from './difference';
export { type Edit, editSchema, editsSchema } from './editSchema';
export {
  changeLaminate,
  keepAsLaminate,
  type LaminateUse,
  layAs,
  layLaminate,
  takeIntoLaminate,
  usesOf,
} from './families';
export { followParent, takeState } from './follow';
export { followParticulars } from './followParticulars';
export { EMPTY_HISTORY, type HistoryEntry, type HistoryStacks, pushHistory } from './history';
export {
  coverCells,
  duplicateLayers,
  flipLayers,
  groupLayers,
  makeSymmetric,
  mirrorLayers,
  mirrorPart,
  type NewId,
  repeatGroup,
  repeatOf,
  shiftLayers,
  turnLayers,
  ungroup,
  usualGroup,
} from './layerCommands';
export { copyPart } from './copyPart';
export { chooseMaterial, fetchMaterials, setGiven } from './layerMaterials';
export { findMaterial, layersFromText, layersToText, usualRole, usualThickness } from './layerText';
export { layersOf, swapMaterial, type Swap, type SwapScope } from './swapMaterial';
