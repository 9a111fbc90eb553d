import { z } from 'zod';

const size = (label: string, minimum: number, maximum: number, unit: string) => {
  const error = `${label} must be between ${minimum} and ${maximum} ${unit}`;
  return z.number({ error }).min(minimum, { error }).max(maximum, { error });
};

/** What the pack needs to know of the whole boat. Metres, kilograms, knots, degrees. */
export const craftSchema = z
  .object({
    kind: z.enum(['motor', 'sail'], { error: 'kind must be "motor" or "sail"' }),
    hullLength: size('hullLength', 2.5, 24, 'm (the range of the method)'),
    waterlineLength: size('waterlineLength', 1.5, 24, 'm'),
    chineBeam: size('chineBeam', 0.3, 10, 'm').optional(),
    deadriseDeg: size('deadriseDeg', 0, 50, '°').optional(),
    loadedMass: size('loadedMass', 50, 200000, 'kg'),
    maxSpeedKnots: size('maxSpeedKnots', 0, 50, 'kn (the range of the method)').optional(),
    designCategory: z.enum(['A', 'B', 'C', 'D'], { error: 'designCategory must be "A", "B", "C" or "D"' }),
    rightingLever60: size('rightingLever60', 0, 5, 'm').optional(),
  })
  .refine((craft) => craft.waterlineLength <= craft.hullLength * 1.05, {
    error: 'waterlineLength must not exceed hullLength by more than 5 %',
    path: ['waterlineLength'],
  });
export type Craft = z.infer<typeof craftSchema>;

/** Speed that goes into the formulas (kn): never below 2.36 √LWL, and just that for a sailing craft (F2). */
export function formulaSpeed(craft: Craft): number {
  const least = 2.36 * Math.sqrt(craft.waterlineLength);
  return craft.kind === 'sail' ? least : Math.max(craft.maxSpeedKnots ?? 0, least);
}

/** Mass term m^0.33; the exponent is 0.33, not a third. */
export const massTerm = (craft: Craft) => craft.loadedMass ** 0.33;
