import {
  limitingStrains,
  rotateStrain,
  strainCompatibility,
  transformedStiffness,
  type Member,
  type Ply,
  type StrainCompatibility,
} from '../laminate';

/** Plies of one material and direction, strained together with the rest. */
export interface StackMember extends Member {
  /** Angle between its first direction and the load. */
  angleDeg: number;
}

/**
 * Modulus of a ply along a direction (Pa) when it is pulled that way and free across, and the strain at which it
 * first fails.
 */
function along(ply: Ply, directionDeg: number): { E: number; failureStrain: number } {
  const turned = { ...ply, angleDeg: ply.angleDeg - directionDeg };
  const [[Q11, Q12, Q16], [, Q22, Q26], [, , Q66]] = transformedStiffness(turned);
  // Strains per unit strain along x with no stress across and in shear.
  const determinant = Q22 * Q66 - Q26 * Q26;
  const ey = (-Q12 * Q66 + Q16 * Q26) / determinant;
  const gxy = (-Q16 * Q22 + Q12 * Q26) / determinant;
  const E = Q11 + Q12 * ey + Q16 * gxy;
  const [e1, e2, g12] = rotateStrain([1, ey, gxy], turned.angleDeg).map((value) =>
    Math.abs(value) < 1e-9 ? 0 : value,
  ) as [number, number, number];
  const limits = limitingStrains(ply)!;
  const failureStrain = Math.min(
    e1 > 0 ? limits.e1t / e1 : -limits.e1c / e1,
    e2 > 0 ? limits.e2t / e2 : -limits.e2c / e2,
    limits.g12 / Math.abs(g12),
  );
  return { E, failureStrain };
}

/**
 * Which fibres of a stack carry a pull in one direction, in what order they fail, and what the stack honestly bears
 * against the sum of its parts.
 *
 * Plies of one name and direction count as one member; each is taken as free across and in shear, cores left out.
 *
 * @param plies with strengths. @param directionDeg of the pull, from x.
 * @returns null when no ply has strengths.
 * @example stackCompatibility(plies, 90)?.loadAtFirstFailure // N/m
 * Source: equal strain in parallel members; maximum strain for each ply.
 */
export function stackCompatibility(
  plies: readonly Ply[],
  directionDeg: number,
): { members: StackMember[]; result: StrainCompatibility } | null {
  const members = new Map<string, StackMember>();
  for (const ply of plies) {
    if (ply.role === 'core' || !(ply.strength ?? ply.failureStrain)) continue;
    const angleDeg = ((((ply.angleDeg - directionDeg) % 180) + 270) % 180) - 90;
    const shown = Math.abs(angleDeg) === 90 ? 90 : Math.abs(angleDeg);
    const isotropic = Math.abs(ply.E1 - ply.E2) < 1e-6 * ply.E1;
    const name = `${ply.name ?? 'ply'}${isotropic ? '' : ` at ${Math.round(shown)}°`}`;
    const known = members.get(name);
    if (known) known.area += ply.thickness;
    else members.set(name, { name, area: ply.thickness, angleDeg: shown, ...along(ply, directionDeg) });
  }
  const all = [...members.values()];
  return all.length === 0 ? null : { members: all, result: strainCompatibility(all) };
}
