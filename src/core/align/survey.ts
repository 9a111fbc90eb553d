import { z } from 'zod';
import { bounded, noted } from '../field';

const name = z.string().trim().max(60, 'At most 60 characters');
const reach = (label: string) => bounded(label, [-30, 30], 'm').nullable();

/** A pair of like points to port and starboard of a string or laser line, as the tape says (m). */
export const measuredPairSchema = z.strictObject({
  name,
  /** Along the line, forward of where it begins. */
  x: bounded('Along', [-60, 60], 'm'),
  /** From the line outward to port and to starboard. */
  port: reach('To port'),
  starboard: reach('To starboard'),
  /** Above one level, by water tube or laser. */
  portHeight: reach('Height, port'),
  starboardHeight: reach('Height, starboard'),
});
export type MeasuredPair = z.output<typeof measuredPairSchema>;

/** Two distances that should be alike: from a port point to a starboard one, and the mirror image of it (m). */
export const diagonalPairSchema = z.strictObject({
  name,
  one: bounded('One', [0.01, 60], 'm'),
  other: bounded('The other', [0.01, 60], 'm'),
});

/** Everything that was measured of how straight a part stands. */
export const alignmentSurveySchema = z.strictObject({
  pairs: noted(z.array(measuredPairSchema).max(60, 'At most 60 pairs'), { label: 'Pairs' }),
  diagonals: noted(z.array(diagonalPairSchema).max(20, 'At most 20 diagonals'), { label: 'Diagonals' }),
  /** How well a reading can be repeated: one standard deviation (m). */
  tape: bounded('A reading is good to', [0.0001, 0.05], 'm'),
});
export type AlignmentSurvey = z.output<typeof alignmentSurveySchema>;
