import type { Build } from './build';
import { isFinished, stepsAtHand, type BuildState, type StepState } from './state';
import { hindrancesOf } from './whyNot';

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

/**
 * What keeps a step from being begun, in words; null where it is nothing, or only what is done in a moment by whoever
 * begins: reading its caution, reading the air.
 * @param now ISO 8601. @param person who would begin it.
 */
export function heldBy(state: BuildState, own: StepState, asked: { person: string; now: string }): string | null {
  const held = hindrancesOf(state, own, asked).find(({ code }) => code !== 'caution' && code !== 'airUnread');
  return held?.text ?? null;
}

/** What holds a step at hand on the board: a signature, or what keeps it from being begun. */
function heldOnBoard(state: BuildState, own: StepState, now: string): string | null {
  if (own.done) return `Wants the signature of the ${own.step.hold === 'inspector' ? 'inspector' : 'laminating lead'}`;
  return own.begun ? null : heldBy(state, own, { person: '', now });
}

/** Every build as the board shows it. @param now ISO 8601. */
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
        held: heldOnBoard(state, own, now),
      })),
    };
  });
}
