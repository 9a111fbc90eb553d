import { applyEdits, type Edit } from '../../edit';
import { makeEvaluator } from '../../evaluate';
import { reaches } from '../../quantity';
import { marginChanges, wholeBoat, type MarginChange } from '../wholeBoat';
import { forDetails, stiffenersOf, type LaidHeavier } from './forDetails';
import { oneMore, type OneMore } from './oneMore';
import { questionOf, type OptimiseInput, type SearchHow } from './optimiseBoat';
import { bindingOf, massOf, optimisePart, type GridAnswer, type GridStep } from './optimisePart';

/** The best schedule that was found for a part, and what it asks of the rest of the boat. */
export interface Better extends Omit<GridAnswer, 'fronts' | 'rows'> {
  /** What more of the objective buys, zone by zone. */
  oneMore: OneMore[];
  heavierFor: LaidHeavier[];
  /** Stiffener sections that have to grow with it. */
  grown: string[];
  /** Stiffeners, details and other zones that fall below the target, or further below it. */
  falls: MarginChange[];
}

/**
 * The best schedule of a part from given choices, then heavier where a detail asks for it, and with stiffener sections
 * that hold; what falls short all the same is named.
 */
export function* lookForBetter(input: OptimiseInput, how: SearchHow): Generator<GridStep, Better> {
  const question = questionOf(input, how);
  const answer = yield* optimisePart(question);
  const { fronts, rows, edits: _own, ...rest } = answer;
  const { boat, target } = question;
  const { edits: relaid, heavier: heavierFor } = forDetails(question, answer);
  const edits: Edit[] = [...relaid];
  const laid = applyEdits(boat, edits).boat;
  const { sections, grown } = edits.length === 0 ? { sections: [], grown: [] } : stiffenersOf(laid);
  edits.push(...sections);
  const after = applyEdits(boat, edits).boat;
  const evaluations = makeEvaluator()(after);
  const [was, is] = [wholeBoat(boat, makeEvaluator()(boat)), wholeBoat(after, evaluations)];
  const part = after.parts.find(({ id }) => id === question.partId)!;
  const zones = part.zones.filter(({ id }) => fronts.has(id));
  // As it is laid in the end, heavier where a detail asked for it.
  const binding = zones.map(({ id }) => bindingOf(evaluations.get(id)!));
  const falls = marginChanges(was, is).filter(
    ({ before, after: now }) => now === null || (!reaches(now, target) && (before === null || now < before)),
  );
  return {
    ...rest,
    after: { ...rest.after, mass: massOf({ part, zones }, evaluations) },
    binding,
    edits,
    oneMore: oneMore({ fronts, rows, binding: rest.binding }),
    heavierFor,
    grown,
    falls,
  };
}
