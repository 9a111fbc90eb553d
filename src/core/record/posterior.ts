import { invalid } from '../error';

export interface Normal {
  mean: number;
  standardDeviation: number;
}

/**
 * What is known of a mean after some readings, given what was thought before and how far one reading scatters.
 *
 * @param prior before any reading; its standard deviation above 0. @param readings may be none.
 * @param readingStandardDeviation of one reading about the mean, above 0 and known.
 * @returns the mean with its standard deviation, and how far the next reading scatters about it.
 * @throws KeramosError `invalid`.
 * @example posterior({ mean: 100, standardDeviation: 10 }, [110], 10).mean // 105
 * Source: conjugate normal: precisions add, means weighted by them (Gelman et al., Bayesian Data Analysis).
 */
export function posterior(
  prior: Normal,
  readings: readonly number[],
  readingStandardDeviation: number,
): Normal & { predictiveStandardDeviation: number } {
  if (!(prior.standardDeviation > 0)) throw invalid('prior.standardDeviation', 'The prior must leave some doubt');
  if (!(readingStandardDeviation > 0)) throw invalid('readingStandardDeviation', 'A reading scatters by more than 0');
  const [before, each] = [1 / prior.standardDeviation ** 2, 1 / readingStandardDeviation ** 2];
  const precision = before + readings.length * each;
  const sum = readings.reduce((total, reading) => total + reading, 0);
  return {
    mean: (before * prior.mean + each * sum) / precision,
    standardDeviation: Math.sqrt(1 / precision),
    predictiveStandardDeviation: Math.sqrt(1 / precision + readingStandardDeviation ** 2),
  };
}
