import { z } from 'zod';
import { equivalentStacks } from '../option';
import { countOf, define, field } from './define';
import { pliesField, plyField } from './laminate';

const ply = plyField.omit({ angleDeg: true, role: true });

export const optionCalculations = [
  define({
    name: 'option.equivalent',
    summary: 'Stacks of another family that are as stiff as a laminate, the lightest first',
    input: z.object({
      plies: pliesField.min(1),
      core: ply
        .omit({ thickness: true })
        .extend({ density: field.density, thicknesses: z.array(z.number().positive().max(1)).min(1).max(20) })
        .optional()
        .describe('a core laid between the layers'),
      family: z
        .array(
          ply.extend({
            id: z.string().min(1).max(60),
            thickness: z.number().positive().max(0.1).describe('m, cured'),
            dryArealWeight: z.number().positive().max(20).describe('kg/m²'),
            fibreWeightFraction: field.openShare,
          }),
        )
        .min(1)
        .max(12),
      match: z.enum(['bending', 'membrane', 'both', 'panel'], {
        error: 'match must be bending, membrane, both or panel',
      }),
      maxLayers: z.int().min(1).max(12),
      panel: z.object({ length: z.number().positive(), breadth: z.number().positive() }).optional(),
    }),
    output: z.object({
      solutions: z.array(
        z.object({
          layers: z.array(z.string()),
          coreThickness: z.number().optional(),
          coreAfter: z.int().optional(),
          mass: z.number(),
          ratio: z.number(),
        }),
      ),
      exhaustive: z.boolean(),
    }),
    cost: (given) =>
      Math.min(4000, 0.002 * Math.max(1, countOf(given, 'family')) ** Math.min(12, Number(given.maxLayers) || 1)),
    compute: (input) => equivalentStacks(input),
  }),
];
