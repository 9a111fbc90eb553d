import { invalid } from '../error';
import type { Matrix3, Ply } from './ply';
import { transformedStiffness } from './reducedStiffness';
import type { StiffnessSums } from './stiffnessSums';

/** Places of the six different terms of a symmetric 3 × 3 matrix in the sums. */
const TERMS = 6;

/**
 * What a layer of one or more plies adds to a laminate wherever it lies: Σ Q̄ t, Σ Q̄ t ζ, Σ Q̄ (t ζ² + t³/12), ζ from
 * its own lower face.
 */
export interface LayerSums {
  /** m */
  thickness: number;
  /** Three times 11, 12, 22, 16, 26, 66. */
  terms: Float64Array;
}

/** The sums of one layer, to be computed once for all stacks it lies in. */
export function layerSums(plies: readonly Ply[]): LayerSums {
  const terms = new Float64Array(3 * TERMS);
  let thickness = 0;
  for (const ply of plies) {
    const t = ply.thickness;
    const Q = transformedStiffness(ply);
    const own = [Q[0][0], Q[0][1], Q[1][1], Q[0][2], Q[1][2], Q[2][2]];
    const middle = thickness + t / 2;
    const second = t * (middle * middle + (t * t) / 12);
    for (let k = 0; k < TERMS; k++) {
      terms[k]! += own[k]! * t;
      terms[TERMS + k]! += own[k]! * t * middle;
      terms[2 * TERMS + k]! += own[k]! * second;
    }
    thickness += t;
  }
  return { thickness, terms };
}

const matrixOf = (terms: Float64Array, from: number): Matrix3 => [
  [terms[from]!, terms[from + 1]!, terms[from + 3]!],
  [terms[from + 1]!, terms[from + 2]!, terms[from + 4]!],
  [terms[from + 3]!, terms[from + 4]!, terms[from + 5]!],
];

/**
 * A, B and D of a stack of layers from the sums of each: moved to its place by z₀, a layer adds a, b + a z₀ and d + 2 b
 * z₀ + a z₀².
 *
 * @param layers first = mould face. @returns about the mid-plane of the stack.
 * @throws KeramosError `invalid` for an empty stack.
 * Source: parallel-axis theorem on Jones, eq. 4.22 to 4.24.
 */
export function stackedSums(layers: readonly LayerSums[]): StiffnessSums {
  let thickness = 0;
  for (const layer of layers) thickness += layer.thickness;
  if (!(thickness > 0)) throw invalid('plies', 'The stack is empty: give at least one ply');
  const sums = new Float64Array(3 * TERMS);
  let z = -thickness / 2;
  for (const { thickness: own, terms } of layers) {
    for (let k = 0; k < TERMS; k++) {
      const a = terms[k]!;
      const b = terms[TERMS + k]!;
      sums[k]! += a;
      sums[TERMS + k]! += b + a * z;
      sums[2 * TERMS + k]! += terms[2 * TERMS + k]! + z * (2 * b + a * z);
    }
    z += own;
  }
  return { thickness, A: matrixOf(sums, 0), B: matrixOf(sums, TERMS), D: matrixOf(sums, 2 * TERMS) };
}
