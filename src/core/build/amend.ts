import type { BuildPlan, LaidPiece, Step } from './plan';
import { isFinished, type BuildState } from './state';

/** What another revision changes of a build, in words, and whether it is too late for it. */
export interface AmendmentChange {
  part: string;
  says: string;
  /** It lies already, or its step is over: what was built stays as it is. */
  late: boolean;
}

const keyOf = ({ partId, name }: Step, steps: readonly Step[], at: number) => {
  const before = steps.slice(0, at).filter((one) => one.partId === partId && one.name === name).length;
  return `${partId}|${name}|${before}`;
};
const keysOf = (steps: readonly Step[]) => new Map(steps.map((step, i) => [keyOf(step, steps, i), step]));
const whatIs = ({ cloth, angleDeg, place }: LaidPiece) => `${cloth} at ${angleDeg}° over ${place}`;
const sameShape = (a: LaidPiece, b: LaidPiece) => JSON.stringify(a.outline) === JSON.stringify(b.outline);

/** How a piece differs between two revisions; null where it is the same. */
function differenceOf(before: LaidPiece | undefined, after: LaidPiece | undefined): string | null {
  if (!before) return `${after!.name} is new: ${whatIs(after!)}`;
  if (!after) return `${before.name} falls away: ${whatIs(before)}`;
  if (whatIs(before) !== whatIs(after)) return `${after.name}: ${whatIs(after)} instead of ${whatIs(before)}`;
  return sameShape(before, after) ? null : `${after.name} is cut to another outline`;
}

/**
 * A build goes on by another revision: steps that are there in both keep their id, so that what was recorded stays
 * with them; pieces that lie stay in the plan as they lie; what is over is not done again.
 *
 * @param state by the plan so far. @param next the plan by the new revision.
 * @returns the plan to go on by, and every difference with whether it comes too late.
 */
export function amendPlan(state: BuildState, next: BuildPlan): { plan: BuildPlan; changes: AmendmentChange[] } {
  const { plan } = state;
  const partName = (id: string) => [...next.parts, ...plan.parts].find((part) => part.id === id)?.name ?? id;
  const lying = new Set([...state.steps.values()].flatMap(({ laid }) => [...laid.keys()]));
  const [before, after] = [plan, next].map(({ pieces }) => new Map(pieces.map((piece) => [piece.code, piece]))) as [
    Map<string, LaidPiece>,
    Map<string, LaidPiece>,
  ];
  const over = (partId: string, layer: number) =>
    [...state.steps.values()].some((one) => one.step.partId === partId && one.step.layers.includes(layer) && one.done);
  const changes = [...new Set([...before.keys(), ...after.keys()])].flatMap((code): AmendmentChange[] => {
    const says = differenceOf(before.get(code), after.get(code));
    const piece = after.get(code) ?? before.get(code)!;
    if (says === null) return [];
    return [{ part: partName(piece.partId), says, late: lying.has(code) || over(piece.partId, piece.layerNumber) }];
  });
  const old = keysOf(plan.steps);
  let free = Math.max(0, ...plan.steps.map(({ id }) => Number(id.slice(1))));
  const ids = new Map<string, string>();
  const steps = next.steps.map((step, i): Step => {
    const known = old.get(keyOf(step, next.steps, i));
    free += known ? 0 : 1;
    const id = known?.id ?? `s${free}`;
    ids.set(step.id, id);
    const own = known && state.steps.get(known.id)!;
    // What lies stays in its step; what is over asks for nothing new.
    if (own && (own.done || isFinished(own))) return { ...known!, id };
    const kept = (known?.pieces ?? []).filter((code) => lying.has(code) && !step.pieces.includes(code));
    return { ...step, id, pieces: [...kept, ...step.pieces] };
  });
  const gone = plan.steps.filter((step) => state.steps.get(step.id)!.begun && !steps.some(({ id }) => id === step.id));
  const pieces = [
    ...next.pieces.map((piece) => (lying.has(piece.code) ? (before.get(piece.code) ?? piece) : piece)),
    ...plan.pieces.filter(({ code }) => !after.has(code)),
  ];
  const renamed = steps.map((step) => ({ ...step, after: step.after.map((id) => ids.get(id) ?? id) }));
  return { plan: { ...next, steps: [...gone, ...renamed], pieces }, changes };
}
