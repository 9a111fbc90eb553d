import type { Part, Zone } from '../document';
import type { Edit, EditsOf } from './editSchema';
import { without, withAt, replaced, restoring, partById, changePart, findZone, covering, refuseKnownIds } from './find';

/** Parts and their zones. */
export const PART_EDITS: EditsOf<Extract<Edit['type'], `part.${string}` | `zone.${string}`>> = {
  'part.add': (boat, { part, index: at }) => {
    refuseKnownIds(boat, [part.id, ...part.zones.map((zone) => zone.id), ...part.layers.map((layer) => layer.id)]);
    return [
      { ...boat, parts: withAt(boat.parts, Math.min(at, boat.parts.length), part) },
      { type: 'part.remove', partId: part.id },
    ];
  },
  'part.set': (boat, { partId, patch }) => {
    const [part, p] = partById(boat, partId);
    const changed = { ...part, ...patch };
    return [
      changePart(boat, p, changed),
      { type: 'part.set', partId, patch: restoring<Omit<Part, 'id' | 'zones' | 'layers'>>(part, patch) },
    ];
  },
  'part.move': (boat, { partId, index: to }) => {
    const [part, p] = partById(boat, partId);
    return [
      { ...boat, parts: withAt(without(boat.parts, p), Math.min(to, boat.parts.length - 1), part) },
      { type: 'part.move', partId, index: p },
    ];
  },
  'part.remove': (boat, { partId }) => {
    const [part, p] = partById(boat, partId);
    return [
      { ...boat, parts: without(boat.parts, p) },
      { type: 'part.add', part, index: p },
    ];
  },
  'zone.add': (boat, { partId, zone, index: at, coveredBy }) => {
    const [part, p] = partById(boat, partId);
    refuseKnownIds(boat, [zone.id]);
    const zones = withAt(part.zones, Math.min(at, part.zones.length), zone);
    const layers = part.layers.map((layer) =>
      coveredBy.includes(layer.id) ? { ...layer, zones: covering({ zones }, layer.zones, zone.id) } : layer,
    );
    return [changePart(boat, p, { ...part, zones, layers }), { type: 'zone.remove', zoneId: zone.id }];
  },
  'zone.set': (boat, { zoneId, patch }) => {
    const { part, p, z: at, zone } = findZone(boat, zoneId);
    return [
      changePart(boat, p, { ...part, zones: replaced(part.zones, at, { ...zone, ...patch }) }),
      // What the region gave goes with it: taking a region or an override back brings the figures back too.
      {
        type: 'zone.set',
        zoneId,
        patch: restoring(
          zone as Omit<Zone, 'id'>,
          patch.region === undefined && patch.overridden === undefined && patch.hand === undefined
            ? patch
            : { ...patch, geometry: zone.geometry },
        ),
      },
    ];
  },
  'zone.move': (boat, { zoneId, index: to }) => {
    const { part, p, z: at, zone } = findZone(boat, zoneId);
    const zones = withAt(without(part.zones, at), Math.min(to, part.zones.length - 1), zone);
    // A layer names its zones in the part's order.
    const layers = part.layers.map((layer) =>
      layer.zones.length > 1
        ? { ...layer, zones: zones.map(({ id }) => id).filter((id) => layer.zones.includes(id)) }
        : layer,
    );
    return [changePart(boat, p, { ...part, zones, layers }), { type: 'zone.move', zoneId, index: at }];
  },
  'zone.remove': (boat, { zoneId }) => {
    const { part, p, z: at, zone } = findZone(boat, zoneId);
    const coveredBy = part.layers.filter((layer) => layer.zones.includes(zoneId)).map((layer) => layer.id);
    const layers = part.layers.map((layer) =>
      layer.zones.includes(zoneId) ? { ...layer, zones: layer.zones.filter((id) => id !== zoneId) } : layer,
    );
    return [
      changePart(boat, p, { ...part, zones: without(part.zones, at), layers }),
      { type: 'zone.add', partId: part.id, zone, index: at, coveredBy },
    ];
  },
};
