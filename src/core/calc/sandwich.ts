import { z } from 'zod';
import { sandwichBeam, sandwichLimits, sandwichSection } from '../laminate';
import { define, field } from './define';

const poisson = z.number().min(0).max(0.499).optional();
const sheet = z.object({ E: field.modulus, thickness: field.thickness, nu: poisson });
const length = z.number().positive().max(1000);

export const sandwichCalculations = [
  define({
    name: 'sandwich.limits',
    summary: 'Wrinkling, shear crimping and dimpling of a sandwich in compression',
    input: z.object({
      faceModulus: field.modulus,
      faceThickness: field.thickness,
      coreThickness: field.thickness,
      coreModulus: field.modulus,
      coreShearModulus: field.modulus,
      cellSize: field.thickness.optional(),
      width: length.optional(),
    }),
    output: z.object({
      wrinklingStress: z.number(),
      wrinklingStressDesign: z.number(),
      shearCrimpingLoad: z.number(),
      shearCrimpingLoadCautious: z.number(),
      dimplingStress: z.number().optional(),
      dimplingStressDesign: z.number().optional(),
    }),
    compute: (input) => sandwichLimits(input),
  }),
  define({
    name: 'sandwich.section',
    summary: 'Section of a sandwich per unit width',
    input: z.object({
      faces: z.tuple([sheet, sheet]),
      core: sheet.extend({ E: z.number().min(0).max(1e13).describe('Pa'), G: field.modulus }),
    }),
    output: z.object({
      EA: z.number(),
      neutralAxis: z.number(),
      bendingStiffness: z.number(),
      bendingStiffnessThinFaces: z.number(),
      shearStiffness: z.number(),
      skinDistance: z.number(),
    }),
    compute: (input) => sandwichSection(input),
  }),
  define({
    name: 'sandwich.beam',
    summary: 'Deflection, moment, shear force and stresses of a sandwich beam',
    input: z.object({
      length,
      load: z.number().min(-1e9).max(1e9).optional().describe('N/m'),
      pointLoad: z.number().min(-1e9).max(1e9).optional().describe('N'),
      ends: z.enum(['simple', 'fixed', 'cantilever'], { error: 'ends must be "simple", "fixed" or "cantilever"' }),
      bendingStiffness: z.number().positive().describe('N m²'),
      shearStiffness: z.number().positive().describe('N'),
      width: length.optional(),
      faceThickness: field.thickness.optional(),
      skinDistance: field.thickness.optional(),
    }),
    output: z.object({
      deflection: z.number(),
      deflectionBending: z.number(),
      deflectionShear: z.number(),
      momentMax: z.number(),
      shearMax: z.number(),
      faceStress: z.number().optional(),
      coreShear: z.number().optional(),
    }),
    compute: (input) => sandwichBeam(input),
  }),
];
