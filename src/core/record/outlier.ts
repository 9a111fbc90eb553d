import jStat from 'jstat';
import { invalid } from '../error';
import { sampleOf } from './sample';

/**
 * Whether the value that lies farthest from the mean is farther than chance explains. It is marked, never dropped.
 *
 * @param values three or more. @param significance of both sides together, 0.0001 to 0.5.
 * @returns index of the value, null where chance explains it, or all are alike.
 * @throws KeramosError `invalid`.
 * @example outlier([199.31, 199.53, 200.19, 200.82, 201.92, 201.95, 202.18, 245.57]).index // 7
 * Source: Grubbs 1969, two-sided: (n − 1)/√n √(t² / (n − 2 + t²)), t at significance / 2n, n − 2 degrees of freedom.
 */
export function outlier(values: readonly number[], significance = 0.05) {
  const n = values.length;
  if (n < 3) throw invalid('values', 'Three values are needed at least');
  if (!(significance >= 0.0001 && significance <= 0.5)) throw invalid('significance', 'Between 0.0001 and 0.5');
  const { mean, standardDeviation } = sampleOf(values);
  const t = jStat.studentt.inv(1 - significance / (2 * n), n - 2);
  const critical = ((n - 1) / Math.sqrt(n)) * Math.sqrt((t * t) / (n - 2 + t * t));
  if (standardDeviation === 0) return { statistic: 0, critical, index: null };
  const far = values.map((value) => Math.abs(value - mean) / standardDeviation);
  const statistic = Math.max(...far);
  return { statistic, critical, index: statistic > critical ? far.indexOf(statistic) : null };
}
