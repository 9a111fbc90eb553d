import { newLayer, type Boat, type Layer, type Part } from '../../document';
import { applyEdits, fetchMaterials, usualRole, type Edit } from '../../edit';
import { invalid, KeramosError } from '../../error';
import { makeEvaluator, targetOf } from '../../evaluate';
import type { LayerMaterial, Material } from '../../material';
import { reaches } from '../../quantity';
import { forDetails, stiffenersOf, type LaidHeavier } from './forDetails';
import type { Habits } from '../habits';
import { marginChanges, wholeBoat, type Margin, type MarginChange } from '../wholeBoat';
import type { SolveInteger } from './coupleZones';
import { clothOf, materialsOf, spaceOfHabits } from './habitSpace';
import { bindingOf, massOf, optimisePart, type Binding, type GridAnswer, type GridStep } from './optimisePart';
import type { Effort, GridQuestion, Weights } from './readyPart';
import { relayPart } from './relayPart';
import type { ZoneFront } from './zoneFront';

export interface ProposeInput {
  boat: Boat;
  /** Null for every part. */
  partIds: readonly string[] | null;
  habits: Habits;
  shelf: readonly Material[];
  weights?: Weights;
  target?: number;
}

/** What a part comes to by a proposal. */
export interface ProposedPart {
  partId: string;
  name: string;
  /** kg in its zones, all of the number-off together. */
  before: number;
  after: number;
  /** Proven: nothing within the habits weighs less (kg, or in what is made least). */
  bound: number;
  gap: number;
  evaluated: number;
  binding: Binding[];
}

export interface Proposal {
  edits: Edit[];
  parts: ProposedPart[];
  /** Parts for which nothing was found, and why. */
  refused: { partId: string; name: string; reason: string }[];
  /** Zones laid heavier than by themselves, for a detail that stands in them. */
  heavierFor: LaidHeavier[];
  /** Stiffener sections that had to grow. */
  grown: string[];
  /** Margins of stiffeners and details that stay below the target: they hang on something else than these layers. */
  below: Margin[];
  mass: { before: number; after: number };
  changes: MarginChange[];
}

const MOULDED: readonly Part['kind'][] = ['hull', 'deck', 'liner', 'small'];
const EFFORT: Effort = { budget: 40_000, list: 60, gap: 0.002, tidy: 0.004 };
export const LIGHTEST: Weights = { mass: 1, cost: 0, hours: 0, pieces: 0 };

/** The part with what the habits lay under everything, and with what comes off again or is ground away. */
export function baseOf(boat: Boat, part: Part, habits: Habits): Part {
  const roleOf = (id: string) => usualRole(boat.materials.find((one) => one.id === id) as LayerMaterial);
  const zones = part.zones.map(({ id }) => id);
  const row = (material: string, at: string, more: Partial<Layer> = {}): Layer =>
    newLayer({ id: `${part.id.slice(0, 20)}-under-${at}`, material, zones, role: roleOf(material), ...more });
  const under = MOULDED.includes(part.kind)
    ? [
        ...(habits.coat ? [row(habits.coat.material, 'coat', { thickness: habits.coat.thickness })] : []),
        ...habits.skin.map(clothOf).map(({ material, angleDeg }, i) => row(material, `skin-${i + 1}`, { angleDeg })),
      ]
    : [];
  const kept = part.layers.filter(({ role }) => role !== 'structure').map((layer) => ({ ...layer, group: null }));
  return {
    ...part,
    layers: [...under, ...kept],
    groups: [],
    joins: part.joins.map((join) => ({ ...join, laps: [], runOuts: [] })),
  };
}

const withPart = (boat: Boat, part: Part): Boat => ({
  ...boat,
  parts: boat.parts.map((one) => (one.id === part.id ? part : one)),
});

/**
 * A whole schedule from Brief and zones: for every part the lightest (or cheapest) that its zones prove, inside the
 * habits of the yard; then heavier where a detail asks for it, and with stiffener sections that hold.
 *
 * What was laid before is replaced; what comes off again stays. One part that cannot be laid does not hold up others.
 *
 * @throws KeramosError `invalid` when the habits contradict each other or name what the Shelf lacks.
 */
export function* propose(
  { boat, partIds, habits, shelf, weights = LIGHTEST, target = targetOf(boat) }: ProposeInput,
  { solve, known }: { solve: SolveInteger; known?: ReadonlyMap<string, ZoneFront> },
): Generator<GridStep, Proposal> {
  const parts = boat.parts.filter(({ id, zones }) => (partIds === null || partIds.includes(id)) && zones.length > 0);
  if (parts.length === 0) throw invalid('parts', 'No part has a zone yet: add one under Zones');
  const all = [...shelf, ...boat.materials];
  const lacking = materialsOf(habits).find((id) => !all.some((one) => one.id === id));
  if (lacking !== undefined)
    throw invalid('habits', `The habits name "${lacking}", which neither the boat nor the Shelf has`);
  const byId = new Map(all.map((material) => [material.id, material]));
  const fetched = fetchMaterials(
    boat,
    all,
    materialsOf(habits).map((id) => byId.get(id)!),
  );
  const edits: Edit[] = [...fetched];
  let current = applyEdits(boat, fetched).boat;
  const proposed: ProposedPart[] = [];
  const refused: Proposal['refused'] = [];
  const heavierFor: Proposal['heavierFor'] = [];

  // Bulkheads first: a panel that ends on one proves nothing until it is laid.
  const inTurn = [...parts].sort((a, b) => Number(b.kind === 'bulkhead') - Number(a.kind === 'bulkhead'));
  for (const [i, { id }] of inTurn.entries()) {
    const part = current.parts.find((one) => one.id === id)!;
    const bare = withPart(current, baseOf(current, part, habits));
    const question: GridQuestion = {
      boat: bare,
      partId: id,
      zoneIds: null,
      free: [],
      spaceOf: (zone) => spaceOfHabits(bare, part, zone, habits),
      weights,
      target,
      mostDropped: habits.rules.mostDropped,
      mostMaterials: habits.rules.mostMaterials,
      stock: new Map(),
      effort: EFFORT,
      solve,
      ...(known && { known }),
    };
    try {
      const answer = yield* told(optimisePart(question), [i / inTurn.length, (i + 1) / inTurn.length], part.name);
      const { edits: relaid, heavier } = forDetails(question, answer);
      const after = applyEdits(bare, relaid).boat;
      heavierFor.push(...heavier);
      const laid = relayPart(part, after.parts.find((one) => one.id === id)!.layers);
      edits.push(...laid);
      current = applyEdits(current, laid).boat;
      const evaluations = makeEvaluator()(current);
      const now = current.parts.find((one) => one.id === id)!;
      proposed.push({
        partId: id,
        name: part.name,
        before: massOf({ part: now, zones: now.zones }, makeEvaluator()(boat)),
        after: massOf({ part: now, zones: now.zones }, evaluations),
        bound: answer.bound,
        gap: answer.gap,
        evaluated: answer.evaluated,
        binding: now.zones.map(({ id: zone }) => bindingOf(evaluations.get(zone)!)),
      });
    } catch (error) {
      if (!(error instanceof KeramosError) || error.path.startsWith('habits')) throw error;
      refused.push({ partId: id, name: part.name, reason: error.text });
    }
  }
  if (proposed.length === 0) throw invalid('choices', refused.map(({ reason }) => reason).join(' '));

  const { sections, grown } = stiffenersOf(current);
  edits.push(...sections);
  current = applyEdits(current, sections).boat;
  const [was, is] = [boat, current].map((one) => wholeBoat(one, makeEvaluator()(one)));
  return {
    edits,
    parts: parts.flatMap(({ id }) => proposed.filter(({ partId }) => partId === id)),
    refused,
    heavierFor,
    grown,
    below: is!.margins.filter(({ of, reserveFactor }) => of !== 'zone' && !reaches(reserveFactor ?? 0, target)),
    mass: { before: was!.mass, after: is!.mass },
    changes: marginChanges(was!, is!),
  };
}

function* told(
  steps: Generator<GridStep, GridAnswer>,
  [from, to]: readonly [number, number],
  name: string,
): Generator<GridStep, GridAnswer> {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    const { done, at, ...rest } = step.value;
    yield { ...rest, done: from + (to - from) * done, at: `${name}: ${at}` };
  }
}
