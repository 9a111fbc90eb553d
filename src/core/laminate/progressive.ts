import { KeramosError } from '../error';
import { laminateFailure, type Criterion } from './failure';
import type { Ply } from './ply';
import type { Load } from './response';

export interface ProgressiveFailure {
  /** Multiplier on the load at which the first ply fails. */
  firstPly: number;
  /** The largest multiplier the laminate bears on the way. */
  lastPly: number;
  /** Plies that fail together, in order, with the multiplier at which they do. */
  sequence: { reserveFactor: number; plies: number[] }[];
}

const TOGETHER = 1e-6;

/**
 * Progressive failure under a growing load: the plies that fail lose all stiffness, keep their place, and the load goes on.
 *
 * A laminate whose remaining plies cannot carry the load any more ends the sequence.
 *
 * @throws KeramosError `invalid` as {@link laminateFailure} does.
 * @example progressiveFailure(crossPly, { N: [1e5, 0, 0] }, 'tsaiWu') // { firstPly: 1.70, lastPly: 7.8, … }
 * Source: total ply discount (Jones, ch. 4.5; Daniel & Ishai, ch. 9).
 */
export function progressiveFailure(plies: readonly Ply[], load: Load, criterion: Criterion): ProgressiveFailure {
  const failed = new Set<number>();
  const sequence: ProgressiveFailure['sequence'] = [];
  for (;;) {
    const next = step(plies, load, criterion, failed);
    if (!next || next.ply < 0 || !Number.isFinite(next.reserveFactor)) break;
    const together = next.plies.flatMap((reserve, index) =>
      reserve &&
      !failed.has(index) &&
      Math.min(reserve.bottom.reserveFactor, reserve.top.reserveFactor) <= next.reserveFactor * (1 + TOGETHER)
        ? [index]
        : [],
    );
    sequence.push({ reserveFactor: next.reserveFactor, plies: together });
    together.forEach((index) => failed.add(index));
  }
  return {
    firstPly: sequence[0]?.reserveFactor ?? Infinity,
    lastPly: Math.max(...sequence.map((s) => s.reserveFactor)),
    sequence,
  };
}

/** The next failure, or null when what is left has no stiffness against the load. */
function step(plies: readonly Ply[], load: Load, criterion: Criterion, failed: ReadonlySet<number>) {
  if (failed.size === plies.length) return null;
  try {
    return laminateFailure(plies, load, criterion, failed);
  } catch (error) {
    if (error instanceof KeramosError && failed.size === 0) throw error;
    return null;
  }
}
