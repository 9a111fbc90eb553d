import { z } from 'zod';
import data from '@data/materials/processes.json';
import { plyFractions } from './fractions';
import type { ComponentForm } from './schema';

const fraction = z.number().min(0.1).max(0.85);
const processSchema = z.object({
  name: z.string(),
  voidFraction: z.number().min(0).max(0.2),
  fibreWeightFraction: z.object({ randomMat: fraction, woven: fraction, stitched: fraction, unidirectional: fraction }),
  /** Standard deviation of the weight fraction from part to part. */
  scatter: z.number().min(0).max(0.1),
  /** Hottest the laminate usually gets (°C). */
  peakCelsius: z.number().min(15).max(250),
});
export type Process = 'handLayUp' | 'wetBag' | 'infusion' | 'prepreg';

const file = z
  .object({
    source: z.string(),
    reference: z.object({ fibreDensity: z.number(), resinDensity: z.number() }),
    processes: z.object({
      handLayUp: processSchema,
      wetBag: processSchema,
      infusion: processSchema,
      prepreg: processSchema,
    }),
  })
  .parse(data);

/** What each process leaves in the laminate: fibre weight fraction by form (for glass), voids, scatter. */
export const PROCESSES: Record<Process, z.infer<typeof processSchema>> = file.processes;

/**
 * Fibre weight fraction of a component made by a process, with the void fraction.
 * The table holds glass; another fibre packs to the same volume fraction, hence to another weight fraction.
 *
 * @param shift added to the table's weight fraction, to show what its scatter does.
 * @example fibreFractionFor({ process: 'infusion', form: 'stitched', fibreDensity: 2560, resinDensity: 1160 })
 * .fibreWeightFraction // 0.68
 */
export function fibreFractionFor(
  {
    process,
    form,
    fibreDensity,
    resinDensity,
  }: { process: Process; form: ComponentForm; fibreDensity: number; resinDensity: number },
  shift = 0,
) {
  const { fibreWeightFraction, voidFraction } = PROCESSES[process];
  const glass = plyFractions({
    ...file.reference,
    fibreWeightFraction: fibreWeightFraction[form] + shift,
    voidFraction,
  });
  const { fibreWeightFraction: psi } = plyFractions({
    fibreDensity,
    resinDensity,
    fibreVolumeFraction: glass.fibreVolumeFraction,
    voidFraction,
  });
  return { fibreWeightFraction: psi, voidFraction };
}
