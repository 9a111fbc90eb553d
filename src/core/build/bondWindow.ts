import { lifeInPot } from './lifeInPot';
import { isWet, stepBefore, type BuildState, type StepState } from './state';

const MINUTE = 60_000;
/** Air in which a yard's windows last as long as it says (°C). */
export const WINDOW_AT = 20;

/** Until when a step bonds to the one before it without more work. */
export interface BondWindow {
  /** ms */
  until: number;
  /** How many times as fast as in air of 20 °C it ran at the most, and in what air (°C); null where never faster. */
  fastest: { times: number; celsius: number } | null;
}

/** From when on a step that is done cures (ms): what went on last, not when somebody came to say that it was done. */
function curesFrom({ pots }: BuildState, { step, coats, laid, done }: StepState): number {
  const emptied = pots.flatMap(({ record, until, emptied: left }) =>
    record.body.step === step.id ? [left ? Date.parse(left.at) : until] : [],
  );
  const wet = [...emptied, ...[...coats, ...(isWet(step) ? laid.values() : [])].map(({ at }) => Date.parse(at))];
  return Math.min(Date.parse(done!.at), wet.length > 0 ? Math.max(...wet) : Infinity);
}

/** The air from a moment on as it was read: from when (ms), and the warmer of the readings before and after (°C). */
function airSince({ airs }: BuildState, from: number): { from: number; celsius: number }[] {
  const read = airs.map(({ at, body }) => ({ at: Date.parse(at), celsius: body.celsius })).sort((a, b) => a.at - b.at);
  const before = read.findLast(({ at }) => at <= from);
  const known = [{ at: from, celsius: before?.celsius ?? WINDOW_AT }, ...read.filter(({ at }) => at > from)];
  return known.map(({ at, celsius }, i) => ({
    from: at,
    celsius: Math.max(celsius, known[i + 1]?.celsius ?? -Infinity),
  }));
}

/**
 * When the window of a step on the one before it closes. It is told for air of 20 °C; warmer air shortens it as it
 * shortens the life of the plan's resin in its pot, cooler air does not lengthen it. Between two readings of the air
 * the warmer counts, after the last one that goes on.
 *
 * @returns null where it has none, or where the step before is not done.
 * @example 8 h at 30 °C, where each 10 °C halve the pot life, use up 16 h of a window
 * Source: a rate as steep as the pot life's, integrated over time; derived in docs/engineering.md.
 */
export function bondWindow(state: BuildState, { step }: StepState): BondWindow | null {
  const before = stepBefore(state, step);
  if (step.within === 0 || step.late === 'nothing' || !before?.done) return null;
  const { plan } = state;
  // A plan that tells no pot life says nothing of how warmth speeds its resin up.
  const times = (celsius: number) =>
    plan.resin.potLife.length === 0 ? 1 : Math.max(1, lifeInPot(plan, WINDOW_AT) / lifeInPot(plan, celsius));
  const air = airSince(state, curesFrom(state, before));
  let left = step.within * MINUTE;
  let fastest: BondWindow['fastest'] = null;
  for (const [i, { from, celsius }] of air.entries()) {
    const rate = times(celsius);
    if (rate > (fastest?.times ?? 1)) fastest = { times: rate, celsius };
    const end = air[i + 1]?.from ?? Infinity;
    if ((end - from) * rate >= left) return { until: from + left / rate, fastest };
    left -= (end - from) * rate;
  }
  return null;
}
