import { remembered } from '../../job';
import type { SkinSection } from './skinBending';

/** Interlaminar shear of a hand-laid glass laminate (Pa): generic, the least of what is laid in a boat. */
export const INTERLAMINAR_STRENGTH = 20e6;

/**
 * Greatest shear between plies of a solid skin per unit of shear force (1/m): S / EI at the neutral axis, 1.5 / t of
 * one material.
 *
 * @example betweenPlies(section) * force // Pa
 * Source: ISO 12215-5:2008 method, F57; Gere & Timoshenko, ch. 5.
 */
export const betweenPlies = remembered(({ placed, neutral, EI }: SkinSection): number => {
  const S = placed.reduce((sum, { sheet, bottom, top }) => {
    const from = Math.max(bottom, neutral);
    return top > from ? sum + (sheet.properties!.E * ((top - neutral) ** 2 - (from - neutral) ** 2)) / 2 : sum;
  }, 0);
  return S / EI;
});
