/** What is cut and mixed for a boat: pieces, how they lie on cloth, batches of resin. */
export { nestPolygons, type NestStep, type PlacedPolygon, type PolygonPiece, type PolygonsNest } from './nest/polygons';
export { nestRectangles, type PlacedRectangle, type Rectangle, type RectanglesNest } from './nest/rectangles';
export { batchesOf, type Batch, type Batches, type BatchesInput } from './mix/batches';
export { cuttingSchema, USUAL_CUTTING, type Cutting } from './cutting';
export {
  HANDS,
  kitPieces,
  PIECE_KINDS,
  type KitPieces,
  type Piece,
  type PieceCount,
  type PieceKind,
  type PiecesInput,
} from './pieces/pieces';
export { boxOf, faultOf, girthOf, simpler } from './pieces/outline';
export { shearOf, type Shear } from './pieces/shear';
export { type At } from './nest/convexParts';
