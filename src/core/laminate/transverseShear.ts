import type { Ply } from './ply';
import { cosSin } from './reducedStiffness';

/** Shear modulus of a ply through the thickness along laminate x (xz) and y (yz). */
function throughThickness(ply: Ply): [xz: number, yz: number] {
  const G13 = ply.G13 ?? ply.G12;
  const G23 = ply.G23 ?? ply.E2 / 2.8;
  const [c, s] = cosSin(ply.angleDeg);
  return [G13 * c * c + G23 * s * s, G13 * s * s + G23 * c * c];
}

/**
 * Transverse shear stiffness per unit width (N/m): A55 of the xz plane, A44 of the yz plane.
 *
 * With a core G_c d²/t_c, d between the mid-planes of the skins (several cores work in series, what lies between them
 * counts as rigid);
 * solid laminates 5/6 Σ G t. Never 5/6 Σ G t for a sandwich.
 *
 * @example transverseShear([skin, core, skin]).A55 // G_c d² / t_c
 * Source: Allen, Analysis and Design of Structural Sandwich Panels; Whitney, ch. 8.
 */
export function transverseShear(plies: readonly Ply[]): { A44: number; A55: number } {
  const first = plies.findIndex((ply) => ply.role === 'core');
  if (first < 0) {
    const sum = (pick: 0 | 1) =>
      (5 / 6) * plies.reduce((total, ply) => total + throughThickness(ply)[pick] * ply.thickness, 0);
    return { A55: sum(0), A44: sum(1) };
  }
  const last = plies.findLastIndex((ply) => ply.role === 'core');
  const thick = (part: readonly Ply[]) => part.reduce((total, ply) => total + ply.thickness, 0);
  const between = plies.slice(first, last + 1);
  const distance = thick(between) + (thick(plies.slice(0, first)) + thick(plies.slice(last + 1))) / 2;
  const flexibility = (pick: 0 | 1) =>
    between
      .filter((ply) => ply.role === 'core')
      .reduce((total, core) => total + core.thickness / throughThickness(core)[pick], 0);
  return { A55: distance ** 2 / flexibility(0), A44: distance ** 2 / flexibility(1) };
}
