import { z } from 'zod';
import asSpecifiedData from '@data/standards/as-specified.json';
import workboatData from '@data/standards/workboat-uplift.json';
import yardRuleData from '@data/standards/yard-rule.json';
import { KeramosError, invalid, parseOrThrow, refuseBrokenText } from '../error';
import { packHead, SMALL_CRAFT_PACK, smallCraftPackSchema } from './smallCraft';

const positive = z.number().positive();
const byPlace = z.strictObject({
  bottom: z.number().min(0),
  side: z.number().min(0),
  transom: z.number().min(0),
  deck: z.number().min(0),
  superstructure: z.number().min(0),
  bulkhead: z.number().min(0),
  liner: z.number().min(0),
});

/**
 * House rule of a yard: least dry fibre (kg/m²) and thickness (m) by place, and the reserve it wants of direct panel
 * analysis.
 */
export const yardRuleSchema = z.strictObject({
  kind: z.literal('yardRule'),
  ...packHead,
  minimumFibre: byPlace,
  minimumThickness: byPlace,
  analysisFactor: positive,
});
/** The small-craft method for commercial service: factors on pressures and on minima. */
export const workboatUpliftSchema = z.strictObject({
  kind: z.literal('workboatUplift'),
  ...packHead,
  pressureFactor: positive,
  minimumFactor: positive,
});
/** The architect's schedule, layer by layer, as the minimum. */
export const asSpecifiedSchema = z.strictObject({
  kind: z.literal('asSpecified'),
  ...packHead,
  weightTolerance: z.number().min(0).max(0.5),
  angleToleranceDeg: z.number().min(0).max(45),
});

export const packSchema = z.discriminatedUnion('kind', [
  smallCraftPackSchema,
  yardRuleSchema,
  workboatUpliftSchema,
  asSpecifiedSchema,
]);
export type StandardPack = z.infer<typeof packSchema>;
export type YardRule = z.infer<typeof yardRuleSchema>;
export type WorkboatUplift = z.infer<typeof workboatUpliftSchema>;
export type AsSpecified = z.infer<typeof asSpecifiedSchema>;

export const PACK_KINDS = {
  smallCraft: 'Small-craft method',
  yardRule: 'Yard rule',
  workboatUplift: 'Workboat uplift',
  asSpecified: 'As specified',
} as const satisfies Record<StandardPack['kind'], string>;

/** The packs the product ships; none is signed off. That each follows its schema is tested. */
export const SHIPPED_PACKS = [
  SMALL_CRAFT_PACK,
  yardRuleData,
  workboatData,
  asSpecifiedData,
] as unknown as readonly StandardPack[];

/** Whether somebody signed for a pack, in words for screen and print. */
export const packStatus = ({ signOff }: Pick<StandardPack, 'signOff'>): string =>
  signOff === null ? 'unverified' : `signed off by ${signOff.by}, ${signOff.at.slice(0, 10)}`;

const PACK_FORMAT = 'keramos-pack';
const documentSchema = z.object({ format: z.literal(PACK_FORMAT), version: z.literal(1), pack: packSchema });

/** A pack as a JSON document of its own. */
export const packToJson = (pack: StandardPack): string =>
  `${JSON.stringify({ format: PACK_FORMAT, version: 1, pack: packSchema.parse(pack) }, null, 1)}\n`;

/** A pack from its JSON document. @throws KeramosError `malformed`, `invalid` naming the field. */
export function packFromJson(text: string): StandardPack {
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch (error) {
    throw new KeramosError('malformed', `This is not JSON: ${(error as Error).message.slice(0, 120)}`);
  }
  if ((document as { format?: unknown } | null)?.format !== PACK_FORMAT)
    throw new KeramosError('malformed', `This is not a pack: its "format" must be "${PACK_FORMAT}"`, 'format');
  refuseBrokenText(document);
  return parseOrThrow(documentSchema, document).pack;
}

/** One coefficient of a pack. */
export interface Coefficient {
  /** Where it stands, as 'motor.bottomBase.perMass'. */
  path: string;
  value: number;
}
const HEAD_KEYS = new Set([...Object.keys(packHead), 'kind']);

/** All coefficients of a pack, in its order. */
export function coefficientsOf(pack: StandardPack): Coefficient[] {
  const walk = (value: unknown, path: string): Coefficient[] => {
    if (typeof value === 'number') return [{ path, value }];
    if (typeof value !== 'object' || value === null) return [];
    return Object.entries(value).flatMap(([key, inner]) => walk(inner, path === '' ? key : `${path}.${key}`));
  };
  return Object.entries(pack).flatMap(([key, value]) => (HEAD_KEYS.has(key) ? [] : walk(value, key)));
}

/**
 * A pack with one coefficient changed. What was signed for no longer holds: the sign-off goes.
 * @throws KeramosError `invalid` when there is no such coefficient or the value is not allowed.
 */
export function withCoefficient(pack: StandardPack, path: string, value: number): StandardPack {
  if (!coefficientsOf(pack).some((coefficient) => coefficient.path === path))
    throw invalid(path, `The pack has no coefficient "${path}"`);
  const copy = structuredClone(pack) as unknown as Record<string, unknown>;
  const keys = path.split('.');
  const holder = keys.slice(0, -1).reduce((at, key) => at[key] as Record<string, unknown>, copy);
  holder[keys.at(-1)!] = value;
  return parseOrThrow(packSchema, { ...copy, signOff: null });
}

/** A coefficient that departs from that of another pack; `was` is null where the other has none. */
export interface PackChange {
  path: string;
  was: number | null;
  is: number;
}

/** Coefficients in which a pack departs from another of its kind, as was and is. */
export function packDifference(before: StandardPack, after: StandardPack): PackChange[] {
  const old = new Map(coefficientsOf(before).map(({ path, value }) => [path, value]));
  return coefficientsOf(after)
    .filter(({ path, value }) => old.get(path) !== value)
    .map(({ path, value }) => ({ path, was: old.get(path) ?? null, is: value }));
}

/** Words for the path of a coefficient; parts not listed are split at their capitals. */
const WORDS: Record<string, string> = {
  motor: 'Motor craft',
  sail: 'Sailing craft',
  bottomBase: 'bottom base pressure',
  planingBase: 'planing base pressure, Pa·m²/kg',
  planingSideShare: 'share of the planing base on sides',
  bottomMinimum: 'least bottom pressure',
  sideMinimum: 'least side pressure, Pa/m',
  deckBase: 'deck base pressure',
  perMass: 'times m^0.33, Pa',
  perLength: 'times waterline length, Pa/m',
  constant: 'constant, Pa',
  deckMinimumPressure: 'Least deck pressure, Pa',
  headPressure: 'Pressure per metre of head, Pa/m',
  planingSpeedRatio: 'Planing from speed / √waterline',
  areaReductionMinimum: 'Least area reduction',
  skinStrengthFactor: 'Share of the skin strength used',
  wrinklingFactor: 'Wrinkling factor',
  deflectionRatio: 'Deflection / short side',
  minimumFibre: 'Least dry fibre',
  minimumThickness: 'Least thickness, m',
  analysisFactor: 'Reserve asked of direct analysis',
  pressureFactor: 'Factor on pressures',
  minimumFactor: 'Factor on least skins',
  weightTolerance: 'Weight a layer may fall short, share',
  angleToleranceDeg: 'Angle a layer may be off, degrees',
};
const split = (key: string) => key.replace(/([a-z])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`);
export const coefficientLabel = (path: string): string =>
  path
    .split('.')
    .map((key) => WORDS[key] ?? split(key))
    .join(', ');
