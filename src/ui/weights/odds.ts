import { formatNumber } from '@/core/quantity';

/** How often a figure comes out over its limit, in words that claim no more than a normal distribution can. */
export function oddsOver(chance: number): string {
  if (chance > 0.99) return 'over it in nearly every case';
  return chance < 0.01 ? 'hardly ever over it' : `over it in ${formatNumber(100 * chance, 0)} cases of 100`;
}
