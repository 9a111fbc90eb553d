import { z } from 'zod';
import { bare } from './bare';

/** How a table with these heads was read the last time: what the reader chose, by name. */
export const rememberedSchema = z.strictObject({
  purpose: z.enum(['materials', 'offsets', 'items']),
  heads: z.array(z.string().max(200)).min(1).max(80),
  choices: z
    .record(z.string().max(60), z.string().max(200))
    .refine((choices) => Object.keys(choices).length <= 200, 'At most 200 choices are kept'),
});
export type Remembered = z.infer<typeof rememberedSchema>;

/** What tells one kind of list from another: its heads in their order. */
export const signatureOf = (heads: readonly string[]): string => heads.map(bare).join('|');

/** What was chosen the last time for a table with the same heads. */
export const recall = (
  remembered: readonly Remembered[],
  purpose: Remembered['purpose'],
  heads: readonly string[],
): Readonly<Record<string, string>> | null =>
  remembered.find((one) => one.purpose === purpose && signatureOf(one.heads) === signatureOf(heads))?.choices ?? null;
