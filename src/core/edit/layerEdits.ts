import type { Edit, EditsOf } from './editSchema';
import {
  gone,
  without,
  withAt,
  replaced,
  restoring,
  partById,
  changePart,
  findLayer,
  covering,
  refuseKnownIds,
} from './find';

/** Layers of a part. */
export const LAYER_EDITS: EditsOf<Extract<Edit['type'], `layer.${string}`>> = {
  'layer.add': (boat, { partId, layer, index: at }) => {
    const [part, p] = partById(boat, partId);
    refuseKnownIds(boat, [layer.id]);
    return [
      changePart(boat, p, { ...part, layers: withAt(part.layers, Math.min(at, part.layers.length), layer) }),
      { type: 'layer.remove', layerId: layer.id },
    ];
  },
  'layer.set': (boat, { layerId, patch }) => {
    const { part, p, l, layer } = findLayer(boat, layerId);
    const changed = { ...layer, ...patch };
    return [
      changePart(boat, p, { ...part, layers: replaced(part.layers, l, changed) }),
      { type: 'layer.set', layerId, patch: restoring(layer, patch) },
    ];
  },
  'layer.move': (boat, { layerId, index: to }) => {
    const { part, p, l, layer } = findLayer(boat, layerId);
    return [
      changePart(boat, p, {
        ...part,
        layers: withAt(without(part.layers, l), Math.min(to, part.layers.length - 1), layer),
      }),
      { type: 'layer.move', layerId, index: l },
    ];
  },
  'layer.cover': (boat, { layerId, zoneId, covered }) => {
    const { part, p, l, layer } = findLayer(boat, layerId);
    if (!part.zones.some((zone) => zone.id === zoneId)) throw gone('zone', zoneId);
    const zones = covered ? covering(part, layer.zones, zoneId) : layer.zones.filter((id) => id !== zoneId);
    return [
      changePart(boat, p, { ...part, layers: replaced(part.layers, l, { ...layer, zones }) }),
      { type: 'layer.cover', layerId, zoneId, covered: layer.zones.includes(zoneId) },
    ];
  },
  'layer.remove': (boat, { layerId }) => {
    const { part, p, l, layer } = findLayer(boat, layerId);
    return [
      changePart(boat, p, { ...part, layers: without(part.layers, l) }),
      { type: 'layer.add', partId: part.id, layer, index: l },
    ];
  },
};
