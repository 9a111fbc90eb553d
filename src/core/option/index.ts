/** What else would do? */
export { layerMoves, MOVE_KINDS, type LayerMove, type MoveKind, type MoveScope } from './layerMoves';
