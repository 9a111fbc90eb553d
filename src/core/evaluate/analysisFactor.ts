import type { Boat } from '../document';

/** What strength over a load is asked to be where it is analysed: the factor of the yard's rule, 1 without one. */
export function analysisFactorOf({ packs }: Pick<Boat, 'packs'>): number {
  const yard = packs.find((pack) => pack.kind === 'yardRule');
  return yard?.kind === 'yardRule' ? yard.analysisFactor : 1;
}
