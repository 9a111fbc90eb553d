import type { Matrix3, Ply, Vector3 } from './ply';
import { transformedStiffness } from './reducedStiffness';

/** Membrane (N/m), coupling (N) and bending stiffness (N m) of a stack. */
export interface StiffnessSums {
  thickness: number;
  A: Matrix3;
  B: Matrix3;
  D: Matrix3;
}

/** From the upper triangle, row by row. */
const symmetric = ([m11, m12, m16]: Vector3, [m22, m26]: readonly [number, number], m66: number): Matrix3 => [
  [m11, m12, m16],
  [m12, m22, m26],
  [m16, m26, m66],
];

/**
 * The sums of lamination theory over a stack: Σ Q̄ t, Σ Q̄ t z, Σ Q̄ (t z² + t³/12), z from the mid-plane.
 *
 * @param plies first = mould face = most negative z. @param failed plies that keep their thickness and have lost all
 * stiffness.
 * Source: Jones, eq. 4.22 to 4.24.
 */
export function stiffnessSums(plies: readonly Ply[], failed?: ReadonlySet<number>): StiffnessSums {
  let thickness = 0;
  for (const ply of plies) thickness += ply.thickness;
  let [a11, a12, a22, a16, a26, a66] = [0, 0, 0, 0, 0, 0];
  let [b11, b12, b22, b16, b26, b66] = [0, 0, 0, 0, 0, 0];
  let [d11, d12, d22, d16, d26, d66] = [0, 0, 0, 0, 0, 0];
  let bottom = -thickness / 2;
  for (let k = 0; k < plies.length; k++) {
    const ply = plies[k]!;
    const t = ply.thickness;
    const middle = bottom + t / 2;
    bottom += t;
    if (failed?.has(k)) continue;
    // Taken one by one: this is the innermost line of everything that is computed live.
    const Q = transformedStiffness(ply);
    const q11 = Q[0][0];
    const q12 = Q[0][1];
    const q16 = Q[0][2];
    const q22 = Q[1][1];
    const q26 = Q[1][2];
    const q66 = Q[2][2];
    const first = t * middle;
    const second = t * (middle * middle + (t * t) / 12);
    a11 += q11 * t;
    a12 += q12 * t;
    a22 += q22 * t;
    a16 += q16 * t;
    a26 += q26 * t;
    a66 += q66 * t;
    b11 += q11 * first;
    b12 += q12 * first;
    b22 += q22 * first;
    b16 += q16 * first;
    b26 += q26 * first;
    b66 += q66 * first;
    d11 += q11 * second;
    d12 += q12 * second;
    d22 += q22 * second;
    d16 += q16 * second;
    d26 += q26 * second;
    d66 += q66 * second;
  }
  return {
    thickness,
    A: symmetric([a11, a12, a16], [a22, a26], a66),
    B: symmetric([b11, b12, b16], [b22, b26], b66),
    D: symmetric([d11, d12, d16], [d22, d26], d66),
  };
}
