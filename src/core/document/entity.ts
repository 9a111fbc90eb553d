import { z } from 'zod';

/**
 * A list of things that a boat holds, said once: storage, edits, words, difference, merge and checks follow from it.
 */
export interface BoatList<S extends z.ZodType = z.ZodType> {
  /** One of them, as edits and words call it: 'support', 'Support'. */
  name: string;
  label: string;
  /** Where a difference files it: 'Supports'. */
  place: string;
  /** An entry as it is read; fields that came later have their defaults. */
  schema: S;
  /** Most that a boat may have. */
  limit: number;
  /** Version of the document since which boats have it; those before have what `empty` gives. */
  since: number;
  empty: () => z.output<S>[];
  /** What an entry is called. */
  title: (item: z.output<S>) => string;
  /** Material, acceptance: has edits of its own; the others are added, set and removed alike. */
  ownEdits?: true;
}

/** A description as it is declared; gives it its exact type. */
export const boatList = <S extends z.ZodType>(list: BoatList<S>): BoatList<S> => list;

type Patchable<T extends z.ZodRawShape> = { [K in keyof T]: T[K] extends z.ZodDefault<infer I> ? I : T[K] };
/** The shape of an entry without defaults: what a change may name, nothing filled in. */
function strictShape<T extends z.ZodRawShape>(shape: T): Patchable<T> {
  const bare = (schema: unknown) => (schema instanceof z.ZodDefault ? schema.unwrap() : schema);
  return Object.fromEntries(Object.entries(shape).map(([key, schema]) => [key, bare(schema)])) as Patchable<T>;
}

/** A patch of an entry: any of its fields, checked like the whole, nothing unknown and nothing filled in. */
export const patchOf = <T extends z.ZodRawShape>(schema: z.ZodObject<T>) =>
  z.object(strictShape(schema.shape)).partial().strict();

type Later<T extends z.ZodRawShape> = {
  [K in keyof T as T[K] extends z.ZodDefault ? K : never]: z.output<T[K]>;
};
/** The later fields of an entry with their defaults: what an entry of the first version takes. */
export function laterFields<T extends z.ZodRawShape>(schema: z.ZodObject<T>): Later<T> {
  const later = Object.entries(schema.shape).filter(([, field]) => field instanceof z.ZodDefault);
  return z.object(Object.fromEntries(later)).parse({}) as Later<T>;
}
