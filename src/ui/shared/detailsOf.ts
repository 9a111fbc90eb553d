/** What details come to: a chunk of its own, fetched after the margins are there. */
export { evaluateDetails } from '@/core/schedule';
