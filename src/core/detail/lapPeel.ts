import { invalid } from '../error';

export interface LapPeelInput {
  /** N per metre of width, ultimate. */
  load: number;
  /** m, along the load. */
  overlap: number;
  /** The thinner of the two that are joined: E along the load (Pa), thickness (m). */
  adherend: { E: number; thickness: number };
  /** Shear modulus (Pa) and thickness of the bond line (m). */
  adhesive: { G: number; thickness: number };
}
/** Of a laminate; and an adhesive's modulus through its thickness over that in shear, ν = 0.4. */
const POISSON = 0.3;
const E_OVER_G = 2.8;

/**
 * Peel at the ends of a single lap, elastic: the pull is eccentric by half a thickness each side, and bends the lap.
 *
 * M₀ = k P (t + t_a)/2, k = 1 / (1 + 2√2 tanh(u c)), u c = (c/t) √(3 (1 − ν²) σ / 2E), c half the overlap: the lap
 * turns into the load and is relieved as it is pulled harder. The end of the adherend is then a beam on the bond
 * line, σ = β² M₀ + β V₀ with β⁴ = E_a / (2 t_a D), V₀ = M₀ √(P/D).
 *
 * @returns factor k, moment M₀ (N·m/m), and peel stress at the end (Pa).
 * @throws KeramosError `invalid` where the overlap is shorter than the adherend is thick.
 * @example lapPeel({ load: 1e5, overlap: 0.05, adherend: { E: 15e9, thickness: 0.005 }, adhesive: { G: 4e8, thickness:
 * 0.003 } }).factor // 0.63
 * Source: Goland & Reissner 1944; beam on elastic foundation after Hetényi.
 */
export function lapPeel({
  load: P,
  overlap,
  adherend: { E, thickness: t },
  adhesive: { G, thickness: ta },
}: LapPeelInput) {
  if (overlap < t)
    throw invalid('overlap', 'A lap is longer than what it joins is thick', { given: overlap, minimum: t });
  const D = (E * t ** 3) / (12 * (1 - POISSON ** 2));
  const sigma = P / t;
  const turned = (overlap / 2 / t) * Math.sqrt((3 * (1 - POISSON ** 2) * sigma) / (2 * E));
  const factor = 1 / (1 + 2 * Math.SQRT2 * Math.tanh(turned));
  const moment = (factor * P * (t + ta)) / 2;
  const shear = moment * Math.sqrt(P / D);
  const beta = ((E_OVER_G * G) / (2 * ta * D)) ** 0.25;
  return { factor, moment, peel: beta ** 2 * moment + beta * shear };
}
