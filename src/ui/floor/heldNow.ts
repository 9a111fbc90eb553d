import { whyNot, type BuildRecord, type BuildState, type StepState } from '@/core/build';

/** What keeps a step from being begun, other than what is done in a moment by whoever begins: reading. */
export function heldNow(
  state: BuildState,
  { step, warned }: StepState,
  { person, now }: { person: string; now: number },
): string | null {
  const at = new Date(now || Date.now()).toISOString();
  const who = [...warned][0] ?? (person || 'anybody');
  const record = { id: 'asked', kind: 'begun', body: { step: step.id }, at, person: who, device: '', corrects: null };
  const why = whyNot(state, record as BuildRecord);
  return why !== null && /has not read its caution|Read temperature/.test(why) ? null : why;
}
