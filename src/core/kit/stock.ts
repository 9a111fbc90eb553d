import { z } from 'zod';
import { bounded, choice, idSchema, text } from '../field';
import { faultOf } from '../geometry';

/** What lies in the store, and what its amount is counted in. */
export const STOCK_KINDS = {
  roll: { name: 'Roll', unit: 'm' },
  offcut: { name: 'Offcut', unit: 'piece' },
  sheet: { name: 'Sheets', unit: 'piece' },
  can: { name: 'Can or drum', unit: 'kg' },
} as const;
export type StockKind = keyof typeof STOCK_KINDS;
const KIND_NAMES = Object.fromEntries(Object.entries(STOCK_KINDS).map(([key, { name }]) => [key, name])) as Record<
  StockKind,
  string
>;

const point = z.tuple([z.number().min(-1000).max(1000), z.number().min(-1000).max(1000)]);

/** A roll, sheets, an offcut or a can of one delivery. */
export const stockLotSchema = z
  .strictObject({
    /** Given by whoever brings it in; the same again is the same lot. */
    id: idSchema,
    material: z.string().min(1).max(60),
    kind: choice('Kind', KIND_NAMES),
    /** The maker's batch. */
    lot: text('Lot', 60),
    place: text('Place', 60),
    /** Of a roll or a sheet (m). */
    width: bounded('Width', [0.02, 6], 'm').nullable(),
    /** Of a sheet (m). */
    length: bounded('Length', [0.02, 12], 'm').nullable(),
    /** Of an offcut (m): x across the cloth, y along its warp. */
    outline: z.array(point).min(3).max(200).nullable(),
    /** Of one of its unit. */
    price: bounded('Price', [0, 1e6], '', { quantity: 'money' }).nullable(),
    /** The last day on which it is used. */
    expires: z.iso.date('A day is wanted: 2027-03-31').nullable(),
  })
  .superRefine(({ kind, outline }, context) => {
    if ((kind === 'offcut') !== (outline !== null))
      context.addIssue({
        code: 'custom',
        path: ['outline'],
        message: 'An offcut has an outline, and nothing else has',
      });
    const fault = outline === null ? null : faultOf(outline);
    if (fault)
      context.addIssue({ code: 'custom', path: ['outline'], message: `The outline of the offcut ${FAULTS[fault]}` });
  });
export type StockLot = z.infer<typeof stockLotSchema>;
const FAULTS = { 'no area': 'has no area', 'crosses itself': 'crosses itself' } as const;

/** What comes of a lot, or goes (below 0), in its unit. */
export const stockMoveSchema = z.strictObject({
  id: idSchema,
  lotId: idSchema,
  amount: z
    .number()
    .min(-1e6)
    .max(1e6)
    .refine((value) => value !== 0, 'A movement of nothing moves nothing'),
  reason: z.string().trim().min(1, 'Say why: bought, cut for a boat, counted, thrown away').max(200),
});
export type StockMove = z.infer<typeof stockMoveSchema>;

/** Lots that come in and movements, all together or none. */
export const stockBookingSchema = z.strictObject({
  lots: z.array(stockLotSchema).max(100),
  moves: z.array(stockMoveSchema).max(400),
  /** The frozen kit that is cut; each of its materials once. */
  kitId: idSchema.optional(),
});
export type StockBooking = z.infer<typeof stockBookingSchema>;

/** A lot with what is left of it, and how it came to that. */
export interface StockLine extends StockLot {
  left: number;
  moves: (StockMove & { author: string; at: string })[];
}
