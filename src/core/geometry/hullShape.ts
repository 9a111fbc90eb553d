import { z } from 'zod';
import { bounded, choice, since } from '../field';

/** Numbers of a hull drawn from its particulars, with label, range and what they mean. Lengths m, angles degrees. */
export const SHAPE_NUMBERS = {
  draft: {
    label: 'Draft of the hull',
    quantity: 'length',
    minimum: 0.05,
    maximum: 3,
    hint: 'waterline to the underside, without keel',
  },
  deadriseAftDeg: { label: 'Deadrise aft', quantity: 'angle', minimum: 0, maximum: 50, hint: 'at the transom' },
  deadriseForeDeg: {
    label: 'Deadrise forward',
    quantity: 'angle',
    minimum: 0,
    maximum: 75,
    hint: 'at the fore end of the waterline',
  },
  flareDeg: {
    label: 'Flare forward',
    quantity: 'angle',
    minimum: 0,
    maximum: 50,
    hint: 'topside from the vertical, at the fore end of the waterline',
  },
  stemRakeDeg: {
    label: 'Stem rake',
    quantity: 'angle',
    minimum: 0,
    maximum: 65,
    hint: 'from the vertical, above the waterline',
  },
  transomRakeDeg: {
    label: 'Transom rake',
    quantity: 'angle',
    minimum: -40,
    maximum: 40,
    hint: 'from the vertical, top aft counts positive',
  },
  transomBeam: { label: 'Transom beam', quantity: 'length', minimum: 0.1, maximum: 10, hint: 'at the deck edge' },
  transomImmersion: {
    label: 'Transom immersion',
    quantity: 'length',
    minimum: 0,
    maximum: 3,
    hint: 'waterline to the lowest point of the transom',
  },
  freeboardAft: {
    label: 'Freeboard aft',
    quantity: 'length',
    minimum: 0.05,
    maximum: 5,
    hint: 'waterline to deck edge',
  },
  freeboardMid: {
    label: 'Freeboard amidships',
    quantity: 'length',
    minimum: 0.05,
    maximum: 5,
    hint: 'lowest point of most sheers',
  },
  freeboardFore: {
    label: 'Freeboard forward',
    quantity: 'length',
    minimum: 0.05,
    maximum: 6,
    hint: 'at the stem head',
  },
} as const;
export type ShapeNumber = keyof typeof SHAPE_NUMBERS;

const UNITS = { length: 'm', angle: '°' } as const;
const shapeFields = Object.fromEntries(
  Object.entries(SHAPE_NUMBERS).map(([key, { label, quantity, minimum, maximum }]) => [
    key,
    bounded(label, [minimum, maximum], UNITS[quantity]),
  ]),
) as Record<ShapeNumber, z.ZodNumber>;

const coordinate = z.number().min(-20).max(60);
/** One section of the hull at a station: half-breadth and height from keel to deck edge. */
export const stationSchema = z.object({
  x: coordinate,
  points: z
    .array(z.tuple([z.number().min(0).max(20), z.number().min(-10).max(20)]))
    .min(2, 'A station needs at least 2 points')
    .max(200),
  /** Which point is the chine; null where the section is round. */
  chine: z.int().min(0).nullable(),
});
export type Station = z.infer<typeof stationSchema>;

const measured = {
  file: z.string().max(200),
  /** Height of the loaded waterline above the baseline (m). */
  waterline: bounded('Waterline height', [0.01, 6], 'm'),
  transomRakeDeg: shapeFields.transomRakeDeg,
  stations: z.array(stationSchema).min(3, 'A hull needs at least 3 stations').max(200),
};
/** Where a floor or frame ends its span at the keel. */
export const FLOORS_AT_KEEL = {
  band: 'where a keel band or girder runs',
  held: 'everywhere',
  free: 'nowhere: they span from side to side',
} as const;

/** Which lines of the hull count as supports of its panels though nothing is bonded there. */
const hardEdges = z.object({
  keel: z.boolean(),
  chine: z.boolean(),
  /** Whether the keel holds a floor that crosses it: it does where something stiff runs along it. */
  floors: since(8, choice('Floors held at the keel', FLOORS_AT_KEEL), 'band'),
});

/** Where the hull's shape comes from. */
export const hullSchema = z.discriminatedUnion('source', [
  z.object({ source: z.literal('particulars'), form: z.enum(['hardChine', 'roundBilge']), hardEdges, ...shapeFields }),
  z.object({ source: z.literal('offsets'), hardEdges, ...measured }),
  z.object({ source: z.literal('mesh'), hardEdges, ...measured, triangles: z.int().min(1) }),
]);
export type HullShape = z.infer<typeof hullSchema>;
export type DrawnHull = Extract<HullShape, { source: 'particulars' }>;

/** The particulars of the brief that a drawn hull follows (m, degrees). */
export interface HullParticulars {
  hullLength: number;
  waterlineLength: number;
  maximumBeam: number;
  chineBeam: number;
  deadriseDeg: number;
}

/** A plausible shape for the particulars of a motor or sailing boat, to start from. */
export function shapeFor(
  { hullLength, waterlineLength, maximumBeam, deadriseDeg }: HullParticulars,
  kind: 'motor' | 'sail',
): DrawnHull {
  const motor = kind === 'motor';
  const mid = Math.max(0.3, Math.min(2, 0.09 * hullLength));
  return {
    source: 'particulars',
    form: motor ? 'hardChine' : 'roundBilge',
    hardEdges: { keel: deadriseDeg >= 10, chine: motor, floors: 'band' },
    draft: Math.max(0.15, 0.06 * hullLength),
    deadriseAftDeg: Math.max(0, deadriseDeg - 3),
    deadriseForeDeg: Math.min(60, deadriseDeg + 27),
    flareDeg: 22,
    // A motor boat's overhang is all forward.
    stemRakeDeg: motor
      ? Math.min(60, Math.round((Math.atan((0.98 * (hullLength - waterlineLength)) / (1.35 * mid)) * 180) / Math.PI))
      : 25,
    transomRakeDeg: motor ? 10 : -5,
    transomBeam: (motor ? 0.9 : 0.7) * maximumBeam,
    transomImmersion: motor ? Math.max(0.1, 0.045 * hullLength) : 0,
    freeboardAft: 0.95 * mid,
    freeboardMid: mid,
    freeboardFore: 1.35 * mid,
  };
}
