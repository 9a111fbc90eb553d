import { ratiosOf, scaledPart, type Boat, type Part, type Zone } from '../document';
import { invalid } from '../error';
import type { Edit } from './editSchema';
import type { NewId } from './layerCommands';
import { fetchMaterials } from './layerMaterials';

/** A name that no part of the boat has yet. */
function freeName(boat: Boat, name: string): string {
  const taken = new Set(boat.parts.map((part) => part.name));
  if (!taken.has(name)) return name;
  const numbered = Array.from({ length: boat.parts.length + 1 }, (_, i) => `${name.slice(0, 74)} ${i + 2}`);
  return numbered.find((one) => !taken.has(one))!;
}

/** A part under new ids, its lines and layers pointing at its own zones. */
function underNewIds(part: Part, newId: NewId): { part: Part; zoneIds: ReadonlyMap<string, string> } {
  const zoneIds = new Map(part.zones.map(({ id }) => [id, newId()]));
  const layerIds = new Map(part.layers.map(({ id }) => [id, newId()]));
  const zoneOf = (id: string) => zoneIds.get(id)!;
  const layerOf = <T extends { layer: string }>(one: T): T => ({ ...one, layer: layerIds.get(one.layer)! });
  return {
    zoneIds,
    part: {
      ...part,
      id: newId(),
      zones: part.zones.map((zone) => ({ ...zone, id: zoneOf(zone.id) })),
      layers: part.layers.map((layer) => ({ ...layer, id: layerIds.get(layer.id)!, zones: layer.zones.map(zoneOf) })),
      joins: part.joins.map((join) => ({
        ...join,
        a: zoneOf(join.a),
        b: zoneOf(join.b),
        laps: join.laps.map(layerOf),
        ends: join.ends.map(layerOf),
      })),
    },
  };
}

const referencesOf = ({ match, specified }: Zone) => [match, specified].filter((id) => id !== null);

/**
 * Edits that copy a part of another boat into this one, with its ribs, the sections and laminates it names and the
 * materials of all of them; what the boat has already under the same id stays its own. Its zones lie where they do
 * there, for the length and beam of this boat; a small part keeps its size.
 *
 * @param from the boat it is copied from; may be this one.
 * @returns edits for one action. @throws KeramosError `invalid` when there is no such part.
 * @example applyEdits(dinghy, copyPart(dinghy, yacht, 'rudder', nanoid))
 */
export function copyPart(boat: Boat, from: Boat, partId: string, newId: NewId): Edit[] {
  const source = from.parts.find(({ id }) => id === partId);
  if (!source) throw invalid('partId', `${from.name} has no such part`);
  const scaled = scaledPart(source, ratiosOf(from.brief, boat.brief));
  const { part, zoneIds } = underNewIds({ ...scaled, name: freeName(boat, source.name) }, newId);

  const ribs = from.supports.flatMap((support) => {
    const zone = support.kind === 'rib' ? zoneIds.get(support.zone) : undefined;
    return zone === undefined ? [] : [{ ...support, id: newId(), zone }];
  });
  const lacks = <T extends { id: string }>(own: readonly T[], theirs: readonly T[], wanted: readonly string[]) =>
    theirs.filter(({ id }) => wanted.includes(id) && !own.some((one) => one.id === id));
  const sections = lacks(
    boat.sections,
    from.sections,
    ribs.flatMap(({ section }) => section ?? []),
  );
  const references = lacks(boat.references, from.references, source.zones.flatMap(referencesOf));
  const wanted = new Set([
    ...source.layers.map(({ material }) => material),
    ...references.flatMap(({ layers }) => layers.map(({ material }) => material)),
    ...sections.flatMap(({ former, layers }) => [...(former ? [former] : []), ...layers.map((one) => one.material)]),
  ]);
  const materials = from.materials.filter(({ id }) => wanted.has(id));
  return [
    ...fetchMaterials(boat, [...boat.materials, ...from.materials], materials),
    ...sections.map((item, i): Edit => ({ type: 'section.add', item, index: boat.sections.length + i })),
    ...references.map((item, i): Edit => ({ type: 'reference.add', item, index: boat.references.length + i })),
    { type: 'part.add', part, index: boat.parts.length },
    ...ribs.map((item, i): Edit => ({ type: 'support.add', item, index: boat.supports.length + i })),
  ];
}
