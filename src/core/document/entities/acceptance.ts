import { z } from 'zod';
import { idSchema, noted, text } from '../../field';
import { boatList } from '../entity';

/** A caution that somebody answered for: the rule, what it was about, who, why, when. */
export const acceptanceSchema = z.object({
  id: idSchema,
  rule: noted(z.string().min(1).max(60), { label: 'Rule' }),
  /** Zone, layer or material it was about. */
  subject: noted(z.string().min(1).max(60), { label: 'About' }),
  by: noted(z.string().trim().min(2, 'Accepted by: give a name of at least 2 characters').max(60), {
    label: 'Accepted by',
  }),
  note: noted(z.string().trim().min(3, 'Note: say in a few words why').max(600), { label: 'Note' }),
  at: text('Accepted on', 40),
});
export type Acceptance = z.infer<typeof acceptanceSchema>;

/** Cautions accepted with a signed note; withdrawn ones are in the history. */
export const acceptances = boatList({
  name: 'caution',
  label: 'Caution',
  place: 'Cautions',
  schema: acceptanceSchema,
  limit: 2000,
  since: 2,
  empty: () => [],
  title: ({ rule, by }) => `${rule} accepted by ${by}`,
  ownEdits: true,
});
