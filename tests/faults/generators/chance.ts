/** Chance that can be had again: the same seed gives the same run. */
export interface Chance {
  /** From 0 up to, not including, `count`. */
  below: (count: number) => number;
  /** True with so much probability. */
  happens: (probability: number) => boolean;
  one: <T>(items: readonly T[]) => T;
}

/** A small generator of 32 bits (mulberry32): good enough to shuffle faults, no more. */
export function chanceOf(seed: number): Chance {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const below = (count: number) => Math.floor(next() * count);
  return {
    below,
    happens: (probability) => next() < probability,
    one: (items) => items[below(items.length)]!,
  };
}

/** What a generator of faults came to. */
export type Figures = Record<string, number>;
/** How long it goes on, whichever comes first. */
export interface Span {
  until: number;
  most: number;
}
export const lasts = ({ until, most }: Span, done: number): boolean => done < most && Date.now() < until;
