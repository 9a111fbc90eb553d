import { grainStrength, smearedConstants, woodPly } from '../../laminate';
import type { Wood } from '../../material';
import type { SkinSheet } from './check';

/**
 * A sheet of wood as the pack sees it along a direction: strength in bending by its angle to the grain, modulus by
 * lamination theory.
 *
 * @param thickness m. @param angleDeg of its grain, from the direction asked for.
 * @example woodSheet(plywood, 0.009, 0).properties?.tensileStrength // its bending strength
 * Source: ISO 12215-5:2008 method, F34 for laminated wood and plywood; FPL-GTR-282, ch. 5.
 */
export function woodSheet(wood: Wood, thickness: number, angleDeg: number): SkinSheet {
  const { ply, bending, compression, rollingShear } = woodPly(wood, thickness);
  const strength = grainStrength(bending, angleDeg);
  return {
    role: 'skin',
    name: wood.code,
    thickness,
    fibreMass: 0,
    resinMass: 0,
    matMass: 0,
    lightFibreMass: 0,
    properties: {
      E: smearedConstants([{ ...ply, angleDeg }]).Ex,
      tensileStrength: strength,
      compressiveStrength: strength,
      pressed: Math.min(strength, grainStrength(compression, angleDeg)),
      basis: 'wood',
    },
    wood: { bendingStrength: wood.bendingStrength.value, rollingShear },
  };
}
