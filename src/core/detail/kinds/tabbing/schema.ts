import { preparation } from '../../../material';
import { z } from 'zod';
import { bounded, choice, numberChoice, refer, shortLength, since } from '../../../field';
import { adhesive, detailFields, overlaps } from '../common/schema';

export const tabbingSchema = z.object({
  ...detailFields,
  kind: z.literal('tabbing'),
  method: choice('How', {
    tabbing: 'tapes on a fillet',
    puttyTape: 'putty, then tapes',
    adhesive: 'structural adhesive',
    vacuum: 'tapes under vacuum',
  }),
  /** The bulkhead it ties: its perimeter and its own reaction then count. */
  ties: since(8, refer('Ties the bulkhead', 'zones', { whenGone: 'clear' }).nullable(), null),
  length: bounded('Length of the joint', [0.05, 30], 'm'),
  /** Load over the joint (N/m); null takes the load case, or the panel's reaction under its pressure. */
  lineLoad: bounded('Load per metre', [1, 1e6], 'N/m', {
    hint: 'empty: load case, or half the panel under its pressure',
  }).nullable(),
  sides: numberChoice('Tabbed on', [1, 2], { 1: 'one side', 2: 'both sides' }),
  fillet: shortLength('Fillet radius', 0.002, 0.1),
  tapes: overlaps('Tapes of one side', shortLength('Overlap', 0.01, 1)),
  adhesive: adhesive('Adhesive').nullable(),
  bondWidth: shortLength('Bond width', 0.002, 0.5),
  bondLine: bounded('Bond line', [1e-4, 0.03], 'm', { quantity: 'thickness' }),
  preparation,
});
