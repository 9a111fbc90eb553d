import type { Boat, Part, Zone } from '../../document';
import { invalid } from '../../error';
import { cracksUnderBlows, slams } from '../../evaluate';
import { neighboursOf } from '../../lines';
import type { Core, Fabric, Material } from '../../material';
import type { HabitRules, Habits } from '../habits';
import { rowsOf, type CoreChoice, type Member, type RowKey, type Stack, type StackSpace } from './stackSpace';

/** A cloth as the habits name it: a material, and an angle where it is not laid along: 'ud-600@90'. */
export function clothOf(name: string): Member {
  const [material, angle] = name.split('@') as [string, string?];
  return { material, angleDeg: angle === undefined ? 0 : Number(angle) };
}

/** Every material that the habits name. */
export const materialsOf = ({ coat, skin, single, outer, inner, core, rules }: Habits): string[] => [
  ...new Set([
    ...(coat ? [coat.material] : []),
    ...[...skin, ...single, ...outer, ...inner].map((name) => clothOf(name).material),
    core.material,
    ...(rules.hardware ? [rules.hardware] : []),
    ...(rules.slamming ? [rules.slamming] : []),
    ...(rules.tie ? [rules.tie] : []),
    ...(rules.between ? [rules.between] : []),
  ]),
];

const dryWeight = ({ components }: Fabric) => components.reduce((sum, { arealWeight }) => sum + arealWeight.value, 0);
const formsOf = ({ components }: Fabric) => components.map(({ form }) => form);

/** Whether a zone is one that never has a core. */
export function isSolid(boat: Boat, part: Part, zone: Zone, rules: HabitRules): boolean {
  if (rules.solid.includes(zone.location)) return true;
  return rules.solidKeel && neighboursOf(boat, part).some(({ a, b }) => a === zone.id && b === zone.id);
}

/**
 * The stacks that a yard's habits make of a zone.
 *
 * @param boat with every material of the habits in its book.
 * @throws KeramosError `invalid` that names the habits that contradict each other.
 */
export function spaceOfHabits(boat: Boat, part: Part, zone: Zone, habits: Habits): StackSpace {
  const { rules } = habits;
  const materials = new Map<string, Material>(boat.materials.map((material) => [material.id, material]));
  const fabricOf = (id: string, what: string): Fabric => {
    const material = materials.get(id);
    if (material?.kind !== 'fabric')
      throw invalid(`habits.${what}`, `${material?.name ?? id} is no fabric: the habits lay it as one`);
    return material;
  };
  const coreOf = (id: string): Core => {
    const core = materials.get(id);
    if (core?.kind !== 'core') throw invalid('habits.core', `${core?.name ?? id} is no core: the habits lay it as one`);
    return core;
  };
  const tie = rules.tie === null ? null : clothOf(rules.tie);
  const choice = ({ id }: Core, thicknesses: readonly number[]): CoreChoice => {
    return { material: id, thicknesses: [...thicknesses].sort((a, b) => a - b), tie };
  };
  const usual = coreOf(habits.core.material);
  const dense = rules.hardware === null ? null : coreOf(rules.hardware);
  const tough = rules.slamming === null ? null : coreOf(rules.slamming);
  const others = [...new Set([dense, tough])].filter((core) => core !== null && core.id !== usual.id) as Core[];
  const cores = [choice(usual, habits.core.thicknesses), ...others.map((core) => choice(core, core.thicknesses))];
  const here = coreHere();
  const usable = (names: readonly string[], what: string): Member[] => {
    const own = names.map(clothOf).filter(({ material }) => {
      const weight = dryWeight(fabricOf(material, what));
      return weight >= rules.ply.least && weight <= rules.ply.most;
    });
    if (own.length === 0)
      throw invalid(
        'habits.rules.ply',
        `The habits leave no cloth for the ${what} skin: every one is lighter or heavier than a ply may be`,
      );
    return own;
  };
  const lists = {
    single: usable(habits.single, 'single'),
    outer: usable(habits.outer, 'outer'),
    inner: usable(habits.inner, 'inner'),
  };
  const key = ({ material, angleDeg }: Member) => `${material}@${angleDeg}`;
  const outer = [...new Map([...lists.outer, ...lists.single].map((member) => [key(member), member])).values()];
  const inner = [...new Map(lists.inner.map((member) => [key(member), member])).values()];
  const places = (members: readonly Member[], list: readonly Member[]) =>
    list.map((member) => members.findIndex((one) => key(one) === key(member)));
  const cycles = {
    inTurn: rules.inTurn,
    single: places(outer, lists.single),
    outer: places(outer, lists.outer),
    inner: places(inner, lists.inner),
  };
  const each = rules.inTurn
    ? cycles
    : {
        inTurn: false,
        single: [...new Set(cycles.single)],
        outer: [...new Set(cycles.outer)],
        inner: [...new Set(cycles.inner)],
      };
  const space: StackSpace = {
    outer,
    inner,
    cores,
    usable: here === null ? [] : [cores.findIndex(({ material }) => material === here.id)],
    cycles: each,
    solid: true,
    runsOn: rules.inTurn,
    most: rules.mostLayers,
    lawful: (stack) => isLawful(stack),
  };
  const memberOf = (row: RowKey): Member => {
    const [side, a, b, layer] = row.split('|') as ['outer' | 'inner' | 'core', string, string, string?];
    if (side !== 'core') return space[side][Number(b)]!;
    const { material, tie: tied } = cores[Number(a)]!;
    return layer === '1' ? { material, angleDeg: 0 } : tied!;
  };
  const fixed = habits.skin.map(clothOf);
  const roving = new Set(
    boat.materials.flatMap((one) => (one.kind === 'fabric' && one.family === 'roving' ? [one.id] : [])),
  );
  const mat = new Set(
    boat.materials.flatMap((one) => (one.kind === 'fabric' && formsOf(one).includes('randomMat') ? [one.id] : [])),
  );
  return space;

  /** The core that the habits put in this zone: what the blows ask for comes before what bolts do. */
  function coreHere(): Core | null {
    if (isSolid(boat, part, zone, rules)) return null;
    if (slams(boat, zone)) return tough ?? (cracksUnderBlows(usual) ? null : usual);
    const bolted = boat.details.some(({ kind, zone: on }) => kind === 'bolted' && on === zone.id);
    return bolted && dense ? dense : usual;
  }
  function isLawful(stack: Stack): boolean {
    const layers = (counts: readonly number[]) => counts.reduce((sum, count) => sum + count, 0);
    const least = stack.core === null ? layers(stack.outer) : Math.min(layers(stack.outer), layers(stack.inner));
    if (least < rules.leastLayers) return false;
    if (rules.symmetric && stack.core !== null && !sameSkins(stack)) return false;
    if (rules.balanced && !isBalanced(stack)) return false;
    if (rules.alike === null && rules.between === null) return true;
    const laid = [...fixed, ...rowsOf(stack, space).map(memberOf)];
    let run = 0;
    for (let i = 0; i < laid.length; i++) {
      run = i > 0 && key(laid[i]!) === key(laid[i - 1]!) ? run + 1 : 1;
      if (rules.alike !== null && run > rules.alike) return false;
      // Two rovings that lie on each other want mat between, unless one brings its own.
      if (rules.between !== null && i > 0 && [laid[i]!, laid[i - 1]!].every(isBareRoving)) return false;
    }
    return true;
  }
  function isBareRoving({ material }: Member) {
    return roving.has(material) && !mat.has(material);
  }
  function sameSkins({ outer: o, inner: n }: Stack): boolean {
    const counts = (members: readonly Member[], list: readonly number[]) =>
      members.flatMap((member, i) => Array.from({ length: list[i]! }, () => key(member))).sort();
    return counts(outer, o).join() === counts(inner, n).join();
  }
  function isBalanced({ outer: o, inner: n }: Stack): boolean {
    const lean = new Map<string, number>();
    const add = ({ material, angleDeg }: Member, count: number) => {
      if (angleDeg % 90 === 0) return;
      const at = `${material}@${Math.abs(angleDeg)}`;
      lean.set(at, (lean.get(at) ?? 0) + Math.sign(angleDeg) * count);
    };
    outer.forEach((member, i) => add(member, o[i]!));
    inner.forEach((member, i) => add(member, n[i]!));
    return [...lean.values()].every((sum) => sum === 0);
  }
}
