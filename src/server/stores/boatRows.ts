import { KeramosError } from '@/core/error';
import { LIST_KEYS, SINGLE_KEYS, type Boat, type ListKey, type Part } from '@/core/document';
import type { StoreContext } from '../context';
import type { ItemRow } from '../database/schema';

/**
 * What a boat has one of, and what it holds a list of, all lie in one table; a new field or list needs no new column.
 */
const SINGLES = 'single';
const INSIDE_PARTS = ['zones', 'layers'] as const;

interface Placed {
  value: object | null;
  parent: string;
  position: number;
}
const keyOf = (list: string, id: string) => `${list}|${id}`;

/** A part without the lists that lie in rows of their own. */
function ownFields({ zones: _zones, layers: _layers, ...own }: Part): object {
  return own;
}
const sameOwn = (a: Part, b: Part) =>
  Object.keys(b).every(
    (key) => (INSIDE_PARTS as readonly string[]).includes(key) || a[key as keyof Part] === b[key as keyof Part],
  );

/** Everything of a boat that has a row, by list and id. */
function placedIn(boat: Boat): Map<string, Placed> {
  const placed = new Map<string, Placed>();
  SINGLE_KEYS.forEach((key, position) => placed.set(keyOf(SINGLES, key), { value: boat[key], parent: '', position }));
  for (const key of LIST_KEYS)
    boat[key]?.forEach((value, position) => placed.set(keyOf(key, value.id), { value, parent: '', position }));
  for (const part of boat.parts)
    for (const list of INSIDE_PARTS)
      part[list].forEach((value, position) => placed.set(keyOf(list, value.id), { value, parent: part.id, position }));
  return placed;
}

const CHUNK = 500;
const isPart = (key: string) => key.startsWith('parts|');
const unchanged = (key: string, was: Placed | undefined, is: Placed) =>
  was !== undefined &&
  was.position === is.position &&
  was.parent === is.parent &&
  (was.value === is.value || (isPart(key) && sameOwn(was.value as Part, is.value as Part)));

/**
 * Write the rows in which two states of a boat differ. Objects that kept their identity are left alone. What is stored
 * then is counted against the document: a boat of which a row is missing or left over is not written at all.
 */
export async function writeBoat({ db }: StoreContext, boatId: string, before: Boat | null, after: Boat): Promise<void> {
  const old = before === null ? new Map<string, Placed>() : placedIn(before);
  const rows: ItemRow[] = [];
  const placed = placedIn(after);
  for (const [key, is] of placed) {
    const was = old.get(key);
    old.delete(key);
    // A boat that does not read is kept as it was, gaps and all.
    if (unchanged(key, was, is) || is.value === undefined) continue;
    const [list, id] = key.split('|') as [string, string];
    const body = isPart(key) ? ownFields(is.value as Part) : is.value;
    rows.push({
      boat_id: boatId,
      list,
      id,
      parent_id: is.parent,
      position: is.position,
      body_json: JSON.stringify(body),
    });
  }
  for (const [list, ids] of byList(old.keys()))
    for (let at = 0; at < ids.length; at += CHUNK)
      await db
        .deleteFrom('boat_item')
        .where('boat_id', '=', boatId)
        .where('list', '=', list)
        .where('id', 'in', ids.slice(at, at + CHUNK))
        .execute();
  for (let at = 0; at < rows.length; at += CHUNK)
    await db
      .insertInto('boat_item')
      .values(rows.slice(at, at + CHUNK))
      .onConflict((conflict) =>
        conflict.columns(['boat_id', 'list', 'id']).doUpdateSet((eb) => ({
          parent_id: eb.ref('excluded.parent_id'),
          position: eb.ref('excluded.position'),
          body_json: eb.ref('excluded.body_json'),
        })),
      )
      .execute();
  const wanted = [...placed.values()].filter(({ value }) => value !== undefined).length;
  const { n } = await db
    .selectFrom('boat_item')
    .select((eb) => eb.fn.countAll<number>().as('n'))
    .where('boat_id', '=', boatId)
    .executeTakeFirstOrThrow();
  if (n !== wanted) throw new Error(`Boat ${boatId} would be stored with ${n} rows, and has ${wanted}`);
}

function byList(keys: Iterable<string>): Map<string, string[]> {
  const lists = new Map<string, string[]>();
  for (const key of keys) {
    const [list, id] = key.split('|') as [string, string];
    lists.set(list, [...(lists.get(list) ?? []), id]);
  }
  return lists;
}

type StoredRow = Pick<ItemRow, 'list' | 'id' | 'parent_id' | 'position' | 'body_json'>;

/** The raw boat that rows hold, in order of their positions; lists that have no row are left to their defaults. */
export function boatOfRows(name: string, rows: readonly StoredRow[]): Record<string, unknown> {
  const ordered = [...rows].sort((a, b) => a.position - b.position);
  const body = (row: StoredRow): unknown => {
    try {
      return JSON.parse(row.body_json);
    } catch {
      throw new KeramosError('invalid', `What is stored of ${row.list} "${row.id}" is no JSON`, row.list);
    }
  };
  const of = (list: string) => ordered.filter((row) => row.list === list);
  const inPart = (list: string, partId: string) =>
    of(list)
      .filter(({ parent_id }) => parent_id === partId)
      .map(body);
  const lists = LIST_KEYS.flatMap((key): [ListKey, unknown[]][] => {
    const own = of(key);
    if (key === 'parts')
      return [
        [
          key,
          own.map((row) => ({
            ...(body(row) as object),
            zones: inPart('zones', row.id),
            layers: inPart('layers', row.id),
          })),
        ],
      ];
    // A boat stored before there was such a list takes its default.
    return own.length > 0 || key === 'materials' || key === 'acceptances' ? [[key, own.map(body)]] : [];
  });
  const singles = of(SINGLES).map((row): [string, unknown] => [row.id, body(row)]);
  return { name, ...Object.fromEntries(singles), ...Object.fromEntries(lists) };
}
