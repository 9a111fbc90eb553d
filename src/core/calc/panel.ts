import { z } from 'zod';
import { invalid } from '../error';
import { laminateStiffness, transverseShear } from '../laminate';
import { edgeShear, plateBuckling, plateStiffness, plateUnderPressure, type Plate } from '../panel';
import { define, field } from './define';
import { pliesField } from './laminate';

const stiffness = z.number().positive().max(1e12);
const coupling = z.number().min(-1e12).max(1e12).optional();
const bending = {
  D11: stiffness.optional().describe('N m'),
  D12: z.number().min(-1e12).max(1e12).optional(),
  D22: stiffness.optional(),
  D66: stiffness.optional(),
  D16: coupling,
  D26: coupling,
  A44: stiffness.optional().describe('N/m, yz plane'),
  A55: stiffness.optional().describe('N/m, xz plane'),
};
const edges = z.enum(['simple', 'clamped'], { error: 'edges must be "simple" or "clamped"' });
const terms = z.int().min(4).max(32).optional().describe('functions per direction');
/** How many functions each way, against the usual twenty; the matrix has three times their square of rows. */
const ofUsual = ({ terms: given }: Record<string, unknown>) =>
  typeof given === 'number' && Number.isFinite(given) ? Math.min(64, Math.max(4, given)) / TERMS : 1;
/** More than the interface takes, for clamped edge moments and edge shear forces. */
const TERMS = 20;

type Bending = { [K in keyof typeof bending]?: number | undefined };
function plateOf(input: Bending & { length: number; breadth: number; edges: 'simple' | 'clamped' }): Plate {
  const { length, breadth, D11, D12, D22, D66, D16, D26, A44, A55 } = input;
  if (D11 === undefined || D12 === undefined || D22 === undefined || D66 === undefined)
    throw invalid('D11', 'Give plies, or D11, D12, D22 and D66 (N m)');
  if ((A44 === undefined) !== (A55 === undefined))
    throw invalid('A44', 'Give both A44 and A55, or neither for a thin plate');
  const fixity = input.edges === 'clamped' ? 1 : 0;
  return {
    length,
    breadth,
    D11,
    D12,
    D22,
    D66,
    D16: D16 ?? 0,
    D26: D26 ?? 0,
    ...(A44 === undefined ? {} : { A44, A55: A55! }),
    fixityX: fixity,
    fixityY: fixity,
  };
}

export const panelCalculations = [
  define({
    name: 'panel.pressure',
    summary: 'Rectangular plate under pressure: deflection, moments and edge shear forces',
    input: z.object({
      length: field.side,
      breadth: field.side,
      pressure: field.pressure,
      edges,
      plies: pliesField.optional(),
      ...bending,
      distribution: z.enum(['uniform', 'sinusoidal']).optional(),
      terms,
    }),
    output: z.object({
      deflection: z.number(),
      momentCentre: z.object({ Mx: z.number(), My: z.number() }),
      momentEdge: z.object({ longEdge: z.number(), shortEdge: z.number() }).optional(),
      shearEdge: z.object({ longEdge: z.number(), shortEdge: z.number() }),
      deflectionBending: z.number().optional(),
      deflectionShear: z.number().optional(),
    }),
    // With shear a thin plate is solved beside it.
    cost: (given) => 10 + 80 * ofUsual(given) ** 5,
    compute: (input) => {
      const { length: a, breadth: b, plies } = input;
      const plate = plateOf(
        plies ? { ...input, ...plateStiffness(plies, laminateStiffness(plies)), ...transverseShear(plies) } : input,
      );
      const load = { kind: input.distribution ?? 'uniform', pressure: input.pressure } as const;
      const { at, solved } = plateUnderPressure(plate, load, input.terms ?? TERMS);
      const centre = at(a / 2, b / 2);
      const [middleX, middleY] = [at(0, b / 2), at(a / 2, 0)];
      /**
       * Of the edges x = constant, and of those y = constant; the longer ones count as long, those along x in a
       * square.
       */
      const byLength = (alongY: number, alongX: number) =>
        b > a
          ? { longEdge: Math.abs(alongY), shortEdge: Math.abs(alongX) }
          : { longEdge: Math.abs(alongX), shortEdge: Math.abs(alongY) };
      const places = Array.from({ length: 19 }, (_, i) => (i + 1) / 20);
      const greatest = (values: number[]) => Math.max(...values.map(Math.abs));
      const thin =
        plate.A44 === undefined
          ? undefined
          : plateUnderPressure(
              { ...plate, A44: undefined, A55: undefined } as unknown as Plate,
              load,
              input.terms ?? TERMS,
            ).at(a / 2, b / 2).w;
      return {
        deflection: centre.w,
        momentCentre: { Mx: centre.Mx, My: centre.My },
        ...(input.edges === 'clamped' ? { momentEdge: byLength(middleX.Mx, middleY.My) } : {}),
        // The shear of a thin plate that turns freely is no reaction: twisting moments add to that.
        shearEdge:
          thin === undefined && input.edges === 'simple'
            ? byLength(
                greatest(places.map((share) => at(0, share * b).Qx)),
                greatest(places.map((share) => at(share * a, 0).Qy)),
              )
            : byLength(greatest(places.map(edgeShear(solved, 'x'))), greatest(places.map(edgeShear(solved, 'y')))),
        ...(thin === undefined ? {} : { deflectionBending: thin, deflectionShear: centre.w - thin }),
      };
    },
  }),
  define({
    name: 'panel.buckling',
    summary: 'Rectangular plate in compression or shear: critical load',
    input: z.object({
      length: field.side,
      breadth: field.side,
      ...bending,
      edges,
      load: z.enum(['uniaxialX', 'biaxial', 'shear'], { error: 'load must be "uniaxialX", "biaxial" or "shear"' }),
      ratio: z.number().min(-100).max(100).optional().describe('Ny/Nx'),
      terms,
    }),
    output: z.object({ criticalLoad: z.number(), halfWaves: z.tuple([z.int(), z.int()]).optional() }),
    cost: (given) => 20 + 140 * ofUsual(given) ** 6,
    compute: (input) => plateBuckling(plateOf(input), input.load, input.ratio, input.terms),
  }),
];
