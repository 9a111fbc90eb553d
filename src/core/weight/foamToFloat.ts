import { invalid } from '../error';

export interface FloatedItem {
  mass: number;
  /** Of the material, solid (kg/m³). */
  density: number;
  /** Share of its volume that is under water; 1 where it is not given. */
  submerged?: number | undefined;
}

export interface FoamQuestion {
  items: readonly FloatedItem[];
  waterDensity: number;
  foamDensity: number;
  /** On the foam that just floats it; 1 where it is not given. */
  factor?: number | undefined;
}

/**
 * Foam that floats a swamped boat, itself counted: what its items weigh in water over what a cubic metre of foam lifts
 * (m³).
 *
 * V = factor · max(0, Σ m (1 − s ρw / ρ)) / (ρw − ρf)
 *
 * @throws KeramosError `invalid` for foam that does not float.
 * @example foamToFloat({ items: [{ mass: 965, density: 1500 }], waterDensity: 1000, foamDensity: 35 }) // 0.333
 * Source: buoyancy balance; the submersion factors of 33 CFR 183 subpart H come out of it.
 */
export function foamToFloat({ items, waterDensity, foamDensity, factor = 1 }: FoamQuestion): number {
  if (!(foamDensity < waterDensity))
    throw invalid('foamDensity', `Foam of ${foamDensity} kg/m³ does not float in water of ${waterDensity} kg/m³`);
  const inWater = items.reduce((sum, { mass, density, submerged = 1 }) => {
    return sum + mass * (1 - (submerged * waterDensity) / density);
  }, 0);
  return (factor * Math.max(0, inWater)) / (waterDensity - foamDensity);
}
