import { invalid } from '../error';
import { faceReserve, type Criterion, type PlyStrength } from '../laminate';

export interface StrapPairInput {
  /** N, in the direction between the straps. */
  load: number;
  /** Of each strap to the load (degrees). */
  angleDeg: number;
  /** Straps that share it, as many to each side. */
  count: number;
  /** Of one strap (m). */
  thickness: number;
  /** Along the strap (Pa). */
  strength: number;
  safetyFactor: number;
}

/**
 * Straps spread to both sides of a load: the force in each, and the section and width it needs.
 *
 * @returns forceEach (N), areaEach (m²), widthEach (m).
 * @throws KeramosError `invalid` for straps at 85° or more to the load, which carry nothing along it.
 * @example strapPair({ load: 12400, angleDeg: 20, count: 12, thickness: 0.0006, strength: 5e8, safetyFactor: 2
 * }).widthEach
 * Source: equilibrium; F = P / (n cos α).
 */
export function strapPair({ load, angleDeg, count, thickness, strength, safetyFactor }: StrapPairInput) {
  if (Math.abs(angleDeg) >= 85)
    throw invalid('angleDeg', 'A strap at 85° or more to the load carries nothing along it', {
      given: angleDeg,
      minimum: -85,
      maximum: 85,
    });
  const forceEach = load / (count * Math.cos((angleDeg * Math.PI) / 180));
  const areaEach = (forceEach * safetyFactor) / strength;
  return { forceEach, areaEach, widthEach: areaEach / thickness };
}

/**
 * Strength of a unidirectional strap pulled at an angle to its fibres (Pa).
 *
 * @param strength of its ply, Pa. @param angleDeg between fibre and pull. @returns the stress along the pull at which
 * `criterion` is met.
 * @example strapOffAxis({ Xt: 1.6e9, Xc: 1e9, Yt: 45e6, Yc: 180e6, S: 70e6 }, 20, 'tsaiHill') // 188.6e6
 * Source: failure criterion solved for the load factor; Jones, ch. 2.
 */
export function strapOffAxis(strength: PlyStrength, angleDeg: number, criterion: Criterion): number {
  const a = (angleDeg * Math.PI) / 180;
  const [c, s] = [Math.cos(a), Math.sin(a)];
  const stress = [c * c, s * s, -c * s] as const;
  // Limiting strains follow from the same strengths, whatever the moduli: with unit moduli strain is stress.
  const ply = { thickness: 1, angleDeg: 0, E1: 1, E2: 1, nu12: 0, G12: 1, strength };
  const state = { materialStress: [...stress], materialStrain: [...stress], strain: [...stress], stress: [...stress] };
  return faceReserve(
    state as unknown as Parameters<typeof faceReserve>[0],
    ply as unknown as Parameters<typeof faceReserve>[1],
    criterion,
  )!.reserveFactor;
}
