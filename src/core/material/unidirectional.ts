import type { Recorder } from '../working';
import { put } from '../working';

export interface FibreConstants {
  /** Pa */
  E1: number;
  /** Pa; E1 when the fibre is isotropic. */
  E2?: number;
  /** Pa; E1 / 2(1 + nu12) when the fibre is isotropic. */
  G12?: number;
  nu12: number;
}

export interface UnidirectionalInput {
  fibre: FibreConstants;
  resin: { E: number; nu: number };
  /** 0..1 */
  fibreVolumeFraction: number;
  /** Halpin–Tsai reinforcement parameter for E2; 0 is the series mixture. Default 2. */
  xiE2?: number;
  /** The same for G12. Default 1. */
  xiG12?: number;
}

/** P/P_m = (1 + ξ η φ)/(1 − η φ), η = (P_f/P_m − 1)/(P_f/P_m + ξ). */
function halpinTsai(fibre: number, matrix: number, phi: number, xi: number): number {
  const eta = (fibre / matrix - 1) / (fibre / matrix + xi);
  return (matrix * (1 + xi * eta * phi)) / (1 - eta * phi);
}

/**
 * Stiffness of a unidirectional ply from its constituents (Pa): rule of mixtures along the fibre, Halpin–Tsai across
 * and in shear.
 *
 * @throws nothing; inputs are checked at the border.
 * @example unidirectional({ fibre: { E1: 73e9, nu12: 0.22 }, resin: { E: 3.2e9, nu: 0.36 }, fibreVolumeFraction: 0.4
 * }).E1
 * // 31.1e9
 * Source: Halpin & Kardos, The Halpin–Tsai equations: a review (1976); Jones, ch. 3.
 */
export function unidirectional(input: UnidirectionalInput, record?: Recorder) {
  const { fibre, resin, fibreVolumeFraction: phi, xiE2 = 2, xiG12 = 1 } = input;
  const fibreE2 = fibre.E2 ?? fibre.E1;
  const fibreG12 = fibre.G12 ?? fibre.E1 / (2 * (1 + fibre.nu12));
  const resinG = resin.E / (2 * (1 + resin.nu));

  const E1 = phi * fibre.E1 + (1 - phi) * resin.E;
  const nu12 = phi * fibre.nu12 + (1 - phi) * resin.nu;
  const E2 = halpinTsai(fibreE2, resin.E, phi, xiE2);
  const G12 = halpinTsai(fibreG12, resinG, phi, xiG12);

  const mixture = 'Rule of mixtures (Jones, ch. 3)';
  const tsai = 'Halpin–Tsai (Halpin & Kardos 1976)';
  record?.({
    quantity: 'Modulus along the fibre',
    symbol: 'E_1',
    formula: '\\varphi E_f + (1-\\varphi) E_r',
    inputs: [put('\\varphi', phi), put('E_f', fibre.E1, 'Pa'), put('E_r', resin.E, 'Pa')],
    value: E1,
    unit: 'Pa',
    source: mixture,
  });
  record?.({
    quantity: 'Modulus across the fibre',
    symbol: 'E_2',
    formula:
      'E_r \\frac{1 + \\xi\\eta\\varphi}{1 - \\eta\\varphi},\\; \\eta = \\frac{E_{f2}/E_r - 1}{E_{f2}/E_r + \\xi}',
    inputs: [put('E_{f2}', fibreE2, 'Pa'), put('\\xi', xiE2)],
    value: E2,
    unit: 'Pa',
    source: tsai,
  });
  record?.({
    quantity: 'Shear modulus',
    symbol: 'G_{12}',
    formula: 'G_r \\frac{1 + \\xi\\eta\\varphi}{1 - \\eta\\varphi},\\; \\eta = \\frac{G_f/G_r - 1}{G_f/G_r + \\xi}',
    inputs: [put('G_f', fibreG12, 'Pa'), put('G_r', resinG, 'Pa'), put('\\xi', xiG12)],
    value: G12,
    unit: 'Pa',
    source: tsai,
  });
  return { E1, E2, nu12, G12 };
}
