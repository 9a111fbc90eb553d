import { inverse3 } from './inverse3';
import type { Matrix3 } from './ply';
import { cosSin } from './reducedStiffness';

/**
 * Modulus of a plate in every direction (Pa), from the compliance along x, y and shear: E(θ) = 1/(t a'11(θ)).
 *
 * @param compliance 3×3 in-plane compliance (m/N), free to bend or not as the caller chose. @param step degrees
 * between directions.
 * @returns from 0° to 360° − step.
 * @example polarModulus(inPlaneCompliance(A), 0.004)[0].modulus // Ex
 * Source: Jones, eq. 2.97 on the laminate's compliance.
 */
export function polarModulus(
  compliance: readonly (readonly number[])[],
  thickness: number,
  step = 5,
): { angleDeg: number; modulus: number }[] {
  return Array.from({ length: Math.round(360 / step) }, (_, i) => {
    const angleDeg = i * step;
    return { angleDeg, modulus: modulusAlong(compliance, thickness, angleDeg) };
  });
}

/** Modulus of a plate in one direction (Pa), as {@link polarModulus} has it. */
export function modulusAlong(compliance: readonly (readonly number[])[], thickness: number, angleDeg: number): number {
  const [[a11, a12, a16], [, a22, a26], [, , a66]] = compliance as Matrix3;
  const [c, s] = cosSin(angleDeg);
  const turned =
    a11 * c ** 4 + (2 * a12 + a66) * c * c * s * s + a22 * s ** 4 + 2 * a16 * c ** 3 * s + 2 * a26 * c * s ** 3;
  return 1 / (turned * thickness);
}

/** In-plane compliance from A alone: the laminate held flat. */
export const inPlaneCompliance = (A: Matrix3): Matrix3 => inverse3(A);
