import { isFinished, stepsAtHand, whyNot, type Build, type BuildRecord, type BuildState } from '@/core/build';

/** A build on the board: what is next, what holds it. */
export interface OnBoard extends Build {
  closedAt: string | null;
  /** When something was last recorded; ISO 8601; null before. */
  last: string | null;
  done: number;
  steps: number;
  laid: number;
  pieces: number;
  openDefects: number;
  clashes: number;
  atHand: { part: string; step: string; running: boolean; held: string | null }[];
}

/** Every build as the board shows it. */
export function boardOf(
  builds: readonly (Build & { state: BuildState; closedAt: string | null; last: string | null })[],
  now: string,
): OnBoard[] {
  return builds.map(({ state, ...build }) => {
    const steps = [...state.steps.values()];
    const names = new Map(state.plan.parts.map(({ id, name }) => [id, name]));
    return {
      ...build,
      done: steps.filter(isFinished).length,
      steps: steps.length,
      laid: steps.reduce((sum, { laid }) => sum + laid.size, 0),
      pieces: state.plan.pieces.length,
      openDefects: [...state.defects.values()].filter(({ open }) => open).length,
      clashes: state.clashes.length,
      atHand: stepsAtHand(state).map((own) => ({
        part: own.step.partId === null ? 'Boat' : (names.get(own.step.partId) ?? ''),
        step: own.step.name,
        running: own.begun !== null && own.done === null,
        held: heldBy(state, own, now),
      })),
    };
  });
}

/** What keeps a step from being begun or signed; null where nothing but somebody to do it. */
export function heldBy(state: BuildState, own: ReturnType<typeof stepsAtHand>[number], now: string): string | null {
  const { step, begun, done } = own;
  if (done) return `Wants the signature of the ${step.hold === 'inspector' ? 'inspector' : 'laminating lead'}`;
  if (begun) return null;
  // A caution is read, and the air is measured, by whoever begins.
  const person = [...own.warned][0] ?? 'anybody';
  const record = { id: 'asked', kind: 'begun', body: { step: step.id }, at: now, person, device: '', corrects: null };
  const why = whyNot(state, record as BuildRecord);
  return why !== null && /has not read its caution|Read temperature/.test(why) ? null : why;
}
