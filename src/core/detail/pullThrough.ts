import { invalid } from '../error';

export interface PullThroughInput {
  /** N, along the bolt. */
  load: number;
  washerDiameter: number;
  thickness: number;
  /** Through the thickness (Pa). */
  shearStrength: number;
  /** Of what bears under the washer (Pa); left out where it is not in question. */
  compressiveStrength?: number | undefined;
  holeDiameter?: number | undefined;
}

/**
 * A bolt pulled through a laminate: punching shear round its washer, and crushing under it.
 *
 * @returns punching stress (Pa) and the lesser reserve of punching and crushing. The washer's hole does not bear.
 * @throws KeramosError `invalid` when the hole is as wide as the washer.
 * @example pullThrough({ load: 15000, washerDiameter: 0.05, thickness: 0.014, shearStrength: 55e6 }).reserveFactor
 * // 8.06
 * Source: punching shear over the cylinder π·D·t.
 */
export function pullThrough({
  load,
  washerDiameter: D,
  thickness,
  shearStrength,
  compressiveStrength,
  holeDiameter = 0,
}: PullThroughInput) {
  if (holeDiameter >= D)
    throw invalid('holeDiameter', 'The hole is as wide as the washer: nothing bears', {
      given: holeDiameter,
      maximum: D,
    });
  const punchingStress = load / (Math.PI * D * thickness);
  const crushingStress = load / ((Math.PI / 4) * (D ** 2 - holeDiameter ** 2));
  const punching = shearStrength / punchingStress;
  const crushing = compressiveStrength === undefined ? Infinity : compressiveStrength / crushingStress;
  return {
    punchingStress,
    crushingStress,
    reserveFactor: Math.min(punching, crushing),
    governs: punching <= crushing ? ('punching' as const) : ('crushing' as const),
  };
}
