import { invalid } from '../error';
import { put, type Recorder } from '../working';
import type { Matrix3, Ply } from './ply';
import { complianceOf } from './complianceOf';
import { stiffnessSums, type StiffnessSums } from './stiffnessSums';

export interface LaminateStiffness {
  /** m */
  thickness: number;
  /** N/m */
  A: Matrix3;
  /** N */
  B: Matrix3;
  /** N m */
  D: Matrix3;
  /** Free to bend, Pa. */
  membrane: { Ex: number; Ey: number; Gxy: number; nuxy: number; nuyx: number };
  flexural: { Ex: number; Ey: number; Gxy: number; nuxy: number };
  /** B vanishes. */
  symmetric: boolean;
  /** A16 and A26 vanish. */
  balanced: boolean;
  /** 6×6 compliance, strains and curvatures per unit N (N/m) and M (N). */
  compliance: number[][];
}

const VANISHES = 1e-9;
const SOURCE = 'Classical lamination theory (Jones, ch. 4; Kaw, ch. 4)';

/** Refuse a stack that has no stiffness to compute, naming the ply. */
export function checkStack(plies: readonly Ply[]): void {
  if (plies.length === 0) throw invalid('plies', 'The stack is empty: give at least one ply');
  plies.forEach((ply, index) => {
    const soft = ply.role === 'core' && (ply.E1 === 0 || ply.E2 === 0);
    if (ply.thickness > 0 && (soft || ply.nu12 * ply.nu12 * ply.E2 < ply.E1)) return;
    const label = ply.name ? `Ply ${index} (${ply.name})` : `Ply ${index}`;
    if (!(ply.thickness > 0))
      throw invalid(`plies.${index}.thickness`, `${label}: thickness must be above 0 m, not ${ply.thickness}`, {
        given: ply.thickness,
        minimum: 0,
      });
    throw invalid(
      `plies.${index}.nu12`,
      `${label}: nu12² must be below E1/E2, otherwise the ply has no positive stiffness`,
    );
  });
}

/**
 * A laminate's constants from its A, B and D: the laminate free to bend. @throws KeramosError `invalid` without
 * stiffness.
 */
export function stiffnessOf({ thickness, A, B, D }: StiffnessSums): LaminateStiffness {
  const compliance = complianceOf(A, B, D);
  const a = (i: number, j: number) => compliance[i]![j]!;
  const t = thickness;
  const membrane = {
    Ex: 1 / (t * a(0, 0)),
    Ey: 1 / (t * a(1, 1)),
    Gxy: 1 / (t * a(2, 2)),
    nuxy: -a(0, 1) / a(0, 0),
    nuyx: -a(0, 1) / a(1, 1),
  };
  const bend = 12 / t ** 3;
  const flexural = { Ex: bend / a(3, 3), Ey: bend / a(4, 4), Gxy: bend / a(5, 5), nuxy: -a(3, 4) / a(3, 3) };
  const scale = Math.max(A[0][0], A[1][1]);
  const symmetric = B.every((row) => row.every((value) => Math.abs(value) <= VANISHES * scale * t));
  const balanced = Math.abs(A[0][2]) <= VANISHES * scale && Math.abs(A[1][2]) <= VANISHES * scale;
  return { thickness, A, B, D, membrane, flexural, symmetric, balanced, compliance };
}

/**
 * Membrane, coupling and bending stiffness of a stack, and its engineering constants.
 *
 * @param plies first = mould face = most negative z; z from the mid-plane.
 * @param failed indices of plies that keep their thickness and have lost all stiffness.
 * @returns A (N/m), B (N), D (N m); constants from the full 6×6 inverse, that is, the laminate free to bend.
 * @throws KeramosError `invalid` for an empty stack, a ply without thickness or with an impossible Poisson's ratio.
 * @example laminateStiffness([{ thickness: 0.001, angleDeg: 0, E1: 181e9, E2: 10.3e9, nu12: 0.28, G12: 7.17e9
 * }]).A[0][0]
 * // 181.8e6
 * Source: Jones, ch. 4; Kaw, ch. 4.
 */
export function laminateStiffness(
  plies: readonly Ply[],
  record?: Recorder,
  failed?: ReadonlySet<number>,
): LaminateStiffness {
  checkStack(plies);
  const stiffness = stiffnessOf(stiffnessSums(plies, failed));
  if (record) {
    const { thickness: t, A, D } = stiffness;
    record({
      quantity: 'Laminate thickness',
      symbol: 't',
      formula: '\\sum t_k',
      inputs: [put('n', plies.length)],
      value: t,
      unit: 'm',
      source: SOURCE,
    });
    for (const [symbol, quantity, power, matrix, unit] of [
      ['A', 'Membrane stiffness', 'Q̄_{ij} t_k', A, 'N/m'],
      ['D', 'Bending stiffness', 'Q̄_{ij}\\left(t_k \\bar z_k^2 + \\frac{t_k^3}{12}\\right)', D, 'N m'],
    ] as const)
      for (const [i, j] of [
        [0, 0],
        [1, 1],
        [0, 1],
        [2, 2],
      ] as const)
        record({
          quantity,
          symbol: `${symbol}_{${i === 2 ? 66 : `${i + 1}${j + 1}`}}`,
          formula: `\\sum_k ${power.replace('Q̄', '\\bar Q').replace('ij', i === 2 ? '66' : `${i + 1}${j + 1}`)}`,
          inputs: [],
          value: matrix[i][j],
          unit,
          source: SOURCE,
        });
  }
  return stiffness;
}
