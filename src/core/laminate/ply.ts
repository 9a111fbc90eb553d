/**
 * Ultimate strengths of a ply in its own axes (Pa), all positive: along (X) and across (Y) in tension and
 * compression, in-plane shear.
 */
export interface PlyStrength {
  Xt: number;
  Xc: number;
  Yt: number;
  Yc: number;
  S: number;
}

/** Strains at failure, all positive. */
export interface FailureStrain {
  e1t: number;
  e1c: number;
  e2t: number;
  e2c: number;
  g12: number;
}

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
  /** A ply without strengths is left out of failure. */
  strength?: PlyStrength;
  /** Default: strength over modulus. */
  failureStrain?: FailureStrain;
  /** Free expansion, 1/K. */
  alpha1?: number;
  alpha2?: number;
  /** Free swelling, strain per mass fraction of moisture. */
  beta1?: number;
  beta2?: number;
  role?: 'ply' | 'core';
}

/** Symmetric 3×3 matrix by rows; index 2 is in-plane shear (engineering strain). */
export type Matrix3 = [[number, number, number], [number, number, number], [number, number, number]];
export type Vector3 = [number, number, number];
