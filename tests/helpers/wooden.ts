import type { Boat } from '@/core/document';
import { GENERIC_MATERIALS } from '@/core/material';
import { merrow, zoneOf } from './merrow';

/** Merrow with an engine bulkhead and a bottom of plain plywood. */
export function wooden(): Boat {
  const boat = merrow();
  const sheet = GENERIC_MATERIALS.find(({ id }) => id === 'plywood-sheet')!;
  const bare = ['Engine bulkhead', 'Bottom forward'].map((name) => zoneOf(boat, name)[1].id);
  return {
    ...boat,
    name: 'Merrow 84 of wood',
    details: [],
    materials: [...boat.materials, sheet],
    parts: boat.parts.map((part) => {
      const own = part.zones.filter(({ id }) => bare.includes(id)).map(({ id }) => id);
      const left = part.layers.map((layer) => ({ ...layer, zones: layer.zones.filter((id) => !own.includes(id)) }));
      if (own.length === 0) return part;
      const layer = { ...left[0]!, id: `sheet-${part.id}`, material: sheet.id, angleDeg: 0, thickness: 0.012 };
      return { ...part, layers: [...left, { ...layer, zones: own, role: 'structure' as const, group: null }] };
    }),
  };
}
