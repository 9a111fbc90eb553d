import type { Boat } from '../document';
import { loadingOf } from './loading';
import type { Mass } from './masses';

/**
 * Where everything aboard in full load weighs more than the loaded mass of the Brief, by which every pressure is
 * reckoned: both (kg); null where it does not, or nothing weighs yet.
 *
 * What is not counted yet comes on top of it.
 */
export function heavierThanProven(
  { brief }: Pick<Boat, 'brief'>,
  masses: readonly Mass[],
): { weighs: number; proven: number } | null {
  const weighs = loadingOf(masses, 'full')?.mass ?? 0;
  return weighs > brief.loadedMass ? { weighs, proven: brief.loadedMass } : null;
}
