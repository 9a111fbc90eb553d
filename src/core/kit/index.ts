/** What is cut and mixed for a boat: pieces, how they lie on cloth, batches of resin. */
export { nestPolygons, type NestStep, type PlacedPolygon, type PolygonPiece, type PolygonsNest } from './nest/polygons';
export { nestRectangles, type PlacedRectangle, type Rectangle, type RectanglesNest } from './nest/rectangles';
export { batchesOf, type Batch, type Batches, type BatchesInput } from './mix/batches';
export { cuttingSchema, USUAL_CUTTING, type Cutting } from './cutting';
export { HANDS, PIECE_KINDS, type Piece, type PieceKind } from './pieces/piece';
export { kitPieces, type KitPieces, type KitRun, type PieceCount, type PiecesInput } from './pieces/pieces';
export { faultOf } from '../geometry';
export { boxOf, girthOf, rectangle, simpler } from './pieces/outline';
export { shearOf, type Shear } from './pieces/shear';
export { type At } from './nest/convexParts';
export { cutPlan, inLayingOrder } from './cut/cutPlan';
export {
  CUT_WAYS,
  onCloth,
  saidPiece,
  type Cloth,
  type CutInput,
  type CutPlace,
  type CutStep,
  type CutWay,
  type CutWayName,
} from './cut/cutWay';
export { movedByHand } from './cut/moveByHand';
export { coreFormFor } from './pieces/coreForm';
export { mixingSchema, USUAL_MIXING, type Hardener, type Mixing } from './mix/mixing';
export { GUESS, potLifeAt, TOLD } from './mix/potLife';
export { mixingPlan, type DrawnBesides, type MixedBatch, type MixingPlan, type MixStage } from './mix/mixingPlan';
export { labelCode, labelsOf, LABEL_SHEETS, type Label, type LabelSheet } from './labels';
export { cutSvg } from './out/cutSvg';
export { purchaseList, type Purchase } from './purchaseList';
export {
  STOCK_KINDS,
  stockBookingSchema,
  stockLotSchema,
  type StockBooking,
  type StockKind,
  type StockLine,
  type StockLot,
  type StockMove,
} from './stock';
export { sheetNest, sheetPlan, type Board, type SheetPlan } from './cut/sheetPlan';
export { boxPanels, type BoxPanel, type BoxTakeoff } from './box/boxPanels';
export { plugFrames, type PlugFrame, type PlugTakeoff } from './plug/plugFrames';
export { DRAWING_UNITS, type DrawingRead, type DrawingUnit, type OutlineRead } from './in/units';
export { outlineFromMeasures } from './in/outlineFromMeasures';
export { otherHandOf, sameOutline } from './pieces/redrawn';
export { type Dart, type ShearAt } from './pieces/shearMap';
export type { Lay } from './out/lay';
export { dxfSheet, escaped } from './out/dxfSheet';
