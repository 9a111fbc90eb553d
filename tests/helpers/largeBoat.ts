import { newLayer, newPart, type Boat, type Layer, type Zone } from '../../src/core/document';
import { merrow } from './merrow';

/** A boat of one part with so many layers by zones, every zone a sandwich that can be checked; for measuring. */
export function largeBoat(layers = 60, zones = 16): Boat {
  const boat = merrow();
  const [bottom] = boat.parts[0]!.zones;
  const columns = Array.from({ length: zones }, (_, z): Zone => ({
    ...bottom!,
    id: `z${z}`,
    name: `Zone ${z + 1}`,
    geometry: { ...bottom!.geometry, panelLength: 0.8 + z * 0.03 },
  }));
  const fabrics = ['csm-300', 'bx45-600', 'tx-900', 'bx0-600', 'ud-600', 'bx0-800'];
  const rows = Array.from({ length: layers }, (_, l): Layer => {
    const core = l === Math.floor(layers / 2);
    const covered = columns.filter((_, z) => core || l < 2 || l > layers - 3 || (l * 7 + z * 3) % 10 < 7);
    return newLayer({
      id: `l${l}`,
      material: core ? 'pvc-100' : fabrics[l % fabrics.length]!,
      angleDeg: (l % 4) * 45 - 45,
      thickness: core ? 0.02 : null,
      zones: covered.map((zone) => zone.id),
    });
  });
  return {
    ...boat,
    supports: boat.supports.flatMap((one) => (one.kind === 'rib' ? [] : [{ ...one, load: null }])),
    details: [],
    loads: [],
    name: `Large ${layers} × ${zones}`,
    parts: [newPart({ id: 'hull', name: 'Hull', kind: 'hull', zones: columns, layers: rows })],
  };
}
