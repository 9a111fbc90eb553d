import { diffArrays } from 'diff';
import type { Boat, Layer, Part } from '../document';

const plain = (text: string) => text.trim().toLowerCase();

/**
 * Each item of `after` with the item of `before` it stands for: of the same key first, then in order of what is left
 * by the looser key.
 */
function pairs<T>(before: readonly T[], after: readonly T[], ...keys: ((item: T) => string)[]): Map<T, T> {
  const found = new Map<T, T>();
  const free = new Set(before);
  for (const key of keys)
    for (const item of after) {
      if (found.has(item)) continue;
      const match = [...free].find((candidate) => key(candidate) === key(item));
      if (!match) continue;
      found.set(item, match);
      free.delete(match);
    }
  return found;
}

const layKey = ({ material, angleDeg, thickness, role }: Layer) => `${material}|${angleDeg}|${thickness}|${role}`;

function alignPart(before: Part, after: Part): Part {
  const zones = pairs(
    before.zones,
    after.zones,
    ({ name }) => plain(name),
    ({ location }) => location,
  );
  const zoneId = new Map(after.zones.map((zone) => [zone.id, zones.get(zone)?.id ?? `other-${zone.id}`.slice(0, 40)]));
  const ids = new Map<string, string>();
  let [b, a] = [0, 0];
  for (const run of diffArrays(before.layers.map(layKey), after.layers.map(layKey))) {
    if (run.removed) b += run.count;
    else if (run.added) a += run.count;
    else for (let i = 0; i < run.count; i++) ids.set(after.layers[a++]!.id, before.layers[b++]!.id);
  }
  return {
    ...after,
    id: before.id,
    zones: after.zones.map((zone) => ({ ...zone, id: zoneId.get(zone.id)! })),
    layers: after.layers.map((layer) => ({
      ...layer,
      id: ids.get(layer.id) ?? `other-${layer.id}`.slice(0, 40),
      zones: layer.zones.map((id) => zoneId.get(id)!),
    })),
  };
}

/**
 * Another boat with its parts, zones and layers named as in the first, so that a difference between boats that do not
 * descend from one another compares like with like:
 * parts and zones by name, then by kind and location; layers by the longest common run of same lays.
 *
 * @returns `after` itself when the two share a part already.
 * @example difference(merrow, alignTo(merrow, brant))
 */
export function alignTo(before: Boat, after: Boat): Boat {
  const known = new Set(before.parts.flatMap(({ layers }) => layers.map(({ id }) => id)));
  if (after.parts.some(({ layers }) => layers.some(({ id }) => known.has(id)))) return after;
  const parts = pairs(
    before.parts,
    after.parts,
    ({ name }) => plain(name),
    ({ kind }) => kind,
  );
  return { ...after, parts: after.parts.map((part) => (parts.has(part) ? alignPart(parts.get(part)!, part) : part)) };
}
