/** What details and stiffeners come to: a chunk of its own, fetched after the margins are there. */
export { evaluateDetails } from '@/core/detail/kinds';
export { evaluateStiffeners } from '@/core/evaluate';
