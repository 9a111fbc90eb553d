import { z } from 'zod';
import { bounded, choice, flag, noted, since, text, whole } from '../field';
import { KNOCK_DOWNS, PROCESSES, type KnockDown } from '../material';
import { invalid } from '../error';
import { remembered } from '../job';
import { said, type QuantityKind } from '../quantity';
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
    reason: `the pack covers hulls of ${said(2.5, 'length', 24)}`,
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

const numbers = Object.fromEntries(
  Object.entries(BRIEF_NUMBERS).map(([key, { label, minimum, maximum, quantity, reason }]) => [
    key,
    bounded(label, [minimum, maximum], '', { quantity, reason }),
  ]),
) as Record<BriefNumber, z.ZodNumber>;

const wordsOf = <K extends string>(named: Readonly<Record<K, { name: string }>>) =>
  Object.fromEntries(Object.entries<{ name: string }>(named).map(([key, { name }]) => [key, name])) as Record<
    K,
    string
  >;
const knockDowns = Object.fromEntries(
  Object.entries(KNOCK_DOWNS).map(([id, name]) => [id, flag(name, 'not counted', 'counted')]),
) as Record<KnockDown, z.ZodBoolean>;

/** Proofs that a zone must hold before it passes; what is shown beside them does not count. */
const proofs = z.object({
  rule: flag('Build standards', 'shown, not counted', 'must hold'),
  match: flag('Match of a reference', 'shown, not counted', 'must hold'),
  analysis: flag('Direct analysis', 'shown, not counted', 'must hold'),
});
export type Proofs = z.infer<typeof proofs>;
/** By which path a single skin is proven where the method has two. */
export const SINGLE_SKIN_PATHS = {
  both: 'the flexural law and ply by ply: both must hold',
  either: 'the flexural law or ply by ply: either is enough',
} as const;

/** What she is meant to come to besides the laminate; null where nothing is asked. */
const targets = z.object({
  displacement: bounded('Mass, light', [10, 200_000], 'kg', {
    hint: 'fitted out, without people, fuel and stores',
  }).nullable(),
  centreHeight: bounded('Height of the centre', [-2, 10], 'm', {
    hint: 'of the boat in full load, above the baseline',
  }).nullable(),
  trimDeg: bounded('Trim, bow up', [-5, 5], '°', { hint: 'in full load' }).nullable(),
  cost: bounded('Cost of a boat', [1, 1e8], '', { quantity: 'money' }).nullable(),
  hours: bounded('Hours for a boat', [1, 1e6]).nullable(),
});

/** What a boat may be said not to have, so that it is not missed in her weight. */
export const MAY_BE_ABSENT = {
  engine: 'Engine and drive',
  systems: 'Batteries, wiring, pumps',
  contents: 'Fuel and water',
  outfit: 'Joinery and outfit',
  hatch: 'Hatches and windows',
  fitting: 'Fittings besides those of details',
  rig: 'Mast, rig and sails',
  bonding: 'Bonding of parts to one another',
  paint: 'Paint and antifouling',
  people: 'People',
  stores: 'Stores and gear',
} as const;
export type MayBeAbsent = keyof typeof MAY_BE_ABSENT;

/** What the boat must be. */
export const briefSchema = z.object({
  kind: choice('Propulsion', { motor: 'motor', sail: 'sail' }),
  designCategory: choice('Design category', { A: 'A', B: 'B', C: 'C', D: 'D' }),
  ...numbers,
  /** Largest righting lever up to 60° (m); light sailing craft of category A and B. */
  rightingLever60: bounded('Righting lever', [0.01, 5], 'm').nullable(),
  process: choice('Process', wordsOf(PROCESSES)),
  resin: noted(z.string().min(1, 'Choose a resin'), {
    label: 'Resin',
    reference: { list: 'materials', kinds: ['resin'], whenGone: 'refuse' },
  }),
  quality: choice('Laminate known by', QUALITIES),
  posture: choice('Posture', wordsOf(POSTURES)),
  units: choice('Units', { metric: 'metric', us: 'inch and pound' }),
  /** What comes off the mean strengths in the laminate analysis. */
  knockDowns: noted(z.object(knockDowns), { label: 'Knock-downs' }),
  proofs: since(8, noted(proofs, { label: 'Proofs that must hold' }), { rule: true, match: false, analysis: false }),
  singleSkin: since(8, choice('Single skin by', SINGLE_SKIN_PATHS), 'both'),
  water: since(10, choice('Water', { sea: 'sea', fresh: 'fresh' }), 'sea'),
  targets: since(10, noted(targets, { label: 'Targets' }), {
    displacement: null,
    centreHeight: null,
    trimDeg: null,
    cost: null,
    hours: null,
  }),
  series: since(10, whole('Boats in the series', 1, 10_000), 1),
  absent: since(
    10,
    noted(z.array(choice('Not in this boat', MAY_BE_ABSENT)).max(20), { label: 'Not in this boat' }),
    [],
  ),
  /** Paste under a core, and what its kerfs take up; null as is usual with the process. */
  coreBond: since(10, bounded('Paste under cores', [0, 5], 'kg/m²').nullable(), null),
  kerfShare: since(
    10,
    bounded('Kerfs filled with resin', [0, 0.3], '', { hint: 'share of the volume of a core' }).nullable(),
    null,
  ),
  use: text('Use', 600),
});
export type Brief = z.infer<typeof briefSchema>;

/** Refuse particulars that contradict each other. */
export function checkBrief(brief: Brief): void {
  if (!Object.values(brief.proofs).some(Boolean))
    throw invalid('brief.proofs', 'At least one proof must hold: the standards, a match, or direct analysis');
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
export const craftOf = remembered((brief: Brief): Craft => {
  const { kind, hullLength, waterlineLength, chineBeam, deadriseDeg, loadedMass, maxSpeedKnots, designCategory } =
    brief;
  const { rightingLever60 } = brief;
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
});

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
