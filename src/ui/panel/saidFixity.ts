import { formatNumber } from '@/core/quantity';

/** How the edges of a panel are held, in words; 0 turns freely, 1 not at all. */
export function saidFixity(fixity: number): string {
  if (fixity <= 0.01) return 'simply supported';
  return fixity >= 0.99 ? 'clamped' : `${formatNumber(fixity * 100, 0)} % fixed`;
}
