import jStat from 'jstat';
import { invalid } from '../error';
import { sampleOf } from './sample';

/** Nodes of the integral over the scatter; even. */
const NODES = 4000;

/** Chance that a mean less `factor` standard deviations of n values lies below the p-quantile they were drawn from. */
function confidenceOf(factor: number, n: number, z: number): number {
  const f = n - 1;
  // u = s / σ: √(χ² / f), whose density is 2 (f/2)^(f/2) / Γ(f/2) u^(f−1) exp(−f u² / 2).
  const scale = Math.log(2) + (f / 2) * Math.log(f / 2) - jStat.gammaln(f / 2);
  const density = (u: number) => Math.exp(scale + (f - 1) * Math.log(u) - (f * u * u) / 2);
  const most = 1 + 12 / Math.sqrt(f);
  const h = most / NODES;
  const root = Math.sqrt(n);
  const at = (u: number) => (u <= 0 ? 0 : density(u) * jStat.normal.cdf(root * (factor * u - z), 0, 1));
  // Two values: the density does not vanish at no scatter, where the chance is Φ(−√n z).
  const first = f === 1 ? Math.exp(scale) * jStat.normal.cdf(-root * z, 0, 1) : 0;
  let sum = first + at(most);
  for (let i = 1; i < NODES; i++) sum += (i % 2 === 0 ? 2 : 4) * at(i * h);
  return (sum * h) / 3;
}

/**
 * The figure above which a share of all parts lies with a confidence, by few readings: mean less factor times standard
 * deviation.
 *
 * @param values two or more. @param coverage share of the parts, 0.5 to 0.9999. @param confidence 0.5 to 0.9999.
 * @throws KeramosError `invalid`.
 * @example toleranceBound([313.5, 302.1, 367.9]).factor // 6.155
 * Source: one-sided factor of a normal population, exact: ∫ Φ(√n (k u − z)) f(u) du = confidence, u = s / σ (Odeh and
 * Owen 1980).
 */
export function toleranceBound(values: readonly number[], coverage = 0.9, confidence = 0.95) {
  for (const [path, share] of Object.entries({ coverage, confidence }))
    if (!(share >= 0.5 && share <= 0.9999)) throw invalid(path, `${path} must be between 0.5 and 0.9999`);
  const { mean, standardDeviation } = sampleOf(values);
  const factor = toleranceFactor(values.length, coverage, confidence);
  return { mean, standardDeviation, factor, bound: mean - factor * standardDeviation };
}

const known = new Map<string, number>();

/** The factor alone: by how many standard deviations of n values the bound lies below their mean. */
export function toleranceFactor(n: number, coverage = 0.9, confidence = 0.95): number {
  const key = `${n}|${coverage}|${confidence}`;
  const before = known.get(key);
  if (before !== undefined) return before;
  const z = jStat.normal.inv(coverage, 0, 1);
  let [low, high] = [0, 10];
  while (confidenceOf(high, n, z) < confidence) high *= 2;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (confidenceOf(middle, n, z) < confidence) low = middle;
    else high = middle;
  }
  known.set(key, (low + high) / 2);
  return (low + high) / 2;
}
