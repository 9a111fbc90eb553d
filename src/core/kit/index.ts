/** What is cut and mixed for a boat: pieces, how they lie on cloth, batches of resin. */
export { nestPolygons, type NestStep, type PlacedPolygon, type PolygonPiece, type PolygonsNest } from './nest/polygons';
export { nestRectangles, type PlacedRectangle, type Rectangle, type RectanglesNest } from './nest/rectangles';
export { batchesOf, type Batch, type Batches, type BatchesInput } from './mix/batches';
