import data from '@data/materials/processes.json';
import { plyFractions } from './fractions';
import type { ComponentForm } from './schema';

export type Process = 'handLayUp' | 'wetBag' | 'infusion' | 'prepreg';

/** What a process usually leaves in a laminate. */
export interface ProcessFigures {
  name: string;
  voidFraction: number;
  /** Of glass, by form of the fabric. */
  fibreWeightFraction: Record<ComponentForm, number>;
  /** Standard deviation of the weight fraction from part to part. */
  scatter: number;
  /** Hottest the laminate usually gets (°C). */
  peakCelsius: number;
}

/** What each process leaves in the laminate: fibre weight fraction by form (for glass), voids, scatter. */
export const PROCESSES: Record<Process, ProcessFigures> = data.processes;

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
    ...data.reference,
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
