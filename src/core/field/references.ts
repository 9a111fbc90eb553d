import { z } from 'zod';
import { inner, notesOf, objectSchemaOf, type Reference } from './field';

/** A reference that an entry holds. */
export interface Held {
  reference: Reference;
  id: string;
  label: string;
  /** Dotted path inside the entry. */
  path: string;
}

type Reader = (value: unknown, path: string, out: Held[]) => void;
const readers = new WeakMap<z.ZodType, Reader | null>();

/** What reads the references out of a value of a schema; null where it can hold none. Made once per schema. */
function readerOf(schema: z.ZodType): Reader | null {
  const known = readers.get(schema);
  if (known !== undefined) return known;
  const made = makeReader(schema);
  readers.set(schema, made);
  return made;
}

function makeReader(schema: z.ZodType): Reader | null {
  const notes = notesOf(schema);
  const { reference } = notes ?? {};
  const at = inner(schema);
  if (reference)
    return (value, path, out) => {
      const ids = Array.isArray(value) ? value : [value];
      for (const id of ids) if (typeof id === 'string') out.push({ reference, id, label: notes!.label, path });
    };
  if (at instanceof z.ZodArray) {
    const item = readerOf(at.element as z.ZodType);
    return (
      item && ((value, path, out) => (value as unknown[] | null)?.forEach((one, i) => item(one, `${path}.${i}`, out)))
    );
  }
  if (at instanceof z.ZodObject) {
    const fields = Object.entries(at.shape as Record<string, z.ZodType>).flatMap(([key, field]) => {
      const reader = readerOf(field);
      return reader ? [{ key, reader }] : [];
    });
    if (fields.length === 0) return null;
    return (value, path, out) => {
      if (value === null || value === undefined) return;
      for (const { key, reader } of fields)
        reader((value as Record<string, unknown>)[key], path === '' ? key : `${path}.${key}`, out);
    };
  }
  if (at instanceof z.ZodDiscriminatedUnion) {
    const options = (at.def as unknown as { options: z.ZodType[] }).options;
    if (options.every((option) => readerOf(option) === null)) return null;
    return (value, path, out) => {
      const object = objectSchemaOf(at, value);
      if (object) readerOf(object)?.(value, path, out);
    };
  }
  return null;
}

/** The references an entry of a schema holds, in the order of its fields. */
export function referencesIn(schema: z.ZodType, value: unknown): Held[] {
  const out: Held[] = [];
  readerOf(schema)?.(value, '', out);
  return out;
}
