import { z } from 'zod';
import { invalid, parseOrThrow } from '../error';
import type { SolveInteger } from '../option';
import type { Recorder, WorkingStep } from '../working';

/** What some calculations need and cannot fetch by themselves. */
export interface Tools {
  solve?: SolveInteger;
}

/** A named calculation: data in, data out, the same for command line, HTTP and tests. */
export interface Calculation {
  name: string;
  summary: string;
  input: z.ZodType;
  output: z.ZodType;
  /** About how long one input takes (ms), from what was given before it is checked. */
  cost: (input: unknown) => number;
  /** Whether it needs the solver of integer programs. */
  needsSolver: boolean;
  /** Parse, compute, and add `working` when the input asks for it. */
  run(input: unknown, tools?: Tools): Record<string, unknown>;
}

/** What a calculation takes at least (ms): checking what comes in, and writing what goes out. */
const SMALL = 0.05;

/** How many there are of a list that was given. */
export const countOf = (given: Record<string, unknown>, key: string): number =>
  Array.isArray(given[key]) ? given[key].length : 0;

/** The first number of an answer that no JSON can tell, by its place; null where all are finite. */
function untold(value: unknown, at = ''): string | null {
  if (typeof value === 'number') return Number.isFinite(value) ? null : at;
  if (typeof value !== 'object' || value === null) return null;
  for (const [key, own] of Object.entries(value)) {
    const found = untold(own, at === '' ? key : `${at}.${key}`);
    if (found !== null) return found;
  }
  return null;
}

/** Bind a schema pair and a pure function into a calculation. */
export function define<I extends z.ZodObject, O extends z.ZodType>(definition: {
  name: string;
  summary: string;
  input: I;
  output: O;
  needsSolver?: boolean;
  compute: (input: z.infer<I>, record: Recorder | undefined, tools: Tools) => z.infer<O>;
  cost?: (given: Record<string, unknown>) => number;
}): Calculation {
  const withWorking = definition.input.extend({
    working: z.boolean().optional().describe('true adds the steps of the working to the output'),
  });
  return {
    name: definition.name,
    summary: definition.summary,
    input: withWorking,
    output: definition.output,
    needsSolver: definition.needsSolver ?? false,
    cost(given) {
      const own = typeof given === 'object' && given !== null ? (given as Record<string, unknown>) : {};
      return SMALL + (definition.cost?.(own) ?? 0);
    },
    run(raw, tools = {}) {
      const input = parseOrThrow(withWorking, raw) as z.infer<I> & { working?: boolean };
      const steps: WorkingStep[] = [];
      const { record } = input.working
        ? { record: (step: WorkingStep) => void steps.push(step) }
        : { record: undefined };
      const output = definition.compute(input, record, tools) as Record<string, unknown>;
      const place = untold(output);
      if (place !== null)
        throw invalid('', `With what was given "${place}" is no number: one of the figures is too large or too small`);
      return input.working ? { ...output, working: steps } : output;
    },
  };
}

const number = (minimum: number, maximum: number) => z.number().min(minimum).max(maximum);

/** Field schemas that several calculations share, with their ranges (SI). */
export const field = {
  density: number(1, 30000).describe('kg/m³'),
  share: number(0, 1),
  openShare: number(0.001, 0.999),
  voids: number(0, 0.5).optional(),
  modulus: number(1, 1e13).describe('Pa'),
  strength: number(1, 1e11).describe('Pa'),
  poisson: number(0, 0.5),
  angleDeg: number(-360, 360).describe('degrees'),
  thickness: number(1e-7, 10).describe('m'),
  arealWeight: number(1e-4, 100).describe('kg/m²'),
  side: number(0.001, 100).describe('m'),
  pressure: number(0, 1e8).describe('Pa'),
};
