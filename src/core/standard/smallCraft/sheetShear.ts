import { rotateStrain, smearedConstants, type LaidComponent } from '../../laminate';
import { failureStrains } from '../../material';
import { limitingStrains } from './limitingStrains';
import { laminateProperties } from './laminateProperties';
import { SMALL_CRAFT_PACK } from './pack';

/**
 * In-plane shear modulus and ultimate shear strength (Pa) of a fabric component, in axes turned by `angleDeg` from
 * its roll direction.
 *
 * E-glass mat and 0/90 glass take the pack's law; everything else shears until its first ply reaches a limiting
 * strain, transverse cracking included.
 *
 * @returns undefined where there are no limiting strains for the fibre.
 * @example sheetShear(biaxial45, 0)!.shearStrength > sheetShear(biaxial45, 45)!.shearStrength // true
 * Source: ISO 12215-5:2008 method, F53, F55 with the limiting strains of class rules as restated in data/standards.
 */
export function sheetShear(
  component: LaidComponent,
  angleDeg: number,
  pack = SMALL_CRAFT_PACK,
): { G: number; shearStrength: number } | undefined {
  const { fibre, form, fibreWeightFraction, plies } = component;
  const square = plies.every(
    (ply) => Math.abs(((ply.angleDeg + angleDeg) % 90) - Math.round(((ply.angleDeg + angleDeg) % 90) / 90) * 90) < 5,
  );
  if (fibre.family === 'eGlass' && (form === 'randomMat' || (form !== 'unidirectional' && square))) {
    const { G, shearStrength } = laminateProperties(fibreWeightFraction, form === 'randomMat' ? 1 : 0);
    return { G, shearStrength };
  }
  const limits = limitingStrains(fibre.family, form, pack) ?? failureStrains(fibre.family, form);
  if (!limits) return undefined;
  const turned = plies.map((ply) => ({ ...ply, angleDeg: ply.angleDeg + angleDeg }));
  const { Gxy } = smearedConstants(turned);
  let gamma = Infinity;
  for (const ply of turned) {
    const [e1, e2, g12] = rotateStrain([0, 0, 1], ply.angleDeg);
    for (const [strain, tension, compression] of [
      [e1, limits.e1t, limits.e1c],
      [e2, limits.e2t, limits.e2c],
    ] as const)
      if (Math.abs(strain) > 1e-9) gamma = Math.min(gamma, (strain > 0 ? tension : compression) / Math.abs(strain));
    if (Math.abs(g12) > 1e-9) gamma = Math.min(gamma, limits.g12 / Math.abs(g12));
  }
  return { G: Gxy, shearStrength: Gxy * gamma };
}
