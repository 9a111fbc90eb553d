import type { BuildPlan } from './plan';

/** Share by which the hardener of a batch may miss what its plan has. */
export const HARDENER_MAY_MISS = 0.1;

/** What is off with the hardener of a batch. */
export interface HardenerOff {
  /** Hardener that its resin wants (kg). */
  wanted: number;
  /** Share of that by which there is more, or less below 0. */
  off: number;
  /** More than it may miss, the other way or in order. */
  is: 'right' | 'tooMuch' | 'tooLittle';
}

/**
 * How far the hardener of a batch (kg) is off what the plan has for its resin (kg).
 *
 * @returns null where the plan has none, or where nobody weighed it.
 * @example hardenerOff({ resin: { ...resin, share: 0.02 } }, { resin: 3, hardener: 0.09 })?.off // 0.5
 */
export function hardenerOff(
  { resin: { share } }: Pick<BuildPlan, 'resin'>,
  { resin, hardener }: { resin: number; hardener: number },
): HardenerOff | null {
  if (!share || !(hardener > 0) || !(resin > 0)) return null;
  const wanted = share * resin;
  const off = hardener / wanted - 1;
  if (Math.abs(off) <= HARDENER_MAY_MISS + 1e-9) return { wanted, off, is: 'right' };
  return { wanted, off, is: off > 0 ? 'tooMuch' : 'tooLittle' };
}

/** What is off, in words: 50 % too much hardener. */
export const saidOff = ({ off, is }: HardenerOff): string =>
  is === 'right'
    ? 'hardener as planned'
    : `${(Math.abs(off) * 100).toFixed(0)} % too ${off > 0 ? 'much' : 'little'} hardener`;
