import { z } from 'zod';
import { bounded, idSchema } from '../field';
import { PROCESSES } from '../material';
import { trialSchema } from '../trial';
import { LEARNED_RATES, learnedUseSchema } from './learnable';

const on = z.iso.date('A day is wanted: 2026-11-30');
const note = z.string().trim().max(300, 'At most 300 characters');
const name = z.string().trim().min(1, 'It wants a name').max(60);

export const MOULD_EVENTS = {
  stripped: 'stripped down to the bare mould',
  repaired: 'repaired',
  serviced: 'serviced',
  coats: 'coats put on between hulls',
  pulled: 'pulled a part that no build here tells of',
} as const;
export const TOOL_EVENTS = { begun: 'taken into use', mended: 'sharpened or mended', ended: 'worn out' } as const;
const keysOf = <T extends object>(table: T) => Object.keys(table) as [keyof T & string, ...(keyof T & string)[]];

/** What happened in the shop that no build tells of. */
const bodies = {
  mould: z.strictObject({
    mould: name,
    what: z.enum(keysOf(MOULD_EVENTS)),
    count: bounded('How many', [1, 100], ''),
    on,
    note,
  }),
  tool: z.strictObject({ tool: name, what: z.enum(keysOf(TOOL_EVENTS)), on, note }),
  /** A sample that was laid, loaded and broken. */
  trial: trialSchema,
  /** What was learned, put to use as a factor on what is published. */
  learned: learnedUseSchema.extend({ on, note }),
  /** Hours or waste of resin as they were read, put into the rates; with the rates before. */
  learnedRate: z.strictObject({
    rate: z.enum(keysOf(LEARNED_RATES)),
    process: z.enum(keysOf(PROCESSES)),
    value: bounded('Value', [0.2, 5], ''),
    n: z.int().min(1, 'Nothing was read yet').max(10_000),
    was: z.record(z.string().max(20), z.number()).default({}),
    on,
    note,
  }),
  /** A piece of cloth that was measured and put on the scales. */
  clothWeighed: z.strictObject({
    material: z.string().min(1, 'Which cloth?').max(60),
    lot: z.string().trim().max(60),
    area: bounded('Area', [0.01, 200], 'm²'),
    mass: bounded('Mass', [0.001, 500], 'kg'),
    on,
    note,
  }),
  /** An instrument that was calibrated, and until when that holds. */
  calibration: z.strictObject({ instrument: name, on, due: on, note }),
  /** What is on the shelf of a consumable, counted or brought in: an amount that holds from then on. */
  counted: z.strictObject({ consumable: name, amount: bounded('Amount', [0, 1e6], ''), on, note }),
} as const;
export type YardFactKind = keyof typeof bodies;

interface Common {
  id: string;
  /** Takes the place of an earlier one; `void` takes it back and says nothing else. */
  corrects: string | null;
  void: boolean;
}
type FactOf<K extends YardFactKind> = Common & { kind: K; body: z.output<(typeof bodies)[K]> };
export type YardFact = { [K in YardFactKind]: FactOf<K> }[YardFactKind];
export type KeptYardFact = YardFact & { author: string; at: string };

const common = { id: idSchema, corrects: idSchema.nullable(), void: z.boolean() };
const members = Object.entries(bodies).map(([kind, body]) =>
  z.strictObject({ ...common, kind: z.literal(kind), body }),
);
export const yardFactSchema = z.discriminatedUnion(
  'kind',
  members as unknown as [(typeof members)[number]],
) as unknown as z.ZodType<YardFact>;

/** Facts that stand: neither corrected nor taken back; by the day they speak of. */
export function standingFacts<F extends YardFact>(facts: readonly F[]): F[] {
  const gone = new Set(facts.map(({ corrects }) => corrects));
  return facts
    .filter((fact) => !gone.has(fact.id) && !fact.void)
    .sort((a, b) => a.body.on.localeCompare(b.body.on) || (a.id < b.id ? -1 : 1));
}
