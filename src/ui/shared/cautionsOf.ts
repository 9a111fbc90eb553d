/** The rules of caution: a chunk of its own, fetched after the margins are there. */
export { cautionsOf } from '@/core/caution';
