import { preparation } from '../../../material';
import { z } from 'zod';
import { choice, noted, shortLength } from '../../../field';
import { detailFields, sheetSchema } from '../common/schema';

export const patchSchema = z.object({
  ...detailFields,
  kind: z.literal('patch'),
  form: choice('What it is', {
    patch: 'patch or doubler',
    wrappedEdge: 'edge wrapped to both faces',
    web: 'web in shear',
  }),
  /** Breadth that takes the load: of the patch, along the edge, or depth of the web (m). */
  breadth: shortLength('Breadth or depth that takes it', 0.01, 5),
  /** Radius of the edge it wraps round. */
  radius: shortLength('Radius of the edge', 0.002, 0.2),
  sheets: noted(z.array(sheetSchema).min(1, 'A patch needs at least one sheet').max(30), { label: 'Sheets' }),
  preparation,
});
