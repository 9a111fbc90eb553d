/**
 * What a boat is: one description per entity; reading, upgrading and checking a boat document; figures its geometry
 * gives.
 */
export * from './boat';
export { boatList, laterFields, patchOf, type BoatList } from './entity';
export { checkBoat, checkHands, checkLayer, problemOf } from './check';
export { mendedJoins, lostGroupMembers, mendReferences } from './mend';
export { boatFromFile, unknownIn, boatFromJson, upgradeBoat } from './file';
export { boatToJson, DOCUMENT_FORMAT, DOCUMENT_VERSION } from './toJson';
export {
  BRIEF_NUMBERS,
  briefSchema,
  checkBrief,
  craftOf,
  MAY_BE_ABSENT,
  particularsOf,
  POSTURES,
  SINGLE_SKIN_PATHS,
  QUALITIES,
  type Brief,
  type BriefNumber,
  type MayBeAbsent,
  type NumberField,
  type Posture,
} from './brief';
export { defaultChineBeam, defaultWaterline, newBoat, USUAL_PLACES } from './newBoat';
export { newBox, newCurePlan, newFillPlan, newLayer, newPart, newZone } from './newEntities';
export { methodOf, shapeOf, supportsOf } from './shape';
export { derivedGeometry, taperOf, zonePanels, type TaperedBreadth, type ZonePanels } from './zonePanels';
export { edgesOfPanels } from './edgesOfPanels';
export { hasTypedPanel, panelsOfZones, panelsToCheck, takePanels, type CheckedPanel } from './panelsToCheck';
export { ratiosOf, scaleBoat, scaledBrief, scaledPart, type NewParticulars } from './scale';
export { closesTank, tanksOn, type Tank } from './tanksOn';
export { settleGeometry } from './settleGeometry';
export { zoneLoadSchema, type ZoneLoad } from './zoneLoad';
export { panelCaseSchema, referenceSchema, usualPanelCase, type PanelCase, type Reference } from './zoneProof';
export { coverOf, type SurfaceCover } from './cover';
export { locationOf, newPlace, regionFor, surfaceOf, SURFACES, type Surface } from './zonePlace';
export {
  isTemplate,
  TEMPLATE_FORMAT,
  templateFromJson,
  templateHeadSchema,
  templateToJson,
  type Template,
  type TemplateHead,
} from './template';
