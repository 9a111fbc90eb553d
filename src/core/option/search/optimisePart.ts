import type { Boat, Part, Zone } from '../../document';
import { applyEdits, type Edit } from '../../edit';
import { makeEvaluator, type ZoneEvaluation } from '../../evaluate';
import type { Progress } from '../../job';
import { chooseTogether } from './chooseTogether';
import { gridEdits } from './gridEdits';
import { nothingHolds } from './nothingHolds';
import { holds, hoursIn, piecesIn, readyPart, trustedIn, type GridQuestion, type ReadyPart } from './readyPart';
import type { RowKey } from './stackSpace';
import { zoneFront, type FrontOptions, type ZoneFront, type ZoneProblem } from './zoneFront';

/** What a zone comes to in a proposal, and what holds it there. */
export interface Binding {
  zone: string;
  check: string;
  governs: string;
  reserveFactor: number;
  /** What of the zone no stack can prove. */
  notProven: string[];
  /** What its reserve leaves unchecked. */
  notChecked: string[];
}

export interface GridAnswer {
  edits: Edit[];
  before: { objective: number; mass: number };
  after: { objective: number; mass: number; reserveFactor: number };
  /** Proven: nothing of these choices comes to less. */
  bound: number;
  gap: number;
  proven: boolean;
  /** Stacks looked at. */
  evaluated: number;
  binding: Binding[];
  fronts: ReadonlyMap<string, ZoneFront>;
  /** Rows of the zones that are laid anew. */
  rows: ReadonlyMap<string, readonly RowKey[]>;
}

export interface GridStep extends Progress {
  /** A zone that is found, to be kept by whoever may have to begin again. */
  found?: { zoneId: string; front: ZoneFront };
}

/** What holds a zone that holds. */
export function bindingOf({ zoneId, governing, unproven, notChecked }: ZoneEvaluation): Binding {
  const { id, governs, reserveFactor } = governing!;
  return { zone: zoneId, check: id, governs, reserveFactor, notProven: unproven, notChecked };
}

const NEAR = 1e-9;
/** Stacks of a zone that are weighed against those of others at first. */
const FIRST_LIST = 60;

/**
 * The best schedule for a part: in every zone, of all stacks that may be laid, one that meets every proof of the zone,
 * so that mass, price, hours and pieces together come to least, and the zones go together.
 *
 * Zones are searched one by one ({@link zoneFront}); where they hang together by pieces, drops, stock or the number of
 * materials, an integer program chooses among their stacks ({@link chooseTogether}). The bound is the sum of what the
 * zones were proven to need, or what the program proves where it saw every stack that could matter.
 *
 * What is laid already is left where it holds and nothing better is found. What is answered was evaluated as the boat
 * itself is. The same for the command line and the page.
 *
 * @throws KeramosError `invalid` for a part, zone or layer that is not there, a missing price, nothing that may be
 * laid, and where no choice holds: the zone, and what it fails by.
 */
export function* optimisePart(question: GridQuestion): Generator<GridStep, GridAnswer> {
  const { boat, effort, weights } = question;
  const ready = readyPart(question);
  const { part, zones, places, layerOf } = ready;
  const coupled =
    weights.pieces > 0 || question.mostDropped !== null || question.mostMaterials !== null || question.stock.size > 0;
  const weighed = coupled || effort.tidy > 0;
  const editsOf = (choice: readonly number[], fronts: readonly ZoneFront[], among: readonly Zone[] = zones) => {
    const wanted = new Map(
      zones.flatMap((zone, z) =>
        among.includes(zone) ? [[zone.id, fronts[z]!.found[choice[z]!]!.rows] as const] : [],
      ),
    );
    return { wanted, edits: gridEdits(part, wanted, { places, layerOf }) };
  };
  const objectiveOf = (choice: readonly number[], fronts: readonly ZoneFront[]) => {
    const value = choice.reduce((sum, s, z) => sum + fronts[z]!.found[s]!.value, 0);
    if (weights.pieces === 0) return value;
    return value + weights.pieces * piecesIn(applyEdits(boat, editsOf(choice, fronts).edits).boat, part.id);
  };

  let evaluated = 0;
  /** Fronts of all zones. */
  function* search(options: FrontOptions, share: readonly [number, number]): Generator<GridStep, ZoneFront[]> {
    const fronts: ZoneFront[] = [];
    for (const [i, zone] of zones.entries()) {
      const said = { done: share[0] + ((share[1] - share[0]) * i) / zones.length, at: zone.name };
      yield said;
      const known = share[0] === 0 ? question.known?.get(zone.id) : undefined;
      const front = known ?? (yield* searched(ready.problems[i]!, options, said));
      if (!known) yield { ...said, found: { zoneId: zone.id, front } };
      evaluated += front.tried;
      if (front.found.length === 0)
        throw nothingHolds(zone, { front, problem: ready.problems[i]!, target: question.target });
      fronts.push(front);
    }
    return fronts;
  }

  const { budget, gap } = effort;
  const beyond = weighed ? Infinity : 0;
  let fronts = yield* search({ beyond, list: weighed ? FIRST_LIST : 1, budget, gap }, [0, weighed ? 0.6 : 0.95]);
  yield { done: 0.92, at: 'how the zones go together' };
  let chosen = chooseTogether(question, ready, { fronts, coupled, objectiveOf });
  if (coupled && weighed && chosen.objective > chosen.bound * (1 + NEAR) && effort.list > FIRST_LIST) {
    // Every stack that can matter: dearer than the best of its zone by no more than the whole may still gain.
    const room = chosen.objective - fronts.reduce((sum, { bound }) => sum + bound, 0);
    fronts = yield* search({ beyond: room, list: effort.list, budget, gap }, [0.6, 0.9]);
    yield { done: 0.95, at: 'how the zones go together' };
    chosen = chooseTogether(question, ready, { fronts, coupled, objectiveOf });
  }

  yield { done: 0.99, at: 'the whole boat' };
  const was = makeEvaluator()(boat);
  const laid = asLaid(question, ready, was);
  const own = (z: number) => fronts[z]!.found[chosen.choice[z]!]!.value;
  const better = zones.filter((_, z) => coupled || laid.zones[z]! > own(z) * (1 + NEAR));
  const stays = coupled ? laid.together <= chosen.objective * (1 + NEAR) : better.length === 0;
  const { wanted, edits } = stays
    ? { wanted: new Map<string, readonly RowKey[]>(), edits: [] }
    : editsOf(chosen.choice, fronts, better);
  const separate = () => zones.reduce((sum, zone, z) => sum + (better.includes(zone) ? own(z) : laid.zones[z]!), 0);
  const together = stays ? laid.together : chosen.objective;
  const objective = coupled ? together : separate();

  const is = makeEvaluator()(applyEdits(boat, edits).boat);
  const binding = zones.map((zone): Binding => {
    const { id } = zone;
    const e = is.get(id)!;
    // Nothing is proposed that the ordinary evaluation does not confirm.
    if (!holds(e, question.target, trustedIn(boat, zone)))
      throw new Error(`A stack of ${id} that was found to hold does not`);
    return bindingOf(e);
  });
  const bound = Math.min(chosen.bound, objective);
  const apart = objective > 0 ? Math.max(0, (objective - bound) / objective) : 0;
  return {
    edits,
    before: { objective: laid.objective, mass: massOf(ready, was) },
    after: {
      objective,
      mass: massOf(ready, is),
      reserveFactor: Math.min(...binding.map(({ reserveFactor }) => reserveFactor)),
    },
    bound,
    gap: apart,
    proven: apart <= NEAR,
    evaluated,
    binding,
    fronts: new Map(zones.map(({ id }, i) => [id, fronts[i]!])),
    rows: wanted,
  };
}

/** Mass of the zones looked at (kg). */
export const massOf = (
  { part, zones }: Pick<ReadyPart, 'part' | 'zones'>,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
): number =>
  zones.reduce(
    (sum, { id, geometry }) => sum + evaluations.get(id)!.laminatedArealWeight * geometry.area * part.number,
    0,
  );

/** Layers of the structure that end at the line between two zones. */
const endsAt = ({ layers }: Part, a: Zone, b: Zone): number =>
  layers.filter(({ role, zones }) => role === 'structure' && zones.includes(a.id) !== zones.includes(b.id)).length;

/** What is laid already comes to: each zone where it holds, and the whole where it keeps what was asked of it. */
function asLaid(
  question: GridQuestion,
  { part, zones, meets }: ReadyPart,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
) {
  const { boat, weights, target, mostDropped, mostMaterials, stock } = question;
  const worths = zones.map((zone) => {
    const { laminatedArealWeight, cost, layers } = evaluations.get(zone.id)!;
    const hours =
      weights.hours > 0 ? layers.reduce((sum, { material }) => sum + hoursIn(question, zone, material), 0) : 0;
    const perArea = weights.mass * laminatedArealWeight + weights.cost * (cost ?? 0) + weights.hours * hours;
    return zone.geometry.area * part.number * perArea;
  });
  const values = zones.map(({ id }, z) =>
    holds(evaluations.get(id)!, target, trustedIn(boat, zones[z]!)) ? worths[z]! : Infinity,
  );
  const drops = mostDropped === null || meets.every(([a, b]) => endsAt(part, zones[a]!, zones[b]!) <= mostDropped);
  const keeps = drops && mostMaterials === null && stock.size === 0;
  const pieces = weights.pieces > 0 ? weights.pieces * piecesIn(boat as Boat, part.id) : 0;
  const sum = (list: readonly number[]) => list.reduce((total, value) => total + value, pieces);
  return { zones: values, together: keeps ? sum(values) : Infinity, objective: sum(worths) };
}

function* searched(
  problem: ZoneProblem,
  options: FrontOptions,
  { done, at }: Progress,
): Generator<GridStep, ZoneFront> {
  const search = zoneFront(problem, options);
  for (;;) {
    const step = search.next();
    if (step.done) return step.value;
    yield { done, at: `${at}, ${step.value} stacks` };
  }
}
