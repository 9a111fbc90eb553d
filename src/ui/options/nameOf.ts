import { FIBRE_FAMILIES } from '@/core/material';
import type { ZoneEquivalent } from '@/core/option';

/** An alternative in words: 'Carbon on Cross-linked PVC 80'. */
export const nameOf = ({ family, core }: Pick<ZoneEquivalent, 'family' | 'core'>): string =>
  `${FIBRE_FAMILIES[family]}${core === null ? ', single skin' : ` on ${core}`}`;
