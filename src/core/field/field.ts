import { z } from 'zod';
import { saidExactly, type QuantityKind } from '../quantity';

/** Lists of a boat that a field may name an entry of. */
export type ListName =
  | 'materials'
  | 'parts'
  | 'zones'
  | 'layers'
  | 'groups'
  | 'supports'
  | 'sections'
  | 'references'
  | 'packs'
  | 'loads'
  | 'details'
  | 'items'
  | 'spaces'
  | 'pieceDrawings'
  | 'jointPlacings'
  | 'boxes'
  | 'plugs'
  | 'fillPlans'
  | 'curePlans';

/** What a reference names, and what becomes of it when that goes. */
export interface Reference {
  list: ListName;
  /** Kinds of material that will do. */
  kinds?: readonly string[];
  /** The other entry cannot go while this one names it; or this field is cleared, or this entry goes along. */
  whenGone: 'refuse' | 'clear' | 'drop';
}

/** What is known of a field besides its Zod type: everything that a form, a difference or a merge says of it. */
export interface FieldNotes {
  label: string;
  quantity?: QuantityKind;
  minimum?: number;
  maximum?: number;
  /** Words for the values of a choice. */
  options?: Readonly<Record<string, string>>;
  reference?: Reference;
  hint?: string;
  /** Version of the document since which it exists; those before take its default. */
  since?: number;
  /** What tells the entries of a list apart, where they have no id. */
  keys?: readonly string[];
  /** Entered as a table, as a group of fields that may be left out, or not in a form at all. */
  form?: 'none';
}

const registry = z.registry<FieldNotes>();

/** A schema with its notes; those it had are kept where the new ones say nothing. */
export function noted<S extends z.ZodType>(schema: S, notes: FieldNotes): S {
  registry.add(schema, notes);
  return schema;
}

/** Quantities by the unit a range is written in. */
const QUANTITY_OF: Record<string, QuantityKind> = {
  m: 'length',
  'm²': 'area',
  N: 'force',
  '°': 'angle',
  'N/m': 'lineForce',
  'N·m': 'moment',
  kg: 'mass',
  'kg/m²': 'arealWeight',
  'kg/m³': 'density',
  Pa: 'stress',
  kn: 'speed',
  '°C': 'temperature',
};

export interface BoundedOptions {
  /** Where the unit alone does not tell: millimetres are short lengths. */
  quantity?: QuantityKind;
  hint?: string;
  /** Why the range is what it is; ends the refusal. */
  reason?: string;
}

/**
 * A finite number within bounds, in SI; refused with the label of the field and its allowed range.
 *
 * @param unit as the refusal writes it; the quantity for forms and differences follows from it.
 * @example bounded('Core bevel', [1, 50])
 */
export function bounded(
  label: string,
  [minimum, maximum]: readonly [number, number],
  unit = '',
  options: BoundedOptions = {},
) {
  const quantity = options.quantity ?? QUANTITY_OF[unit];
  const figure = (value: number) => (quantity ? saidExactly(value, quantity) : `${value}${unit && ` ${unit}`}`);
  const why = options.reason ? `: ${options.reason}` : '';
  // Said only when it is needed: hundreds of fields are described while a page starts.
  const between = () => `between ${figure(minimum)} and ${figure(maximum)}${why}`;
  const range = () => `${label} must be ${between()}`;
  // Made with its checks: each that is added later makes the whole anew, and pages wait for hundreds of them.
  const schema = new z.ZodNumber({
    type: 'number',
    error: () => `${label} must be a number ${between()}`,
    checks: [z.gte(minimum, { error: range }), z.lte(maximum, { error: range })],
  });
  return noted(schema, {
    label,
    quantity: quantity ?? 'ratio',
    minimum,
    maximum,
    ...(options.hint && { hint: options.hint }),
  });
}

/** A length as the bench has it, in millimetres or inches. */
export const shortLength = (label: string, minimum: number, maximum: number, hint?: string) =>
  bounded(label, [minimum, maximum], 'm', { quantity: 'shortLength', ...(hint && { hint }) });

/** A whole number from `minimum` to `maximum`. */
export const whole = (label: string, minimum: number, maximum: number, hint?: string) =>
  noted(
    new z.ZodNumberFormat({
      type: 'number',
      check: 'number_format',
      format: 'safeint',
      abort: false,
      error: () => `${label} must be a whole number`,
      checks: [
        z.gte(minimum, `${label} must be at least ${minimum}`),
        z.lte(maximum, `${label} must be at most ${maximum}`),
      ],
    }),
    { label, minimum, maximum, ...(hint !== undefined && { hint }) },
  );

/** One of several values, each with its word. */
export function choice<const K extends string>(label: string, options: Readonly<Record<K, string>>) {
  const keys = Object.keys(options) as [K, ...K[]];
  return noted(z.enum(keys, { error: `${label} must be one of: ${Object.values(options).join(', ')}` }), {
    label,
    options,
  });
}

/** One of a few numbers, each with its word. */
export const numberChoice = <const N extends readonly [z.core.util.Literal, ...z.core.util.Literal[]]>(
  label: string,
  values: N,
  options: Readonly<Record<string, string>>,
) => noted(z.literal(values), { label, options });

/** Yes or no, in words of the matter. */
export const flag = (label: string, no = 'no', yes = 'yes') =>
  noted(z.boolean(), { label, options: { false: no, true: yes } });

const tooLong = (label: string, most: number) => `${label} must have at most ${most} characters`;

/** A name that is not empty. */
export const nameOf = (label: string, most = 80) =>
  noted(
    new z.ZodString({
      type: 'string',
      checks: [z.trim(), z.minLength(1, `${label} must not be empty`), z.maxLength(most, tooLong(label, most))],
    }),
    { label },
  );

/** Free text of at most so many characters. */
export const text = (label: string, most: number) =>
  noted(new z.ZodString({ type: 'string', checks: [z.maxLength(most, tooLong(label, most))] }), { label });

export const idSchema = z
  .string()
  .regex(/^[A-Za-z0-9_-]{1,40}$/, 'Id must be 1 to 40 letters, digits, hyphens or underscores');

/** The id of an entry of a list of the boat. */
export const refer = (label: string, list: ListName, options: Partial<Omit<Reference, 'list'>> = {}) =>
  noted(new z.ZodString({ type: 'string', checks: [z.maxLength(60)] }), {
    label,
    reference: { list, whenGone: 'refuse', ...options },
  });

/** A field that came with a later version of the document, and what earlier ones take for it. */
export const since = <S extends z.ZodType>(version: number, schema: S, value: z.core.util.NoUndefined<z.output<S>>) =>
  noted(schema.default(value), { ...(notesOf(schema) ?? { label: '' }), since: version });

/** The schema inside `nullable`, `optional`, `default` and the like. */
export function inner(schema: z.ZodType): z.ZodType {
  let at = schema as z.ZodType & { unwrap?: () => z.ZodType; def: { type: string; innerType?: z.ZodType } };
  while (at.def.innerType) at = at.def.innerType as typeof at;
  return at;
}

/** Whether a field may be left empty. */
export function isNullable(schema: z.ZodType): boolean {
  return schema.safeParse(null).success;
}

/** What is known of a field, whatever wraps it. */
export function notesOf(schema: z.ZodType): FieldNotes | undefined {
  let at: z.ZodType | undefined = schema;
  while (at) {
    const notes = registry.get(at);
    if (notes) return notes;
    at = (at.def as { innerType?: z.ZodType }).innerType;
  }
  return undefined;
}

/** A label for a field that has none of its own: 'coreBevel' gives 'Core bevel'. */
export function labelOf(key: string, schema?: z.ZodType): string {
  const own = schema && notesOf(schema)?.label;
  if (own) return own;
  const words = key.replace(/([a-z0-9])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`);
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/**
 * The object schema that fits a value: the object itself, or the member of a discriminated union that takes the
 * value's kind.
 * @returns null for a schema that is no object.
 */
export function objectSchemaOf(schema: z.ZodType, value: unknown): z.ZodObject | null {
  const at = inner(schema);
  if (at instanceof z.ZodObject) return at;
  if (!(at instanceof z.ZodDiscriminatedUnion)) return null;
  const { discriminator, options } = at.def as unknown as {
    discriminator: string;
    options: z.ZodType[];
  };
  const kind = (value as Record<string, unknown> | null)?.[discriminator];
  const found = options.find((option) => {
    const object = objectSchemaOf(option, value);
    return object?.shape[discriminator] !== undefined && object.shape[discriminator].safeParse(kind).success;
  });
  return found ? objectSchemaOf(found, value) : null;
}
