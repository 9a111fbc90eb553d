import { z } from 'zod';
import { combineProduct, combineSum, foamToFloat, rollUpMasses } from '../weight';
import { countOf, define, field } from './define';

const vector = z.tuple([z.number(), z.number(), z.number()]);
const out = z.array(z.number());
const several = <S extends z.ZodType>(schema: S) => z.array(schema).min(1, 'Give at least one').max(10_000);

export const weightCalculations = [
  define({
    name: 'weight.rollUp',
    summary: 'Mass, centre, inertia about the centre and scatter of items together',
    input: z.object({
      items: several(
        z.object({
          mass: z.number().describe('kg; negative for what is taken off'),
          centre: vector.describe('m'),
          inertia: vector.optional().describe('its own, about its centre (kg·m²)'),
          standardDeviation: z.number().min(0).optional().describe('kg'),
        }),
      ),
    }),
    output: z.object({
      mass: z.number(),
      centre: out.nullable(),
      inertia: out.nullable(),
      standardDeviation: z.number(),
    }),
    cost: (given) => 0.001 * countOf(given, 'items'),
    compute: ({ items }) => {
      const { centre, inertia, ...rest } = rollUpMasses(items);
      return { ...rest, centre: centre && [...centre], inertia: inertia && [...inertia] };
    },
  }),
  define({
    name: 'uncertainty.combine',
    summary: 'Sum or product of independent uncertain quantities',
    input: z.object({
      kind: z.enum(['sum', 'product'], { error: 'kind must be sum or product' }),
      terms: several(
        z.object({ mean: z.number(), standardDeviation: z.number().min(0), factor: z.number().optional() }),
      ),
    }),
    output: z.object({
      mean: z.number(),
      standardDeviation: z.number(),
      p05: z.number().optional(),
      p95: z.number().optional(),
    }),
    compute: ({ kind, terms }) => (kind === 'sum' ? combineSum(terms) : combineProduct(terms)),
  }),
  define({
    name: 'weight.flotation',
    summary: 'Foam that floats a swamped boat',
    input: z.object({
      items: several(
        z.object({
          mass: z.number().min(0).describe('kg'),
          density: field.density,
          submerged: field.share.optional().describe('share of its volume under water; 1 unless given'),
        }),
      ),
      waterDensity: field.density,
      foamDensity: field.density,
      factor: z.number().min(1).max(10).optional().describe('on the foam; 1 unless given'),
    }),
    output: z.object({ foamVolume: z.number().describe('m³') }),
    compute: (input) => ({ foamVolume: foamToFloat(input) }),
  }),
];
