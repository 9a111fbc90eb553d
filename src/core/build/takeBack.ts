import type { BuildRecord } from './record';
import type { StepState } from './state';

/**
 * The record of a step that may be taken back next: its signature, else its end, else its beginning while nothing was
 * recorded within it; null where there is none. Pieces are taken back one by one.
 */
export function lastOfStep({ begun, done, signed, coats, drops, clamps, laid }: StepState): BuildRecord | null {
  if (signed) return signed;
  if (done) return done;
  return coats.length + drops.length + clamps.length + laid.size === 0 ? begun : null;
}
