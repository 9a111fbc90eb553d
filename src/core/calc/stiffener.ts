import { z } from 'zod';
import { sectionStiffness, topHatSection, uniformBeam } from '../stiffener';
import { define, field } from './define';

const length = z.number().positive().max(1000).describe('m');
const section = {
  EA: z.number(),
  neutralAxis: z.number(),
  EI: z.number(),
  sectionStiffnessTop: z.number(),
  sectionStiffnessBottom: z.number(),
};
const strip = z.object({ E: field.modulus, thickness: field.thickness, width: length });

export const stiffenerCalculations = [
  define({
    name: 'stiffener.section',
    summary: 'Section of rectangles of different moduli',
    input: z.object({
      elements: z
        .array(
          z.object({
            E: field.modulus,
            breadth: length,
            height: length,
            centroid: z.number().min(-1000).max(1000),
            count: z.int().min(1).max(1000).optional(),
          }),
        )
        .max(1000),
    }),
    output: z.object(section),
    compute: ({ elements }, record) => sectionStiffness(elements, record),
  }),
  define({
    name: 'stiffener.topHat',
    summary: 'Section of a top-hat stiffener with its plating',
    input: z.object({
      plating: z.object({ E: field.modulus, thickness: field.thickness, effectiveBreadth: length }),
      flange: strip,
      web: z.object({
        E: field.modulus,
        thickness: field.thickness,
        height: length,
        angleDeg: z.number().min(0).max(60).optional(),
      }),
      crown: strip,
    }),
    output: z.object({ ...section, webArea: z.number() }),
    compute: (input, record) => topHatSection(input, record),
  }),
  define({
    name: 'beam.uniform',
    summary: 'Beam under uniform load: moments, shear force, deflection',
    input: z.object({
      length,
      load: z.number().positive().max(1e9).describe('N/m'),
      EI: z.number().positive().max(1e15).describe('N m²'),
      ends: z.enum(['fixed', 'simple', 'cantilever', 'propped'], {
        error: 'ends must be "fixed", "simple", "cantilever" or "propped"',
      }),
      shearStiffness: z.number().positive().max(1e15).optional().describe('N'),
    }),
    output: z.object({ momentEnd: z.number(), momentMid: z.number(), shearEnd: z.number(), deflection: z.number() }),
    compute: (input) => uniformBeam(input),
  }),
];
