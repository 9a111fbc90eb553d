import { preparation } from '../../../material';
import { z } from 'zod';
import { bounded, choice, refer, shortLength } from '../../../field';
import { adhesive, detailFields } from '../common/schema';

export const stiffenerEndSchema = z.object({
  ...detailFields,
  kind: z.literal('stiffenerEnd'),
  support: refer('Stiffener', 'supports'),
  end: choice('The end is', { tapered: 'tapered', bracketed: 'bracketed', cutOff: 'cut off square' }),
  /** Length of the taper over the height of the stiffener. */
  taper: bounded('Taper, 1 to', [0.5, 20]),
  adhesive: adhesive('Bonded with').nullable(),
  notch: shortLength('Notch where it crosses', 0, 0.3),
  preparation,
});
