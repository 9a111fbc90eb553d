import jStat from 'jstat';
import { sampleOf } from './sample';

/**
 * Whether two groups of readings differ by more than their own scatter makes likely.
 *
 * @param a two readings or more. @param b as many or others. @returns difference of the means, a less b; the chance of
 * so large a one where there is none.
 * @throws KeramosError `invalid` under two readings.
 * @example welch([1, 2, 3], [2, 3, 4]).chance // 0.288
 * Source: unequal variances, degrees of freedom by Satterthwaite (Welch 1947).
 */
export function welch(a: readonly number[], b: readonly number[]): { difference: number; chance: number } {
  const [first, second] = [sampleOf(a), sampleOf(b)];
  const [u, v] = [first.standardDeviation ** 2 / a.length, second.standardDeviation ** 2 / b.length];
  const difference = first.mean - second.mean;
  if (u + v === 0) return { difference, chance: difference === 0 ? 1 : 0 };
  const freedom = (u + v) ** 2 / (u ** 2 / (a.length - 1) + v ** 2 / (b.length - 1));
  const t = Math.abs(difference) / Math.sqrt(u + v);
  return { difference, chance: 2 * (1 - jStat.studentt.cdf(t, freedom)) };
}
