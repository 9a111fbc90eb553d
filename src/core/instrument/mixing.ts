/** How a batch stands on the scale. Masses kg; shares by mass of resin. */
export interface MixingState {
  step: 'resin' | 'hardener' | 'done';
  /** Still to be poured of this component (kg); negative is too much. */
  left: number;
  /** Hardener by resin, and how far that is off what is wanted (0.05 is 5 % too much). */
  share: number | null;
  error: number | null;
  /** May be used; else why not. */
  good: boolean;
  says: string;
}

/** Share of the target by which resin may miss it, and what is nearly there. */
const RESIN_SLACK = 0.02;

/**
 * Two components on one scale: resin to its target, then hardener to the resin that is really there.
 *
 * @param resin on the scale when it was taken as enough (kg), null while it is poured.
 * @param onScale all that is there (kg).
 * @param tolerance by which the share of hardener may miss (0.05 is 5 %).
 * @example mixing({ target: 3, share: 0.02, tolerance: 0.1, resin: 3.01, onScale: 3.07 }).good // true
 */
export function mixing({
  target,
  share,
  tolerance,
  resin,
  onScale,
}: {
  target: number;
  share: number;
  tolerance: number;
  resin: number | null;
  onScale: number;
}): MixingState {
  if (resin === null) {
    const left = target - onScale;
    const enough = Math.abs(left) <= RESIN_SLACK * target;
    const says = left < -RESIN_SLACK * target ? 'More resin than was asked for: hardener goes by what is there' : '';
    return { step: 'resin', left, share: null, error: null, good: enough || left < 0, says };
  }
  const hardener = onScale - resin;
  const left = resin * share - hardener;
  const is = hardener / resin;
  const error = share > 0 ? is / share - 1 : 0;
  if (error < -tolerance)
    return { step: 'hardener', left, share: is, error, good: false, says: 'Too little hardener yet' };
  if (error > tolerance)
    return {
      step: 'hardener',
      left,
      share: is,
      error,
      good: false,
      says: 'STOP: too much hardener. Do not use it: set the bucket outside, it may heat itself up',
    };
  return { step: 'done', left, share: is, error, good: true, says: 'The ratio is right: mix, scrape, and begin' };
}
