import { z } from 'zod';
import data from '@data/rates/filling.json';
import { parseOrThrow } from '../error';
import { bounded, choice, nameOf, noted, shortLength } from '../field';
import { FABRIC_FORMS } from '../material';

const permeability = (label: string, hint?: string) => bounded(label, [1e-4, 1e6], 'µm²', { ...(hint && { hint }) });

/** Permeabilities in µm² (10⁻¹² m²), at a volume fraction of fibre from which others are reckoned. */
const fabricFlow = z.strictObject({
  family: choice('Cloth', FABRIC_FORMS),
  along: permeability('Along it'),
  across: permeability('Across it'),
  through: permeability('Through it'),
  fraction: bounded('At a fibre fraction by volume', [0.05, 0.8]),
});

/** A sheet of the bag over the part or over the media, with so much more for pleats and trim. */
const bagSheet = z.strictObject({
  name: nameOf('Sheet', 60),
  covers: choice('Covers', { part: 'the part', media: 'where the flow mesh lies' }),
  extra: bounded('More than its area', [0, 2], '', { quantity: 'fraction' }),
});

/** How cloth lets resin through, and how the yard bags and fills. */
export const fillingSchema = z.strictObject({
  fabrics: noted(z.array(fabricFlow).max(20), { label: 'Cloths' }),
  carbon: bounded('Carbon lets through', [0.01, 1], '', { hint: 'times what the same cloth of glass does' }),
  grooves: permeability('Grooves and slits of a core', 'over the resin that they take up'),
  flowCore: permeability('Core mat that resin runs in'),
  holes: permeability('Holes of a core, through it'),
  media: noted(
    z.strictObject({
      thickness: shortLength('Flow mesh, thickness', 0.0001, 0.02),
      permeability: permeability('Flow mesh, lets through'),
      porosity: bounded('Flow mesh, share of it that fills', [0.1, 1], '', { quantity: 'fraction' }),
    }),
    { label: 'Flow mesh' },
  ),
  peelPly: bounded('Peel ply and film take up', [0, 2], 'kg/m²'),
  spiral: bounded('In a metre of feed line', [0, 0.002], 'm³', { quantity: 'volume' }),
  stack: noted(z.array(bagSheet).max(12), { label: 'From the part to the bag' }),
  pleats: bounded('Pleats, more of the seal', [0, 3], '', { quantity: 'fraction' }),
  flange: shortLength('Flange round the part', 0, 1, 'from its edge to the seal'),
  vacuum: bounded('Pressure that drives it', [10_000, 101_000], 'Pa', { quantity: 'pressure' }),
  /** A resin whose makers tell no viscosity in time. */
  thickening: bounded('Times as thick at its pot life', [1.5, 100]),
  lead: bounded('From mixing to the open clamp', [0, 7200], 's', { quantity: 'duration' }),
  margin: bounded('Pot life over fill time, at least', [1, 10]),
  waste: bounded('Left in pots and hoses', [0, 1], '', { quantity: 'fraction' }),
  bucket: bounded('A bucket holds', [0.1, 1000], 'kg'),
  /** Power of the compaction by which a pack that bears less pressure is thicker. */
  springBack: bounded('Spring-back of the pack', [0, 0.5], '', { hint: 'thickness goes as pressure to this power' }),
  hotShop: bounded('What if: the shop as hot as', [10, 45], '°C').default(28),
  coldShop: bounded('What if: the shop as cold as', [5, 40], '°C').default(12),
  lateClamp: bounded('What if: later clamps late by', [10, 7200], 's', { quantity: 'duration' }).default(300),
  leak: bounded('What if: a leak takes of the vacuum', [500, 80_000], 'Pa', { quantity: 'pressure' }).default(10_000),
  dropMinutes: bounded('Drop test lasts', [1, 240], 'min'),
  dropMost: bounded('Most that it may lose', [10, 20_000], 'Pa', { quantity: 'pressure' }),
  voids: bounded('Most air that leaks in before gel', [1e-4, 0.1], '', {
    quantity: 'fraction',
    hint: 'of the room that resin fills',
  }),
});
export type Filling = z.infer<typeof fillingSchema>;

/** What literature commonly has, and habits of a small yard. */
export const USUAL_FILLING: Filling = parseOrThrow(fillingSchema, data);
