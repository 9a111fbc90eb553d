import { Matrix } from 'ml-matrix';
import { inverse3, transverseShear, type LaminateStiffness, type Ply } from '../laminate';
import type { PlateStiffness } from './plate';

/**
 * Stiffness of a laminate as a plate: reduced bending stiffness D − B A⁻¹ B (free to stretch in its plane) and
 * transverse shear stiffness.
 *
 * @example plateStiffness(plies, laminateStiffness(plies)).D11
 * Source: Whitney, ch. 5 (reduced bending stiffness); Allen for the core's shear.
 */
export function plateStiffness(plies: readonly Ply[], { A, B, D }: LaminateStiffness): Required<PlateStiffness> {
  const b = new Matrix(B);
  const reduced = new Matrix(D).sub(b.mmul(new Matrix(inverse3(A))).mmul(b));
  const scale = Math.max(reduced.get(0, 0), reduced.get(1, 1));
  // Coupling that is only rounding would cost the symmetry of the solution.
  const coupling = (value: number) => (Math.abs(value) < 1e-6 * scale ? 0 : value);
  return {
    D11: reduced.get(0, 0),
    D12: reduced.get(0, 1),
    D22: reduced.get(1, 1),
    D66: reduced.get(2, 2),
    D16: coupling(reduced.get(0, 2)),
    D26: coupling(reduced.get(1, 2)),
    ...transverseShear(plies),
  };
}
