import { unidirectional, type UnidirectionalInput } from '../material';
import { put, type Recorder } from '../working';
import { inverse3 } from './inverse3';
import type { Matrix3, Ply } from './ply';
import { transformedStiffness } from './reducedStiffness';

export interface FabricInput extends UnidirectionalInput {
  /** m */
  thickness: number;
  /** Shares of the fibre weight by direction; `crimpFactor` reduces E1 only. */
  sublayers: { angleDeg: number; share: number; crimpFactor?: number }[];
}

/** A woven or stitched fabric as unidirectional sublayers of one fibre volume fraction, in the order given. */
export function fabricPlies(input: FabricInput, record?: Recorder): Ply[] {
  const { E1, E2, nu12, G12 } = unidirectional(input, record);
  const total = input.sublayers.reduce((sum, s) => sum + s.share, 0);
  return input.sublayers.map(({ angleDeg, share, crimpFactor = 1 }) => ({
    thickness: (input.thickness * share) / total,
    angleDeg,
    E1: E1 * crimpFactor,
    E2,
    nu12,
    G12,
  }));
}

/**
 * In-plane constants of plies smeared together (their order does not matter), Pa; `shearCoupling` is shear strain per
 * unit strain along x under a pull along x.
 */
export function smearedConstants(plies: readonly Ply[]) {
  const thickness = plies.reduce((sum, ply) => sum + ply.thickness, 0);
  const A: Matrix3 = [
    [0, 0, 0],
    [0, 0, 0],
    [0, 0, 0],
  ];
  for (const ply of plies) {
    const Q = transformedStiffness(ply);
    for (let i = 0; i < 3; i++) for (let j = 0; j < 3; j++) A[i]![j]! += (Q[i]![j]! * ply.thickness) / thickness;
  }
  const a = inverse3(A);
  return {
    Ex: 1 / a[0][0],
    Ey: 1 / a[1][1],
    Gxy: 1 / a[2][2],
    nuxy: -a[0][1] / a[0][0],
    shearCoupling: a[2][0] / a[0][0],
  };
}

/**
 * In-plane constants of a woven or stitched fabric smeared over its thickness (Pa).
 *
 * @example fabricConstants({ fibre, resin, fibreVolumeFraction: 0.32, thickness: 0.001,
 *   sublayers: [{ angleDeg: 0, share: 0.5, crimpFactor: 0.92 }, { angleDeg: 90, share: 0.5, crimpFactor: 0.92 }]
 * }).Ex // 15.5e9
 * Source: classical lamination theory over the sublayers (Jones, ch. 4), crimp as a factor on E1.
 */
export function fabricConstants(input: FabricInput, record?: Recorder) {
  const { Ex, Ey, Gxy, nuxy } = smearedConstants(fabricPlies(input, record));
  record?.({
    quantity: 'Modulus along x',
    symbol: 'E_x',
    formula: '\\frac{1}{t\\,(A^{-1})_{11}}',
    inputs: [put('t', input.thickness, 'm')],
    value: Ex,
    unit: 'Pa',
    source: 'Lamination theory, sublayers smeared',
  });
  return { Ex, Ey, Gxy, nuxy };
}
