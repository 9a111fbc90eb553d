import { z } from 'zod';
import data from '@data/rates/cutting.json';
import { parseOrThrow } from '../error';
import { bounded } from '../field';

const size = (label: string, least: number, most: number, hint?: string) =>
  bounded(label, [least, most], 'm', { quantity: 'shortLength', ...(hint !== undefined && { hint }) });

/** How the yard cuts: what is added to a piece, how joints lie, what a cut takes. */
export const cuttingSchema = z.strictObject({
  /** Added all round a piece, for trimming and for the return at a flange. */
  trim: size('Trim allowance', 0, 0.5, 'all round a piece'),
  /** Where the roll is too narrow: how far one width lies over the next, and how far joints of layers keep apart. */
  lap: size('Lap of a joint', 0.01, 0.5),
  offset: size('Joints apart, layer to layer', 0.02, 1),
  /** Between pieces on the table; lost at each edge of the roll. */
  gap: size('Between pieces', 0, 0.1),
  selvage: size('Lost at each edge of a roll', 0, 0.2),
  cutSpeed: bounded('Cutting', [0.1, 200], 'm/min'),
  /** Minutes for each piece (label, lift, stack) and for each corner. */
  perPiece: bounded('For each piece', [0, 60], 'min'),
  perTurn: bounded('For each corner', [0, 5], 'min'),
  /** A piece longer than this is carried and laid by two. */
  alone: bounded('Carried by one up to', [0.3, 30], 'm').default(2.5),
  /** An offcut smaller than a square of this side is thrown away. */
  worthKeeping: size('An offcut is kept from', 0.05, 5, 'both ways'),
  /** Sheets of core as they come, and what a saw takes. */
  sheetWidth: size('Sheet of core, width', 0.1, 4),
  sheetLength: size('Sheet of core, length', 0.1, 6),
  kerf: size('Saw cut', 0, 0.02),
});
export type Cutting = z.infer<typeof cuttingSchema>;

/** Habits of a small yard, to begin with. */
export const USUAL_CUTTING: Cutting = parseOrThrow(cuttingSchema, data);
