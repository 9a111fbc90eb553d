import { z } from 'zod';
import {
  CRITERIA,
  FAILURE_MODES,
  laminateFailure,
  laminateResponse,
  laminateStiffness,
  progressiveFailure,
  strainCompatibility,
  thermalResponse,
  type Criterion,
  type FailureMode,
} from '../laminate';
import { countOf, define, field } from './define';

const strength = z.number().positive();
/** A core of cells may have no modulus in its plane. */
const inPlane = z.number().min(0).max(1e13).describe('Pa; 0 for a core of cells');
const plyField = z.object({
  thickness: z.number().max(10).describe('m'),
  angleDeg: field.angleDeg,
  E1: inPlane,
  E2: inPlane,
  nu12: z.number().min(-1).max(1),
  G12: inPlane,
  G13: field.modulus.optional(),
  G23: field.modulus.optional(),
  density: field.density.optional(),
  name: z.string().max(200).optional(),
  fibre: z.string().max(200).optional(),
  strength: z.object({ Xt: strength, Xc: strength, Yt: strength, Yc: strength, S: strength }).optional(),
  failureStrain: z.object({ e1t: strength, e1c: strength, e2t: strength, e2c: strength, g12: strength }).optional(),
  role: z.enum(['ply', 'core']).optional(),
});
const plySchema = plyField.refine(({ role, E1, E2, G12 }) => role === 'core' || Math.min(E1, E2, G12) >= 1, {
  error: 'E1, E2 and G12 must be at least 1 Pa; only a core (role "core") may have none in its plane',
  path: ['E1'],
});
const criterion = z.enum(Object.keys(CRITERIA) as [Criterion, ...Criterion[]], {
  error: `criterion must be one of ${Object.keys(CRITERIA).join(', ')}`,
});
const plies = z.array(plySchema).max(2000).describe('first = mould face');
export { plies as pliesField, plyField };
const resultant = z.number().min(-1e12).max(1e12);
const triple = z.tuple([resultant, resultant, resultant]);
const three = z.tuple([z.number(), z.number(), z.number()]);
const matrix = z.tuple([three, three, three]);
const load = z.object({ N: triple.optional().describe('N/m'), M: triple.optional().describe('N') });
const mode = z.enum(Object.keys(FAILURE_MODES) as [FailureMode, ...FailureMode[]]);
const expansion = z.number().min(-1).max(1);
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
    cost: (given) => 0.005 * countOf(given, 'plies'),
    compute: ({ plies }, record) => {
      const { thickness, A, B, D, membrane, flexural, symmetric, balanced } = laminateStiffness(plies, record);
      return { thickness, A, B, D, membrane, flexural, symmetric, balanced };
    },
  }),
  define({
    name: 'laminate.response',
    summary: 'Strains, curvatures and ply stresses of a stack under load',
    input: z.object({ plies, load }),
    output: z.object({ strain: three, curvature: three, plies: z.array(z.object({ bottom: face, top: face })) }),
    cost: (given) => 0.02 * countOf(given, 'plies'),
    compute: ({ plies, load }, record) => {
      if (record) laminateStiffness(plies, record);
      return laminateResponse(plies, load);
    },
  }),
  define({
    name: 'laminate.failure',
    summary: 'First-ply failure: reserve factor on the load, ply, face and mode',
    input: z.object({ plies, load, criterion }),
    output: z.object({
      reserveFactor: z.number(),
      ply: z.number(),
      face: z.enum(['bottom', 'top']),
      mode,
      plies: z.array(z.object({ bottom: z.number(), top: z.number() }).nullable()),
    }),
    cost: (given) => 0.02 * countOf(given, 'plies'),
    compute: ({ plies, load, criterion }) => {
      const { plies: all, ...first } = laminateFailure(plies, load, criterion);
      return {
        ...first,
        plies: all.map((faces) => faces && { bottom: faces.bottom.reserveFactor, top: faces.top.reserveFactor }),
      };
    },
  }),
  define({
    name: 'laminate.progressive',
    summary: 'Ply after ply failure under a growing load, first and last',
    input: z.object({ plies, load, criterion }),
    output: z.object({
      firstPly: z.number(),
      lastPly: z.number(),
      sequence: z.array(z.object({ reserveFactor: z.number(), plies: z.array(z.number()) })),
    }),
    cost: (given) => 0.02 * countOf(given, 'plies') + 0.0015 * countOf(given, 'plies') ** 2,
    compute: ({ plies, load, criterion }) => progressiveFailure(plies, load, criterion),
  }),
  define({
    name: 'laminate.thermal',
    summary: 'Strains, curvatures and stresses from a change of temperature or moisture',
    input: z.object({
      plies: z
        .array(
          plySchema.extend({
            alpha1: expansion,
            alpha2: expansion,
            beta1: expansion.optional(),
            beta2: expansion.optional(),
          }),
        )
        .max(2000),
      temperatureChange: z.number().min(-500).max(500).describe('K'),
      moistureChange: z.number().min(-1).max(1).optional(),
      load: load.optional(),
    }),
    output: z.object({
      thermalForce: three,
      thermalMoment: three,
      strain: three,
      curvature: three,
      plies: z.array(z.object({ bottom: face, top: face })),
    }),
    cost: (given) => 0.01 * countOf(given, 'plies'),
    compute: ({ plies, ...change }) => thermalResponse(plies, change),
  }),
  define({
    name: 'laminate.strainCompatibility',
    summary: 'Members strained alike: share of the load, order of failure, honest strength against the sum',
    input: z.object({
      members: z
        .array(
          z.object({
            name: z.string().max(200),
            E: field.modulus,
            area: z.number().positive().max(1e3),
            failureStrain: z.number().positive().max(1),
          }),
        )
        .min(1, 'Give at least one member')
        .max(1000),
    }),
    output: z.object({
      shares: z.array(z.number()),
      firstToFail: z.string(),
      loadAtFirstFailure: z.number(),
      naiveSum: z.number(),
      sequence: z.array(z.object({ name: z.string(), load: z.number() })),
      honestCapacity: z.number(),
    }),
    compute: ({ members }) => {
      const { curve: _curve, ...result } = strainCompatibility(members);
      return result;
    },
  }),
];
