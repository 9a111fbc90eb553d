import { preparation } from '../../../material';
import { z } from 'zod';
import { bounded, shortLength, whole } from '../../../field';
import { adhesive, detailFields } from '../common/schema';

export const linerSchema = z.object({
  ...detailFields,
  kind: z.literal('liner'),
  adhesive: adhesive('Adhesive'),
  bondWidth: shortLength('Bond width', 0.005, 0.5),
  bondLength: bounded('Bonded length', [0.05, 100], 'm'),
  bondLine: bounded('Bond line', [1e-4, 0.03], 'm', { quantity: 'thickness' }),
  /** Skin that one metre of bond carries (m). */
  tributary: shortLength('Skin it carries', 0.02, 4),
  inspections: whole('Inspection points', 1, 200),
  preparation,
});
