import { z } from 'zod';
import { bounded, choice, idSchema, text } from '../field';
import { STAGES, type Stage } from '../document';

/** The whole boat, as a subject of a weigh-in. */
export const WHOLE_BOAT = 'boat';

/** What stood on the scales: a fact, corrected by a later one and never changed. */
export const weighInSchema = z.strictObject({
  /** Given by whoever weighs; the same again is the same fact. */
  id: idSchema,
  /** Which hull of the series; empty where there is one. */
  hull: text('Hull', 40),
  /** The whole boat, or a part by its id. */
  subject: z.string().min(1).max(60),
  stage: choice('Stage', STAGES),
  mass: bounded('Mass', [0.01, 500_000], 'kg'),
  /** How far the scales may be off (kg, one standard deviation). */
  scales: bounded('The scales may be off by', [0, 50_000], 'kg'),
  day: z.iso.date('A day is wanted: 2026-11-29'),
  note: text('Note', 300),
  /** An earlier weigh-in that this one takes the place of; with nothing weighed it takes it back. */
  corrects: idSchema.nullable(),
  void: z.boolean(),
});
export type WeighIn = z.infer<typeof weighInSchema>;

/** A weigh-in with who kept it, and when (ISO 8601). */
export interface KeptWeighIn extends WeighIn {
  author: string;
  at: string;
}

/** What stands of a list of weigh-ins: without those that were corrected or taken back, in the order of the work. */
export function standing<W extends WeighIn>(weighIns: readonly W[]): W[] {
  const corrected = new Set(weighIns.flatMap(({ corrects }) => (corrects === null ? [] : [corrects])));
  const order = Object.keys(STAGES) as Stage[];
  return weighIns
    .filter((one) => !corrected.has(one.id) && !one.void)
    .sort((a, b) => order.indexOf(a.stage) - order.indexOf(b.stage) || a.day.localeCompare(b.day));
}
