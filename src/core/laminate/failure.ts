import { invalid } from '../error';
import type { FailureStrain, Ply, PlyStrength, Vector3 } from './ply';
import { laminateResponse, type FaceState, type Load } from './response';

export const CRITERIA = {
  maxStress: 'Maximum stress',
  maxStrain: 'Maximum strain',
  tsaiHill: 'Tsai–Hill',
  tsaiWu: 'Tsai–Wu',
  hashin: 'Hashin',
} as const;
export type Criterion = keyof typeof CRITERIA;
export const FAILURE_MODES = {
  fibreTension: 'fibre tension',
  fibreCompression: 'fibre compression',
  matrixTension: 'matrix tension',
  matrixCompression: 'matrix compression',
  shear: 'shear in the plane',
} as const;
export type FailureMode = keyof typeof FAILURE_MODES;

export interface FaceReserve {
  /** Multiplier on the whole load at which this face fails; Infinity when nothing loads it. */
  reserveFactor: number;
  mode: FailureMode;
}

export interface LaminateFailure extends FaceReserve {
  /** Index of the ply that fails first. */
  ply: number;
  face: 'bottom' | 'top';
  /** Null for plies without strengths. */
  plies: ({ bottom: FaceReserve; top: FaceReserve } | null)[];
}

/** Interaction term of Tsai–Wu, F12 / √(F11 F22). */
const TSAI_WU_INTERACTION = -0.5;

/** Limiting strains of a ply: stated, or strength over modulus. */
export function limitingStrains({ strength, failureStrain, E1, E2, G12 }: Ply): FailureStrain | undefined {
  if (failureStrain) return failureStrain;
  return (
    strength && {
      e1t: strength.Xt / E1,
      e1c: strength.Xc / E1,
      e2t: strength.Yt / E2,
      e2c: strength.Yc / E2,
      g12: strength.S / G12,
    }
  );
}
function strengthsOf({ strength, failureStrain: e, E1, E2, G12 }: Ply): PlyStrength | undefined {
  return strength ?? (e && { Xt: e.e1t * E1, Xc: e.e1c * E1, Yt: e.e2t * E2, Yc: e.e2c * E2, S: e.g12 * G12 });
}

/** The least of: along by sign, across by sign, shear. `limits` in the order tension, compression for each. */
function least(
  [one, two, shear]: Vector3,
  [t1, c1, t2, c2, s]: readonly [number, number, number, number, number],
): FaceReserve {
  const along = one >= 0 ? t1 / one : -c1 / one;
  const across = two >= 0 ? t2 / two : -c2 / two;
  const inPlane = s / Math.abs(shear);
  if (along <= across && along <= inPlane)
    return { reserveFactor: along, mode: one >= 0 ? 'fibreTension' : 'fibreCompression' };
  if (across <= inPlane) return { reserveFactor: across, mode: two >= 0 ? 'matrixTension' : 'matrixCompression' };
  return { reserveFactor: inPlane, mode: 'shear' };
}
const stressLimits = ({ Xt, Xc, Yt, Yc, S }: PlyStrength) => [Xt, Xc, Yt, Yc, S] as const;

const RESERVE: Record<Criterion, (state: FaceState, ply: Ply, strength: PlyStrength) => FaceReserve> = {
  maxStress: ({ materialStress }, _ply, strength) => least(materialStress, stressLimits(strength)),

  maxStrain: ({ materialStrain }, ply) => {
    const { e1t, e1c, e2t, e2c, g12 } = limitingStrains(ply)!;
    return least(materialStrain, [e1t, e1c, e2t, e2c, g12]);
  },

  tsaiHill: ({ materialStress }, _ply, strength) => {
    const [s1, s2, t] = materialStress;
    const X = s1 >= 0 ? strength.Xt : strength.Xc;
    const Y = s2 >= 0 ? strength.Yt : strength.Yc;
    const index = (s1 / X) ** 2 - (s1 * s2) / X ** 2 + (s2 / Y) ** 2 + (t / strength.S) ** 2;
    return { reserveFactor: 1 / Math.sqrt(index), mode: least(materialStress, stressLimits(strength)).mode };
  },

  tsaiWu: ({ materialStress }, _ply, strength) => {
    const { Xt, Xc, Yt, Yc, S } = strength;
    const [s1, s2, t] = materialStress;
    const linear = (1 / Xt - 1 / Xc) * s1 + (1 / Yt - 1 / Yc) * s2;
    const quadratic =
      s1 ** 2 / (Xt * Xc) +
      s2 ** 2 / (Yt * Yc) +
      (t / S) ** 2 +
      (2 * TSAI_WU_INTERACTION * s1 * s2) / Math.sqrt(Xt * Xc * Yt * Yc);
    const reserveFactor =
      quadratic > 0 ? (-linear + Math.sqrt(linear ** 2 + 4 * quadratic)) / (2 * quadratic) : Infinity;
    return { reserveFactor, mode: least(materialStress, stressLimits(strength)).mode };
  },

  // With the transverse shear strength Yc/2 the linear term of matrix compression vanishes.
  hashin: ({ materialStress }, _ply, { Xt, Xc, Yt, Yc, S }) => {
    const [s1, s2, t] = materialStress;
    const fibre = s1 >= 0 ? 1 / Math.hypot(s1 / Xt, t / S) : -Xc / s1;
    const matrix = 1 / Math.hypot(s2 >= 0 ? s2 / Yt : s2 / Yc, t / S);
    return fibre <= matrix
      ? { reserveFactor: fibre, mode: s1 >= 0 ? 'fibreTension' : 'fibreCompression' }
      : { reserveFactor: matrix, mode: s2 >= 0 ? 'matrixTension' : 'matrixCompression' };
  },
};

/** Reserve of one face of a ply. @returns null when the ply has no strengths. */
export function faceReserve(state: FaceState, ply: Ply, criterion: Criterion): FaceReserve | null {
  const strength = strengthsOf(ply);
  return strength ? RESERVE[criterion](state, ply, strength) : null;
}

/**
 * First-ply failure of a stack: the multiplier on the whole load at which the first face of a ply fails.
 *
 * Strengths from `strength`, limiting strains from `failureStrain`, each from the other when only one is given. Tsai–Hill takes each strength by
 * the sign of its stress; Tsai–Wu F12* = −0.5; Hashin with S_T = Yc/2. Plies without strengths (cores) are left out.
 *
 * @throws KeramosError `invalid` for a stack without stiffness, or in which no ply has strengths.
 * @example laminateFailure(plies, { N: [1e5, 0, 0] }, 'tsaiWu').reserveFactor
 * Source: Jones, ch. 2.9; Daniel & Ishai, ch. 6; Hashin 1980.
 */
export function laminateFailure(
  plies: readonly Ply[],
  load: Load,
  criterion: Criterion,
  failed?: ReadonlySet<number>,
): LaminateFailure {
  if (!plies.some((ply) => ply.strength ?? ply.failureStrain))
    throw invalid('plies', 'No ply of this stack has strengths: give strength or failureStrain to at least one');
  return failureOf(plies, laminateResponse(plies, load, failed).plies, criterion, failed);
}

/** The same from states that are known already. */
export function failureOf(
  plies: readonly Ply[],
  states: readonly { bottom: FaceState; top: FaceState }[],
  criterion: Criterion,
  failed?: ReadonlySet<number>,
): LaminateFailure {
  let first: Omit<LaminateFailure, 'plies'> = {
    reserveFactor: Infinity,
    ply: -1,
    face: 'bottom',
    mode: 'fibreTension',
  };
  const all = plies.map((ply, index) => {
    const bottom = faceReserve(states[index]!.bottom, ply, criterion);
    const top = faceReserve(states[index]!.top, ply, criterion);
    if (!bottom || !top) return null;
    if (!failed?.has(index))
      for (const [face, reserve] of [['bottom', bottom] as const, ['top', top] as const])
        if (first.ply < 0 || reserve.reserveFactor < first.reserveFactor) first = { ...reserve, ply: index, face };
    return { bottom, top };
  });
  return { ...first, plies: all };
}
