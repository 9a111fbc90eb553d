/** One homogeneous orthotropic or isotropic sheet of a stack; angles in degrees, everything else SI. */
export interface Ply {
  /** m */
  thickness: number;
  /** From the reference direction x towards y. */
  angleDeg: number;
  /** Pa */
  E1: number;
  E2: number;
  nu12: number;
  G12: number;
  /** Default G12. */
  G13?: number;
  /** Default E2 / (2 · 1.4). */
  G23?: number;
  /** kg/m³ */
  density?: number;
  name?: string;
  fibre?: string;
  role?: 'ply' | 'core';
}

/** Symmetric 3×3 matrix by rows; index 2 is in-plane shear (engineering strain). */
export type Matrix3 = [[number, number, number], [number, number, number], [number, number, number]];
export type Vector3 = [number, number, number];
