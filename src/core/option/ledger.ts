import { evaluateDetails } from '../detail/kinds';
import type { Boat, Layer, Part } from '../document';
import { KeramosError } from '../error';
import { makeEvaluator, type ZoneEvaluation } from '../evaluate';
import { same } from '../field';
import type { GridStep } from './search/optimisePart';
import { saidLength } from '../quantity';
import { boatWeight } from '../weight';
import { gridChange } from './gridChange';

/** One change of the way from one schedule to another, with what it does. */
export interface LedgerStep {
  title: string;
  /** Of the part it changes; null for the whole boat. */
  part: string | null;
  /** The material it is about; null where it is about something else. */
  about: string | null;
  /** kg of the boat that it adds. */
  mass: number;
  /** The reserve of every zone after it, by id; null where it is not proven or cannot be checked. */
  reserves: Record<string, number | null>;
}

/** The whole way: its steps add up to the difference. */
export interface Ledger {
  mass: { before: number; after: number };
  /** Before the first step. */
  reserves: Record<string, number | null>;
  steps: LedgerStep[];
}

const codeIn = ({ materials }: Boat, id: string): string => {
  const material = materials.find((one) => one.id === id);
  if (!material) return id;
  return 'code' in material ? material.code : material.name;
};
const named = (boat: Boat, { material, angleDeg, thickness }: Layer): string =>
  [
    codeIn(boat, material),
    ...(angleDeg === 0 ? [] : [`${angleDeg}°`.replace('-', '−')]),
    ...(thickness === null ? [] : [saidLength(thickness)]),
  ].join(' ');

/** A state on the way, and what it was that led to it. */
interface State {
  title: string;
  part: string | null;
  about: string | null;
  boat: Boat;
}

const withPart = (boat: Boat, part: Part): Boat => ({
  ...boat,
  parts: boat.parts.map((one) => (one.id === part.id ? part : one)),
});
/** Layers cover zones that are there. */
const within = (part: Part, layers: readonly Layer[]): Part => {
  const zones = new Set(part.zones.map(({ id }) => id));
  return {
    ...part,
    groups: [],
    layers: layers.map((layer) => ({ ...layer, group: null, zones: layer.zones.filter((id) => zones.has(id)) })),
  };
};

/** The layers of a part one change after the other. */
function* layerStates(boat: Boat, before: Part, after: Part, book: Boat): Generator<State> {
  let current = boat;
  let list = [...before.layers];
  let last: string | null = null;
  const zoneNames = new Map([...before.zones, ...after.zones].map(({ id, name }) => [id, name]));
  const step = function* (title: string, next: Layer[], about: string | null = null): Generator<State> {
    list = next;
    current = withPart(
      current,
      within(
        current.parts.find(({ id }) => id === before.id)!,
        list,
      ),
    );
    yield { title, part: before.name, about, boat: current };
  };
  for (const { layer, before: was, after: is } of gridChange(before, after)) {
    const there = list.findIndex(({ id }) => id === layer.id);
    const now = after.layers.find(({ id }) => id === layer.id);
    if (!now)
      yield* step(
        `${named(book, layer)} goes`,
        list.filter(({ id }) => id !== layer.id),
        codeIn(book, layer.material),
      );
    else if (there < 0) {
      const at = last === null ? 0 : list.findIndex(({ id }) => id === last) + 1;
      yield* step(`${named(book, layer)} comes`, list.toSpliced(at, 0, layer), codeIn(book, layer.material));
    } else if (!same({ ...list[there]!, group: null, zones: [] }, { ...now, group: null, zones: [] }))
      yield* step(
        `${named(book, list[there]!)} becomes ${named(book, now)}`,
        list.with(there, { ...now, zones: was as string[] }),
        codeIn(book, now.material),
      );
    const [more, less] = [is.filter((id) => !was.includes(id)), was.filter((id) => !is.includes(id))];
    if (now && there >= 0 && more.length + less.length > 0) {
      const names = (ids: readonly string[]) => ids.map((id) => zoneNames.get(id) ?? id).join(', ');
      const said = [
        ...(more.length > 0 ? [`into ${names(more)}`] : []),
        ...(less.length > 0 ? [`out of ${names(less)}`] : []),
      ];
      yield* step(
        `${named(book, now)} ${said.join(', ')}`,
        list.map((one) => (one.id === layer.id ? now : one)),
        codeIn(book, now.material),
      );
    }
    if (now) last = layer.id;
  }
  if (list.some(({ id }, i) => id !== after.layers[i]?.id)) yield* step('the order of its layers', [...after.layers]);
}

/** What else a boat is made of, in the order in which it is taken over. */
const REST = [
  ['The Brief', ['brief']],
  ['Hull and deck', ['hull', 'deck']],
  ['Zones, laps and numbers off', ['parts']],
  ['Supports', ['supports']],
  ['Stiffener sections', ['sections']],
  ['Standards', ['packs', 'references']],
  ['Details and their loads', ['loads', 'details']],
] as const satisfies readonly (readonly [string, readonly (keyof Boat)[]])[];

/** The states on the way from one boat to another. */
function* statesBetween(before: Boat, after: Boat): Generator<State> {
  const own = new Map(before.materials.map((material) => [material.id, material]));
  const theirs = new Map(after.materials.map((material) => [material.id, material]));
  const changed = after.materials.filter(({ id }) => own.has(id) && !same(own.get(id), theirs.get(id)));
  const book = { ...before, materials: [...new Map([...own, ...theirs]).values()] };
  let current: Boat = book;
  if (changed.length > 0)
    yield { title: `Figures of ${changed.map(({ name }) => name).join(', ')}`, part: null, about: null, boat: book };
  for (const part of before.parts) {
    const other = after.parts.find(({ id }) => id === part.id);
    if (!other || same(part.layers, other.layers)) continue;
    for (const state of layerStates(current, part, other, book)) {
      yield state;
      current = state.boat;
    }
  }
  for (const [title, keys] of REST) {
    const next = { ...current, ...Object.fromEntries(keys.map((key) => [key, after[key]])) } as Boat;
    // Layers were taken over one by one: what is left of parts is all the rest of them.
    const moved = keys.some((key) => !same(stripped(current, key), stripped(after, key)));
    current = next;
    if (moved) yield { title, part: null, about: null, boat: next };
  }
  yield { title: 'What else differs', part: null, about: null, boat: after };
}
/** Groups of layers are names, and change nothing. */
const stripped = (boat: Boat, key: keyof Boat): unknown =>
  key === 'parts'
    ? boat.parts.map((part) => ({
        ...part,
        groups: [],
        layers: part.layers.map((layer) => ({ ...layer, group: null })),
      }))
    : boat[key];

const reservesOf = (evaluations: ReadonlyMap<string, ZoneEvaluation>): Record<string, number | null> =>
  Object.fromEntries(
    [...evaluations].map(([id, { governing, unproven }]) => [
      id,
      unproven.length > 0 ? null : (governing?.reserveFactor ?? null),
    ]),
  );
const massOf = (boat: Boat, evaluations: ReadonlyMap<string, ZoneEvaluation>): number =>
  boatWeight(boat, evaluations, evaluateDetails(boat)).mass;

/**
 * The ledger of two schedules: every change from one to the other, one after the other, each with the kilograms it
 * adds and the reserves that it leaves. The kilograms add up to the whole difference, and so do the changes of any
 * reserve, for each step begins where the one before ended. What a change does depends on those before it: the order
 * is that of the layers from the mould, part by part, then all the rest.
 *
 * A step that nothing can be said of by itself (a core whose skin comes next) is told together with the next.
 */
export function* ledgerOf(before: Boat, after: Boat): Generator<GridStep, Ledger> {
  const evaluate = makeEvaluator();
  const first = evaluate(before);
  const start = { mass: massOf(before, first), reserves: reservesOf(first) };
  const states = [...statesBetween(before, after)];
  const steps: LedgerStep[] = [];
  let mass = start.mass;
  let reserves = start.reserves;
  let titles: string[] = [];
  for (const [i, { title, part, about, boat }] of states.entries()) {
    yield { done: i / states.length, at: title };
    titles.push(title);
    const found = attempt(boat);
    if (!found) continue;
    const moved = Math.abs(found.mass - mass) > 1e-9 || !same(found.reserves, reserves);
    const last = i === states.length - 1;
    if (moved || (!last && titles.length > 1))
      steps.push({ title: titles.join('; '), part, about, mass: found.mass - mass, reserves: found.reserves });
    ({ mass, reserves } = found);
    titles = [];
  }
  return { mass: { before: start.mass, after: mass }, reserves: start.reserves, steps };

  function attempt(boat: Boat): { mass: number; reserves: Record<string, number | null> } | null {
    try {
      const evaluations = evaluate(boat);
      return { mass: massOf(boat, evaluations), reserves: reservesOf(evaluations) };
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      return null;
    }
  }
}

/** All changes of one material in a part together. */
export interface LedgerGroup {
  title: string;
  mass: number;
  /** What its steps add to a reserve together; null where one of them starts or ends not proven. */
  moved: number | null;
  steps: number;
}

/**
 * A ledger by part and material: what all changes of a material add, wherever they stand in it. It adds up as the steps
 * do.
 * @param of a reserve in each state: of one zone, or the least.
 */
export function groupedLedger(
  { steps, reserves }: Ledger,
  of: (reserves: Record<string, number | null>) => number | null,
): LedgerGroup[] {
  const groups = new Map<string, LedgerGroup>();
  let before = of(reserves);
  for (const { title, part, about, mass, reserves: after } of steps) {
    const now = of(after);
    const moved = before !== null && now !== null ? now - before : null;
    before = now;
    const name = [part, about ?? title].filter((word) => word !== null).join(': ');
    const known = groups.get(name);
    groups.set(name, {
      title: name,
      mass: (known?.mass ?? 0) + mass,
      moved: known?.moved === null || moved === null ? null : (known?.moved ?? 0) + moved,
      steps: (known?.steps ?? 0) + 1,
    });
  }
  return [...groups.values()];
}
