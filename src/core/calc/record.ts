import { z } from 'zod';
import { control, leak, outlier, posterior, stiffness, toleranceBound } from '../record';
import { countOf, define } from './define';

const values = (least: number) => z.array(z.number()).min(least, `Give at least ${least}`).max(10_000);
const several = z.array(z.tuple([z.number(), z.number()])).max(100_000);

export const recordCalculations = [
  define({
    name: 'record.posterior',
    summary: 'What is known of a mean after some readings',
    input: z.object({
      prior: z.object({ mean: z.number(), standardDeviation: z.number().positive() }),
      readings: values(0),
      readingStandardDeviation: z.number().positive(),
    }),
    output: z.object({
      mean: z.number(),
      standardDeviation: z.number(),
      predictiveStandardDeviation: z.number(),
    }),
    compute: ({ prior, readings, readingStandardDeviation }) => posterior(prior, readings, readingStandardDeviation),
  }),
  define({
    name: 'record.toleranceBound',
    summary: 'The figure above which a share of all parts lies with a confidence',
    input: z.object({
      values: values(2),
      coverage: z.number().min(0.5).max(0.9999).default(0.9),
      confidence: z.number().min(0.5).max(0.9999).default(0.95),
    }),
    output: z.object({ mean: z.number(), standardDeviation: z.number(), factor: z.number(), bound: z.number() }),
    cost: () => 0.1,
    compute: (given) => toleranceBound(given.values, given.coverage, given.confidence),
  }),
  define({
    name: 'record.control',
    summary: 'Limits of chance for single values in order, and what lies beyond',
    input: z.object({ values: values(2) }),
    output: z.object({
      centre: z.number(),
      movingRange: z.number(),
      lower: z.number(),
      upper: z.number(),
      outside: z.array(z.number()),
    }),
    compute: (given) => control(given.values),
  }),
  define({
    name: 'record.outlier',
    summary: 'Whether the farthest value lies farther than chance explains',
    input: z.object({ values: values(3), significance: z.number().min(0.0001).max(0.5).default(0.05) }),
    output: z.object({ statistic: z.number(), critical: z.number(), index: z.number().nullable() }),
    compute: (given) => outlier(given.values, given.significance),
  }),
  define({
    name: 'record.leak',
    summary: 'How fast a closed volume under vacuum takes in air',
    input: z.object({
      volume: z.number().positive().describe('m³'),
      pressureStart: z.number().min(0).describe('Pa absolute'),
      pressureEnd: z.number().min(0).describe('Pa absolute'),
      minutes: z.number().positive(),
      temperatureStartCelsius: z.number().optional(),
      temperatureEndCelsius: z.number().optional(),
    }),
    output: z.object({ risePerMinute: z.number(), leakRate: z.number() }),
    compute: leak,
  }),
  define({
    name: 'record.stiffness',
    summary: 'Load over deflection by a straight line within a window of loads',
    input: z.object({ points: several, window: z.tuple([z.number(), z.number()]).optional() }),
    output: z.object({ slope: z.number(), intercept: z.number(), standardError: z.number() }),
    cost: (given) => 0.0001 * countOf(given, 'points'),
    compute: ({ points, window }) => stiffness(points, window ?? null),
  }),
];
