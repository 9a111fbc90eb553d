/** Share of the shank's section that the thread leaves. */
const STRESS_AREA = 0.78;

/**
 * Reserve of a bolt in tension and shear together.
 *
 * @param diameter m. @param yieldStrength Pa. @param tension and @param shear N.
 * @returns Infinity when nothing loads it.
 * @example boltStrength({ diameter: 0.01, yieldStrength: 210e6, tension: 5000, shear: 3000 }) // 1.79
 * Source: von Mises with the tensile stress area of a metric thread, about 0.78 of the shank.
 */
export function boltStrength({
  diameter,
  yieldStrength,
  tension,
  shear,
}: {
  diameter: number;
  yieldStrength: number;
  tension: number;
  shear: number;
}): number {
  const area = (STRESS_AREA * Math.PI * diameter ** 2) / 4;
  return yieldStrength / (Math.sqrt(Math.max(0, tension) ** 2 + 3 * shear ** 2) / area);
}
