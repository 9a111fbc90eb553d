import { betweenPlies, INTERLAMINAR_STRENGTH } from './betweenPlies';
import type { SkinSheet } from './check';
import { isWood } from './checkWood';
import { skinBending, type SkinBending, type SkinSection } from './skinBending';

/** A stress in a solid skin, what it bears (Pa), and what that is. */
export interface SkinLimit {
  stress: number;
  allowed: number;
  governs: string;
}

const said = ({ sheet: { name, number }, index, side }: SkinBending) =>
  `${name}, ${number === undefined ? `sheet ${index + 1} from the mould` : `layer ${number}`}, in ${side}`;

/** The sheet nearest its limit under a moment per unit width (N), as {@link skinBending} has it. */
export function bendingLimit(section: SkinSection, moment: number, factor: number): SkinLimit {
  const found = skinBending(section, moment, factor);
  return { stress: found.stress, allowed: found.allowed, governs: said(found) };
}

/**
 * Shear that parts the plies of a skin under a force per unit width (N/m); none of a skin with sheets of wood, which
 * roll before plies part and are looked at for that.
 */
export function partingLimit(
  section: SkinSection,
  { plies, force, factor }: { plies: readonly SkinSheet[]; force: number; factor: number },
): SkinLimit[] {
  if (plies.some(isWood)) return [];
  const stress = force * betweenPlies(section);
  return [{ stress, allowed: factor * INTERLAMINAR_STRENGTH, governs: 'shear between plies, generic' }];
}

/** Of several the one that is nearest. */
export const nearestLimit = (limits: readonly SkinLimit[]): SkinLimit =>
  limits.reduce((low, one) => (one.stress / one.allowed > low.stress / low.allowed ? one : low));
