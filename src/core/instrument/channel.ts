import { MEASURED, type MeasuredQuantity } from './quantities';
import type { Flag } from './readLine';

/** What one instrument reads of one quantity: its last figures, and what it was refused for. Times ms. */
export interface Channel {
  id: string;
  name: string;
  quantity: MeasuredQuantity;
  /** Newest last; of the last seconds only. */
  recent: { at: number; value: number }[];
  flag: Flag | null;
  /** Since when it has said the very same figure, and how often. */
  same: { since: number; times: number };
  /** Lines that were passed over because they came too fast, and refused ones with the last reason. */
  passed: number;
  refused: { times: number; why: string; at: number } | null;
}

export const newChannel = (id: string, quantity: MeasuredQuantity, name = ''): Channel => ({
  id,
  name,
  quantity,
  recent: [],
  flag: null,
  same: { since: 0, times: 0 },
  passed: 0,
  refused: null,
});

/** For how long figures are looked back on, how close together they are kept, and after what a figure is stale (ms). */
const LOOK_BACK = 2000;
const CLOSEST = 20;
/** Shortest time over which a jump is judged (s). */
const MINIMUM_STEP = 0.05;
export const STALE = 3000;
/** The same figure of something noisy for so long, and so often, is no reading. */
const STUCK_FOR = 60_000;
const STUCK_TIMES = 100;

/** Take one figure in (SI). One that cannot be is kept out, and said. */
export function takeFigure(
  channel: Channel,
  { value, flag, at }: { value: number; flag: Flag | null; at: number },
): void {
  const { range, rate } = MEASURED[channel.quantity];
  const last = channel.recent.at(-1);
  const refuse = (why: string) => {
    channel.refused = { times: (channel.refused?.times ?? 0) + 1, why, at };
  };
  channel.flag = flag;
  if (value < range[0] || value > range[1]) return refuse('no such figure can be in a yard: wrong unit, or broken');
  if (last && at - last.at < CLOSEST) {
    channel.passed += 1;
    return;
  }
  const jump = last && at - last.at < LOOK_BACK ? Math.abs(value - last.value) : 0;
  if (last && jump > rate * Math.max(MINIMUM_STEP, (at - last.at) / 1000)) {
    const again = channel.refused !== null && at - channel.refused.at < LOOK_BACK;
    refuse('it jumped farther than it can');
    if (!again) return;
    // It stays there: the old level is forgotten.
    channel.recent = [];
  }
  channel.same =
    last && last.value === value ? { ...channel.same, times: channel.same.times + 1 } : { since: at, times: 1 };
  channel.recent.push({ at, value });
  while (channel.recent.length > 1 && at - channel.recent[0]!.at > LOOK_BACK) channel.recent.shift();
}

export type ChannelState = 'steady' | 'moving' | 'stale' | 'over' | 'stuck' | 'silent' | 'error';

/**
 * Whether what an instrument says may be taken, and if not, why.
 * @returns the mean of its last figures (SI), null where there is none; only what is steady may be recorded.
 */
export function judgeChannel(
  { recent, flag, quantity, same }: Channel,
  now: number,
): { state: ChannelState; value: number | null; ageMs: number | null; why: string } {
  const last = recent.at(-1);
  if (!last) return { state: 'silent', value: null, ageMs: null, why: 'it has said nothing that can be taken yet' };
  const ageMs = now - last.at;
  const told = { value: last.value, ageMs };
  if (ageMs > STALE) return { ...told, state: 'stale', why: 'its last figure is too old: look at its lead or battery' };
  if (flag === 'error') return { ...told, state: 'error', why: 'it says itself that it is out of order' };
  if (flag === 'over' || flag === 'under')
    return { ...told, state: 'over', why: `it is ${flag} its range: the figure is not what is there` };
  const { steady, isNoisy } = MEASURED[quantity];
  if (isNoisy && same.times >= STUCK_TIMES && last.at - same.since >= STUCK_FOR)
    return { ...told, state: 'stuck', why: 'it has said the very same figure for a minute: it is stuck' };
  const values = recent.map(({ value }) => value);
  const spread = Math.max(...values) - Math.min(...values);
  const most = Math.max(4 * steady, 0.002 * Math.abs(last.value));
  if (flag === 'moving' || spread > most || recent.length < 3)
    return { ...told, state: 'moving', why: 'it is not steady yet' };
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  return { state: 'steady', value: mean, ageMs, why: '' };
}
