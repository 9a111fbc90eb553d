import type { Boat } from '@/core/document';
import { brant } from './merrow';

/** Brant with her bottom as it is laid today kept as a reference, which that zone has to match. */
export function matched(): Boat {
  const boat = brant();
  const [hull, ...others] = boat.parts;
  const [zone, ...rest] = hull!.zones;
  const layers = hull!.layers
    .filter(({ zones }) => zones.includes(zone!.id))
    .map(({ material, angleDeg, thickness, role }) => ({ material, angleDeg, thickness, role }));
  return {
    ...boat,
    references: [{ id: 'as-she-was', name: 'As she was', note: '', layers }],
    parts: [{ ...hull!, zones: [{ ...zone!, match: 'as-she-was' }, ...rest] }, ...others],
  };
}
