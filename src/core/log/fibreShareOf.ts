import { invalid } from '../error';
import type { PlannedZone } from './planned';

/**
 * Fibre by weight that a measured thickness stands for: the dry fibre is what was laid, the rest of the plies is resin.
 *
 * @param thickness measured (m), core and coatings in it as planned.
 * @throws KeramosError `invalid` where less is left for the plies than their fibre takes.
 * @example fibreShareOf(zone, 0.0062) // 0.58
 * Source: t = t_core + W_f / ρ_f + W_r / ρ_r, ψ = W_f / (W_f + W_r). Voids are taken for resin.
 */
export function fibreShareOf({ filled, dryFibre, fibreDensity, resinDensity }: PlannedZone, thickness: number): number {
  const resin = (thickness - filled - dryFibre / fibreDensity) * resinDensity;
  if (!(resin > 0)) throw invalid('thickness', 'Thinner than its fibre and core alone: a layer is missing, or misread');
  return dryFibre / (dryFibre + resin);
}

/** Thickness (m) that a fibre share stands for, the other way round: without voids beyond those of resin. */
export function thicknessOf({ filled, dryFibre, fibreDensity, resinDensity }: PlannedZone, fibreShare: number): number {
  return filled + dryFibre / fibreDensity + (dryFibre * (1 / fibreShare - 1)) / resinDensity;
}
