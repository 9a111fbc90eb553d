import type { Recorder } from '../working';
import { put } from '../working';
import { plyFractions } from './fractions';

export interface ThicknessInput {
  /** Dry fibre weight (kg/m²). */
  dryArealWeight: number;
  /** 0..1 */
  fibreWeightFraction: number;
  /** kg/m³ */
  fibreDensity: number;
  /** kg/m³ */
  resinDensity: number;
  /** Share of the total volume. */
  voidFraction?: number;
}

/**
 * Cured thickness of a ply (m), the resin in it and its laminated weight (kg/m²), from its dry weight.
 *
 * t = w_f / (ρ_f φ), laminated weight w_f/ψ, resin w_f (1−ψ)/ψ.
 *
 * @example plyThickness({ dryArealWeight: 0.6, fibreWeightFraction: 0.48, fibreDensity: 2560, resinDensity: 1200
 * }).thickness
 * // 0.000776
 * Source: volume balance; agrees with ISO 12215-5 annex C, t = w/3.072 (2.56/ψ − 1.36) mm, at those densities.
 */
export function plyThickness(input: ThicknessInput, record?: Recorder) {
  const { dryArealWeight: w, fibreWeightFraction: psi, fibreDensity } = input;
  const { fibreVolumeFraction } = plyFractions({ ...input, fibreWeightFraction: psi }, record);
  const thickness = w / (fibreDensity * fibreVolumeFraction);
  const laminateArealWeight = w / psi;

  record?.({
    quantity: 'Ply thickness',
    symbol: 't',
    formula: '\\frac{w_f}{\\rho_f\\,\\varphi}',
    inputs: [put('w_f', w, 'kg/m²'), put('\\rho_f', fibreDensity, 'kg/m³'), put('\\varphi', fibreVolumeFraction)],
    value: thickness,
    unit: 'm',
    source: 'Volume balance',
  });
  return { thickness, resinArealWeight: laminateArealWeight - w, laminateArealWeight };
}
