import { invalid } from '../error';

/** How the ends of a span are held against turning: both, one of them, or neither. */
export const HELD_ENDS = ['both', 'one', 'none'] as const;
export type HeldEnds = (typeof HELD_ENDS)[number];

/**
 * Moments at a held end and in the span, shear force at an end, and sag: of a uniform load in w l², w l and w l⁴/EI, of
 * one force in F l, F and F l³/EI, of one moment its sag in M l²/EI; each where it does most.
 */
const COEFFICIENTS = {
  both: {
    uniform: { end: 1 / 12, middle: 1 / 24, shear: 1 / 2, sag: 1 / 384 },
    force: { end: 4 / 27, middle: 1 / 8, shear: 1, sag: 1 / 192 },
    moment: { sag: 0.0162 },
  },
  one: {
    uniform: { end: 1 / 8, middle: 9 / 128, shear: 5 / 8, sag: 0.0055 },
    force: { end: Math.sqrt(3) / 9, middle: 0.75 * Math.sqrt(3) - 1.125, shear: 1, sag: 0.0099 },
    moment: { sag: 1 / 27 },
  },
  none: {
    uniform: { end: 0, middle: 1 / 8, shear: 1 / 2, sag: 5 / 384 },
    force: { end: 0, middle: 1 / 4, shear: 1, sag: 1 / 48 },
    moment: { sag: 1 / (9 * Math.sqrt(3)) },
  },
} as const;

export interface SpanLoad {
  /** m */
  length: number;
  held: HeldEnds;
  /** N/m; 0 for none. */
  uniform: number;
  /** One force square to the span, wherever on it it does most (N). */
  force?: number;
  /** One moment in the plane of bending, wherever on it it does most (N·m). */
  moment?: number;
}

/** What a span bears: N·m, N, and sag times EI (N·m³), as magnitudes. */
export interface SpanForces {
  end: number;
  middle: number;
  shear: number;
  sag: number;
}

/**
 * Greatest moment at a held end and in the span, shear force and sag of a span under a uniform load, one force and one
 * moment, each where it does most: added up although they seldom meet at one place.
 *
 * The moment counts in full at end and middle, and shears by 3/2 M/l: held, 6 M a b/l³ is most in the middle; with one
 * end free it is 3/2 M (1 − a²/l²)/l, a from the free end; with both M/l.
 *
 * @throws KeramosError `invalid` for a length that is not positive.
 * @example spanForces({ length: 1.2, held: 'both', uniform: 4000 }).end // 480
 * Source: Roark's Formulas for Stress and Strain, ch. 8; docs/engineering.md, "Spans and what stands on them".
 */
export function spanForces({ length: l, held, uniform: w, force: F = 0, moment: M = 0 }: SpanLoad): SpanForces {
  if (!(l > 0)) throw invalid('length', 'A span needs a length', { given: l });
  const { uniform: q, force: p, moment: m } = COEFFICIENTS[held];
  return {
    end: held === 'none' ? 0 : q.end * w * l ** 2 + p.end * F * l + M,
    middle: q.middle * w * l ** 2 + p.middle * F * l + M,
    shear: q.shear * w * l + p.shear * F + (1.5 * M) / l,
    sag: q.sag * w * l ** 4 + p.sag * F * l ** 3 + m.sag * M * l ** 2,
  };
}
