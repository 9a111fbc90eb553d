import type { Boat, Part, Zone } from '../document';
import { applyEdits } from '../edit';
import { evaluateZone, targetOf, type ZoneEvaluation } from '../evaluate';
import type { Job } from '../job';
import { reaches } from '../quantity';
import { singleChanges, type LayerMove } from './layerMoves';
import { marginChanges, wholeBoat } from './wholeBoat';

/** A lighter stack of a zone, and why it will not do. */
export interface LighterStack {
  title: string;
  /** kg in the zone, all of the number-off together; below 0. */
  weight: number;
  /** The checks below what is asked, the least reserve first; empty where it would do. */
  fails: { id: ZoneEvaluation['checks'][number]['id']; governs: string; reserveFactor: number }[];
  /** Stiffeners and details that would fall short by it, where the zone itself would do. */
  harms: string[];
  /** What it would leave unproven, or why it cannot be computed. */
  problem: string | null;
  edits: LayerMove['edits'];
}

export interface WhyNotLessInput {
  boat: Boat;
  partId: string;
  zoneId: string;
  evaluations: ReadonlyMap<string, ZoneEvaluation>;
}

/**
 * The lighter stacks nearest to what a zone has, and the checks that each of them fails: without one layer, with a
 * lighter cloth in its place, with the core a step thinner.
 * Coats, what ties a core, and the mat behind a coat are not taken out: no check of strength counts them.
 *
 * @returns the nearest first.
 */
export const whyNotLess: Job<WhyNotLessInput, LighterStack[]> = function* ({ boat, partId, zoneId, evaluations }) {
  const part = boat.parts.find(({ id }) => id === partId)!;
  const zone = part.zones.find(({ id }) => id === zoneId)!;
  const target = targetOf(boat);
  yield { done: 0, at: zone.name };
  const own = evaluateZone(boat, part, zone);
  const lighter = singleChanges(boat, part, zone, 'zone').filter(({ kind }) => kind !== 'add');
  let before: ReturnType<typeof wholeBoat> | null = null;
  const found: LighterStack[] = [];
  for (const [i, { title, edits }] of lighter.entries()) {
    yield { done: 0.2 + (0.8 * i) / lighter.length, at: title };
    const after = stateOf(boat, part, zone, edits);
    const weight = (after.laminatedArealWeight - own.laminatedArealWeight) * zone.geometry.area * part.number;
    if (weight >= -1e-9) continue;
    const short = failsOf(after, target);
    const harms = short.fails.length > 0 || short.problem !== null ? [] : harmedBy(edits, after);
    found.push({ title, weight, edits, harms, ...short });
  }
  return found.sort((a, b) => b.weight - a.weight);

  function harmedBy(edits: LayerMove['edits'], after: ZoneEvaluation): string[] {
    before ??= wholeBoat(boat, evaluations);
    const whole = wholeBoat(applyEdits(boat, edits).boat, new Map([...evaluations, [zoneId, after]]));
    return marginChanges(before, whole)
      .filter(({ of, before: was, after: is }) => of !== 'zone' && (was ?? 0) >= 1 && !reaches(is ?? 0, 1))
      .map(({ name }) => name);
  }
};

function stateOf(boat: Boat, part: Part, zone: Zone, edits: LayerMove['edits']): ZoneEvaluation {
  const after = applyEdits(boat, edits).boat;
  return evaluateZone(
    after,
    after.parts.find(({ id }) => id === part.id)!,
    zone,
  );
}

function failsOf(e: ZoneEvaluation, target: number): Pick<LighterStack, 'fails' | 'problem'> {
  const short = e.checks.filter(({ reserveFactor }) => !reaches(reserveFactor, target));
  // Of two paths on which a skin is proven either may do: what counts is what governs.
  const counts = e.governing !== null && !reaches(e.governing.reserveFactor, target);
  return {
    fails: counts
      ? short
          .map(({ id, governs, reserveFactor }) => ({ id, governs, reserveFactor }))
          .sort((a, b) => a.reserveFactor - b.reserveFactor)
      : [],
    problem: e.problem ?? e.unproven[0] ?? (e.governing === null ? 'It cannot be checked' : null),
  };
}
