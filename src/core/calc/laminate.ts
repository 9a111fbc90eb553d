import { z } from 'zod';
import { laminateResponse, laminateStiffness } from '../laminate';
import { define, field } from './define';

const strength = z.number().positive();
const plySchema = z.object({
  thickness: z.number().max(10).describe('m'),
  angleDeg: field.angleDeg,
  E1: field.modulus,
  E2: field.modulus,
  nu12: z.number().min(-1).max(1),
  G12: field.modulus,
  G13: field.modulus.optional(),
  G23: field.modulus.optional(),
  density: field.density.optional(),
  name: z.string().max(200).optional(),
  fibre: z.string().max(200).optional(),
  strength: z.object({ Xt: strength, Xc: strength, Yt: strength, Yc: strength, S: strength }).optional(),
  failureStrain: z.object({ e1t: strength, e1c: strength, e2t: strength, e2c: strength, g12: strength }).optional(),
  role: z.enum(['ply', 'core']).optional(),
});
const plies = z.array(plySchema).max(2000).describe('first = mould face');
const resultant = z.number().min(-1e12).max(1e12);
const triple = z.tuple([resultant, resultant, resultant]);
const three = z.tuple([z.number(), z.number(), z.number()]);
const matrix = z.tuple([three, three, three]);
const face = z.object({ strain: three, stress: three, materialStrain: three, materialStress: three });

export const laminateCalculations = [
  define({
    name: 'laminate.stiffness',
    summary: 'A, B, D and engineering constants of a stack',
    input: z.object({ plies }),
    output: z.object({
      thickness: z.number(),
      A: matrix,
      B: matrix,
      D: matrix,
      membrane: z.object({ Ex: z.number(), Ey: z.number(), Gxy: z.number(), nuxy: z.number(), nuyx: z.number() }),
      flexural: z.object({ Ex: z.number(), Ey: z.number(), Gxy: z.number(), nuxy: z.number() }),
      symmetric: z.boolean(),
      balanced: z.boolean(),
    }),
    compute: ({ plies }, record) => {
      const { thickness, A, B, D, membrane, flexural, symmetric, balanced } = laminateStiffness(plies, record);
      return { thickness, A, B, D, membrane, flexural, symmetric, balanced };
    },
  }),
  define({
    name: 'laminate.response',
    summary: 'Strains, curvatures and ply stresses of a stack under load',
    input: z.object({ plies, load: z.object({ N: triple.optional().describe('N/m'), M: triple.optional().describe('N') }) }),
    output: z.object({ strain: three, curvature: three, plies: z.array(z.object({ bottom: face, top: face })) }),
    compute: ({ plies, load }, record) => {
      if (record) laminateStiffness(plies, record);
      return laminateResponse(plies, load);
    },
  }),
];
