import { z } from 'zod';
import { invalid } from '../error';
import {
  adiabaticRise,
  cureAtOneTemperature,
  cureRate,
  exothermCourse,
  laminateSpecificHeat,
  potLifeByArrhenius,
  rateConstants,
} from '../cure';
import {
  arrivalAt,
  fillSimulation,
  lineFillTime,
  packOf,
  radialFillTime,
  resinNeeded,
  seriesFill,
  type FillInput,
} from '../fill';
import { faultOf } from '../geometry';
import { runToEnd } from '../job';
import { countOf, define } from './define';

const length = z.number().positive().max(1000).describe('m');
const permeability = z.number().positive().max(1e-3).describe('m²');
const porosity = z.number().gt(0).max(1);
const viscosity = z.number().positive().max(1e4).describe('Pa·s');
const pressure = z.number().positive().max(1e8).describe('difference, Pa');
const celsius = z.number().min(-50).max(500).describe('°C');
const share = z.number().min(0).max(1);
const energy = z.number().min(-1e6).max(1e6).describe('J/mol');
const factor = z.number().min(-1e15).max(1e15).describe('1/s');
const exponent = z.number().min(0).max(10);
const point = z.tuple([z.number().min(-1000).max(1000), z.number().min(-1000).max(1000)]);
const outline = z.array(point).min(3).max(2000).describe('m');
const line = z.array(point).min(2).max(500).describe('m');
const seconds = z.number().min(0).max(1e9).describe('s');
const anyPermeability = z.union([
  permeability,
  z.object({ k1: permeability, k2: permeability, angleDeg: z.number().min(-360).max(360) }),
]);

const kinetics = z.discriminatedUnion('model', [
  z.object({
    model: z.literal('kamalSourour'),
    A1: factor,
    E1: energy,
    A2: factor,
    E2: energy,
    m: exponent,
    n: exponent,
  }),
  z.object({ model: z.literal('autocatalytic'), A: factor, E: energy, m: exponent, n: exponent }),
  z.object({
    model: z.literal('autocatalyticDiffusion'),
    A: factor,
    E: energy,
    m: exponent,
    n: exponent,
    C: z.number().min(-1000).max(1000),
    alphaC0: z.number().min(-100).max(100),
    alphaCT: z.number().min(-1).max(1),
  }),
  z.object({
    model: z.literal('leeLoosSpringer'),
    A1: factor,
    E1: energy,
    A2: factor,
    E2: energy,
    A3: factor,
    E3: energy,
    B: z.number().min(-10).max(10),
    switch: share,
  }),
]);

/** Triangles of a simulation, at most; what one of them takes (ms). */
const MOST_CELLS = 60_000;
const PER_CELL = 0.15;

/** Refuse an outline that encloses nothing or crosses itself. */
function sound(ring: readonly (readonly [number, number])[], path: string): void {
  const fault = faultOf(ring);
  if (fault) throw invalid(path, fault === 'no area' ? 'The outline has no area' : 'The outline crosses itself');
}

export const fillCureCalculations = [
  define({
    name: 'fill.line',
    summary: 'Time of a straight front through one pack, or layers side by side',
    input: z.object({
      length,
      permeability: permeability.optional(),
      porosity: porosity.optional(),
      layers: z
        .array(z.object({ thickness: length, permeability, porosity }))
        .min(1)
        .max(200)
        .optional(),
      viscosity,
      pressure,
    }),
    output: z.object({ fillTime: z.number(), effectivePermeability: z.number() }),
    compute: (input) => {
      const own =
        input.permeability !== undefined && input.porosity !== undefined
          ? { permeability: input.permeability, porosity: input.porosity }
          : null;
      const pack = input.layers ? packOf(input.layers) : own;
      if (!pack) throw invalid('permeability', 'Give permeability and porosity, or layers');
      return { fillTime: lineFillTime({ ...input, ...pack }), effectivePermeability: pack.permeability };
    },
  }),
  define({
    name: 'fill.radial',
    summary: 'Time of a round front from a point',
    input: z.object({ radius: length, inletRadius: length, permeability, porosity, viscosity, pressure }),
    output: z.object({ fillTime: z.number() }),
    compute: (input) => {
      if (input.inletRadius >= input.radius) throw invalid('inletRadius', 'The inlet must be smaller than the radius');
      return { fillTime: radialFillTime(input) };
    },
  }),
  define({
    name: 'fill.series',
    summary: 'Times of a straight front through segments one behind the other, with a resin that may thicken',
    input: z.object({
      segments: z.array(z.object({ length, permeability, porosity })).min(1).max(200),
      viscosity,
      pressure,
      viscosityRate: z.number().min(0).max(10).optional().describe('1/s'),
    }),
    output: z.object({
      fillTime: z.number().nullable(),
      times: z.array(z.number().nullable()),
      limitLength: z.number().optional(),
    }),
    compute: (input) => seriesFill(input),
  }),
  define({
    name: 'fill.resin',
    summary: 'Resin in a part, and all that is mixed for it',
    input: z.object({
      area: z.number().positive().max(1e5).describe('m²'),
      dryArealWeight: z.number().positive().max(1000).describe('kg/m²'),
      fibreWeightFraction: z.number().gt(0).lt(1),
      mediaUptake: z.number().min(0).max(100).optional().describe('kg/m²'),
      wasteFraction: z.number().min(0).max(10).optional(),
      lineVolume: z.number().min(0).max(100).optional().describe('m³'),
      resinDensity: z.number().min(500).max(3000).optional().describe('kg/m³'),
    }),
    output: z.object({ resinInPart: z.number(), resinTotal: z.number() }),
    compute: (input) => resinNeeded(input),
  }),
  define({
    name: 'fill.simulate',
    summary: 'Resin drawn into a flat part: arrival, what stays dry, how much',
    input: z.object({
      outline,
      holes: z.array(outline).max(50).optional(),
      regions: z
        .array(z.object({ outline, permeability: anyPermeability, porosity, thickness: length }))
        .max(100)
        .optional(),
      permeability: anyPermeability,
      porosity,
      thickness: length,
      viscosity,
      viscosityRate: z.number().min(0).max(10).optional().describe('1/s'),
      pressure,
      inlets: z
        .array(
          z.union([
            z.object({ at: point, radius: length, openAt: seconds.optional(), closeAt: seconds.optional() }),
            z.object({ line, openAt: seconds.optional(), closeAt: seconds.optional() }),
          ]),
        )
        .min(1)
        .max(100),
      vents: z
        .array(z.union([z.object({ at: point }), z.object({ line })]))
        .min(1)
        .max(100)
        .optional(),
      probes: z.array(point).max(200).optional(),
      cells: z.int().min(50).max(MOST_CELLS).optional(),
      maximumTime: z.number().positive().max(1e9).optional().describe('s'),
    }),
    output: z.object({
      fillTime: z.number().nullable(),
      filledFraction: z.number(),
      probeTimes: z.array(z.number().nullable()),
      resinVolume: z.number(),
      lastToFill: point,
      trapped: z.array(z.object({ area: z.number(), at: point })),
    }),
    cost: (given) => PER_CELL * Math.min(MOST_CELLS, Number(given.cells) || 8000),
    compute: (input) => {
      sound(input.outline, 'outline');
      input.holes?.forEach((hole, i) => sound(hole, `holes[${i}]`));
      input.regions?.forEach((region, i) => sound(region.outline, `regions[${i}].outline`));
      const found = runToEnd(fillSimulation(input as FillInput));
      return {
        fillTime: found.fillTime,
        filledFraction: found.filledFraction,
        probeTimes: (input.probes ?? []).map((probe) => arrivalAt(found, probe)),
        resinVolume: found.resinVolume,
        lastToFill: [...found.lastToFill] as [number, number],
        trapped: found.trapped.map(({ area, at }) => ({ area, at: [...at] as [number, number] })),
      };
    },
  }),
  define({
    name: 'cure.potLife',
    summary: 'Pot life at a temperature from two that are told (Arrhenius)',
    input: z.object({
      points: z.tuple([
        z.object({ temperatureCelsius: celsius, minutes: z.number().positive().max(1e6) }),
        z.object({ temperatureCelsius: celsius, minutes: z.number().positive().max(1e6) }),
      ]),
      temperatureCelsius: celsius,
    }),
    output: z.object({ minutes: z.number(), activationEnergy: z.number() }),
    compute: ({ points: [a, b], temperatureCelsius }) =>
      potLifeByArrhenius(
        [
          { celsius: a.temperatureCelsius, minutes: a.minutes },
          { celsius: b.temperatureCelsius, minutes: b.minutes },
        ],
        temperatureCelsius,
      ),
  }),
  define({
    name: 'cure.degree',
    summary: 'Degree of cure at one temperature',
    input: z.object({
      kinetics,
      temperatureCelsius: celsius,
      startDegree: share.optional(),
      times: z.array(seconds).max(500).optional(),
      degrees: z.array(share).max(500).optional(),
    }),
    output: z.object({
      degreeAt: z.array(z.number()).optional(),
      timeTo: z.array(z.number().nullable()).optional(),
      startRate: z.number(),
      rateConstants: z.record(z.string(), z.number()),
    }),
    cost: (given) => countOf(given, 'times') + countOf(given, 'degrees'),
    compute: (input) => {
      const { times, degrees, startDegree, temperatureCelsius: at } = input;
      const { degreeAt, timeTo } = cureAtOneTemperature({ ...input, celsius: at });
      return {
        ...(times && { degreeAt }),
        ...(degrees && { timeTo }),
        startRate: cureRate(input.kinetics, startDegree ?? 0, at),
        rateConstants: rateConstants(input.kinetics, at),
      };
    },
  }),
  define({
    name: 'cure.exotherm',
    summary: 'How hot a laminate makes itself: with no heat lost, and in time',
    input: z.object({
      resinWeightFraction: share,
      reactionHeat: z.number().positive().max(1e7).describe('J/kg of resin'),
      startCelsius: celsius,
      specificHeat: z.number().positive().max(1e5).optional().describe('J/(kg·K)'),
      resinSpecificHeat: z.number().positive().max(1e5).optional(),
      fibreSpecificHeat: z.number().positive().max(1e5).optional(),
      conversion: share.optional(),
      sink: z.object({ massRatio: z.number().min(0).max(1000), specificHeat: z.number().min(0).max(1e5) }).optional(),
      kinetics: kinetics.optional(),
      arealMass: z.number().positive().max(1e5).optional().describe('kg/m²'),
      heatTransfer: z.number().min(0).max(1e5).optional().describe('W/(m²·K)'),
      ambientCelsius: celsius.optional(),
      duration: z.number().positive().max(1e8).optional().describe('s'),
    }),
    output: z.object({
      specificHeat: z.number(),
      adiabaticRise: z.number(),
      adiabaticPeakCelsius: z.number(),
      peakCelsius: z.number().optional(),
      peakTime: z.number().optional(),
      finalDegree: z.number().optional(),
      finalCelsius: z.number().optional(),
    }),
    cost: (given) => (given.kinetics ? 20 : 0),
    compute: (input) => {
      const { resinSpecificHeat: resin, fibreSpecificHeat: fibre, resinWeightFraction } = input;
      const both = resin !== undefined && fibre !== undefined;
      const specificHeat =
        input.specificHeat ?? (both ? laminateSpecificHeat(resinWeightFraction, resin, fibre) : null);
      if (specificHeat === null) throw invalid('specificHeat', 'Give the specific heat, or those of resin and fibre');
      const rise = adiabaticRise({ ...input, specificHeat });
      const told = { specificHeat, adiabaticRise: rise, adiabaticPeakCelsius: input.startCelsius + rise };
      if (!input.kinetics) return told;
      const { kinetics: law, arealMass, heatTransfer, ambientCelsius, duration } = input;
      if (arealMass === undefined || heatTransfer === undefined || ambientCelsius === undefined || !duration)
        throw invalid('arealMass', 'For the course in time give arealMass, heatTransfer, ambientCelsius and duration');
      const course = exothermCourse({
        ...input,
        kinetics: law,
        specificHeat,
        arealMass,
        heatTransfer,
        ambientCelsius,
        duration,
      });
      return { ...told, ...course };
    },
  }),
];
