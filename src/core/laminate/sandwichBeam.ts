import { invalid } from '../error';

export type BeamEnds = 'simple' | 'fixed' | 'cantilever';

export interface SandwichBeamInput {
  /** m */
  length: number;
  /** N/m along the beam. */
  load?: number;
  /** N at mid-span, or at the tip of a cantilever. */
  pointLoad?: number;
  ends: BeamEnds;
  /** N m² */
  bendingStiffness: number;
  /** N */
  shearStiffness: number;
  width?: number;
  faceThickness?: number;
  skinDistance?: number;
}

/** Divisors: bending and shear deflection, moment, shear force; first under uniform load, then under a point load. */
const UNIFORM: Record<BeamEnds, [number, number, number, number]> = {
  simple: [384 / 5, 8, 8, 2],
  fixed: [384, 8, 12, 2],
  cantilever: [8, 2, 2, 1],
};
const POINT: Record<BeamEnds, [number, number, number, number]> = {
  simple: [48, 4, 4, 2],
  fixed: [192, 4, 8, 2],
  cantilever: [3, 1, 1, 1],
};

/**
 * Deflection of a sandwich beam from bending and from shear of the core, greatest moment and shear force, and with
 * width, face thickness and skin distance the face stress M/(t_f d b) and core shear V/(d b).
 *
 * @returns magnitudes; deflection where it is greatest.
 * @throws KeramosError `invalid` without a load.
 * @example sandwichBeam({ length: 0.9, ends: 'simple', load: 2000, bendingStiffness: 950, shearStiffness: 410e3
 * }).deflection
 * // 0.01848
 * Source: Allen, ch. 2; Zenkert, ch. 4.
 */
export function sandwichBeam(input: SandwichBeamInput) {
  const {
    length: L,
    load = 0,
    pointLoad = 0,
    ends,
    bendingStiffness: D,
    shearStiffness: S,
    width,
    faceThickness,
    skinDistance,
  } = input;
  if (load === 0 && pointLoad === 0) throw invalid('load', 'Give load (N/m) or pointLoad (N)');
  const [u, p] = [UNIFORM[ends], POINT[ends]];
  const deflectionBending = (load * L ** 4) / (u[0] * D) + (pointLoad * L ** 3) / (p[0] * D);
  const deflectionShear = (load * L ** 2) / (u[1] * S) + (pointLoad * L) / (p[1] * S);
  const momentMax = (load * L ** 2) / u[2] + (pointLoad * L) / p[2];
  const shearMax = (load * L) / u[3] + pointLoad / p[3];
  return {
    deflection: deflectionBending + deflectionShear,
    deflectionBending,
    deflectionShear,
    momentMax,
    shearMax,
    ...(width && skinDistance && faceThickness
      ? { faceStress: momentMax / (faceThickness * skinDistance * width) }
      : {}),
    ...(width && skinDistance ? { coreShear: shearMax / (skinDistance * width) } : {}),
  };
}
