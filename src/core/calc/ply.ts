import { z } from 'zod';
import { fabricConstants } from '../laminate';
import { plyFractions, plyThickness, randomMat, unidirectional } from '../material';
import { define, field } from './define';

const fibre = z.object({
  E1: field.modulus,
  E2: field.modulus.optional(),
  G12: field.modulus.optional(),
  nu12: field.poisson,
});
const micromechanics = z.object({
  fibre,
  resin: z.object({ E: field.modulus, nu: z.number().min(0).max(0.499) }),
  fibreVolumeFraction: field.openShare,
  xiE2: z.number().min(0).max(100).optional(),
  xiG12: z.number().min(0).max(100).optional(),
});

export const plyCalculations = [
  define({
    name: 'ply.fractions',
    summary: 'Fibre weight and volume fractions, each from the other, and density',
    input: z.object({
      fibreDensity: field.density,
      resinDensity: field.density,
      fibreWeightFraction: field.openShare.optional(),
      fibreVolumeFraction: field.openShare.optional(),
      voidFraction: field.voids,
    }),
    output: z.object({ fibreWeightFraction: z.number(), fibreVolumeFraction: z.number(), density: z.number() }),
    compute: (input, record) => plyFractions(input, record),
  }),
  define({
    name: 'ply.thickness',
    summary: 'Cured thickness, resin and laminated weight from dry weight',
    input: z.object({
      dryArealWeight: field.arealWeight,
      fibreWeightFraction: field.openShare,
      fibreDensity: field.density,
      resinDensity: field.density,
      voidFraction: field.voids,
    }),
    output: z.object({ thickness: z.number(), resinArealWeight: z.number(), laminateArealWeight: z.number() }),
    compute: (input, record) => plyThickness(input, record),
  }),
  define({
    name: 'ply.unidirectional',
    summary: 'Stiffness of a unidirectional ply: mixtures and Halpin–Tsai',
    input: micromechanics,
    output: z.object({ E1: z.number(), E2: z.number(), nu12: z.number(), G12: z.number() }),
    compute: (input, record) => unidirectional(input, record),
  }),
  define({
    name: 'ply.randomMat',
    summary: 'In-plane isotropic stiffness of a random mat',
    input: micromechanics,
    output: z.object({ E: z.number(), G: z.number(), nu: z.number() }),
    compute: (input, record) => randomMat(input, record),
  }),
  define({
    name: 'ply.fabric',
    summary: 'In-plane constants of a woven or stitched fabric, smeared',
    input: micromechanics.extend({
      thickness: field.thickness,
      sublayers: z
        .array(
          z.object({
            angleDeg: field.angleDeg,
            share: z.number().min(1e-6).max(1),
            crimpFactor: z.number().min(0.1).max(1).optional(),
          }),
        )
        .min(1, 'Give at least one sublayer')
        .max(100),
    }),
    output: z.object({ Ex: z.number(), Ey: z.number(), Gxy: z.number(), nuxy: z.number() }),
    compute: (input, record) => fabricConstants(input, record),
  }),
];
