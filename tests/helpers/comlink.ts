import { createHash } from 'node:crypto';
import { serialize } from 'node:v8';

/**
 * In the place of a thread: what the page computes aside is computed here by the same functions.
 * Use: vi.mock('comlink', () => import('…/tests/helpers/comlink')), and import the worker before a screen is shown.
 */
let exposed: object = {};

type Work = (...given: unknown[]) => Promise<unknown>;
interface Answer {
  result: Promise<unknown>;
  /** What was told on the way, and to which of what was given. */
  told: [number, unknown[]][];
}
const answers = new Map<string, Answer>();

/** A question is worked out once in a file; asked again it is answered as before, with all that was told on the way. */
const once =
  (name: string, work: Work): Work =>
  async (...given) => {
    const asked = serialize(given.filter((value) => typeof value !== 'function'));
    const key = `${name} ${createHash('sha256').update(asked).digest('hex')}`;
    const known = answers.get(key);
    if (known) {
      const result = await known.result;
      for (const [place, said] of known.told) (given[place] as Work)(...said);
      return result;
    }
    const told: Answer['told'] = [];
    const result = work(
      ...given.map((value, place) =>
        typeof value === 'function'
          ? (...said: unknown[]) => {
              told.push([place, said]);
              return (value as Work)(...said);
            }
          : value,
      ),
    );
    answers.set(key, { result, told });
    result.catch(() => answers.delete(key));
    return result;
  };

/** All workers of a test answer as one: none has a name of another's. */
export const expose = (api: object): void => {
  const own = Object.entries(api).map(([name, work]) => [name, once(name, work as Work)]);
  exposed = { ...exposed, ...Object.fromEntries(own) };
};
export const wrap = (): unknown => exposed;
export const proxy = <T>(own: T): T => own;
