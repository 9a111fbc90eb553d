import { z } from 'zod';
import { bounded, choice, idSchema } from '../field';

export const TESTS = {
  three: 'three-point bending',
  four: 'four-point bending, loads at the thirds',
  tension: 'tension of a coupon',
} as const;
export type TestKind = keyof typeof TESTS;
export const BREAKS = {
  none: 'not broken',
  crack: 'first crack',
  tension: 'fibres torn',
  compression: 'fibres crushed or buckled',
  shear: 'core sheared',
  wrinkle: 'skin wrinkled',
  crush: 'core crushed under the load',
  bond: 'skin came off the core',
  support: 'slipped, or broke at a support',
} as const;
export type BreakKind = keyof typeof BREAKS;

const words = (most: number) => z.string().trim().max(most, `At most ${most} characters`);
const point = z.tuple([z.number().min(-1e8).max(1e8), z.number().min(-10).max(10)]);

/** A layer of a sample: a fabric or core of the boat, from the face that the load is on. */
export const trialLayerSchema = z.strictObject({
  material: idSchema,
  angleDeg: bounded('Angle', [-360, 360], '°'),
  /** Of a core (m); null for cloth. */
  thickness: z.number().min(0.0005).max(0.3).nullable(),
});

/** A sample part or coupon, how it was loaded, what was read, and how it broke. SI. */
export const trialSchema = z.strictObject({
  boat: z.string().min(1).max(60),
  series: words(60).min(1, 'Name the series: hatch 7, say'),
  name: words(60).min(1, 'Name the sample'),
  layers: z.array(trialLayerSchema).min(1, 'A sample has a layer at least').max(60),
  /** Which face the load is on is the first layer. */
  test: choice('Test', TESTS),
  span: bounded('Between the supports', [0.02, 10], 'm'),
  width: bounded('Width', [0.005, 5], 'm'),
  /** What it weighed (kg/m²); null where nobody put it on the scales. */
  arealWeight: z.number().min(0.1).max(500).nullable(),
  points: z.array(point).max(5000, 'At most 5000 points'),
  /** Loads between which its stiffness is read (N); null: the first half. */
  window: z.tuple([z.number(), z.number()]).nullable(),
  breaks: z
    .array(z.strictObject({ kind: choice('How', BREAKS), load: bounded('Load', [0, 1e8], 'N'), where: words(120) }))
    .max(10, 'At most 10 events'),
  /** What the series must bear (N), and how far it may bend under it (m). */
  target: bounded('Must bear', [1, 1e8], 'N'),
  mostDeflection: z.number().positive().max(10).nullable(),
  on: z.iso.date('A day is wanted: 2026-11-30'),
  note: words(500),
});
export type Trial = z.output<typeof trialSchema>;
export type TrialLayer = Trial['layers'][number];
