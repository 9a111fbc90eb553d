import { choice } from '../field';
import type { Figure } from './schema';

/** How a cured laminate is made ready for what is bonded to it. */
export const PREPARATIONS = {
  peel: 'Peel ply, then bond',
  peelAbrade: 'Peel ply, then abrade',
  sacrificial: 'Sacrificial ply, ground back',
  wetOnWet: 'Wet on wet, within the open time',
} as const;
export type Preparation = keyof typeof PREPARATIONS;
export const preparation = choice('Surface before bonding', PREPARATIONS);

/**
 * Means of bonds between laminates (Pa, mean shear over the bond), by how the surface was prepared: generic, to be
 * replaced by the yard's own lap tests.
 */
export const BOND_STRENGTH: Record<Preparation, number> = {
  wetOnWet: 12e6,
  peelAbrade: 8e6,
  sacrificial: 8e6,
  peel: 5e6,
};

/**
 * Factor on the mean strength of a bond that holds a structure together: three on generic and data-sheet figures, two
 * on those of the yard's own tests.
 */
export const BOND_FACTOR = { given: 3, tested: 2 } as const;

/**
 * What may be asked of a bond (Pa), and the factor in words. Adhesives by their figure, laminates by preparation.
 * @example bondAllowed(BOND_STRENGTH.peelAbrade).value // 2.67e6
 */
export function bondAllowed(strength: number | Pick<Figure, 'value' | 'origin'>): { value: number; says: string } {
  const [mean, tested] =
    typeof strength === 'number' ? [strength, false] : [strength.value, strength.origin === 'yardTest'];
  const factor = tested ? BOND_FACTOR.tested : BOND_FACTOR.given;
  return { value: mean / factor, says: `mean strength over a bond factor of ${factor}` };
}
