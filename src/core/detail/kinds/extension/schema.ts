import { preparation } from '../../../material';
import { z } from 'zod';
import { bounded, choice, shortLength } from '../../../field';
import { detailFields, overlaps } from '../common/schema';

export const extensionSchema = z.object({
  ...detailFields,
  kind: z.literal('extension'),
  form: choice('Joint', { scarf: 'scarf', step: 'steps, layer by layer' }),
  ratio: bounded('Length, 1 to', [2, 100]),
  length: bounded('Length of the joint', [0.05, 60], 'm'),
  outer: overlaps('Overlap layers outside', shortLength('Overlap', 0.01, 2)),
  inner: overlaps('Overlap layers inside', shortLength('Overlap', 0.01, 2)),
  preparation,
});
