import { z } from 'zod';
import data from '@data/rates/rates.json';
import { parseOrThrow } from '../error';
import { bounded, nameOf, noted, text } from '../field';
import type { Process } from '../material';

const perArea = (label: string, most = 20) => bounded(label, [0, most], '', { hint: 'h/m²' });
const perPart = (label: string) => bounded(label, [0, 1000], '', { hint: 'h a part' });

const consumable = z.strictObject({
  name: nameOf('Consumable', 60),
  /** Of its unit for a square metre of mould. */
  perArea: bounded('For each m²', [0, 100]),
  unit: z.enum(['m²', 'm', 'kg', 'L', 'piece'], { error: 'A consumable is counted in m², m, kg, L or pieces' }),
  price: bounded('Price of one', [0, 1e5], '', { quantity: 'money' }),
});
export type Consumable = z.infer<typeof consumable>;

/** Hours of a process: what they go by stands behind each. */
const processRates = z.strictObject({
  mould: perArea('Mould cleaned and waxed'),
  coat: perArea('A coat sprayed or brushed'),
  cut: perArea('Cloth cut'),
  layMat: perArea('A layer of mat laid'),
  layWoven: perArea('A layer of woven cloth laid'),
  layStitched: perArea('A layer of stitched cloth laid'),
  core: perArea('Core fitted'),
  bag: perArea('Bagged and stripped'),
  setUp: perPart('Lines, pumps and leak test'),
  fill: perPart('Filling, attended'),
  debulk: perArea('A debulk'),
  debulkEvery: bounded('Layers between debulks', [0, 50], '', { hint: '0: none' }),
  cure: perPart('Cure, attended'),
  demould: perArea('Demoulded and trimmed'),
  /** Over what is counted (share): resin left in buckets, lines, squeezed out. */
  resinWaste: bounded('Resin wasted', [0, 2], '', { hint: 'share of what stays in the part' }),
  consumables: noted(z.array(consumable).max(40), { label: 'Consumables' }),
});
export type ProcessRates = z.infer<typeof processRates>;

/** What the yard works and buys by; corrected by its records. */
export const ratesSchema = z.strictObject({
  currency: text('Currency', 8),
  labour: bounded('An hour', [0, 1000], '', { quantity: 'money' }),
  overhead: bounded('Overhead on labour', [0, 5], '', { hint: 'share' }),
  /** Cut away, by kind (share). */
  wasteFabric: bounded('Cloth cut away', [0, 2], '', { hint: 'share' }),
  wasteCore: bounded('Core cut away', [0, 2], '', { hint: 'share' }),
  wasteCoating: bounded('Coating and adhesive lost', [0, 2], '', { hint: 'share' }),
  rollEnd: bounded('Lost at the end of a roll', [0, 10], 'm'),
  /** Money of other currencies in the yard's own: 1 of it is so much. */
  exchange: noted(
    z.array(z.strictObject({ currency: nameOf('Currency', 8), rate: bounded('Is worth', [1e-6, 1e6]) })).max(20),
    { label: 'Other currencies' },
  ),
  shapeCurved: bounded('Times on a curved place', [1, 5]),
  shapeTight: bounded('Times on a tight place', [1, 5]),
  stiffener: bounded('Stiffener, formed and laid', [0, 50], '', { hint: 'h/m' }),
  detail: bounded('A detail', [0, 200], '', { hint: 'h each' }),
  detailMass: bounded('and for its mass', [0, 50], '', { hint: 'h/kg' }),
  fitPart: bounded('Fitting and bonding a part in', [0, 1000], '', { hint: 'h a part, the first not counted' }),
  /** How far hours and prices may be off (one standard deviation, share). */
  scatterHours: bounded('Hours may be off by', [0, 1], '', { hint: 'one standard deviation, share' }),
  scatterGeneric: bounded('Generic prices may be off by', [0, 1], '', { hint: 'one standard deviation, share' }),
  processes: z.strictObject({
    handLayUp: processRates,
    wetBag: processRates,
    infusion: processRates,
    prepreg: processRates,
  } satisfies Record<Process, unknown>),
});
export type Rates = z.infer<typeof ratesSchema>;

/** Plausible rates of a small yard, to begin with. */
export const USUAL_RATES: Rates = parseOrThrow(ratesSchema, data);
export { processRates as processRatesSchema };
