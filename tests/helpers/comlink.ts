/**
 * In the place of a thread: what the page computes aside is computed here by the same functions.
 * Use: vi.mock('comlink', () => import('…/tests/helpers/comlink')), and import the worker before a screen is shown.
 */
let exposed: object = {};
/** All workers of a test answer as one: none has a name of another's. */
export const expose = (api: object): void => {
  exposed = { ...exposed, ...api };
};
export const wrap = (): unknown => exposed;
export const proxy = <T>(own: T): T => own;
