import { invalid } from '../error';
import type { Recorder } from '../working';
import { put } from '../working';

export interface FractionsInput {
  /** kg/m³ */
  fibreDensity: number;
  /** kg/m³ */
  resinDensity: number;
  /** Give one of the two. */
  fibreWeightFraction?: number;
  fibreVolumeFraction?: number;
  /** Share of the total volume, 0 to 0.5. */
  voidFraction?: number;
}

const SOURCE = 'Mass and volume balance of fibre, resin and voids (Jones, Mechanics of Composite Materials, ch. 3)';

/**
 * Fibre weight and volume fractions of a ply, each from the other, and its density.
 *
 * φ = (ψ/ρ_f) / (ψ/ρ_f + (1−ψ)/ρ_r) · (1 − v_v), with φ and v_v shares of the total volume.
 *
 * @returns fractions 0..1 and the density of the ply with its voids (kg/m³).
 * @throws KeramosError `invalid` when neither or both fractions are given, or the volumes exceed the whole.
 * @example plyFractions({ fibreDensity: 2560, resinDensity: 1200, fibreWeightFraction: 0.3 }).fibreVolumeFraction
 * // 0.1673
 */
export function plyFractions(input: FractionsInput, record?: Recorder) {
  const { fibreDensity: rhoF, resinDensity: rhoR, voidFraction: voids = 0 } = input;
  if ((input.fibreWeightFraction === undefined) === (input.fibreVolumeFraction === undefined))
    throw invalid(
      'fibreWeightFraction',
      'Give either fibreWeightFraction or fibreVolumeFraction, not both and not neither',
    );

  let psi: number;
  let phi: number;
  if (input.fibreWeightFraction !== undefined) {
    psi = input.fibreWeightFraction;
    phi = (psi / rhoF / (psi / rhoF + (1 - psi) / rhoR)) * (1 - voids);
  } else {
    phi = input.fibreVolumeFraction!;
    if (phi + voids > 1)
      throw invalid('fibreVolumeFraction', 'fibreVolumeFraction and voidFraction together must be at most 1');
    psi = (phi * rhoF) / (phi * rhoF + (1 - phi - voids) * rhoR);
  }
  const density = phi * rhoF + (1 - phi - voids) * rhoR;

  record?.({
    quantity: 'Fibre volume fraction',
    symbol: '\\varphi',
    formula: '\\frac{\\psi/\\rho_f}{\\psi/\\rho_f + (1-\\psi)/\\rho_r}\\,(1 - v_v)',
    inputs: [put('\\psi', psi), put('\\rho_f', rhoF, 'kg/m³'), put('\\rho_r', rhoR, 'kg/m³'), put('v_v', voids)],
    value: phi,
    unit: '',
    source: SOURCE,
  });
  return { fibreWeightFraction: psi, fibreVolumeFraction: phi, density };
}
