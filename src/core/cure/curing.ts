import { z } from 'zod';
import data from '@data/rates/curing.json';
import { parseOrThrow } from '../error';
import { bounded, choice, noted } from '../field';
import { RESIN_FAMILIES } from '../material';

const degree = (label: string, hint?: string) => bounded(label, [0.01, 0.99], '', { ...(hint && { hint }) });

/** How resins of a family harden; where a resin has a law of its own, that goes before it. */
const family = z.strictObject({
  family: choice('Resin', RESIN_FAMILIES),
  heat: bounded('Heat of the whole cure', [10_000, 1e6], '', { hint: 'J for each kg of resin' }),
  gelDegree: degree('Gels at a degree of cure'),
  gelOverPot: bounded('A laminate gels after', [0.5, 20], '', { hint: 'times the pot life of the cup' }),
  /** Of the approximation from two pot lives: rate at the start over that of the law, and its powers. */
  start: bounded('Rate at the start', [1e-4, 10], '', { hint: 'share of k' }),
  m: bounded('Power of the degree, m', [0, 3]),
  n: bounded('Power of what is left, n', [0.1, 4]),
  tgStart: bounded('Glass transition of the liquid', [-120, 20], '°C'),
  lambda: bounded('Bend of the transition over the degree', [0.1, 1]),
  demould: degree('Can be demoulded at a degree'),
  tackEnds: degree('Bonds to the next coat by itself until'),
  abrade: degree('Must be abraded from a degree'),
  most: bounded('Hottest that a laminate may get', [40, 250], '°C'),
  hardness: bounded('Hard enough from', [0, 100], '', { hint: 'Barcol' }).default(35),
});
export type FamilyCure = z.infer<typeof family>;

/** How the yard's resins harden, and what its shop takes of their heat. */
export const curingSchema = z.strictObject({
  families: noted(z.array(family).max(12), { label: 'Families' }),
  /** A resin stops where its glass transition stands so far above its temperature. */
  vitrify: bounded('Cure stops so far below the glass transition', [0, 60], '', { hint: 'K' }),
  stiffer: bounded('Demould so far below the glass transition', [0, 60], '', { hint: 'K' }),
  lossShop: bounded('Lost to still air', [1, 100], '', { hint: 'W/(m²·K), each face' }),
  lossTent: bounded('Under a tent', [1, 100], '', { hint: 'W/(m²·K)' }),
  lossOven: bounded('In an oven', [1, 200], '', { hint: 'W/(m²·K)' }),
  hotShop: bounded('What if: the shop as hot as', [10, 45], '°C').default(28),
  coldShop: bounded('What if: the shop as cold as', [-5, 40], '°C').default(12),
});
export type Curing = z.infer<typeof curingSchema>;

/** What literature commonly has. */
export const USUAL_CURING: Curing = parseOrThrow(curingSchema, data);
