import { KeramosError, invalid } from '../error';
import type { Boat, Part } from '../document';

export const gone = (what: string, id: string) =>
  new KeramosError('notFound', `${what} "${id}" is not in this boat any more`, what);
export const taken = (id: string) => invalid('id', `The id "${id}" is taken in this boat`);
export const without = <T>(items: readonly T[], at: number): T[] => items.filter((_, i) => i !== at);
export const withAt = <T>(items: readonly T[], at: number, item: T): T[] => [
  ...items.slice(0, at),
  item,
  ...items.slice(at),
];
export const replaced = <T>(items: readonly T[], at: number, item: T): T[] =>
  items.map((old, i) => (i === at ? item : old));

/** The fields of `object` that `patch` is about to change, as the patch that restores them. */
export function restoring<T extends object>(object: T, patch: Partial<T>): Partial<T> {
  return Object.fromEntries(Object.keys(patch).map((key) => [key, object[key as keyof T]])) as Partial<T>;
}

/** A part by its own id. @throws KeramosError `notFound`. */
export function partById(boat: Boat, id: string): [Part, number] {
  return partWith(boat, (part) => part.id === id, 'part', id);
}
function partWith(boat: Boat, has: (part: Part) => boolean, what: string, id: string): [Part, number] {
  const at = boat.parts.findIndex(has);
  if (at < 0) throw gone(what, id);
  return [boat.parts[at]!, at];
}
export const changePart = (boat: Boat, at: number, part: Part): Boat => ({
  ...boat,
  parts: replaced(boat.parts, at, part),
});

export function findLayer(boat: Boat, layerId: string) {
  const [part, p] = partWith(boat, ({ layers }) => layers.some(({ id }) => id === layerId), 'layer', layerId);
  const l = part.layers.findIndex((layer) => layer.id === layerId);
  return { part, p, l, layer: part.layers[l]! };
}
export function findZone(boat: Boat, zoneId: string) {
  const [part, p] = partWith(boat, ({ zones }) => zones.some(({ id }) => id === zoneId), 'zone', zoneId);
  const z = part.zones.findIndex((zone) => zone.id === zoneId);
  return { part, p, z, zone: part.zones[z]! };
}

/** Zones of a layer in the part's order, with one added. */
export const covering = (part: Pick<Part, 'zones'>, zones: readonly string[], zoneId: string) =>
  part.zones.map((zone) => zone.id).filter((id) => id === zoneId || zones.includes(id));

export function refuseKnownIds(boat: Boat, ids: readonly string[]): void {
  const known = new Set(
    boat.parts.flatMap((part) => [part.id, ...part.zones.map((z) => z.id), ...part.layers.map((l) => l.id)]),
  );
  const double = ids.find((id, i) => known.has(id) || ids.indexOf(id) !== i);
  if (double) throw taken(double);
}
