import { reaches } from '../quantity';
import { newLayer, type Boat, type Layer, type LayerRole, type Part, type Zone } from '../document';
import { usualRole } from '../edit';
import { evaluateZone, makeEvaluator, targetOf, type ZoneEvaluation } from '../evaluate';
import type { LayerMaterial, Material } from '../material';
import { USUAL_HABITS, type Habits } from './habits';
import { takeMaterials } from './takeMaterials';

/** Most fabrics tried in a single skin, and in both skins of a sandwich together. */
const MOST = { single: 40, sandwich: 16 };

/** What is laid in one zone, by count: fabrics behind the skin coat, and of a sandwich its core and inner skin. */
interface Stack {
  outer: number;
  /** m; null for a single skin. */
  core: number | null;
  inner: number;
}

const MOULDED: readonly Part['kind'][] = ['hull', 'deck', 'liner', 'small'];

/** Where nothing is laid yet: panels of the hull below the deck are solid by habit, all else has a core. */
const SOLID: readonly Zone['location'][] = ['bottom', 'side', 'transom'];
const coredBefore = (boat: Boat, part: Part, zone: Zone): boolean => {
  const laid = part.layers.filter(({ zones }) => zones.includes(zone.id));
  if (laid.length === 0) return !SOLID.includes(zone.location);
  return laid.some(({ material }) => boat.materials.find(({ id }) => id === material)?.kind === 'core');
};

/** The rows of a part for the stacks of its zones, from the mould face: layers run through all zones that need them. */
function rowsFor(
  part: Part,
  stacks: ReadonlyMap<string, Stack>,
  { habit, role }: { habit: Habits; role: (id: string) => LayerRole },
): Layer[] {
  const zonesWith = (has: (stack: Stack) => boolean) =>
    part.zones.filter(({ id }) => stacks.has(id) && has(stacks.get(id)!)).map(({ id }) => id);
  const rows: Omit<Layer, 'id' | 'group'>[] = [];
  const lay = (material: string, zones: string[], thickness: number | null = null) => {
    if (zones.length > 0) rows.push({ material, zones, thickness, angleDeg: 0, role: role(material) });
  };
  const run = (fabrics: readonly string[], count: (stack: Stack) => number) => {
    const most = Math.max(0, ...[...stacks.values()].map(count));
    for (let k = 0; k < most; k++)
      lay(
        fabrics[k % fabrics.length]!,
        zonesWith((stack) => count(stack) > k),
      );
  };
  const cored = (stack: Stack) => stack.core !== null;
  if (MOULDED.includes(part.kind)) {
    if (habit.coat)
      lay(
        habit.coat.material,
        zonesWith(() => true),
        habit.coat.thickness,
      );
    for (const fabric of habit.skin)
      lay(
        fabric,
        zonesWith(() => true),
      );
  }
  run(habit.single, (stack) => (cored(stack) ? 0 : stack.outer));
  run(habit.outer, (stack) => (cored(stack) ? stack.outer : 0));
  for (const thickness of habit.core.thicknesses)
    lay(
      habit.core.material,
      zonesWith((stack) => stack.core === thickness),
      thickness,
    );
  run(habit.inner, (stack) => stack.inner);
  return rows.map((row, i) => newLayer({ ...row, id: `${part.id}-first-${i + 1}`.slice(0, 40) }));
}

/** Stacks of a zone to be tried, each kind from light to heavy. */
function* stacksOf(cored: boolean, habit: Habits): Generator<Stack[]> {
  if (!cored) {
    yield Array.from({ length: MOST.single }, (_, i) => ({ outer: i + 1, core: null, inner: 0 }));
    return;
  }
  for (const core of habit.core.thicknesses)
    yield Array.from({ length: MOST.sandwich - 1 }, (_, i) => ({
      outer: Math.ceil((i + 2) / 2),
      core,
      inner: Math.floor((i + 2) / 2),
    }));
}

/** A boat with its first layers, and the zones that nothing tried brings to the target. */
export interface FirstLayup {
  boat: Boat;
  /** Ids of zones that are laid as heavily as was tried, and fail or cannot be checked. */
  lacking: string[];
}

/**
 * A first lay-up of a whole boat for its process: in every zone the lightest of a yard's usual stacks that reaches the
 * target by everything that zone must prove, with layers that run through the zones that share them. What was laid
 * before says only which zones have a core.
 *
 * It is a start, no optimum: one family of fabrics, one core, skins of a sandwich within one fabric of each other.
 *
 * @param shelf what the boat's book may take materials from.
 * @param process for another one than the boat's; its usual resin comes with it.
 * @throws KeramosError `invalid` when the Shelf lacks a material of the habit.
 * @example firstLayup(scaleBoat(launch, { hullLength: 9 }), GENERIC_MATERIALS).lacking // []
 */
export function firstLayup(boat: Boat, shelf: readonly Material[], process = boat.brief.process): FirstLayup {
  const habit = USUAL_HABITS[process];
  const resin = process === boat.brief.process ? boat.brief.resin : habit.resin;
  const wanted = [
    resin,
    ...(habit.coat ? [habit.coat.material] : []),
    ...habit.skin,
    ...habit.single,
    ...habit.outer,
    habit.core.material,
    ...habit.inner,
  ];
  const taken = takeMaterials(boat, wanted, shelf);
  let current: Boat = { ...taken, brief: { ...boat.brief, process, resin } };
  const byId = new Map(taken.materials.map((material) => [material.id, material]));
  const role = (id: string) => usualRole(byId.get(id) as LayerMaterial);
  const target = targetOf(boat);

  const laidWith = (part: Part, layers: Layer[]): [Boat, Part] => {
    const laid: Part = { ...part, layers, groups: [], joins: [] };
    return [{ ...current, parts: current.parts.map((one) => (one.id === part.id ? laid : one)) }, laid];
  };
  const weigh = (part: Part, zone: Zone, stack: Stack) => {
    const rows = rowsFor({ ...part, zones: [zone] }, new Map([[zone.id, stack]]), { habit, role });
    const { governing, unproven, laminatedArealWeight: mass } = evaluateZone(...laidWith(part, rows), zone);
    return { checked: governing !== null, meets: meets(governing, unproven), mass };
  };
  const meets = (governing: ZoneEvaluation['governing'], unproven: readonly unknown[]) =>
    governing !== null && unproven.length === 0 && reaches(governing.reserveFactor, target);

  /** The lightest that holds; else the heaviest tried, or the lightest where nothing can be checked. */
  const stackFor = (part: Part, zone: Zone): Stack => {
    let best: { stack: Stack; mass: number } | null = null;
    let fallback: Stack | null = null;
    for (const family of stacksOf(coredBefore(boat, part, zone), habit)) {
      fallback = family.at(-1)!;
      if (!weigh(part, zone, family[0]!).checked) return family[0]!;
      const stack = family.find((one) => weigh(part, zone, one).meets);
      if (!stack) continue;
      const { mass } = weigh(part, zone, stack);
      if (best === null || mass < best.mass) best = { stack, mass };
    }
    return best?.stack ?? fallback!;
  };

  // Bulkheads first: a panel that ends on one proves nothing until it is laid.
  const inTurn = [...boat.parts].sort((a, b) => Number(b.kind === 'bulkhead') - Number(a.kind === 'bulkhead'));
  for (const part of inTurn) {
    const stacks = new Map(part.zones.map((zone) => [zone.id, stackFor(part, zone)]));
    [current] = laidWith(part, rowsFor(part, stacks, { habit, role }));
  }
  const evaluations = makeEvaluator()(current);
  const lacking = [...evaluations.values()].filter(({ governing, unproven }) => !meets(governing, unproven));
  return { boat: current, lacking: lacking.map(({ zoneId }) => zoneId) };
}
