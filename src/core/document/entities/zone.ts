import { z } from 'zod';
import { bounded, choice, idSchema, nameOf, noted, refer, since } from '../../field';
import { regionSchema, zoneGeometrySchema, type ZoneGeometry } from '../../geometry';
import { ZONE_LOCATIONS, type ZoneLocation } from '../../standard';
import { zoneLoadSchema } from '../zoneLoad';
import { panelCaseSchema } from '../zoneProof';

const geometryKeys = Object.keys(zoneGeometrySchema.shape) as [keyof ZoneGeometry, ...(keyof ZoneGeometry)[]];
const locations = Object.fromEntries(
  Object.entries(ZONE_LOCATIONS).map(([location, { label }]) => [location, label]),
) as Record<ZoneLocation, string>;

export const zoneSchema = z.object({
  id: idSchema,
  name: nameOf('Zone name'),
  location: choice('Location', locations),
  /** The figures in use: taken from the region, but for those overridden. */
  geometry: noted(zoneGeometrySchema, { label: 'Figures' }),
  /** Where it lies on the boat; null where its figures are typed in. */
  region: since(3, noted(regionSchema.nullable(), { label: 'Place on the boat' }), null),
  /** Figures that stand as typed, whatever the region gives. */
  overridden: since(3, noted(z.array(z.enum(geometryKeys)).max(geometryKeys.length), { label: 'Overridden' }), []),
  /** Stands in the place of the pack's pressure, for what no pack rates: rudders, keels, overflows of tanks (Pa). */
  designPressure: since(
    8,
    bounded('Design pressure, typed', [100, 5e6], 'Pa', { quantity: 'pressure' }).nullable(),
    null,
  ),
  /** Of a tank: how far its overflow stands above its top (m), which adds to its head; null where not known. */
  overflow: since(
    9,
    bounded('Overflow above the top of the tank', [0, 10], 'm', { quantity: 'length' }).nullable(),
    null,
  ),
  load: noted(zoneLoadSchema.nullable(), { label: 'Load given for analysis' }),
  panelCase: since(3, noted(panelCaseSchema.nullable(), { label: 'Panel case' }), null),
  /** References it must match in stiffness and strength, and that it must hold layer by layer. */
  match: since(3, refer('Must match', 'references').nullable(), null),
  specified: since(3, refer('As specified by', 'references').nullable(), null),
  /** A zone lies on both hands alike, on one of them, or is one piece on the centreline. */
  hand: since(
    4,
    choice('Hand', { both: 'both hands', port: 'port', starboard: 'starboard', centre: 'one piece on the centreline' }),
    'both',
  ),
  /** The core stops this far before the part's free edge and runs down to solid (m); null where it runs out. */
  solidEdge: since(4, bounded('Solid edge', [0.005, 2], 'm', { quantity: 'shortLength' }).nullable(), null),
});
export type Zone = z.infer<typeof zoneSchema>;

/** Most zones of a part. */
export const ZONE_LIMIT = 64;
/** Whether a zone lies on one hand alone. */
export const isOneHanded = ({ hand }: Pick<Zone, 'hand'>) => hand === 'port' || hand === 'starboard';
