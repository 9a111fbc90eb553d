/**
 * The recorded steps behind a result: symbol, formula, the numbers put in, unit, source.
 * A calculation takes an optional `Recorder`; without one it records nothing and costs nothing.
 */

/** One number that went into a formula. `symbol` is TeX; `unit` is an SI unit or '' for a ratio. */
export interface WorkingInput {
  symbol: string;
  value: number;
  unit: string;
}

/** One line of a working: `symbol = formula = value unit`. */
export interface WorkingStep {
  /** What the number is, in words. */
  quantity: string;
  /** TeX of the left-hand side. */
  symbol: string;
  /** TeX of the right-hand side. */
  formula: string;
  inputs: WorkingInput[];
  value: number;
  unit: string;
  /** Where the formula comes from, or what the figure rests on. */
  source: string;
  /** A choice, limit or caution that applies to this step. */
  note?: string;
}

/** A titled run of steps. */
export interface WorkingPart {
  title: string;
  steps: WorkingStep[];
}

export type Recorder = (step: WorkingStep) => void;

/** Collect the steps of one calculation: `const { steps, record } = recorder()`. */
export function recorder(): { steps: WorkingStep[]; record: Recorder } {
  const steps: WorkingStep[] = [];
  return { steps, record: (step) => steps.push(step) };
}

/** Short form for an input. */
export function put(symbol: string, value: number, unit = ''): WorkingInput {
  return { symbol, value, unit };
}

export { texToText } from './texToText';
