import { z } from 'zod';
import { bounded, choice, idSchema, noted, refer, since } from '../../field';

/** What a layer is there for. Only structure carries; what comes off again weighs nothing in the boat. */
export const LAYER_ROLES = { structure: 'structure', sacrificial: 'sacrificial', comesOff: 'comes off' } as const;
export type LayerRole = keyof typeof LAYER_ROLES;

export const layerSchema = z.object({
  id: idSchema,
  material: refer('Material', 'materials', { kinds: ['fabric', 'core', 'coating', 'wood'] }),
  /** From the zone's reference direction towards the next hand: see the angle convention in docs/engineering.md. */
  angleDeg: bounded('Angle', [-90, 90], '°'),
  /** Of a core or a coating (m); fabrics find theirs by process. */
  thickness: bounded('Thickness', [5e-5, 0.2], 'm', { quantity: 'thickness' }).nullable(),
  /** Zones it covers, in the part's order of zones. */
  zones: noted(z.array(idSchema).max(64), { label: 'Covers', reference: { list: 'zones', whenGone: 'drop' } }),
  role: since(4, choice('Role', LAYER_ROLES), 'structure'),
  /** The group it is laid with; null where it stands alone. */
  group: since(4, refer('Group', 'groups', { whenGone: 'clear' }).nullable(), null),
});
export type Layer = z.infer<typeof layerSchema>;

/** Most layers of a part. */
export const LAYER_LIMIT = 400;
