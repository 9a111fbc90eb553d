import { z } from 'zod';
import { formatNumber, said, wordsIn, type UnitSystem } from '../quantity';
import { inner, labelOf, notesOf, objectSchemaOf, type ListName } from './field';

/** Names what a reference means, in the state before or after. */
export type NameOf = (list: ListName, id: string) => string;
export interface Naming {
  before: NameOf;
  after: NameOf;
}

/** Whether two values of a document are the same in every field. */
export function same(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const [left, right] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = Object.keys(left);
  return (
    keys.length === Object.keys(right).length &&
    keys.every((key) => Object.hasOwn(right, key) && same(left[key], right[key]))
  );
}

const LIST_LIMIT = 6;

/** A value of a field in words: its quantity left open for the reader's units, its choice and its reference by name. */
export function valueInWords(schema: z.ZodType | undefined, value: unknown, nameOf: NameOf): string {
  if (value === null || value === undefined || value === '') return '–';
  const notes = schema && notesOf(schema);
  if (notes?.options && Object.hasOwn(notes.options, String(value))) return notes.options[String(value)]!;
  if (notes?.reference && typeof value === 'string') return nameOf(notes.reference.list, value);
  if (typeof value === 'number')
    return notes?.quantity && notes.quantity !== 'ratio'
      ? said(value, notes.quantity)
      : formatNumber(value, 3).replace(/\.?0+$/, '');
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) return listInWords(schema, value, nameOf);
  if (typeof value === 'object') return objectInWords(schema, value as Record<string, unknown>, nameOf);
  return String(value);
}

function listInWords(schema: z.ZodType | undefined, items: readonly unknown[], nameOf: NameOf): string {
  const list = schema && inner(schema);
  const item = list instanceof z.ZodArray ? (list.element as z.ZodType) : undefined;
  const itemAt = (i: number) => (list instanceof z.ZodTuple ? (list.def.items[i] as z.ZodType) : item);
  const shown = items.slice(0, LIST_LIMIT).map((value, i) => valueInWords(itemAt(i), value, nameOf));
  return items.length === 0
    ? 'none'
    : `${shown.join('; ')}${items.length > LIST_LIMIT ? ` and ${items.length - LIST_LIMIT} more` : ''}`;
}

function objectInWords(schema: z.ZodType | undefined, value: Record<string, unknown>, nameOf: NameOf): string {
  if (typeof value['name'] === 'string') return value['name'];
  const shape = (schema && objectSchemaOf(schema, value)?.shape) ?? {};
  return Object.entries(value)
    .filter(([key]) => key !== 'id')
    .map(([key, one]) => `${labelOf(key, shape[key]).toLowerCase()} ${valueInWords(shape[key], one, nameOf)}`)
    .join(', ');
}

type Item = Record<string, unknown>;
/** What tells the entries of a list apart: their ids, the keys its description names, or nothing but their place. */
function identityOf(schema: z.ZodType, items: readonly unknown[]): ((item: Item) => string) | null {
  const keys = notesOf(schema)?.keys ?? ['id'];
  const all = items.every((item) => keys.every((key) => typeof (item as Item | null)?.[key] === 'string'));
  return all ? (item) => keys.map((key) => String(item[key])).join('|') : null;
}

/** What came, went and changed in a list inside an entry, item by item. */
function compareItems(field: Field, was: readonly unknown[], is: readonly unknown[], naming: Naming): string[] {
  const { schema, label } = field;
  const list = inner(schema);
  const element = list instanceof z.ZodArray ? (list.element as z.ZodType) : undefined;
  if (element === undefined || [...was, ...is].some((item) => typeof item !== 'object'))
    return [`${label}: ${valueInWords(schema, was, naming.before)} → ${valueInWords(schema, is, naming.after)}`];
  const identity = identityOf(schema, [...was, ...is]);
  const pair = { label, element, was: was as readonly Item[], is: is as readonly Item[] };
  return identity === null ? compareByPlace(pair, naming) : compareByIdentity(pair, identity, naming);
}

interface Field {
  schema: z.ZodType;
  label: string;
}
interface Items {
  label: string;
  element: z.ZodType;
  was: readonly Item[];
  is: readonly Item[];
}

function compareByIdentity({ label, element, was, is }: Items, identity: (item: Item) => string, naming: Naming) {
  const old = new Map(was.map((item) => [identity(item), item]));
  const kept = new Set(is.map(identity));
  const changed = is.flatMap((item) => {
    const before = old.get(identity(item));
    const words = valueInWords(element, item, naming.after);
    if (!before) return [`${label}: added ${words}`];
    const name = typeof item['name'] === 'string' ? item['name'] : keysInWords(element, item, naming);
    return compareFields(element, [before, item], naming).map((line) => `${label}, ${name}: ${line}`);
  });
  const gone = was
    .filter((item) => !kept.has(identity(item)))
    .map((item) => `${label}: removed ${valueInWords(element, item, naming.before)}`);
  const order = (items: readonly Item[]) => items.map(identity).filter((id) => old.has(id) && kept.has(id));
  return [...changed, ...gone, ...(same(order(was), order(is)) ? [] : [`${label}: order changed`])];
}

/** The references of an entry by name: what it is about where it has no name of its own. */
function keysInWords(element: z.ZodType, item: Item, naming: Naming): string {
  const shape = (objectSchemaOf(element, item)?.shape ?? {}) as Record<string, z.ZodType>;
  const named = Object.entries(shape).filter(([, schema]) => notesOf(schema)?.reference);
  return named.map(([key, schema]) => valueInWords(schema, item[key], naming.after)).join(' and ') || 'one';
}

/** An entry that differs in more fields than these is told whole. */
const FIELDS_TOLD = 3;
const lowered = (line: string) => `${line.charAt(0).toLowerCase()}${line.slice(1)}`;

function compareByPlace({ label, element, was, is }: Items, naming: Naming): string[] {
  const words = (value: unknown, nameOf: NameOf) => valueInWords(element, value, nameOf);
  return Array.from({ length: Math.max(was.length, is.length) }, (_, i) => {
    const [before, after, place] = [was[i], is[i], `${label} ${i + 1}`];
    if (before === undefined) return [`${place}: added ${words(after, naming.after)}`];
    if (after === undefined) return [`${place}: removed ${words(before, naming.before)}`];
    if (same(before, after)) return [];
    const fields = compareFields(element, [before, after], naming);
    if (fields.length > 0 && fields.length <= FIELDS_TOLD) return fields.map((line) => `${place}, ${lowered(line)}`);
    return [`${place}: ${words(before, naming.before)} → ${words(after, naming.after)}`];
  }).flat();
}

const UNIT_SYSTEMS: readonly UnitSystem[] = ['metric', 'us'];

/** The lines that tell one changed field, as 'Label: was → is'. */
function compareField(
  field: { schema: z.ZodType | undefined; label: string },
  was: unknown,
  is: unknown,
  naming: Naming,
): string[] {
  if (same(was, is)) return [];
  const { schema, label } = field;
  if (Array.isArray(was) && Array.isArray(is) && schema) return compareItems({ schema, label }, was, is, naming);
  const objects = [was, is].every((value) => typeof value === 'object' && value !== null && !Array.isArray(value));
  const deep = objects && schema ? compareFields(schema, [was as object, is as object], naming) : [];
  if (deep.length > 0) return deep.map((line) => `${label}, ${lowered(line)}`);
  const [before, after] = [valueInWords(schema, was, naming.before), valueInWords(schema, is, naming.after)];
  // Two figures may differ beyond the digits shown; that something differs must still show.
  const looksSame = UNIT_SYSTEMS.every((system) => wordsIn(before, system) === wordsIn(after, system));
  return [looksSame ? `${label}: ${before}, changed beyond the digits shown` : `${label}: ${before} → ${after}`];
}

/**
 * Every field in which two values of one schema differ, as 'Label: was → is', quantities left open for the reader's
 * units.
 *
 * @param except keys that are told elsewhere.
 * @returns an empty list only when the two are the same in every field.
 */
export function compareFields(
  schema: z.ZodType,
  [was, is]: readonly [was: object, is: object],
  naming: Naming,
  except: readonly string[] = [],
): string[] {
  const [before, after] = [was as Record<string, unknown>, is as Record<string, unknown>];
  const shape: Record<string, z.ZodType> = {
    ...(objectSchemaOf(schema, before)?.shape ?? {}),
    ...(objectSchemaOf(schema, after)?.shape ?? {}),
  };
  const keys = new Set([...Object.keys(shape), ...Object.keys(before), ...Object.keys(after)]);
  return [...keys]
    .filter((key) => key !== 'id' && !except.includes(key))
    .flatMap((key) =>
      compareField({ schema: shape[key], label: labelOf(key, shape[key]) }, before[key], after[key], naming),
    );
}
