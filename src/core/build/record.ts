import { z } from 'zod';
import { alignmentSurveySchema as surveySchema } from '../align';
import { bounded, idSchema } from '../field';
import { lessonSchema } from './lesson';
import { readingSchema } from './reading';
import { repairSchema } from './repair';

const step = z.string().regex(/^s\d{1,4}$/, 'This is no step of a build');
const words = (most: number) => z.string().trim().max(most, `At most ${most} characters`);
const celsius = z.number().min(-30, 'Temperature from −30 °C').max(80, 'Temperature up to 80 °C');
const share = z.number().min(0).max(1);
export const DEFECT_KINDS = {
  void: 'void or dry place',
  bridge: 'bridging, resin-rich corner',
  wrinkle: 'wrinkle',
  cloth: 'cloth damp, dirty or folded',
  wrong: 'wrong piece, angle or place',
  missing: 'missing layer or piece',
  surface: 'surface: crazing, pinholes, print',
  crack: 'crack or break',
  delamination: 'delamination, core not bonded',
  damage: 'knock or cut',
  other: 'something else',
} as const;
export type DefectKind = keyof typeof DEFECT_KINDS;
export const DISPOSITIONS = { use: 'use as it is', repair: 'repair', scrap: 'scrap the part' } as const;
export type Disposition = keyof typeof DISPOSITIONS;
export const PREPARATIONS = {
  peelPly: 'peel ply taken off, wiped',
  abrade: 'peel ply taken off, abraded, wiped',
  witness: 'sacrificial ply ground back to the witness, wiped',
} as const;

/** What may be recorded of a build, by kind. Masses kg, pressures Pa, lengths m, times min. */
export const RECORD_KINDS = {
  begun: z.strictObject({ step }),
  done: z.strictObject({ step, note: words(300) }),
  coat: z.strictObject({ step, celsius: celsius.nullable() }),
  piece: z.strictObject({
    step,
    code: z.string().min(1).max(200),
    /** Its label was read, or the piece ticked off. */
    how: z.enum(['scanned', 'ticked']),
    lot: words(60),
    batch: z.string().max(40).nullable(),
  }),
  batch: z.strictObject({
    step,
    resin: bounded('Resin', [0.01, 2000], 'kg'),
    hardener: bounded('Hardener', [0, 1000], 'kg'),
    celsius,
    /** How long it may be worked, from when it was mixed (min). */
    life: bounded('Life in the pot', [0.5, 2000], 'min'),
    lots: words(120),
  }),
  potEmpty: z.strictObject({ batch: z.string().min(1).max(40), how: z.enum(['used', 'thrown away']) }),
  air: z.strictObject({ celsius, humidity: z.number().min(0, 'Humidity from 0').max(100, 'Humidity up to 100 %') }),
  drop: z.strictObject({
    step,
    start: bounded('Under the bag at the start', [1, 110_000], 'Pa'),
    end: bounded('Under the bag at the end', [1, 110_000], 'Pa'),
    minutes: bounded('Minutes between', [0.5, 1440], 'min'),
    startCelsius: celsius.nullable(),
    endCelsius: celsius.nullable(),
  }),
  clamp: z.strictObject({ step, name: words(60).min(1) }),
  prepared: z.strictObject({ step, how: z.enum(Object.keys(PREPARATIONS) as [keyof typeof PREPARATIONS]) }),
  /** A caution was read by whoever records it. */
  caution: z.strictObject({ step }),
  signed: z.strictObject({ step, note: words(300) }),
  /** A lead or inspector lets it go on though something stands against it. */
  released: z.strictObject({
    step,
    /** Against what; everything at once in records of before. */
    of: z.enum(['late', 'air']).optional(),
    reason: words(300).min(3, 'Say in a few words why it may go on'),
  }),
  defect: z.strictObject({
    part: idSchema,
    step: step.nullable(),
    zone: z.string().max(60),
    /** Where on the picture of the skin, as a share of its width and height. */
    skin: z.string().max(60),
    at: z.tuple([share, share]),
    kind: z.enum(Object.keys(DEFECT_KINDS) as [DefectKind]),
    size: bounded('Size', [0.0005, 20], 'm'),
    note: words(500),
    photos: z.array(idSchema).max(6, 'At most 6 photographs'),
  }),
  disposed: z.strictObject({
    defect: z.string().min(1).max(40),
    what: z.enum(Object.keys(DISPOSITIONS) as [Disposition]),
    reason: words(500).min(3, 'Say in a few words why'),
    /** The laminate that it is repaired with, and what its check came to when it was decided. */
    repair: repairSchema.optional(),
    found: z.strictObject({ verdict: z.string().max(20), says: words(300) }).optional(),
  }),
  repaired: z.strictObject({ defect: z.string().min(1).max(40), note: words(500) }),
  /** What the yard learned, shown when what it is tied to comes again. */
  lesson: lessonSchema,
  /** How straight a part stands, as measured. */
  alignment: z.strictObject({
    part: idSchema.nullable(),
    name: words(60).min(1, 'What was measured?'),
    survey: surveySchema,
  }),
  /** What was read of a part: thickness, hardness, a plug. */
  reading: readingSchema,
  /** A pull or lift on a finished detail (N, m), signed by whoever answers for it. */
  proof: z.strictObject({
    detail: z.string().min(1).max(60),
    name: words(120).min(1),
    /** Which of those on the boat: starboard fore, say. */
    place: words(60),
    load: bounded('Load asked for', [1, 1e7], 'N'),
    stop: bounded('Stop load', [1, 1e7], 'N'),
    failure: z.number().positive().max(1e9).nullable(),
    points: z
      .array(z.tuple([z.number().min(-1e7).max(1e7), z.number().min(-5).max(5)]))
      .min(1)
      .max(5000),
    set: bounded('What stayed bent', [0, 5], 'm'),
    passed: z.boolean(),
    note: words(300),
  }),
  /** Takes an earlier record back; it stays on record. */
  undone: z.strictObject({ reason: words(200) }),
} as const;
export type RecordKind = keyof typeof RECORD_KINDS;
type BodyOf<K extends RecordKind> = z.output<(typeof RECORD_KINDS)[K]>;

interface Common {
  /** Given by the device; the same again is the same fact. */
  id: string;
  /** When it happened, by the device; ISO 8601, UTC. */
  at: string;
  /** Who did it, by name, and on which device. */
  person: string;
  device: string;
  /** The record that this one takes the place of, or takes back. */
  corrects: string | null;
}
export type BuildRecordOf<K extends RecordKind> = Common & { kind: K; body: BodyOf<K> };
/** A fact of a build. */
export type BuildRecord = { [K in RecordKind]: BuildRecordOf<K> }[RecordKind];

const common = {
  id: idSchema,
  at: z.iso.datetime('A time is wanted: 2026-11-30T09:30:00Z'),
  person: z.string().trim().min(2, 'Who is it? At least 2 characters').max(60),
  device: z.string().max(40),
  corrects: idSchema.nullable(),
};
const members = Object.entries(RECORD_KINDS).map(([kind, body]) =>
  z.strictObject({ ...common, kind: z.literal(kind), body }),
);
/** A record as a device sends it. @throws through `parseOrThrow`: `invalid` with the field. */
export const buildRecordSchema = z.discriminatedUnion(
  'kind',
  members as unknown as [(typeof members)[number]],
) as unknown as z.ZodType<BuildRecord>;
