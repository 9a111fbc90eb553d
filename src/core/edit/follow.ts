import {
  boatSchema,
  checkBoat,
  LIST_KEYS,
  mendedJoins,
  settleGeometry,
  SINGLE_KEYS,
  type Boat,
  type Layer,
  type Part,
  type SingleKey,
  type Zone,
} from '../document';
import { same } from '../field';
import type { Edit } from './editSchema';

/** Field by field: ours where we changed it, theirs where we did not. */
function mergeFields<T extends object>(base: T, parent: T, own: T): T {
  const merged = Object.fromEntries(
    Object.keys({ ...parent, ...own }).map((key) => {
      const [was, theirs, ours] = [base, parent, own].map((state) => (state as Record<string, unknown>)[key]);
      return [key, same(was, ours) ? theirs : ours];
    }),
  ) as T;
  return same(merged, own) ? own : merged;
}

/** What a boat has one of: field by field where both have it, else ours where we changed it. */
function mergeSingle<T extends object | null>(base: T, parent: T, own: T): T {
  if (base !== null && parent !== null && own !== null) return mergeFields(base, parent, own) as T;
  return same(base, own) ? parent : own;
}

/** Zones a layer covers: those the parent added come, those it took go, what we changed stays. */
function mergeCover(
  base: readonly string[],
  parent: readonly string[],
  own: readonly string[],
  order: readonly string[],
): string[] {
  return order.filter((id) => {
    const [was, theirs, ours] = [base, parent, own].map((zones) => zones.includes(id));
    return was === ours ? theirs : ours;
  });
}

/**
 * Order of ours with the parent's additions after what they follow there, or the parent's order where we kept the old
 * one.
 */
function mergeOrder(
  base: readonly string[],
  parent: readonly string[],
  own: readonly string[],
  kept: ReadonlySet<string>,
): string[] {
  const common = base.filter((id) => own.includes(id) && parent.includes(id));
  const keptOrder = same(
    own.filter((id) => common.includes(id)),
    common,
  );
  const [lead, other] = keptOrder ? [parent, own] : [own, parent];
  const order = lead.filter((id) => kept.has(id));
  other.forEach((id, i) => {
    if (!kept.has(id) || order.includes(id)) return;
    const before = other.slice(0, i).findLast((candidate) => order.includes(candidate));
    order.splice(before === undefined ? 0 : order.indexOf(before) + 1, 0, id);
  });
  return order;
}

/**
 * A list of things by id: what the parent added comes, what it removed goes unless we changed it, what we removed
 * stays away.
 */
function mergeList<T extends { id: string }>(
  base: readonly T[],
  parent: readonly T[],
  own: readonly T[],
  merge: (base: T, parent: T, own: T) => T,
): T[] {
  const [was, theirs, ours] = [base, parent, own].map((items) => new Map(items.map((item) => [item.id, item]))) as [
    Map<string, T>,
    Map<string, T>,
    Map<string, T>,
  ];
  const kept = new Map<string, T>();
  for (const id of new Set([...theirs.keys(), ...ours.keys()])) {
    const [b, p, o] = [was.get(id), theirs.get(id), ours.get(id)];
    if (p && o) kept.set(id, b ? merge(b, p, o) : o);
    else if (o && (!b || !same(b, o))) kept.set(id, o);
    else if (p && !b) kept.set(id, p);
  }
  const ids = (items: readonly T[]) => items.map(({ id }) => id);
  const merged = mergeOrder(ids(base), ids(parent), ids(own), new Set(kept.keys())).map((id) => kept.get(id)!);
  return merged.length === own.length && merged.every((item, i) => item === own[i]) ? (own as T[]) : merged;
}

function mergePart(base: Part, parent: Part, own: Part): Part {
  const zones = mergeList<Zone>(base.zones, parent.zones, own.zones, mergeFields);
  const order = zones.map(({ id }) => id);
  const layers = mergeList<Layer>(base.layers, parent.layers, own.layers, (b, p, o) => {
    const cover = mergeCover(b.zones, p.zones, o.zones, order);
    const merged = { ...mergeFields(b, p, o), zones: cover };
    return same(merged, o) ? o : merged;
  }).map((layer) =>
    layer.zones.every((id) => order.includes(id))
      ? layer
      : { ...layer, zones: layer.zones.filter((id) => order.includes(id)) },
  );
  const rest = mergeFields(
    { ...base, zones: null, layers: null },
    { ...parent, zones: null, layers: null },
    { ...own, zones: null, layers: null },
  );
  const merged: Part = { ...rest, zones, layers, joins: mendedJoins({ joins: rest.joins, zones, layers }) };
  return same(merged, own) ? own : merged;
}

/** Of a state each piece that says the same as before as the very piece of before, so that what hangs on it stands. */
function keptOf(before: Boat, after: Boat): Boat {
  const kept = <T extends object>(was: T | undefined, is: T): T =>
    was === undefined
      ? is
      : (Object.fromEntries(
          Object.entries(is).map(([key, value]) => {
            const known = (was as Record<string, unknown>)[key];
            return [key, same(known, value) ? known : value];
          }),
        ) as T);
  const parts = after.parts.map((part) => {
    const was = before.parts.find(({ id }) => id === part.id);
    return was && same(was, part) ? was : kept(was, part);
  });
  return kept(before, { ...after, parts });
}

/**
 * What a variant comes to when its parent moved on: everything follows the parent, except where the variant was
 * changed.
 *
 * @param base the parent as the variant last saw it. @param parent as it is now. @param own the variant as it is.
 * @returns the variant's next state, settled and checked; the same object when nothing follows.
 * @throws KeramosError `invalid` when the two cannot be put together (the parent dropped a fabric that the variant
 * still lays).
 * @example followParent(base, parent, variant).parts[0].layers[3].angleDeg
 * // as the parent turned it, unless the variant had
 */
export function followParent(base: Boat, parent: Boat, own: Boat): Boat {
  // What a variant still lays must stay in its book, whatever the parent put away.
  const materials = mergeList(base.materials, parent.materials, own.materials, mergeFields);
  const lost = own.materials.filter(({ id }) => !materials.some((material) => material.id === id));
  const lists = LIST_KEYS.filter((key) => key !== 'materials' && key !== 'parts');
  const merged: Boat = {
    ...own,
    ...(Object.fromEntries(SINGLE_KEYS.map((key) => [key, mergeSingle(base[key], parent[key], own[key])])) as Pick<
      Boat,
      SingleKey
    >),
    materials: lost.length ? [...materials, ...lost] : materials,
    parts: mergeList(base.parts, parent.parts, own.parts, mergePart),
    ...Object.fromEntries(
      lists.map((key) => [key, mergeList<{ id: string }>(base[key], parent[key], own[key], mergeFields)]),
    ),
  };
  if (same(merged, own)) return own;
  const settled = settleGeometry(own, keptOf(own, boatSchema.parse(merged)));
  checkBoat(settled);
  return settled;
}

const TAKEN = Object.keys(boatSchema.shape).filter((key) => key !== 'name') as Exclude<keyof Boat, 'name'>[];

/** The edit that takes a boat from one state to another whole, holding only what differs. */
export function takeState(from: Boat, to: Boat, source: string): Edit {
  const state = Object.fromEntries(TAKEN.filter((key) => !same(from[key], to[key])).map((key) => [key, to[key]]));
  return { type: 'boat.take', state, from: source };
}
