export {
  coreRun,
  joinAt,
  joinKey,
  type LayerAtLine,
  type LineFinding,
  linesOfPart,
  type LineState,
  staggered,
  withJoin,
} from './joins';
export { neighboursOf, type ZoneLine } from './neighbours';
export { type Cut, partSection, type PartSection, type SectionWindow } from './partSection';
export { type LayerPieces, piecesOf, twinOf } from './pieces';
