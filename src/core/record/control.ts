import { invalid } from '../error';

/** Mean moving range over standard deviation, for pairs. */
const D2 = 1.128;

/**
 * Limits within which a process stays as long as only chance is at work, by single values in the order in which they
 * came.
 *
 * @param values two or more. @returns centre, mean moving range, both limits, and which values lie beyond one.
 * @throws KeramosError `invalid`.
 * @example control([10, 12, 11, 13, 12]).upper // 15.59
 * Source: chart of individuals, 3 mean moving ranges / 1.128 (Montgomery, Statistical Quality Control).
 */
export function control(values: readonly number[]) {
  if (values.length < 2) throw invalid('values', 'Two values are needed at least');
  const centre = values.reduce((sum, value) => sum + value, 0) / values.length;
  const ranges = values.slice(1).map((value, i) => Math.abs(value - values[i]!));
  const movingRange = ranges.reduce((sum, range) => sum + range, 0) / ranges.length;
  const reach = (3 * movingRange) / D2;
  const [lower, upper] = [centre - reach, centre + reach];
  const outside = values.flatMap((value, i) => (value < lower || value > upper ? [i] : []));
  return { centre, movingRange, lower, upper, outside };
}
