import { threadEngagement } from './threadEngagement';

/** Height of a nut over the bolt's diameter. */
export const NUT_HEIGHT = { full: 0.8, thin: 0.5 } as const;

/**
 * Pull at which the thread between a bolt and its nut strips (N), both of one strength.
 *
 * @param diameter m. @param yieldStrength Pa. A full nut holds more than the bolt's stress area, a thin one less. A
 * hexagon head, 0.6 diameters high and sheared all round, holds 1.8 times the stress area and is never the weakest.
 * @example nutThread({ diameter: 0.01, nut: 'thin', yieldStrength: 210e6 }) // 9522
 * Source: half-cylinder estimate of {@link threadEngagement}; heights of ISO 4032 and ISO 4035.
 */
export function nutThread({
  diameter,
  nut,
  yieldStrength,
}: {
  diameter: number;
  nut: keyof typeof NUT_HEIGHT;
  yieldStrength: number;
}): number {
  return threadEngagement({
    diameter,
    length: NUT_HEIGHT[nut] * diameter,
    shearStrength: yieldStrength / Math.sqrt(3),
  });
}
