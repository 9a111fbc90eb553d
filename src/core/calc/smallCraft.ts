import { z } from 'zod';
import {
  craftSchema,
  designPressure,
  laminateProperties,
  minimumFibreMass,
  minimumSkins,
  PRESSURE_LOCATIONS,
  sandwichRequirement,
  singleSkinThickness,
  stiffenerRequirement,
} from '../standard';
import { define, field } from './define';

const member = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('panel'),
    shortSide: field.side,
    longSide: field.side,
    construction: z.enum(['single', 'sandwich']),
  }),
  z.object({ kind: z.literal('stiffener'), spacing: field.side, span: field.side }),
]);
const panel = {
  pressure: field.pressure,
  shortSide: field.side,
  longSide: field.side,
  crown: z.number().min(0).max(10).optional().describe('m'),
};
const skin = z.object({ E: field.modulus, tensileStrength: field.strength, compressiveStrength: field.strength });
const location = z.enum(['bottom', 'side', 'deck'], { error: 'location must be "bottom", "side" or "deck"' });
const factor = z.number().min(0.1).max(2).optional();

export const smallCraftCalculations = [
  define({
    name: 'smallCraft.pressure',
    summary: 'Design pressure on a panel or stiffener',
    input: z.object({
      craft: craftSchema,
      location: z.enum(PRESSURE_LOCATIONS),
      position: z.number().min(0).max(1).describe('x/LWL'),
      edgeHeight: z.number().positive().max(20).optional(),
      centreHeight: z.number().min(-5).max(20).optional(),
      member,
    }),
    output: z.object({
      pressure: z.number(),
      mode: z.enum(['planing', 'displacement', 'sailing', 'minimum']),
      kDC: z.number(),
      kL: z.number(),
      kAR: z.number(),
      kZ: z.number().optional(),
      nCG: z.number().optional(),
      minimumPressure: z.number().optional(),
    }),
    compute: (input, record) => designPressure(input, record),
  }),
  define({
    name: 'smallCraft.singleSkin',
    summary: 'Thickness a single-skin panel needs',
    input: z.object({ ...panel, flexuralStrength: field.strength, quality: factor }),
    output: z.object({ thickness: z.number(), k2: z.number(), kC: z.number(), designStress: z.number() }),
    compute: (input, record) => singleSkinThickness(input, record),
  }),
  define({
    name: 'smallCraft.minimumFibre',
    summary: 'Least dry fibre mass of a single skin',
    input: z.object({ craft: craftSchema, location, k5: factor }),
    output: z.object({ fibreMass: z.number() }),
    compute: ({ craft, location, k5 }, record) => ({ fibreMass: minimumFibreMass(craft, { location, k5 }, record) }),
  }),
  define({
    name: 'smallCraft.sandwich',
    summary: 'What a sandwich panel needs: section moduli, second moment, skin distance',
    input: z.object({
      ...panel,
      outer: skin,
      inner: skin,
      core: z.object({
        compressiveModulus: field.modulus,
        shearModulus: field.modulus,
        shearStrength: field.strength,
        kind: z.enum(['foamRigid', 'foamDuctile', 'balsa', 'honeycomb']),
      }),
    }),
    output: z.object({
      outerSectionModulus: z.number(),
      innerSectionModulus: z.number(),
      secondMoment: z.number(),
      skinDistance: z.number(),
      wrinklingStress: z.number(),
      k2: z.number(),
      k3: z.number(),
      kSHC: z.number(),
      kC: z.number(),
    }),
    compute: (input, record) => sandwichRequirement(input, record),
  }),
  define({
    name: 'smallCraft.minimumSkin',
    summary: 'Least dry fibre mass of sandwich skins and least core shear strength',
    input: z.object({ craft: craftSchema, location, k5: factor, k6: factor }),
    output: z.object({ outer: z.number(), inner: z.number(), coreShearStrength: z.number() }),
    compute: ({ craft, location, k5, k6 }, record) => minimumSkins(craft, { location, k5, k6 }, record),
  }),
  define({
    name: 'smallCraft.stiffener',
    summary: 'What a stiffener needs: web area, section moduli, second moment',
    input: z.object({
      pressure: field.pressure,
      spacing: field.side,
      span: field.side,
      rise: z.number().min(0).max(10).optional().describe('m'),
      tensileStrength: field.strength,
      compressiveStrength: field.strength,
      shearStrength: field.strength,
      E: field.modulus,
      attached: z.boolean().optional(),
    }),
    output: z.object({
      webArea: z.number(),
      sectionModulusTension: z.number(),
      sectionModulusCompression: z.number(),
      secondMoment: z.number(),
    }),
    compute: (input, record) => stiffenerRequirement(input, record),
  }),
  define({
    name: 'smallCraft.laminate',
    summary: 'Ultimate properties of E-glass mat and roving laminates',
    input: z.object({ fibreWeightFraction: z.number().min(0.15).max(0.8), matShare: field.share }),
    output: z.object({
      tensileStrength: z.number(),
      compressiveStrength: z.number(),
      flexuralStrength: z.number(),
      shearStrength: z.number(),
      E: z.number(),
      G: z.number(),
      thicknessPerFibreMass: z.number(),
    }),
    compute: ({ fibreWeightFraction, matShare }, record) => laminateProperties(fibreWeightFraction, matShare, record),
  }),
];
