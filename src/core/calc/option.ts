import { z } from 'zod';
import { equivalentStacks, optimiseBoat } from '../option';
import { boatOf, document } from './boat';
import { runToEnd } from '../job';
import { editsSchema } from '../edit';
import { countOf, define, field } from './define';
import { pliesField, plyField } from './laminate';

/** How many stacks of a zone are looked at for each second that is given: counted, so that the answer is the same. */
const STACKS_A_SECOND = 5000;
const weight = z.number().min(0).max(1e6).optional();
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
  define({
    name: 'boat.optimise',
    summary: 'The best schedule of a part from given fabrics, angles and cores that meets every proof of its zones',
    needsSolver: true,
    input: z.object({
      boat: document,
      part: z.string().max(60),
      zones: z.array(z.string().max(60)).min(1).max(64).optional(),
      choices: z.object({
        fabrics: z.array(z.string().max(60)).min(1, 'No fabric may be laid: allow one').max(8),
        angles: z.array(field.angleDeg).min(1, 'No angle is allowed: allow one').max(8),
        cores: z.array(z.string().max(60)).max(6).optional(),
        coreThicknesses: z.array(z.number().min(0.001).max(0.2)).min(1).max(20).optional().describe('m'),
        maxLayers: z.int().min(1).max(40).optional().describe('layers laid in a zone, the core not counted'),
      }),
      free: z.array(z.string().max(60)).max(400).optional().describe('layers that may go'),
      objective: z
        .object({
          mass: weight.describe('per kg of laminate in the zones looked at'),
          cost: weight.describe('per unit of money of materials in them'),
          hours: weight.describe('per hour of cutting and laying in them, by the usual rates'),
          pieces: weight.describe('per piece of the part'),
        })
        .describe('what is made least'),
      targetReserve: z.number().min(0.1).max(20).optional(),
      maxDropPerBoundary: z.int().min(0).max(40).optional().describe('layers that end at a line between two zones'),
      seconds: z.number().min(0.1).max(60).optional(),
      seed: z.int().optional().describe('the search leaves nothing to chance: any seed gives the same'),
    }),
    output: z.object({
      edits: editsSchema,
      before: z.object({ objective: z.number(), mass: z.number() }),
      after: z.object({ objective: z.number(), mass: z.number(), reserveFactor: z.number() }),
      bound: z.number().describe('proven: nothing of these choices comes to less'),
      gap: z.number(),
      proven: z.boolean(),
      evaluated: z.int(),
      binding: z.array(
        z.object({ zone: z.string(), check: z.string(), governs: z.string(), reserveFactor: z.number() }),
      ),
    }),
    cost: (given) => 1000 * Math.min(50, Number(given.seconds) || 10),
    compute: (input, _record, { solve }) => {
      const { edits, before, after, bound, gap, proven, evaluated, binding } = runToEnd(
        optimiseBoat(
          {
            boat: boatOf(input.boat),
            partId: input.part,
            zoneIds: input.zones,
            choices: input.choices,
            free: input.free,
            weights: { mass: 0, cost: 0, hours: 0, pieces: 0, ...input.objective },
            target: input.targetReserve,
            mostDropped: input.maxDropPerBoundary,
            effort: { budget: Math.round(STACKS_A_SECOND * (input.seconds ?? 10)) },
          },
          { solve: solve! },
        ),
      );
      return { edits, before, after, bound, gap, proven, evaluated, binding };
    },
  }),
];
