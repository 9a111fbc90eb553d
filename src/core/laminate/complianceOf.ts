import { invalid } from '../error';
import type { Matrix3 } from './ply';

/** A pivot below this share of its diagonal is no stiffness at all. */
const SINGULAR = 1e-14;
const ORDER = 6;

/**
 * Inverse of the stiffness [[A, B], [B, D]] of a laminate by Cholesky, which its symmetry and positive energy allow.
 *
 * @param A N/m @param B N @param D N m
 * @returns 6 × 6 by rows: mid-plane strains and curvatures (1/m) per unit of N (N/m) and M (N).
 * @throws KeramosError `invalid` for a stack that some load meets without stiffness.
 * Source: Golub & Van Loan, ch. 4.2; Jones, ch. 4.
 */
export function complianceOf(A: Matrix3, B: Matrix3, D: Matrix3): number[][] {
  const L = new Float64Array(ORDER * ORDER);
  const entry = (i: number, j: number): number => {
    if (i < 3) return j < 3 ? A[i]![j]! : B[i]![j - 3]!;
    return j < 3 ? B[i - 3]![j]! : D[i - 3]![j - 3]!;
  };
  for (let j = 0; j < ORDER; j++) {
    const diagonal = entry(j, j);
    let pivot = diagonal;
    for (let k = 0; k < j; k++) pivot -= L[j * ORDER + k]! ** 2;
    if (!(pivot > SINGULAR * diagonal))
      throw invalid('plies', 'The stack has no stiffness against some of the loads: no ply that is left carries them');
    const root = Math.sqrt(pivot);
    L[j * ORDER + j] = root;
    for (let i = j + 1; i < ORDER; i++) {
      let sum = entry(i, j);
      for (let k = 0; k < j; k++) sum -= L[i * ORDER + k]! * L[j * ORDER + k]!;
      L[i * ORDER + j] = sum / root;
    }
  }
  // R = L⁻¹ by forward substitution; the inverse is Rᵀ R.
  const R = new Float64Array(ORDER * ORDER);
  for (let j = 0; j < ORDER; j++)
    for (let i = j; i < ORDER; i++) {
      let sum = i === j ? 1 : 0;
      for (let k = j; k < i; k++) sum -= L[i * ORDER + k]! * R[k * ORDER + j]!;
      R[i * ORDER + j] = sum / L[i * ORDER + i]!;
    }
  const inverse = Array.from({ length: ORDER }, () => new Array<number>(ORDER).fill(0));
  for (let i = 0; i < ORDER; i++)
    for (let j = 0; j <= i; j++) {
      let sum = 0;
      for (let k = i; k < ORDER; k++) sum += R[k * ORDER + i]! * R[k * ORDER + j]!;
      inverse[i]![j] = sum;
      inverse[j]![i] = sum;
    }
  return inverse;
}
