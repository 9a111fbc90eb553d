import { z } from 'zod';
import data from '@data/rates/mixing.json';
import { parseOrThrow } from '../../error';
import { bounded, choice, nameOf, noted, whole } from '../../field';
import { RESIN_FAMILIES } from '../../material';

const hardener = z.strictObject({
  family: choice('For', RESIN_FAMILIES),
  name: nameOf('Hardener', 60),
  share: bounded('By mass of resin', [0.001, 2], '', { hint: 'kg for each kg of resin' }),
  density: bounded('Density', [500, 2000], 'kg/m³'),
  /** Times the pot life of the resin as the Shelf has it. */
  potLife: bounded('Times the pot life', [0.05, 20]),
  /** Most resin in one pot: what heats itself up no further (kg). */
  largest: bounded('Largest pot', [0.05, 500], 'kg of resin', { quantity: 'mass' }),
});
export type Hardener = z.infer<typeof hardener>;

/** How the yard mixes: the shop, the team, what it hardens with. */
export const mixingSchema = z.strictObject({
  temperature: bounded('Shop', [5, 40], '°C', { quantity: 'temperature' }),
  people: whole('People who wet out', 1, 30),
  wetOut: bounded('Wetted out by one', [0.01, 5], 'kg/min'),
  /** What a part draws when it is filled under vacuum. */
  draw: bounded('Drawn by a fill', [0.01, 50], 'kg/min'),
  workingShare: bounded('Of the pot life, used', [0.1, 1]),
  waste: bounded('Left in pots and on tools', [0, 1], '', { hint: 'share of what stays in the part' }),
  layersPerShot: whole('Layers in one go, by hand', 1, 20),
  /** Of gelcoats and other coats, whose own data sheets go before it. */
  coatPotLife: bounded('Coats: pot life at 25 °C', [1, 240], 'min').default(12),
  /** Adhesives and thickened resin: the most in one go, and what is laid of it (kg/min, for all who lay). */
  largestPaste: bounded('Largest pot of paste', [0.02, 100], 'kg', { quantity: 'mass' }).default(0.8),
  pasteRate: bounded('Paste laid', [0.01, 10], 'kg/min').default(0.15),
  hardeners: noted(z.array(hardener).max(40), { label: 'Hardeners' }),
});
export type Mixing = z.infer<typeof mixingSchema>;

/** Plausible habits of a small yard, to begin with. */
export const USUAL_MIXING: Mixing = parseOrThrow(mixingSchema, data);
