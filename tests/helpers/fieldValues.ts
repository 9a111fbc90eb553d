import { z } from 'zod';
import { inner, isNullable, notesOf, objectSchemaOf, referencesIn } from '../../src/core/field';

/** A place in an entry, and another value that its field allows there. */
export interface OtherValue {
  path: string;
  value: unknown;
}

const numberBeside = (schema: z.ZodType, value: unknown): unknown => {
  const { minimum = -1e6, maximum = 1e6 } = notesOf(schema) ?? {};
  const now = typeof value === 'number' ? value : minimum;
  const step = Number.isInteger(now) && Number.isInteger(minimum) ? 1 : (maximum - minimum) / 64;
  const tried = [now + step, now - step, (now + maximum) / 2, (now + minimum) / 2, minimum, maximum];
  return tried.find((one) => one !== now && schema.safeParse(one).success);
};

/** Another value of a leaf; undefined where the field has no other. */
function otherLeaf(schema: z.ZodType, value: unknown): unknown {
  const at = inner(schema);
  if (at instanceof z.ZodNumber) return numberBeside(at, value);
  if (at instanceof z.ZodBoolean) return !value;
  if (at instanceof z.ZodEnum) return at.options.find((option) => option !== value);
  if (at instanceof z.ZodLiteral) return [...at.values].find((option) => option !== value);
  if (at instanceof z.ZodString)
    return [`${String(value ?? '')}x`, `x${String(value ?? '')}`, 'another'].find((text) => at.safeParse(text).success);
  return undefined;
}

/**
 * Another value for every leaf of an entry, found by walking its description: what a test changes one after the other.
 * References, ids and kinds are left out, for those the rest of the boat must fit.
 */
export function otherValues(schema: z.ZodType, entry: unknown, path = ''): OtherValue[] {
  const under = (key: string | number) => (path === '' ? String(key) : `${path}.${key}`);
  if (notesOf(schema)?.reference) return [];
  const at = inner(schema);
  const object = objectSchemaOf(schema, entry);
  if (object && entry !== null && typeof entry === 'object') {
    const shape = object.shape as Record<string, z.ZodType>;
    return Object.entries(shape).flatMap(([key, field]) =>
      key === 'id' || (inner(field) instanceof z.ZodLiteral && inner(field).def.type === 'literal' && key === 'kind')
        ? []
        : otherValues(field, (entry as Record<string, unknown>)[key], under(key)),
    );
  }
  if (at instanceof z.ZodArray && Array.isArray(entry))
    return entry.slice(0, 2).flatMap((item, i) => otherValues(at.element as z.ZodType, item, under(i)));
  if (at instanceof z.ZodTuple && Array.isArray(entry))
    return entry.flatMap((item, i) => otherValues(at.def.items[i] as z.ZodType, item, under(i)));
  if (entry === undefined) return [];
  const value = otherLeaf(schema, entry);
  const emptied = entry !== null && isNullable(schema) ? [{ path, value: null }] : [];
  return value === undefined ? emptied : [{ path, value }, ...emptied];
}

/** The references of an entry with a path, for tests that break them. */
export const referencePaths = (schema: z.ZodType, entry: unknown): string[] =>
  referencesIn(schema, entry).map(({ path }) => path);
