/** What else would do? */
export { layerMoves, nextStep, MOVE_KINDS, type LayerMove, type MoveKind, type MoveScope } from './layerMoves';
