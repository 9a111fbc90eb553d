/** What else would do? */
export {
  layerMoves,
  layerMovesJob,
  nextStep,
  MOVE_KINDS,
  type LayerMove,
  type MoveKind,
  type MoveScope,
  type MovesInput,
} from './layerMoves';
