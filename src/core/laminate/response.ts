import type { Ply, Vector3 } from './ply';
import { cosSin, reducedStiffness } from './reducedStiffness';
import { laminateStiffness } from './stiffness';

/** Resultants per unit width: N = [Nx, Ny, Nxy] in N/m, M = [Mx, My, Mxy] in N. */
export interface Load {
  N?: Vector3;
  M?: Vector3;
}

/** State at one face of a ply: in laminate axes, then in material axes. Strain with engineering shear; stress in Pa. */
export interface FaceState {
  strain: Vector3;
  stress: Vector3;
  materialStrain: Vector3;
  materialStress: Vector3;
}

export interface LaminateResponse {
  /** Mid-plane strain. */
  strain: Vector3;
  /** 1/m */
  curvature: Vector3;
  /** For each ply its face of smaller z (towards the mould) and the other. */
  plies: { bottom: FaceState; top: FaceState }[];
}

const times = (matrix: readonly (readonly number[])[], v: Vector3): Vector3 =>
  matrix.map((row) => row[0]! * v[0] + row[1]! * v[1] + row[2]! * v[2]) as Vector3;

/** A 6 × 6 matrix times a column of resultants. */
export const timesColumn = (matrix: readonly (readonly number[])[], column: readonly number[]): number[] =>
  matrix.map((row) => row.reduce((sum, value, i) => sum + value * column[i]!, 0));

/** Strain (engineering shear) turned from laminate axes into axes at the angle. */
export function rotateStrain([ex, ey, gxy]: Vector3, angleDeg: number): Vector3 {
  const [c, s] = cosSin(angleDeg);
  return [
    c * c * ex + s * s * ey + c * s * gxy,
    s * s * ex + c * c * ey - c * s * gxy,
    2 * c * s * (ey - ex) + (c * c - s * s) * gxy,
  ];
}

/** Stress turned from laminate axes into axes at the angle. */
export function rotateStress([sx, sy, sxy]: Vector3, angleDeg: number): Vector3 {
  const [c, s] = cosSin(angleDeg);
  return [
    c * c * sx + s * s * sy + 2 * c * s * sxy,
    s * s * sx + c * c * sy - 2 * c * s * sxy,
    c * s * (sy - sx) + (c * c - s * s) * sxy,
  ];
}

/**
 * Strains, curvatures and ply stresses of a stack under given resultants.
 *
 * @param plies first = mould face. @param load resultants per unit width, absent ones are zero.
 * @param stiffness of the same stack, where it is known already.
 * @param failed indices of plies without stiffness; their stresses are those they would have if they were whole.
 * @throws KeramosError `invalid` as {@link laminateStiffness} does.
 * @example laminateResponse(plies, { N: [1000, 1000, 0] }).strain // mid-plane strain
 * Source: Jones, ch. 4; Kaw, ch. 4.
 */
export function laminateResponse(
  plies: readonly Ply[],
  load: Load,
  failed?: ReadonlySet<number>,
  stiffness = laminateStiffness(plies, undefined, failed),
): LaminateResponse {
  const { compliance, thickness } = stiffness;
  const { N = [0, 0, 0], M = [0, 0, 0] } = load;
  const e = timesColumn(compliance, [...N, ...M]);
  return facesOf(plies, thickness, { strain: e.slice(0, 3) as Vector3, curvature: e.slice(3) as Vector3 });
}

/**
 * Ply states from mid-plane strain and curvature. `free` is the strain of each ply that causes no stress, in its own
 * axes.
 */
export function facesOf(
  plies: readonly Ply[],
  thickness: number,
  { strain, curvature }: Pick<LaminateResponse, 'strain' | 'curvature'>,
  free?: readonly Vector3[],
): LaminateResponse {
  let bottom = -thickness / 2;
  const faces = plies.map((ply, index) => {
    const at = (z: number): FaceState => {
      const here = strain.map((value, i) => value + z * curvature[i]!) as Vector3;
      const materialStrain = rotateStrain(here, ply.angleDeg);
      const mechanical = free
        ? (materialStrain.map((value, i) => value - free[index]![i]!) as Vector3)
        : materialStrain;
      const materialStress = times(reducedStiffness(ply), mechanical);
      return { strain: here, stress: rotateStress(materialStress, -ply.angleDeg), materialStrain, materialStress };
    };
    const state = { bottom: at(bottom), top: at(bottom + ply.thickness) };
    bottom += ply.thickness;
    return state;
  });
  return { strain, curvature, plies: faces };
}
