import { invalid } from '../error';
import type { FailureStrain, Ply, PlyStrength } from './ply';
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

/** Strain (engineering shear) and stress (Pa) at a point of a ply, in its own axes. */
export interface PointState {
  e1: number;
  e2: number;
  g12: number;
  s1: number;
  s2: number;
  t12: number;
}

interface Limits {
  tension1: number;
  compression1: number;
  tension2: number;
  compression2: number;
  shear: number;
}

/** The least of: along by sign, across by sign, shear. */
function leastReserve(one: number, two: number, shear: number, limits: Limits): number {
  const along = one >= 0 ? limits.tension1 / one : -limits.compression1 / one;
  const across = two >= 0 ? limits.tension2 / two : -limits.compression2 / two;
  return Math.min(along, across, limits.shear / Math.abs(shear));
}
/** Which of them it is. */
function modeOf(one: number, two: number, shear: number, limits: Limits): FailureMode {
  const along = one >= 0 ? limits.tension1 / one : -limits.compression1 / one;
  const across = two >= 0 ? limits.tension2 / two : -limits.compression2 / two;
  const inPlane = limits.shear / Math.abs(shear);
  if (along <= across && along <= inPlane) return one >= 0 ? 'fibreTension' : 'fibreCompression';
  if (across <= inPlane) return two >= 0 ? 'matrixTension' : 'matrixCompression';
  return 'shear';
}
const stressLimits = ({ Xt, Xc, Yt, Yc, S }: PlyStrength): Limits => ({
  tension1: Xt,
  compression1: Xc,
  tension2: Yt,
  compression2: Yc,
  shear: S,
});
const strainLimits = ({ e1t, e1c, e2t, e2c, g12 }: FailureStrain): Limits => ({
  tension1: e1t,
  compression1: e1c,
  tension2: e2t,
  compression2: e2c,
  shear: g12,
});

type ReserveOf = (state: PointState) => number;

/** Each criterion for a ply: what is fixed by its strengths is computed once, the rest at every point. */
const RESERVE: Record<Criterion, (strength: PlyStrength, ply: Ply) => ReserveOf> = {
  maxStress: (strength) => {
    const limits = stressLimits(strength);
    return ({ s1, s2, t12 }) => leastReserve(s1, s2, t12, limits);
  },

  maxStrain: (_, ply) => {
    const limits = strainLimits(limitingStrains(ply)!);
    return ({ e1, e2, g12 }) => leastReserve(e1, e2, g12, limits);
  },

  tsaiHill:
    ({ Xt, Xc, Yt, Yc, S }) =>
    ({ s1, s2, t12 }) => {
      const X = s1 >= 0 ? Xt : Xc;
      const Y = s2 >= 0 ? Yt : Yc;
      return 1 / Math.sqrt((s1 / X) ** 2 - (s1 * s2) / X ** 2 + (s2 / Y) ** 2 + (t12 / S) ** 2);
    },

  tsaiWu: ({ Xt, Xc, Yt, Yc, S }) => {
    const [F1, F2] = [1 / Xt - 1 / Xc, 1 / Yt - 1 / Yc];
    const [F11, F22, F66] = [1 / (Xt * Xc), 1 / (Yt * Yc), 1 / S ** 2];
    const F12 = TSAI_WU_INTERACTION * Math.sqrt(F11 * F22);
    return ({ s1, s2, t12 }) => {
      const linear = F1 * s1 + F2 * s2;
      const quadratic = F11 * s1 ** 2 + F22 * s2 ** 2 + F66 * t12 ** 2 + 2 * F12 * s1 * s2;
      return quadratic > 0 ? (-linear + Math.sqrt(linear ** 2 + 4 * quadratic)) / (2 * quadratic) : Infinity;
    };
  },

  // With the transverse shear strength Yc/2 the linear term of matrix compression vanishes.
  hashin:
    ({ Xt, Xc, Yt, Yc, S }) =>
    ({ s1, s2, t12 }) => {
      const fibre = s1 >= 0 ? 1 / Math.hypot(s1 / Xt, t12 / S) : -Xc / s1;
      return Math.min(fibre, 1 / Math.hypot(s2 >= 0 ? s2 / Yt : s2 / Yc, t12 / S));
    },
};

/** Reserve of a ply at a point, by a criterion; null for a ply without strengths. */
export function reserveOf(ply: Ply, criterion: Criterion): ReserveOf | null {
  const strength = strengthsOf(ply);
  return strength ? RESERVE[criterion](strength, ply) : null;
}

/**
 * What gives way at a point: Hashin parts fibre and matrix by itself, the others by the least of the stress or strain
 * limits.
 */
function modeAt(state: PointState, ply: Ply, strength: PlyStrength, criterion: Criterion): FailureMode {
  const { s1, s2, t12 } = state;
  if (criterion === 'maxStrain') return modeOf(state.e1, state.e2, state.g12, strainLimits(limitingStrains(ply)!));
  if (criterion !== 'hashin') return modeOf(s1, s2, t12, stressLimits(strength));
  const { Xt, Xc, Yt, Yc, S } = strength;
  const fibre = s1 >= 0 ? 1 / Math.hypot(s1 / Xt, t12 / S) : -Xc / s1;
  const matrix = 1 / Math.hypot(s2 >= 0 ? s2 / Yt : s2 / Yc, t12 / S);
  if (fibre <= matrix) return s1 >= 0 ? 'fibreTension' : 'fibreCompression';
  return s2 >= 0 ? 'matrixTension' : 'matrixCompression';
}

/** Reserve of one face of a ply. @returns null when the ply has no strengths. */
export function faceReserve(face: FaceState, ply: Ply, criterion: Criterion): FaceReserve | null {
  const strength = strengthsOf(ply);
  const reserve = reserveOf(ply, criterion);
  if (!strength || !reserve) return null;
  const [[e1, e2, g12], [s1, s2, t12]] = [face.materialStrain, face.materialStress];
  const state = { e1, e2, g12, s1, s2, t12 };
  return { reserveFactor: reserve(state), mode: modeAt(state, ply, strength, criterion) };
}

/**
 * First-ply failure of a stack: the multiplier on the whole load at which the first face of a ply fails.
 *
 * Strengths from `strength`, limiting strains from `failureStrain`, each from the other when only one is given.
 * Tsai–Hill takes each strength by the sign of its stress; Tsai–Wu F12* = −0.5; Hashin with S_T = Yc/2. Plies without
 * strengths (cores) are left out.
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
