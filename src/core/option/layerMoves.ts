import { fabricArealWeight, hasDirection, normalAngle, type Fabric, type Material } from '../material';
import { applyEdits, type Edit } from '../edit';
import { KeramosError } from '../error';
import { saidLength } from '../quantity';
import { runToEnd, type Progress } from '../job';
import { evaluateZone, targetOf, type ZoneEvaluation } from '../evaluate';
import type { Boat, Layer, Part, Zone } from '../document';
import { harmless, marginChanges, wholeBoat, type MarginChange } from './wholeBoat';

export const MOVE_KINDS = {
  remove: 'take it out',
  add: 'one more',
  turn45: 'turn by 45°',
  turn90: 'turn by 90°',
  swap: 'swap the fabric',
  core: 'another core thickness',
} as const;
export type MoveKind = keyof typeof MOVE_KINDS;

/** A single change of one layer and what it does. */
export interface LayerMove {
  id: string;
  kind: MoveKind;
  layerId: string;
  /** In words: 'layer 4, TX 900: turn to 90°'. */
  title: string;
  edits: Edit[];
  /** What it adds to the laminate, or to the whole boat where it was tried on that (kg). */
  weight: number;
  /** Change of bending stiffness across the panel of the zone, as a share. */
  bending: number;
  /** Governing reserve factor of the zone after; null when it cannot be checked then. */
  reserveFactor: number | null;
  governs: string;
  /** Least governing reserve factor of all zones it touches. */
  leastReserve: number | null;
  /** In the yard's currency; null where a price is missing. */
  cost: number | null;
  /** Of the boat with its stiffeners and details; null where it was not tried on them. */
  whole: { mass: number; changes: MarginChange[] } | null;
}

/** Where a change holds: in the selected zone alone, or wherever the layer runs. */
export type MoveScope = 'zone' | 'layer';

const SWAP_RANGE = [0.5, 1.7] as const;

function freshId(boat: Boat, base: string): string {
  const known = new Set(boat.parts.flatMap((part) => part.layers.map((layer) => layer.id)));
  for (let n = 2; ; n++) {
    const id = `${base.slice(0, 34)}-${n}`;
    if (!known.has(id)) return id;
  }
}

/** A layer of a zone, and where a change of it holds. */
interface LayerAt {
  boat: Boat;
  part: Part;
  zone: Zone;
  layer: Layer;
  index: number;
  scope: MoveScope;
}

/** Edits that change a layer in its whole run, or in one zone only by putting a changed copy beside it there. */
function changed({ boat, part, zone, layer, index, scope }: LayerAt, patch: Partial<Layer>): Edit[] {
  if (scope === 'layer' || layer.zones.length === 1) {
    const { material, angleDeg, thickness } = { ...layer, ...patch };
    return [{ type: 'layer.set', layerId: layer.id, patch: { material, angleDeg, thickness } }];
  }
  return [
    { type: 'layer.cover', layerId: layer.id, zoneId: zone.id, covered: false },
    {
      type: 'layer.add',
      partId: part.id,
      layer: { ...layer, ...patch, id: freshId(boat, layer.id), zones: [zone.id] },
      index: index + 1,
    },
  ];
}

export interface Candidate {
  kind: MoveKind;
  title: string;
  edits: Edit[];
}

/** Thicknesses in which cores are sold (m). */
const CORE_STEPS = [3, 4, 5, 6, 8, 10, 12, 15, 18, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80].map((mm) => mm / 1000);

/** The core one step thinner and one thicker. */
function thicknessesOf(at: LayerAt, name: string): Candidate[] {
  const { thickness } = at.layer;
  if (thickness === null) return [];
  const steps = [
    CORE_STEPS.findLast((step) => step < thickness - 1e-6),
    CORE_STEPS.find((step) => step > thickness + 1e-6),
  ];
  return steps.flatMap((step): Candidate[] =>
    step === undefined
      ? []
      : [{ kind: 'core', title: `${name}: ${saidLength(step)} thick`, edits: changed(at, { thickness: step }) }],
  );
}

const isMat = (material: Material | undefined) =>
  material?.kind === 'fabric' && material.components.every(({ form }) => form === 'randomMat');

/**
 * Whether a layer is there for something that no check of strength counts: a coating, what comes off or is ground away,
 * mat against the mould's coating (skin coat, barrier), mat that ties a core to its skins. Such a layer is not offered
 * to be taken out or swapped.
 */
function isNeeded({ boat, part, zone, layer, index }: LayerAt): boolean {
  const materialOf = (one: Layer | undefined) => boat.materials.find(({ id }) => id === one?.material);
  const material = materialOf(layer);
  if (material?.kind === 'coating' || layer.role !== 'structure') return true;
  if (!isMat(material)) return false;
  const here = part.layers.map((one, at) => ({ one, at })).filter(({ one }) => one.zones.includes(zone.id));
  const own = here.findIndex(({ at }) => at === index);
  const neighbours = [here[own - 1], here[own + 1]].map((next) => materialOf(next?.one)?.kind);
  return own === 0 || neighbours.includes('coating') || neighbours.includes('core');
}

/** Every single change of a layer that a builder would think of. */
function candidatesOf(at: LayerAt, material: Material): Candidate[] {
  const { boat, part, zone, layer, index, scope } = at;
  const name = `layer ${index + 1}, ${'code' in material ? material.code : material.name}`;
  const takesOut: Edit[] =
    scope === 'layer' || layer.zones.length === 1
      ? [{ type: 'layer.remove', layerId: layer.id }]
      : [{ type: 'layer.cover', layerId: layer.id, zoneId: zone.id, covered: false }];
  const more: Layer = { ...layer, id: freshId(boat, layer.id), zones: scope === 'layer' ? layer.zones : [zone.id] };
  const takeOut: Candidate = { kind: 'remove', title: `${name}: take it out`, edits: takesOut };
  const needed = isNeeded(at);
  if (material.kind === 'core') return [takeOut, ...thicknessesOf(at, name)];
  if (material.kind !== 'fabric') return needed ? [] : [takeOut];
  const oneMore: Candidate = {
    kind: 'add',
    title: `${name}: one more`,
    edits: [{ type: 'layer.add', partId: part.id, layer: more, index: index + 1 }],
  };
  if (needed) return [oneMore];
  return [takeOut, oneMore, ...turnsOf(at, name, material), ...swapsOf(at, name, material)];
}

/** Every single change of a layer of a zone that a builder would think of, in laying order. */
export const singleChanges = (boat: Boat, part: Part, zone: Zone, scope: MoveScope): Candidate[] =>
  part.layers.flatMap((layer, index) => {
    const material = boat.materials.find(({ id }) => id === layer.material)!;
    return layer.zones.includes(zone.id) ? candidatesOf({ boat, part, zone, layer, index, scope }, material) : [];
  });

function turnsOf(at: LayerAt, name: string, material: Fabric): Candidate[] {
  if (!hasDirection(material)) return [];
  return (
    [
      ['turn45', 45],
      ['turn90', 90],
    ] as const
  ).map(([kind, by]) => {
    const angleDeg = normalAngle(at.layer.angleDeg + by);
    return { kind, title: `${name}: turn to ${angleDeg}°`.replace('-', '−'), edits: changed(at, { angleDeg }) };
  });
}

function swapsOf(at: LayerAt, name: string, material: Fabric): Candidate[] {
  const weight = fabricArealWeight(material);
  return at.boat.materials.flatMap((other): Candidate[] => {
    if (other.kind !== 'fabric' || other.id === material.id) return [];
    const share = fabricArealWeight(other) / weight;
    if (share < SWAP_RANGE[0] || share > SWAP_RANGE[1]) return [];
    return [{ kind: 'swap', title: `${name}: ${other.code} instead`, edits: changed(at, { material: other.id }) }];
  });
}

/** Bending stiffness across the shorter side of the panel. */
function spanStiffness({ geometry }: Zone, { stiffness }: ZoneEvaluation): number {
  const axis = geometry.panelBreadth <= geometry.panelLength ? 1 : 0;
  return stiffness?.D[axis][axis] ?? NaN;
}

export interface MovesInput {
  boat: Boat;
  part: Part;
  zone: Zone;
  /** Of the boat as it stands. */
  evaluations: ReadonlyMap<string, ZoneEvaluation>;
  scope: MoveScope;
}

/** What one candidate does; null for one that does nothing, or that the boat does not take. */
function moveOf(input: MovesInput, layer: Layer, { kind, title, edits }: Candidate): LayerMove | null {
  const { boat, part, zone, evaluations, scope } = input;
  let after: Boat;
  try {
    after = applyEdits(boat, edits).boat;
  } catch (error) {
    if (!(error instanceof KeramosError)) throw error;
    return null;
  }
  const before = evaluations.get(zone.id)!;
  const changedPart = after.parts.find(({ id }) => id === part.id)!;
  const touched = part.zones.filter(({ id }) => id === zone.id || (scope === 'layer' && layer.zones.includes(id)));
  const results = touched.map((one) => ({
    one,
    old: evaluations.get(one.id)!,
    now: evaluateZone(after, changedPart, one),
  }));
  const own = results.find(({ one }) => one.id === zone.id)!.now;
  // A zone that is not proven has no reserve to speak of.
  const reserves = results.map(({ now }) => (now.unproven.length > 0 ? null : (now.governing?.reserveFactor ?? null)));
  const sum = (pick: (e: ZoneEvaluation) => number) =>
    results.reduce((total, { one, old, now }) => total + one.geometry.area * (pick(now) - pick(old)), 0);
  const costs = results.flatMap(({ old, now }) => [old.cost, now.cost]);
  const move: LayerMove = {
    id: `${layer.id}|${title}`,
    kind,
    layerId: layer.id,
    title,
    edits,
    weight: sum((e) => e.laminatedArealWeight),
    bending: spanStiffness(zone, own) / spanStiffness(zone, before) - 1,
    reserveFactor: own.governing?.reserveFactor ?? null,
    governs: own.governing?.governs ?? own.problem ?? '',
    leastReserve: reserves.includes(null) ? null : Math.min(...(reserves as number[])),
    cost: costs.includes(null) ? null : sum((e) => e.cost ?? 0),
    whole: null,
  };
  const idle =
    Math.abs(move.weight) < 1e-9 &&
    move.reserveFactor === before.governing?.reserveFactor &&
    Math.abs(move.bending) < 1e-9;
  return idle ? null : move;
}

/** Moves that are tried on the whole boat, by each order in which they may be proposed. */
const TRIED = 12;

/** What a move gains in reserve for each kilogram; endless where it weighs nothing. */
const gainPerKilogram = ({ reserveFactor, weight }: LayerMove, now: number): number =>
  ((reserveFactor ?? 0) - now) / Math.max(1e-9, weight);

const byWeight = (a: LayerMove, b: LayerMove) => a.weight - b.weight;
const byReserve = (a: LayerMove, b: LayerMove) => (b.reserveFactor ?? -1) - (a.reserveFactor ?? -1) || byWeight(a, b);

/** The moves that may be proposed, by what is asked of the zone: reserve as it stands, and the target of the boat. */
function proposable(
  moves: readonly LayerMove[],
  { now, target }: { now: number; target: number },
): Record<'lightest' | 'strongest' | 'perKilogram', LayerMove[]> {
  const stronger = moves.filter(({ reserveFactor }) => (reserveFactor ?? 0) > now * (1 + 1e-9));
  return {
    lightest: moves.filter(({ weight, leastReserve }) => weight < 0 && (leastReserve ?? 0) >= target).sort(byWeight),
    strongest: [...stronger].sort(byReserve),
    perKilogram: [...stronger].sort((a, b) => gainPerKilogram(b, now) - gainPerKilogram(a, now) || byReserve(a, b)),
  };
}

/**
 * What each layer of a zone buys, as a job: one step a layer, then one a move that is tried on stiffeners, details and
 * every zone of the boat: those that are likely to be proposed.
 * @returns the moves, strongest first; a move that turns out the same stack as before is left out.
 */
export function* layerMovesJob(input: MovesInput): Generator<Progress, LayerMove[]> {
  const { boat, part, zone, scope, evaluations } = input;
  const materials = new Map(boat.materials.map((material) => [material.id, material]));
  const moves: LayerMove[] = [];
  for (const [index, layer] of part.layers.entries()) {
    if (!layer.zones.includes(zone.id)) continue;
    const at = { boat, part, zone, layer, index, scope };
    for (const candidate of candidatesOf(at, materials.get(layer.material)!)) {
      const move = moveOf(input, layer, candidate);
      if (move) moves.push(move);
    }
    yield { done: (0.5 * (index + 1)) / part.layers.length, at: `layer ${index + 1}` };
  }
  const now = evaluations.get(zone.id)?.governing?.reserveFactor ?? 0;
  const orders = Object.values(proposable(moves, { now, target: targetOf(boat) }));
  const tried = [...new Set(orders.flatMap((some) => some.slice(0, TRIED)))];
  const before = wholeBoat(boat, evaluations);
  for (const [i, move] of tried.entries()) {
    const { boat: after } = applyEdits(boat, move.edits);
    const changedZones = after.parts.flatMap((one) =>
      one.zones.flatMap((each) =>
        boat.parts.includes(one) ? [] : [[each.id, evaluateZone(after, one, each)] as const],
      ),
    );
    const whole = wholeBoat(after, new Map([...evaluations, ...changedZones]));
    move.whole = { mass: whole.mass, changes: marginChanges(before, whole) };
    move.weight = whole.mass - before.mass;
    yield { done: 0.5 + (0.5 * (i + 1)) / tried.length, at: move.title };
  }
  return moves.sort(byReserve);
}

/**
 * What each layer of a zone buys: for every layer what it costs or gains to take it out, lay one more, turn it, or swap
 * its fabric for another of the boat.
 *
 * @example layerMoves({ boat, part: hull, zone: bottom, evaluations, scope: 'layer' })[0].title
 * // 'layer 4, TX 900: turn to 90°'
 * Source: differences of the same evaluation that Lay-up shows.
 */
export const layerMoves = (input: MovesInput): LayerMove[] => runToEnd(layerMovesJob(input));

export const NEXT_STEPS = ['lightest', 'strongest', 'perKilogram'] as const;
export type NextStep = (typeof NEXT_STEPS)[number];

/**
 * The single change that takes the most weight out of the boat and leaves every margin it moves at the target; the one
 * that makes a zone strongest; or the one that gains most reserve for each kilogram, which helps on a zone that no
 * single change brings to its target. None brings another zone, a stiffener or a detail below the target, or further
 * below it.
 *
 * @param moves of the zone. @param of the reserve of the zone as it stands, and the target every margin should keep.
 * @returns null when no change that was tried on the whole boat does it.
 * @example nextStep('lightest', layerMoves(input), { now: 1.2, target: 1.1 })?.title // 'layer 19, BX 400: take it out'
 */
export function nextStep(
  which: NextStep,
  moves: readonly LayerMove[],
  of: { now: number; target: number },
): LayerMove | null {
  return proposable(moves, of)[which].find(({ whole }) => whole !== null && harmless(whole.changes, of.target)) ?? null;
}
