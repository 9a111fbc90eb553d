/** The boat's shape: hull from particulars, offsets or a mesh, deck, zones and panels on them. */
export { checkStations } from './checkStations';
export { waterlinePosition, zoneGeometrySchema, type ZoneGeometry } from './zoneGeometry';
export {
  FLOORS_AT_KEEL,
  hullSchema,
  SHAPE_NUMBERS,
  shapeFor,
  stationSchema,
  type DrawnHull,
  type HullParticulars,
  type HullShape,
  type ShapeNumber,
  type Station,
} from './hullShape';
export { stationsFromParticulars } from './hullFromParticulars';
export { hullSurface, surfaceThrough, type HullSurface } from './hullSurface';
export {
  deckPoint,
  deckShapeSchema,
  FLUSH_DECK,
  openHalfBreadth,
  openingAt,
  openingEnds,
  type DeckShape,
} from './deckShape';
export {
  HOLDS_ALONG,
  HOLDS_ONLY,
  hullEdgeSchema,
  regionSchema,
  SUPPORT_KINDS,
  supportSchema,
  type HullEdge,
  type Region,
  type Support,
} from './region';
export { edgeAt, hullPoint, regionPatch, type BoatShape } from './boatShape';
export { develop, patchArea, patchRim, patchSize, type Development, type Patch, type PatchSize } from './patch';
export { panelsBeside, panelsOf, type Panel, type Supports } from './panels';
export { memberGeometry, type MemberGeometry, type Span } from './members';
export { faultOf, lineLength, nearestOnEdge, signedArea, type FlatPoint } from './flatOutline';
export { mix, runLength, shares, type Point } from './point';
export {
  OFFSET_UNITS,
  offsetMappingSchema,
  offsetsToStations,
  readOffset,
  type OffsetMapping,
  type OffsetUnit,
} from './offsets';
export { meshEdges, meshToStations, type Triangles } from './meshSections';
export { hullFigures, type HullFigures, type HullSection } from './hullFigures';
