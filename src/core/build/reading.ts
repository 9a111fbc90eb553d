import { z } from 'zod';
import { bounded, idSchema } from '../field';
import type { QuantityKind } from '../quantity';

/** What is read of a part: its quantity, and within what it can lie (SI; hardness in Barcol, shares as they are). */
export const READINGS = {
  thickness: { name: 'thickness', quantity: 'thickness', range: [0.0002, 0.5] },
  fibreShare: { name: 'fibre share of a plug, by weight', quantity: null, range: [0.05, 0.95] },
  hardness: { name: 'hardness, Barcol', quantity: null, range: [0, 100] },
  gap: { name: 'gap or dial gauge', quantity: 'thickness', range: [-0.1, 0.1] },
  temperature: { name: 'temperature of the laminate', quantity: 'temperature', range: [-20, 250] },
  hours: { name: 'hours of work', quantity: null, range: [0.05, 2000] },
} as const satisfies Record<string, { name: string; quantity: QuantityKind | null; range: [number, number] }>;
export type ReadingKind = keyof typeof READINGS;

const share = z.number().min(0).max(1);
const common = {
  part: idSchema,
  /** Zone and place on the picture of the skin, as a share of its width and height; null where nobody said. */
  zone: z.string().max(60),
  skin: z.string().max(60),
  at: z.tuple([share, share]).nullable(),
  /** By what it was read; empty where by hand. */
  instrument: z.string().trim().max(60),
  note: z.string().trim().max(300),
};

interface Reading {
  what: ReadingKind;
  value: number;
  part: string;
  zone: string;
  skin: string;
  at: [number, number] | null;
  instrument: string;
  note: string;
}
const members = Object.entries(READINGS).map(([what, { name, range }]) =>
  z.strictObject({ ...common, what: z.literal(what), value: bounded(name, [...range], '') }),
);
/** Something that was read of a part, as one of the kinds above. */
export const readingSchema = z.discriminatedUnion(
  'what',
  members as unknown as [(typeof members)[number]],
) as unknown as z.ZodType<Reading>;
