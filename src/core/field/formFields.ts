import { z } from 'zod';
import type { QuantityKind } from '../quantity';
import { inner, isNullable, labelOf, notesOf, objectSchemaOf, type Reference } from './field';

interface Common {
  /** Dotted path of the value in the entry: 'plate.thickness', 'base.0'. */
  key: string;
  label: string;
  hint?: string;
}
/** One thing to enter: what it is, where it stands, what is allowed. */
export type FormField = Common &
  (
    | { as: 'number'; quantity: QuantityKind; minimum: number; maximum: number; optional: boolean; whole: boolean }
    | { as: 'choice'; options: Readonly<Record<string, string>>; of: 'text' | 'number' | 'boolean' }
    | { as: 'reference'; reference: Reference; optional: boolean }
    | { as: 'text'; most: number }
    | { as: 'table'; columns: FormField[]; least: number; most: number }
    | { as: 'group'; fields: FormField[]; optional: boolean }
  );

const checkOf = (schema: z.ZodType, name: 'min_length' | 'max_length'): number | undefined =>
  (schema.def.checks ?? [])
    .map((check) => (check as { _zod: { def: { check: string; minimum?: number; maximum?: number } } })._zod.def)
    .filter(({ check }) => check === name)
    .map(({ minimum, maximum }) => minimum ?? maximum)
    .at(-1);

function kindOfValue(schema: z.ZodType): 'text' | 'number' | 'boolean' {
  if (schema instanceof z.ZodBoolean) return 'boolean';
  return schema instanceof z.ZodLiteral ? 'number' : 'text';
}

function fieldOf(key: string, schema: z.ZodType, last: string): FormField[] {
  const notes = notesOf(schema);
  if (notes?.form === 'none') return [];
  const at = inner(schema);
  const common = { key, label: labelOf(last, schema), ...(notes?.hint && { hint: notes.hint }) };
  if (notes?.reference && at instanceof z.ZodString)
    return [{ ...common, as: 'reference', reference: notes.reference, optional: isNullable(schema) }];
  if (notes?.options) {
    return [{ ...common, as: 'choice', options: notes.options, of: kindOfValue(at) }];
  }
  if (at instanceof z.ZodNumber)
    return [
      {
        ...common,
        as: 'number',
        quantity: notes?.quantity ?? 'ratio',
        minimum: notes?.minimum ?? -Infinity,
        maximum: notes?.maximum ?? Infinity,
        optional: isNullable(schema),
        whole: notes?.quantity === undefined,
      },
    ];
  if (at instanceof z.ZodString) return [{ ...common, as: 'text', most: checkOf(at, 'max_length') ?? 400 }];
  if (at instanceof z.ZodTuple)
    return (at.def.items as z.ZodType[]).flatMap((item, i) => fieldOf(`${key}.${i}`, item, String(i)));
  if (at instanceof z.ZodArray) {
    const element = at.element as z.ZodType;
    const columns = inner(element) instanceof z.ZodTuple ? fieldOf('', element, '') : formFields(element);
    const tidy = columns.map((column) => ({ ...column, key: column.key.replace(/^\./, '') }));
    return [
      {
        ...common,
        as: 'table',
        columns: tidy,
        least: checkOf(at, 'min_length') ?? 0,
        most: checkOf(at, 'max_length') ?? 100,
      },
    ];
  }
  if (at instanceof z.ZodObject)
    return [{ ...common, as: 'group', optional: isNullable(schema), fields: formFields(at, key) }];
  return [];
}

/**
 * What is entered for an entry of a schema, in the order of its fields; the form draws it, nothing is listed twice.
 *
 * @param schema an object, or the member of a union that fits `value`. @param except keys that are entered elsewhere.
 * @example formFields(strapSchema).map(({ label }) => label) // ['Fabric of the strips', 'Led', …]
 */
export function formFields(
  schema: z.ZodType,
  under = '',
  except: readonly string[] = [],
  value?: unknown,
): FormField[] {
  const shape = objectSchemaOf(schema, value)?.shape ?? {};
  return Object.entries(shape as Record<string, z.ZodType>)
    .filter(([key]) => key !== 'id' && key !== 'kind' && !except.includes(key))
    .flatMap(([key, field]) => fieldOf(under === '' ? key : `${under}.${key}`, field, key));
}

/** A value at 'plate.thickness' or 'base.0'. */
export const readAt = (object: unknown, key: string): unknown =>
  key.split('.').reduce<unknown>((at, step) => (at as Record<string, unknown> | null | undefined)?.[step], object);

/** A copy of an entry with a value put at a path. */
export function writeAt<T>(object: T, key: string, value: unknown): T {
  const copy = structuredClone(object) as Record<string, unknown>;
  const steps = key.split('.');
  const last = steps.pop()!;
  const at = steps.reduce<Record<string, unknown>>((deep, step) => deep[step] as Record<string, unknown>, copy);
  at[last] = value;
  return copy as T;
}
