import { invalid } from '../error';
import { hasDirection, normalAngle, type LayerMaterial } from '../material';
import type { Boat, GroupKind, Layer, LayerGroup, Part } from '../document';
import type { Edit } from './editSchema';

/** Makes a fresh id; a function so that tests and pages name their own. */
export type NewId = () => string;

const materialIn = (boat: Boat, layer: Layer) =>
  boat.materials.find(({ id }) => id === layer.material) as LayerMaterial;
const chosenIn = (part: Part, ids: readonly string[]) => part.layers.filter(({ id }) => ids.includes(id));
const placeAfter = (part: Part, ids: readonly string[]) =>
  Math.max(...ids.map((id) => part.layers.findIndex((layer) => layer.id === id))) + 1;
const adding = (part: Part, layers: readonly Layer[], index: number): Edit[] =>
  layers.map((layer, i) => ({ type: 'layer.add', partId: part.id, layer, index: index + i }));

/** Turn layers that have a direction by so many degrees. */
export function turnLayers(boat: Boat, part: Part, ids: readonly string[], by: number): Edit[] {
  return chosenIn(part, ids)
    .filter((layer) => hasDirection(materialIn(boat, layer)))
    .map((layer) => ({ type: 'layer.set', layerId: layer.id, patch: { angleDeg: normalAngle(layer.angleDeg + by) } }));
}

/** Mirror layers to the other hand: every angle changes its sign. What lies at 0° or 90° stays. */
export function mirrorLayers(boat: Boat, part: Part, ids: readonly string[]): Edit[] {
  return chosenIn(part, ids)
    .filter((layer) => hasDirection(materialIn(boat, layer)) && normalAngle(-layer.angleDeg) !== layer.angleDeg)
    .map((layer) => ({ type: 'layer.set', layerId: layer.id, patch: { angleDeg: normalAngle(-layer.angleDeg) } }));
}

/** Cover or uncover zones with layers; cells that are so already are left alone. */
export function coverCells(part: Part, ids: readonly string[], zones: readonly string[], covered: boolean): Edit[] {
  return chosenIn(part, ids).flatMap((layer) =>
    zones
      .filter((zoneId) => layer.zones.includes(zoneId) !== covered)
      .map((zoneId): Edit => ({ type: 'layer.cover', layerId: layer.id, zoneId, covered })),
  );
}

/** Copies of layers, laid after the last of them. */
export function duplicateLayers(part: Part, ids: readonly string[], newId: NewId): Edit[] {
  return adding(
    part,
    chosenIn(part, ids).map((layer) => ({ ...layer, id: newId() })),
    placeAfter(part, ids),
  );
}

/** Move a block of layers up or down by one place, together; nothing at the ends. */
export function shiftLayers(part: Part, ids: readonly string[], by: 1 | -1): Edit[] {
  const places = part.layers.flatMap(({ id }, at) => (ids.includes(id) ? [at] : []));
  if (places.length === 0 || (by < 0 ? places[0] === 0 : places.at(-1) === part.layers.length - 1)) return [];
  return (by < 0 ? places : places.toReversed()).map((at) => ({
    type: 'layer.move',
    layerId: part.layers[at]!.id,
    index: at + by,
  }));
}

/** Turn the order of layers about: what lay first lies last. They come to lie together where the first of them lay. */
export function flipLayers(part: Part, ids: readonly string[]): Edit[] {
  const block = chosenIn(part, ids);
  const first = part.layers.findIndex(({ id }) => ids.includes(id));
  return block.length < 2 ? [] : block.map((layer) => ({ type: 'layer.move', layerId: layer.id, index: first }));
}

/**
 * Lay the mirror image of layers after them, about the last one when it is a core, otherwise about its inner face.
 * @example makeSymmetric(part, ['bx', 'ud', 'core'], nanoid) // adds ud, bx
 */
export function makeSymmetric(boat: Boat, part: Part, ids: readonly string[], newId: NewId): Edit[] {
  const block = chosenIn(part, ids);
  const last = block.at(-1);
  if (!last) return [];
  const pivot = materialIn(boat, last).kind === 'core';
  const image = (pivot ? block.slice(0, -1) : block)
    .toReversed()
    .filter((layer) => materialIn(boat, layer).kind !== 'coating');
  if (image.length === 0)
    throw invalid(
      'layers',
      'There is nothing to mirror: choose the layers up to and with the core, or a run of fabrics',
    );
  return adding(
    part,
    image.map((layer) => ({ ...layer, id: newId(), group: pivot ? null : layer.group })),
    placeAfter(part, ids),
  );
}

/** Put layers under a name; they come to lie together where the first of them lies. */
export function groupLayers(part: Part, ids: readonly string[], group: LayerGroup): Edit[] {
  const block = chosenIn(part, ids);
  const first = part.layers.findIndex(({ id }) => ids.includes(id));
  return [
    {
      type: 'part.set',
      partId: part.id,
      patch: { groups: [...part.groups.filter(({ id }) => id !== group.id), group] },
    },
    ...block.flatMap((layer, i): Edit[] =>
      part.layers[first + i] === layer ? [] : [{ type: 'layer.move', layerId: layer.id, index: first + i }],
    ),
    ...block.map((layer): Edit => ({ type: 'layer.set', layerId: layer.id, patch: { group: group.id } })),
  ];
}

/** Dissolve a group; its layers stay. */
export function ungroup(part: Part, groupId: string): Edit[] {
  return [
    ...part.layers
      .filter(({ group }) => group === groupId)
      .map((layer): Edit => ({ type: 'layer.set', layerId: layer.id, patch: { group: null } })),
    { type: 'part.set', partId: part.id, patch: { groups: part.groups.filter(({ id }) => id !== groupId) } },
  ];
}

const sameLay = (a: Layer, b: Layer) =>
  a.material === b.material &&
  a.angleDeg === b.angleDeg &&
  a.thickness === b.thickness &&
  a.role === b.role &&
  a.zones.join() === b.zones.join();

/**
 * The shortest run of layers that, repeated, makes these, and how often. @example repeatOf([bx, ud, bx, ud]) // {
 * unit: 2, times: 2 }
 */
export function repeatOf(layers: readonly Layer[]): { unit: number; times: number } {
  const n = layers.length;
  for (let unit = 1; unit <= n / 2; unit++)
    if (n % unit === 0 && layers.every((layer, i) => sameLay(layer, layers[i % unit]!)))
      return { unit, times: n / unit };
  return { unit: n, times: 1 };
}

/**
 * Lay a group so many times: what it repeats now is laid again or taken out.
 * @throws KeramosError `invalid` outside 1 to 40.
 */
export function repeatGroup(part: Part, groupId: string, times: number, newId: NewId): Edit[] {
  if (!Number.isInteger(times) || times < 1 || times > 40) throw invalid('times', 'Repeat a group 1 to 40 times');
  const layers = part.layers.filter(({ group }) => group === groupId);
  const { unit } = repeatOf(layers);
  const wanted = unit * times;
  if (wanted < layers.length) return layers.slice(wanted).map((layer) => ({ type: 'layer.remove', layerId: layer.id }));
  const more = Array.from({ length: wanted - layers.length }, (_, i): Layer => ({ ...layers[i % unit]!, id: newId() }));
  return adding(
    part,
    more,
    placeAfter(
      part,
      layers.map(({ id }) => id),
    ),
  );
}

/** The kind of group that layers would be, by what they are and where they lie. */
export function usualGroup(boat: Boat, part: Part, ids: readonly string[]): { kind: GroupKind; name: string } {
  const block = chosenIn(part, ids);
  const kinds = block.map((layer) => materialIn(boat, layer).kind);
  const firstCore = part.layers.findIndex((layer) => materialIn(boat, layer).kind === 'core');
  const at = part.layers.findIndex(({ id }) => ids.includes(id));
  if (kinds.every((kind) => kind === 'coating')) return { kind: 'coat', name: 'Gelcoat' };
  if (kinds.every((kind) => kind === 'core')) return { kind: 'core', name: 'Core' };
  const most = Math.max(0, ...part.layers.map(({ zones }) => zones.length));
  if (block.every(({ zones }) => zones.length <= Math.max(1, most / 3)) && part.zones.length > 3)
    return { kind: 'local', name: 'Local' };
  if (firstCore >= 0 && at > firstCore) return { kind: 'innerSkin', name: 'Inner skin' };
  const under = part.layers.slice(0, at).every((layer) => materialIn(boat, layer).kind === 'coating');
  return under &&
    block.length <= 2 &&
    block.every((layer) => materialIn(boat, layer).kind === 'fabric' && !hasDirection(materialIn(boat, layer)))
    ? { kind: 'skinCoat', name: 'Skin coat' }
    : { kind: 'outerSkin', name: 'Outer skin' };
}

/** A mirrored copy of a part, for its other hand: angles change sign, zones of one hand change sides. */
export function mirrorPart(part: Part, name: string, newId: NewId): Part {
  const ids = new Map([...part.zones, ...part.groups, ...part.layers].map(({ id }) => [id, newId()]));
  const to = (id: string) => ids.get(id) ?? id;
  const other = { both: 'both', centre: 'centre', port: 'starboard', starboard: 'port' } as const;
  return {
    ...part,
    id: newId(),
    name,
    zones: part.zones.map((zone) => ({ ...zone, id: to(zone.id), hand: other[zone.hand] })),
    groups: part.groups.map((group) => ({ ...group, id: to(group.id) })),
    layers: part.layers.map((layer) => ({
      ...layer,
      id: to(layer.id),
      angleDeg: normalAngle(-layer.angleDeg),
      zones: layer.zones.map(to),
      group: layer.group === null ? null : to(layer.group),
    })),
    joins: part.joins.map((join) => ({
      ...join,
      a: to(join.a),
      b: to(join.b),
      laps: join.laps.map((one) => ({ ...one, layer: to(one.layer) })),
      ends: join.ends.map((one) => ({ ...one, layer: to(one.layer) })),
    })),
  };
}
