import { z } from 'zod';
import { bounded, choice, flag, idSchema, nameOf, noted, refer, shortLength } from '../../field';
import { boatList } from '../entity';

/** A place on the picture of a skin (m). */
const coordinate = z.number().min(-60, 'A point lies within 60 m').max(60, 'A point lies within 60 m');

export const LINE_ROLES = { feed: 'Feed', vent: 'Vacuum' } as const;
export type LineRole = keyof typeof LINE_ROLES;
export const LINE_OPENS = {
  start: 'at the start',
  clock: 'at a time',
  arrival: 'when the front has come by',
} as const;

/** Where resin goes in or air comes out: a line with its spiral, or a point. */
const fillLineSchema = z.object({
  id: idSchema,
  name: nameOf('Name of the line', 40),
  role: choice('Takes', LINE_ROLES),
  /** One point: a point; two or more: a line. */
  points: noted(
    z
      .array(z.tuple([coordinate, coordinate]))
      .min(1, 'A line has at least one point')
      .max(100, 'A line has at most 100 points'),
    { label: 'Points', form: 'none' },
  ),
  opens: choice('Its clamp opens', LINE_OPENS),
  at: bounded('Opens after', [0, 36_000], 's', { quantity: 'duration', hint: 'from the first clamp' }),
  closes: bounded('Closes after', [1, 86_400], 's', {
    quantity: 'duration',
    hint: 'empty: when the part is full',
  }).nullable(),
});
export type FillLine = z.infer<typeof fillLineSchema>;

/** How resin is drawn into one skin of a part. */
export const fillPlanSchema = z.object({
  id: idSchema,
  name: nameOf('Name of the plan', 60),
  part: refer('Part', 'parts', { whenGone: 'drop' }),
  /** Which surface of the part: 'hull', 'deck', or a zone by its id. */
  skin: noted(z.string().max(60), { label: 'Skin', form: 'none' }),
  target: bounded('Full within', [60, 36_000], 's', { quantity: 'duration' }),
  celsius: bounded('Shop and resin', [5, 45], '°C'),
  pressure: bounded('Pressure that drives it', [10_000, 101_000], 'Pa', { quantity: 'pressure' }),
  /** Times the pot life of the resin as the Shelf has it. */
  potLife: bounded('Hardener, times the pot life', [0.05, 20]),
  gravity: flag('Weight of the resin', 'left out', 'counted'),
  /** Zones over which no flow mesh lies. */
  bare: noted(z.array(z.object({ zone: refer('Zone', 'zones', { whenGone: 'drop' }) })).max(64), {
    label: 'Without flow mesh',
    keys: ['zone'],
    form: 'none',
  }),
  brake: shortLength('Mesh ends short of the vacuum by', 0, 1, 'slows the resin before the vacuum line'),
  lines: noted(z.array(fillLineSchema).max(60, 'A plan has at most 60 lines'), { label: 'Lines', form: 'none' }),
  /** Of the bag with hoses and trap, where it was measured; null: as reckoned. */
  volume: bounded('Volume under the bag', [1e-4, 20], 'm³', {
    quantity: 'volume',
    hint: 'empty: as it is reckoned',
  }).nullable(),
});
export type FillPlan = z.infer<typeof fillPlanSchema>;

/** Plans by which parts are filled. */
export const fillPlans = boatList({
  name: 'fillPlan',
  label: 'Fill plan',
  place: 'Fill plans',
  schema: fillPlanSchema,
  limit: 60,
  since: 12,
  empty: () => [],
  title: ({ name }) => name,
});

export const CURE_PLACES = { shop: 'in the shop', tent: 'under a heated tent', oven: 'in an oven' } as const;

const cureStepSchema = z.object({
  /** K/h */
  rate: bounded('Degrees an hour', [1, 600], '', { hint: 'K/h' }),
  to: bounded('To', [5, 220], '°C'),
  hold: bounded('Hold', [0, 2_000_000], 's', { quantity: 'duration' }),
});
export type CureStep = z.infer<typeof cureStepSchema>;

/** How a part is cured, from when its resin is in. */
export const curePlanSchema = z.object({
  id: idSchema,
  name: nameOf('Name of the schedule', 60),
  part: refer('Part', 'parts', { whenGone: 'drop' }),
  place: choice('Cured', CURE_PLACES),
  /** Resin, fabric and mould when it begins. */
  start: bounded('Begins at', [0, 60], '°C'),
  potLife: bounded('Hardener, times the pot life', [0.05, 20]),
  steps: noted(z.array(cureStepSchema).min(1, 'Give at least one step').max(20), { label: 'Steps' }),
  mould: shortLength('Mould, thickness of its laminate', 0.001, 0.1),
  mouldLimit: bounded('Mould bears', [30, 250], '°C'),
  bagLimit: bounded('Bag and tape bear', [40, 250], '°C'),
  /** Layers laid in one go; the next go when the one before has gelled. */
  shot: bounded('Thickness in one go', [0.0002, 0.2], 'm', {
    quantity: 'thickness',
    hint: 'empty: all that is laid',
  }).nullable(),
});
export type CurePlan = z.infer<typeof curePlanSchema>;

/** Schedules by which parts are cured. */
export const curePlans = boatList({
  name: 'curePlan',
  label: 'Cure schedule',
  place: 'Cure schedules',
  schema: curePlanSchema,
  limit: 60,
  since: 12,
  empty: () => [],
  title: ({ name }) => name,
});
