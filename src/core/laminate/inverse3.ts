import { invalid } from '../error';
import type { Matrix3 } from './ply';

/**
 * Inverse of a 3 × 3 matrix by its cofactors.
 *
 * @throws KeramosError `invalid` for a matrix without one.
 * @example inverse3([[2, 0, 0], [0, 4, 0], [0, 0, 5]])[1][1] // 0.25
 * Source: Cramer's rule.
 */
export function inverse3([[a, b, c], [d, e, f], [g, h, i]]: Matrix3): Matrix3 {
  const [A, B, C] = [e * i - f * h, f * g - d * i, d * h - e * g];
  const determinant = a * A + b * B + c * C;
  if (!(Math.abs(determinant) > 0) || !Number.isFinite(determinant))
    throw invalid('plies', 'The stack has no stiffness against some of the loads in its plane');
  const over = (value: number) => value / determinant;
  return [
    [over(A), over(c * h - b * i), over(b * f - c * e)],
    [over(B), over(a * i - c * g), over(c * d - a * f)],
    [over(C), over(b * g - a * h), over(a * e - b * d)],
  ];
}
