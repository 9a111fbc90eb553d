import { z } from 'zod';
import { KNOCK_DOWNS, PROCESSES, type KnockDown, type Process } from '../material';
import { invalid } from '../error';
import type { QuantityKind } from '../quantity';
import type { HullParticulars } from '../geometry';
import type { Craft } from '../standard';

/** Safety habit of the yard: the reserve factor every check is meant to reach. */
export const POSTURES = {
  weightFirst: {
    name: 'Weight first',
    target: 1,
    says: 'Meets the pack and nothing more. Every gram counts; so does every defect.',
  },
  balanced: { name: 'Balanced', target: 1.1, says: 'A tenth in hand for what the shop floor does to a drawing.' },
  beltAndBraces: {
    name: 'Belt and braces',
    target: 1.3,
    says: 'Three tenths in hand, for hard service or untested hands. It weighs.',
  },
} as const;
export type Posture = keyof typeof POSTURES;

/** How the yard knows its laminate, which sets the pack's factor on strength. */
export const QUALITIES = {
  'EL-a': 'Tested samples',
  'EL-b': 'Measured fibre fraction, table strengths',
  'EL-c': 'Assumed fibre fraction, table strengths',
} as const;

export interface NumberField {
  label: string;
  quantity: QuantityKind;
  minimum: number;
  maximum: number;
  /** Why the range is what it is. */
  reason: string;
}

/** The particulars that are numbers, with their allowed range and its reason. SI; knots and degrees as stated. */
export const BRIEF_NUMBERS = {
  hullLength: {
    label: 'Length of hull',
    quantity: 'length',
    minimum: 2.5,
    maximum: 24,
    reason: 'the pack covers hulls of 2.5 to 24 m',
  },
  waterlineLength: {
    label: 'Waterline length',
    quantity: 'length',
    minimum: 1.5,
    maximum: 24,
    reason: 'loaded, at rest; not longer than the hull',
  },
  maximumBeam: {
    label: 'Maximum beam',
    quantity: 'length',
    minimum: 0.5,
    maximum: 10,
    reason: 'widest point of the hull',
  },
  chineBeam: {
    label: 'Chine beam',
    quantity: 'length',
    minimum: 0.3,
    maximum: 10,
    reason: 'at 0.4 of the waterline from aft; not wider than the hull',
  },
  deadriseDeg: {
    label: 'Deadrise',
    quantity: 'angle',
    minimum: 0,
    maximum: 50,
    reason: 'at 0.4 of the waterline from aft; counts as 10° to 30° in the pressures',
  },
  loadedMass: {
    label: 'Loaded mass',
    quantity: 'mass',
    minimum: 50,
    maximum: 200000,
    reason: 'ready to sail with people, fuel, water and stores',
  },
  maxSpeedKnots: {
    label: 'Maximum speed',
    quantity: 'speed',
    minimum: 1,
    maximum: 50,
    reason: 'at loaded mass; the pack ends at 50 kn',
  },
  weightTarget: {
    label: 'Laminate weight target',
    quantity: 'mass',
    minimum: 1,
    maximum: 200000,
    reason: 'all laminated parts of this schedule together',
  },
} as const satisfies Record<string, NumberField>;
export type BriefNumber = keyof typeof BRIEF_NUMBERS;

const describeRange = ({ label, minimum, maximum, quantity, reason }: NumberField) => {
  const unit = { length: ' m', mass: ' kg', speed: ' kn', angle: '°' }[quantity as string] ?? '';
  return `${label} must be between ${minimum} and ${maximum}${unit}: ${reason}`;
};
const numbers = Object.fromEntries(
  Object.entries(BRIEF_NUMBERS).map(([key, field]) => [
    key,
    z
      .number({ error: describeRange(field) })
      .min(field.minimum, describeRange(field))
      .max(field.maximum, describeRange(field)),
  ]),
) as Record<BriefNumber, z.ZodNumber>;

/** What the boat must be. */
export const briefSchema = z.object({
  kind: z.enum(['motor', 'sail'], { error: 'Propulsion must be motor or sail' }),
  designCategory: z.enum(['A', 'B', 'C', 'D'], { error: 'Design category must be A, B, C or D' }),
  ...numbers,
  /** Largest righting lever up to 60° (m); light sailing craft of category A and B. */
  rightingLever60: z
    .number()
    .min(0.01, 'Righting lever must be between 0.01 and 5 m')
    .max(5, 'Righting lever must be between 0.01 and 5 m')
    .nullable(),
  process: z.enum(Object.keys(PROCESSES) as [Process, ...Process[]]),
  resin: z.string().min(1, 'Choose a resin'),
  quality: z.enum(['EL-a', 'EL-b', 'EL-c']),
  posture: z.enum(Object.keys(POSTURES) as [Posture, ...Posture[]]),
  units: z.enum(['metric', 'us']),
  /** What comes off the mean strengths in the laminate analysis. */
  knockDowns: z.object(
    Object.fromEntries(Object.keys(KNOCK_DOWNS).map((id) => [id, z.boolean()])) as Record<KnockDown, z.ZodBoolean>,
  ),
  use: z.string().max(600, 'Use must have at most 600 characters'),
});
export type Brief = z.infer<typeof briefSchema>;

/** Refuse particulars that contradict each other. */
export function checkBrief(brief: Brief): void {
  if (brief.waterlineLength > brief.hullLength)
    throw invalid(
      'brief.waterlineLength',
      `Waterline length ${brief.waterlineLength} m must not exceed the length of hull, ${brief.hullLength} m`,
    );
  if (brief.chineBeam > brief.maximumBeam)
    throw invalid(
      'brief.chineBeam',
      `Chine beam ${brief.chineBeam} m must not exceed the maximum beam, ${brief.maximumBeam} m`,
    );
  if (brief.weightTarget > brief.loadedMass)
    throw invalid(
      'brief.weightTarget',
      `Laminate weight target ${brief.weightTarget} kg must not exceed the loaded mass, ${brief.loadedMass} kg`,
    );
}

/** The particulars the pack asks for. */
export function craftOf(brief: Brief): Craft {
  const {
    kind,
    hullLength,
    waterlineLength,
    chineBeam,
    deadriseDeg,
    loadedMass,
    maxSpeedKnots,
    designCategory,
    rightingLever60,
  } = brief;
  return {
    kind,
    hullLength,
    waterlineLength,
    chineBeam,
    deadriseDeg,
    loadedMass,
    maxSpeedKnots,
    designCategory,
    ...(rightingLever60 === null ? {} : { rightingLever60 }),
  };
}

/** The particulars a drawn hull follows. */
export function particularsOf({
  hullLength,
  waterlineLength,
  maximumBeam,
  chineBeam,
  deadriseDeg,
}: Brief): HullParticulars {
  return { hullLength, waterlineLength, maximumBeam, chineBeam, deadriseDeg };
}
