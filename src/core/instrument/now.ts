import type { ChannelState } from './channel';
import type { MeasuredQuantity } from './quantities';

/** One channel as it stands: figure in SI, state, age, what was refused of it. */
export interface ChannelNow {
  key: string;
  id: string;
  name: string;
  quantity: MeasuredQuantity;
  state: ChannelState;
  value: number | null;
  ageMs: number | null;
  why: string;
  passed: number;
  refused: { times: number; why: string } | null;
}
/** All of them, where they are listened to, and until when each is calibrated. */
export interface InstrumentsNow {
  listening: { host: string; port: number } | null;
  trouble: string | null;
  unknown: { times: number; why: string };
  channels: (ChannelNow & { due: string | null; isOverdue: boolean })[];
}
