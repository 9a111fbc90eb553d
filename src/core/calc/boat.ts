import { z } from 'zod';
import { invalid, parseOrThrow } from '../error';
import { evaluateDetails } from '../detail/kinds';
import { boatFromJson, boatToJson, type Boat } from '../document';
import { applyEdits, editsSchema } from '../edit';
import { evaluateStiffeners, makeEvaluator } from '../evaluate';
import { hullFigures } from '../geometry';
import { boatWeight } from '../weight';
import { define } from './define';

const metres = z.number().min(-1000).max(1000);
const point = z.tuple([z.number(), z.number(), z.number()]);
const reserve = z.number().nullable().describe('null where nothing loads it');
export const document = z.record(z.string(), z.unknown()).describe('a boat document as `keramos export` writes it');
const finite = (value: number | null | undefined) =>
  value === null || value === undefined || !Number.isFinite(value) ? null : value;

/** The boat of a document. @throws KeramosError as its import does. */
export const boatOf = (given: Record<string, unknown>): Boat => boatFromJson(JSON.stringify(given));
const documentOf = (boat: Boat) => JSON.parse(boatToJson(boat)) as Record<string, unknown>;

export const boatCalculations = [
  define({
    name: 'geometry.hull',
    summary: 'Skin, end section, volume and waterplane of a hull given by sections',
    input: z.object({
      stations: z
        .array(
          z.object({
            x: metres.describe('m, forwards'),
            points: z
              .array(z.tuple([z.number().min(0).max(100), metres]))
              .min(2)
              .max(400)
              .describe('half-breadth and height from keel to deck edge, m'),
          }),
        )
        .min(2)
        .max(400),
      waterline: metres.optional(),
      smooth: z.boolean().optional(),
    }),
    output: z.object({
      skinArea: z.number(),
      skinCentroid: point,
      transomArea: z.number(),
      volume: z.number().optional(),
      volumeCentroid: point.optional(),
      waterplaneArea: z.number().optional(),
    }),
    cost: ({ stations, smooth }) => (Array.isArray(stations) ? stations.length : 0) * (smooth === true ? 60 : 1),
    compute: ({ stations, waterline, smooth }) => hullFigures(stations, { waterline, smooth }),
  }),
  define({
    name: 'boat.evaluate',
    summary: 'Every zone, stiffener and detail of a boat with its checks, its mass and centre',
    input: z.object({ boat: document, zones: z.array(z.string().max(60)).max(500).optional() }),
    output: z.object({
      zones: z.array(
        z.object({
          id: z.string(),
          part: z.string(),
          area: z.number(),
          thickness: z.number(),
          dryArealWeight: z.number(),
          laminateArealWeight: z.number(),
          pressure: z.number().nullable(),
          reserveFactor: reserve,
          governs: z.string().nullable(),
          checks: z.array(z.object({ id: z.string(), pack: z.string(), panel: z.string(), reserveFactor: reserve })),
          notProven: z.array(z.string()),
          problem: z.string().nullable(),
        }),
      ),
      stiffeners: z.array(z.object({ id: z.string(), reserveFactor: reserve, problem: z.string().nullable() })),
      details: z.array(
        z.object({
          id: z.string(),
          reserveFactor: reserve,
          checks: z.array(z.object({ id: z.string(), reserveFactor: reserve })),
          problem: z.string().nullable(),
        }),
      ),
      mass: z.number(),
      centre: point,
      cost: z.number().optional(),
    }),
    cost: () => 400,
    compute: ({ boat: given, zones: wanted }) => {
      const boat = boatOf(given);
      const evaluations = makeEvaluator()(boat);
      const all = boat.parts.flatMap((part) => part.zones.map((zone) => ({ part, zone })));
      const unknown = wanted?.find((id) => !all.some(({ zone }) => zone.id === id));
      if (unknown !== undefined) throw invalid('zones', `There is no zone "${unknown}" in this boat`);
      const details = evaluateDetails(boat);
      const weight = boatWeight(boat, evaluations, details);
      const costs = all.map(({ zone }) => {
        const { cost } = evaluations.get(zone.id)!;
        return cost === null ? null : cost * zone.geometry.area;
      });
      const cost = costs.some((one) => one === null) ? null : costs.reduce<number>((sum, one) => sum + one!, 0);
      return {
        zones: all
          .filter(({ zone }) => wanted === undefined || wanted.includes(zone.id))
          .map(({ part, zone }) => {
            const e = evaluations.get(zone.id)!;
            return {
              id: zone.id,
              part: part.id,
              area: zone.geometry.area,
              thickness: e.thickness,
              dryArealWeight: e.dryArealWeight,
              laminateArealWeight: e.laminatedArealWeight,
              pressure: e.pressure?.pressure ?? null,
              reserveFactor: finite(e.governing?.reserveFactor),
              governs: e.governing?.id ?? null,
              checks: e.checks.map(({ id, pack, panel, reserveFactor }) => ({
                id,
                pack,
                panel,
                reserveFactor: finite(reserveFactor),
              })),
              notProven: e.unproven,
              problem: e.problem,
            };
          }),
        stiffeners: evaluateStiffeners(boat).map(({ support, governing, problem }) => ({
          id: support.id,
          reserveFactor: finite(governing?.reserveFactor),
          problem,
        })),
        details: details.map(({ detail, governing, checks, problem }) => ({
          id: detail.id,
          reserveFactor: finite(governing?.reserveFactor),
          checks: checks.map(({ id, reserveFactor }) => ({ id, reserveFactor: finite(reserveFactor) })),
          problem,
        })),
        mass: weight.mass,
        // Both hands are alike, or their difference is not known: across the boat the centre is taken on the middle.
        centre: [weight.centreX, 0, weight.centreZ] as [number, number, number],
        ...(cost !== null && { cost }),
      };
    },
  }),
  define({
    name: 'boat.apply',
    summary: 'A boat after a list of edits, as one action',
    input: z.object({ boat: document, edits: z.array(z.unknown()).min(1).max(200) }),
    output: z.object({ boat: document }),
    cost: () => 120,
    compute: ({ boat, edits }) => ({
      boat: documentOf(applyEdits(boatOf(boat), parseOrThrow(editsSchema, edits, 'edits')).boat),
    }),
  }),
];
