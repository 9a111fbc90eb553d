import type { Boat, Layer, Part, Zone } from '../document';
import { coverCells, fetchMaterials, type Edit } from '../edit';
import type { Material } from '../material';

/** The edits that take what was read of an existing part into the boat. */
export interface TakenRead {
  /** As the layers of the zone, in the place of its structure; coats stay, and other zones keep what they have. */
  schedule: Edit[];
  /** As a reference that the zone is to match. */
  reference: Edit[];
}

const freshId = (base: string, known: ReadonlySet<string>): string => {
  for (let n = 1; ; n++) {
    const id = `${base}-${n}`;
    if (!known.has(id)) return id;
  }
};

/**
 * A laminate that was read in an existing part, taken over: as the schedule of its zone, or as a reference to match.
 *
 * @param rows its layers from the mould. @param shelf what materials may be fetched from.
 */
export function takeRead(
  boat: Boat,
  { part, zone }: { part: Part; zone: Zone },
  { rows, name, shelf }: { rows: readonly Layer[]; name: string; shelf: readonly Material[] },
): TakenRead {
  const all = [...shelf, ...boat.materials];
  const byId = new Map(all.map((material) => [material.id, material]));
  const fetched = fetchMaterials(
    boat,
    all,
    rows.flatMap(({ material }) => byId.get(material) ?? []),
  );
  const ids = new Set(boat.parts.flatMap(({ layers }) => layers.map(({ id }) => id)));
  const fresh = rows.map((layer, i) => {
    const id = freshId(`${zone.id.slice(0, 24)}-read-${i + 1}`, ids);
    ids.add(id);
    return { ...layer, id, zones: [zone.id], group: null };
  });
  const leaving = part.layers.filter(
    ({ zones, role, material }) =>
      zones.includes(zone.id) && role === 'structure' && byId.get(material)?.kind !== 'coating',
  );
  const first = part.layers.findIndex(({ id }) => id === leaving[0]?.id);
  const at = first < 0 ? part.layers.findLastIndex(({ role }) => role !== 'comesOff') + 1 : first;
  const [alone, shared] = [
    leaving.filter(({ zones }) => zones.length === 1),
    leaving.filter(({ zones }) => zones.length > 1),
  ];
  const schedule: Edit[] = [
    ...fetched,
    ...fresh.map((layer, i): Edit => ({ type: 'layer.add', partId: part.id, layer, index: at + i })),
    ...coverCells(
      part,
      shared.map(({ id }) => id),
      [zone.id],
      false,
    ),
    ...alone.map(({ id }): Edit => ({ type: 'layer.remove', layerId: id })),
  ];
  const referenceId = freshId(`read-${zone.id.slice(0, 24)}`, new Set(boat.references.map(({ id }) => id)));
  const layers = rows.map(({ material, angleDeg, thickness, role }) => ({ material, angleDeg, thickness, role }));
  const reference: Edit[] = [
    ...fetched,
    {
      type: 'reference.add',
      item: { id: referenceId, name, note: 'Read from an existing part', layers },
      index: boat.references.length,
    },
    { type: 'zone.set', zoneId: zone.id, patch: { match: referenceId } },
  ];
  return { schedule, reference };
}
