/** The named calculations: one Zod input, one output each; command line, HTTP and tests call the same. */
import { z } from 'zod';
import { KeramosError } from '../error';
import { loadIntegerSolver } from '../option';
import type { Calculation, Tools } from './define';
import { boatCalculations } from './boat';
import { detailCalculations } from './detail';
import { fillCureCalculations } from './fillCure';
import { kitCalculations } from './kit';
import { laminateCalculations } from './laminate';
import { optionCalculations } from './option';
import { panelCalculations } from './panel';
import { plyCalculations } from './ply';
import { recordCalculations } from './record';
import { sandwichCalculations } from './sandwich';
import { smallCraftCalculations } from './smallCraft';
import { stiffenerCalculations } from './stiffener';
import { weightCalculations } from './weight';

export type { Calculation, Tools } from './define';

export const CALCULATIONS: readonly Calculation[] = [
  ...plyCalculations,
  ...laminateCalculations,
  ...sandwichCalculations,
  ...panelCalculations,
  ...stiffenerCalculations,
  ...smallCraftCalculations,
  ...detailCalculations,
  ...boatCalculations,
  ...optionCalculations,
  ...weightCalculations,
  ...kitCalculations,
  ...fillCureCalculations,
  ...recordCalculations,
];

const BATCH_LIMIT = 10_000;

/** The calculation of that name. @throws KeramosError `notFound` that lists what there is. */
export function findCalculation(name: string): Calculation {
  const found = CALCULATIONS.find((calculation) => calculation.name === name);
  if (!found)
    throw new KeramosError(
      'notFound',
      `No calculation "${name.slice(0, 60)}". There are: ${CALCULATIONS.map((c) => c.name).join(', ')}`,
      'name',
    );
  return found;
}

/** An error as data, the shape every border answers with. */
export function errorBody(error: KeramosError) {
  const open = error.text === error.message ? {} : { text: error.text };
  return { error: { code: error.code, message: error.message, path: error.path, ...open, ...error.details } };
}

let solver: Promise<Tools> | undefined;
/** What a calculation needs beside its input, fetched once. @throws KeramosError for an unknown name. */
export async function toolsFor(name: string): Promise<Tools> {
  if (!findCalculation(name).needsSolver) return {};
  return (solver ??= loadIntegerSolver().then((solve) => ({ solve })));
}

/**
 * Run a calculation on one input or an array of them; the answer is in kind.
 * In an array each item is the output or `{ error }`; a single bad input throws.
 *
 * @throws KeramosError for an unknown name or a bad single input.
 */
export function calculate(name: string, input: unknown, tools: Tools = {}): unknown {
  const calculation = findCalculation(name);
  if (!Array.isArray(input)) return calculation.run(input, tools);
  if (input.length > BATCH_LIMIT)
    throw new KeramosError('tooLarge', `At most ${BATCH_LIMIT} inputs at a time, not ${input.length}`);
  return input.map((item) => {
    try {
      return calculation.run(item, tools);
    } catch (error) {
      if (error instanceof KeramosError) return errorBody(error);
      throw error;
    }
  });
}

/** About how long a calculation takes on what was given (ms, on a slow core). @throws KeramosError `notFound`. */
export function costOf(name: string, input: unknown): number {
  const { cost } = findCalculation(name);
  return Array.isArray(input) ? input.reduce<number>((sum, one) => sum + cost(one), 0) : cost(input);
}

/** JSON Schema of a calculation's input and output. */
export function calculationSchema(name: string) {
  const { input, output, summary } = findCalculation(name);
  return { name, summary, input: z.toJSONSchema(input, { io: 'input' }), output: z.toJSONSchema(output) };
}
