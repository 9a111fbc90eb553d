import { targetOf } from '../../evaluate';
import { KeramosError } from '../../error';
import { applyEdits, fetchMaterials } from '../../edit';
import type { HabitRules, Habits } from '../habits';
import type { SolveInteger } from './coupleZones';
import { materialsOf, spaceOfHabits } from './habitSpace';
import { optimisePart, type GridStep } from './optimisePart';
import { baseOf, LIGHTEST, type ProposeInput } from './propose';

/** What a habit costs: how much less a part would come to without it. */
export interface HabitCost {
  habit: keyof HabitRules | 'skin';
  /** kg (or in what is made least) that would be saved in all parts together; null where nothing holds either way. */
  saves: number | null;
}

/** Every rule given up, by its name; null where it asks nothing as it stands. */
const GIVEN_UP: Record<HabitCost['habit'], (habits: Habits) => Habits | null> = {
  skin: (habits) => (habits.skin.length > 0 ? { ...habits, skin: [] } : null),
  inTurn: without('inTurn', false),
  alike: without('alike', null),
  between: without('between', null),
  tie: without('tie', null),
  symmetric: without('symmetric', false),
  balanced: without('balanced', false),
  solid: ({ rules, ...rest }) => (rules.solid.length > 0 ? { ...rest, rules: { ...rules, solid: [] } } : null),
  solidKeel: without('solidKeel', false),
  hardware: without('hardware', null),
  slamming: ({ rules, core, ...rest }) => {
    if (rules.slamming === core.material) return null;
    return { ...rest, core, rules: { ...rules, slamming: core.material } };
  },
  ply: without('ply', { least: 0, most: 5 }),
  mostMaterials: without('mostMaterials', null),
  mostDropped: without('mostDropped', null),
  leastLayers: without('leastLayers', 0),
  mostLayers: () => null,
};
function without<K extends keyof HabitRules>(key: K, free: HabitRules[K]) {
  return ({ rules, ...rest }: Habits): Habits | null =>
    JSON.stringify(rules[key]) === JSON.stringify(free) ? null : { ...rest, rules: { ...rules, [key]: free } };
}

/** Stacks looked at of a zone. */
const BUDGET = 20_000;

/**
 * What each habit costs: the least that the zones come to with all of them, against the least with one given up; of
 * the zones by themselves, without what details ask for.
 *
 * @returns every habit that asks anything, the dearest first.
 */
export function* habitCosts(
  { boat, partIds, habits, shelf, weights = LIGHTEST, target = targetOf(boat) }: ProposeInput,
  solve: SolveInteger,
): Generator<GridStep, HabitCost[]> {
  const all = new Map([...shelf, ...boat.materials].map((material) => [material.id, material]));
  const wanted = materialsOf(habits).flatMap((id) => all.get(id) ?? []);
  const { boat: book } = applyEdits(boat, fetchMaterials(boat, [...all.values()], wanted));
  const parts = book.parts.filter(({ id, zones }) => (partIds === null || partIds.includes(id)) && zones.length > 0);
  const kinds = (Object.keys(GIVEN_UP) as HabitCost['habit'][]).flatMap((habit) => {
    const own = GIVEN_UP[habit](habits);
    return own ? [{ habit, own }] : [];
  });
  /** The least of all parts that something holds in; infinite where nothing does. */
  function* leastOf(
    own: Habits,
    [from, to]: readonly [number, number],
    at: string,
  ): Generator<GridStep, Map<string, number>> {
    const least = new Map<string, number>();
    for (const [i, part] of parts.entries()) {
      yield { done: from + ((to - from) * i) / parts.length, at };
      const bare = { ...book, parts: book.parts.map((one) => (one.id === part.id ? baseOf(book, part, own) : one)) };
      try {
        const steps = optimisePart({
          boat: bare,
          partId: part.id,
          zoneIds: null,
          free: [],
          spaceOf: (zone) => spaceOfHabits(bare, part, zone, own),
          weights,
          target,
          mostDropped: own.rules.mostDropped,
          mostMaterials: own.rules.mostMaterials,
          stock: new Map(),
          effort: { budget: BUDGET, list: 60, gap: 0.002, tidy: 0 },
          solve,
        });
        for (let step = steps.next(); ; step = steps.next())
          if (step.done) {
            least.set(part.id, step.value.after.objective);
            break;
          } else yield { done: from + ((to - from) * (i + step.value.done)) / parts.length, at };
      } catch (error) {
        if (!(error instanceof KeramosError)) throw error;
      }
    }
    return least;
  }
  const share = 1 / (kinds.length + 1);
  const base = yield* leastOf(habits, [0, share], 'all habits kept');
  const costs: HabitCost[] = [];
  for (const [i, { habit, own }] of kinds.entries()) {
    const least = yield* leastOf(own, [(i + 1) * share, (i + 2) * share], habit);
    const both = [...base].flatMap(([id, value]) => (least.has(id) ? [value - least.get(id)!] : []));
    costs.push({ habit, saves: both.length > 0 ? both.reduce((sum, one) => sum + one, 0) : null });
  }
  return costs.sort((a, b) => (b.saves ?? -Infinity) - (a.saves ?? -Infinity));
}
