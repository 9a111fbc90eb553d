/** What details and stiffeners come to: a chunk of its own, fetched after the margins are there. */
export { evaluateDetails, evaluateStiffeners } from '@/core/schedule';
