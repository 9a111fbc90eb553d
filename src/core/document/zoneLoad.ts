import { z } from 'zod';
import { bounded } from '../field';

const force = bounded('Force per width', [-1e8, 1e8], 'N/m');
const moment = bounded('Moment per width', [-1e7, 1e7], 'N');

/**
 * Loads given for a zone's laminate: N (N/m), M (N), and transverse shear force V (N/m); null means the edge moment
 * and shear of the pack's pressure.
 */
export const zoneLoadSchema = z.object({
  N: z.tuple([force, force, force]),
  M: z.tuple([moment, moment, moment]),
  V: bounded('Shear force', [0, 1e8], 'N/m'),
});
export type ZoneLoad = z.infer<typeof zoneLoadSchema>;
