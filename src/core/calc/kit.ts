import { z } from 'zod';
import { runToEnd } from '../job';
import { batchesOf, nestPolygons, nestRectangles } from '../kit';
import { countOf, define } from './define';

/** Layouts and places looked at for each second that is given: counted, so that the answer is the same everywhere. */
const LAYOUTS_A_SECOND = 1e8;
const LOOKS_A_SECOND = 1e6;
const USUAL_SECONDS = 5;

const size = z.number().positive().max(1000).describe('m');
const seconds = z.number().min(0.1).max(60).optional();
const seed = z.int().min(0).max(1e9).optional();
const count = z.int().min(1).max(500).optional();
const id = z.string().min(1).max(60);
const gap = z.number().min(0).max(1).optional().describe('m between pieces, not at edges');
const point = z.tuple([z.number().min(-1000).max(1000), z.number().min(-1000).max(1000)]);
const outline = z.array(point).min(3).max(400).describe('m; x across the roll, y along it');
const time = (given: Record<string, unknown>) => 1000 * Math.min(60, Number(given.seconds) || USUAL_SECONDS);

export const kitCalculations = [
  define({
    name: 'kit.nestRectangles',
    summary: 'Rectangles on a strip, as short as is found',
    input: z.object({
      stripWidth: size,
      gap,
      pieces: z
        .array(z.object({ id, width: size.describe('m across the roll'), length: size, count }))
        .min(1)
        .max(400),
      allowRotation: z.boolean(),
      seconds,
      seed,
    }),
    output: z.object({
      length: z.number(),
      utilisation: z.number(),
      placements: z.array(
        z.object({ id: z.string(), copy: z.int(), x: z.number(), y: z.number(), rotated: z.boolean() }),
      ),
    }),
    cost: time,
    compute: (input) => {
      const all = input.pieces.reduce((sum, piece) => sum + (piece.count ?? 1), 0);
      const tries = Math.round(((input.seconds ?? USUAL_SECONDS) * LAYOUTS_A_SECOND) / (all * all + 200));
      return runToEnd(nestRectangles({ ...input, gap: input.gap ?? 0, tries, seed: input.seed ?? 1 }));
    },
  }),
  define({
    name: 'kit.nestPolygons',
    summary: 'True shapes on a strip and on offcuts, as short as is found',
    input: z.object({
      stripWidth: size,
      gap,
      pieces: z
        .array(
          z.object({ id, outline, count, rotations: z.array(z.number().min(-360).max(360)).min(1).max(24).optional() }),
        )
        .min(1)
        .max(200),
      stock: z.array(z.object({ id, outline })).max(40).optional(),
      seconds,
      seed,
    }),
    output: z.object({
      length: z.number().describe('m of new strip'),
      utilisation: z.number(),
      placements: z.array(
        z.object({
          id: z.string(),
          copy: z.int(),
          rotation: z.number(),
          x: z.number(),
          y: z.number(),
          stock: z.string().optional(),
        }),
      ),
    }),
    cost: time,
    compute: ({ stripWidth, pieces, ...input }) =>
      runToEnd(
        nestPolygons({
          stripWidth,
          pieces,
          gap: input.gap ?? 0,
          stock: input.stock ?? [],
          looks: Math.round((input.seconds ?? USUAL_SECONDS) * LOOKS_A_SECOND),
          seed: input.seed ?? 1,
        }),
      ),
  }),
  define({
    name: 'kit.batches',
    summary: 'Batches of resin, each used up inside its working time',
    input: z.object({
      resinMass: z.number().min(0).max(1e5).describe('kg'),
      maximumBatch: z.number().positive().max(1e4).describe('kg of resin'),
      workingMinutes: z.number().positive().max(1e4),
      wetOutRate: z.number().positive().max(1e3).describe('kg of mix a minute'),
      hardenerShare: z.number().min(0).max(5).describe('by mass of resin'),
    }),
    output: z.object({
      batches: z.array(z.object({ resin: z.number(), hardener: z.number(), startMinute: z.number() })),
      largestByTime: z.number().describe('kg of resin'),
    }),
    cost: (given) => 0.001 * countOf(given, 'batches'),
    compute: (input) => batchesOf(input),
  }),
];
