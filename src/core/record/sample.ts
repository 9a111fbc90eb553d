import { invalid } from '../error';

/** Mean and standard deviation (n − 1) of two values or more. @throws KeramosError `invalid`. */
export function sampleOf(values: readonly number[]): { mean: number; standardDeviation: number } {
  if (values.length < 2) throw invalid('values', 'Two values are needed at least');
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const squares = values.reduce((sum, value) => sum + (value - mean) ** 2, 0);
  return { mean, standardDeviation: Math.sqrt(squares / (values.length - 1)) };
}
