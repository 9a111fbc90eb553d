/** An uncertain quantity, normal and independent of the others. */
export interface UncertainTerm {
  mean: number;
  standardDeviation: number;
  /** What it is multiplied by; 1 where it is not given. */
  factor?: number | undefined;
}

export interface Combined {
  mean: number;
  standardDeviation: number;
}

/** Standard deviations from the middle to the 5th or 95th part in a hundred of a normal quantity. */
export const TO_P95 = 1.6448536269514722;

/** The sum of independent normal quantities, each by its factor. Source: variances add. */
export function combineSum(terms: readonly UncertainTerm[]): Combined & { p05: number; p95: number } {
  const mean = terms.reduce((sum, term) => sum + (term.factor ?? 1) * term.mean, 0);
  const standardDeviation = Math.hypot(...terms.map((term) => (term.factor ?? 1) * term.standardDeviation));
  const reach = TO_P95 * standardDeviation;
  return { mean, standardDeviation, p05: mean - reach, p95: mean + reach };
}

/**
 * The product of independent quantities, each by its factor: exact in mean and standard deviation, whatever their
 * distribution. Source: E[x²] = mean² + variance, and expectations of independent quantities multiply (Goodman, 1960).
 */
export function combineProduct(terms: readonly UncertainTerm[]): Combined {
  const product = (pick: (mean: number, deviation: number) => number) =>
    terms.reduce((sum, { mean, standardDeviation, factor = 1 }) => {
      return sum * pick(factor * mean, factor * standardDeviation);
    }, 1);
  const mean = product((one) => one);
  const square = product((one, deviation) => one * one + deviation * deviation);
  return { mean, standardDeviation: Math.sqrt(Math.max(0, square - mean * mean)) };
}
