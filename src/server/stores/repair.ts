import { KeramosError } from '@/core/error';
import { boatFromJson, checkBoat, upgradeBoat, type Boat } from '@/core/document';
import { editsSchema, takeBack } from '@/core/edit';
import { allow, inTransaction, type StoreContext } from '../context';
import { createBoat, readBoat, type StoredBoat } from './boats';
import { boatOfRows } from './boatRows';

/** A state of a boat that reads, and where it comes from. */
export interface GoodState {
  boat: Boat;
  /** In words: 'before the last 3 actions', 'revision B', 'the end of 2026-11-02'. */
  from: string;
  /** When it stood so; ISO 8601, UTC. */
  at: string;
}
/** Why a stored boat does not read, and the last state of it that does. */
export interface Damage {
  id: string;
  name: string;
  version: number;
  /** What is wrong, quantities left open. */
  problem: string;
  path: string;
  /** The same in words, where the things on it have names. */
  place: string;
  good: Omit<GoodState, 'boat'> | null;
}

/** A path of a document in words, as far as the things on it have names: 'Bulkheads, layers 1, angleDeg'. */
function placeOf(raw: unknown, path: string): string {
  const words: string[] = [];
  let at: unknown = raw;
  let list = '';
  for (const key of path
    .replace(/^stored boat\.?/, '')
    .split('.')
    .filter(Boolean)) {
    at = (at as Record<string, unknown> | null | undefined)?.[key];
    const name = (at as { name?: unknown } | null | undefined)?.name;
    if (!/^\d+$/.test(key)) list = key;
    else words.push(typeof name === 'string' ? name : `${list} ${Number(key) + 1}`);
    if (!/^\d+$/.test(key) && !Array.isArray(at)) words.push(key);
  }
  return words.join(', ');
}

/** Actions that are taken back in search of a state that reads. */
const LOOKED_BACK = 400;

const stored = async ({ db }: StoreContext, id: string) => {
  const head = await db
    .selectFrom('boat')
    .select(['name', 'version', 'document_version', 'updated_at'])
    .where('id', '=', id)
    .executeTakeFirst();
  if (!head) throw new KeramosError('notFound', `There is no boat "${id.slice(0, 40)}"`, 'boatId');
  const rows = await db.selectFrom('boat_item').selectAll().where('boat_id', '=', id).execute();
  return { head, rows };
};

/** A boat that reads and holds together, or null. */
function sound(work: () => Boat): Boat | null {
  try {
    const boat = work();
    checkBoat(boat);
    return boat;
  } catch {
    return null;
  }
}

/** Take back one action after the other until the boat reads again. */
async function backByActions(context: StoreContext, id: string): Promise<GoodState | null> {
  const { head, rows } = await stored(context, id);
  const edits = await context.db
    .selectFrom('edit')
    .select(['inverse_json', 'at'])
    .where('boat_id', '=', id)
    .orderBy('version', 'desc')
    .limit(LOOKED_BACK)
    .execute();
  try {
    let raw = boatOfRows(head.name, rows) as unknown as Boat;
    for (const [i, { inverse_json }] of edits.entries()) {
      raw = takeBack(raw, editsSchema.parse(JSON.parse(inverse_json)));
      const boat = sound(() => upgradeBoat(structuredClone(raw), head.document_version));
      if (!boat) continue;
      const from = i === 0 ? 'before the last action' : `before the last ${i + 1} actions`;
      return { boat, from, at: edits[i + 1]?.at ?? edits[i]!.at };
    }
  } catch {
    // An action that cannot be taken back ends the way by actions.
  }
  return null;
}

/** The newest kept state that reads: of an issued revision, or of the end of a day. */
async function keptState({ db }: StoreContext, id: string): Promise<GoodState | null> {
  const [revisions, days] = await Promise.all([
    db.selectFrom('revision').select(['label', 'issued_at', 'snapshot']).where('boat_id', '=', id).execute(),
    db.selectFrom('boat_day').select(['day', 'document']).where('boat_id', '=', id).execute(),
  ]);
  const kept = [
    ...revisions.map(({ label, issued_at, snapshot }) => ({
      from: `revision ${label}`,
      at: issued_at,
      text: snapshot,
    })),
    ...days.map(({ day, document }) => ({ from: `the end of ${day}`, at: `${day}T23:59:59.000Z`, text: document })),
  ].sort((a, b) => b.at.localeCompare(a.at));
  for (const { from, at, text } of kept) {
    const boat = sound(() => boatFromJson(text));
    if (boat) return { boat, from, at };
  }
  return null;
}

const lastGood = async (context: StoreContext, id: string): Promise<GoodState | null> =>
  (await backByActions(context, id)) ?? (await keptState(context, id));

async function rawOrNothing(context: StoreContext, id: string): Promise<unknown> {
  const { head, rows } = await stored(context, id);
  try {
    return boatOfRows(head.name, rows);
  } catch {
    return null;
  }
}

/** What keeps a stored boat from being read; null for one that reads. @throws KeramosError `notFound`. */
export async function damageOf(context: StoreContext, id: string): Promise<Damage | null> {
  const { head } = await stored(context, id);
  try {
    await readBoat(context, id);
    return null;
  } catch (error) {
    if (!(error instanceof KeramosError)) throw error;
    const good = await lastGood(context, id);
    return {
      id,
      name: head.name,
      version: head.version,
      problem: error.text.replace(`${error.path}: `, ''),
      path: error.path,
      place: placeOf(await rawOrNothing(context, id), error.path),
      good: good && { from: good.from, at: good.at },
    };
  }
}

/** Everything that is stored of a boat, as it is stored: for a boat that does not read. */
export async function rawBoat(context: StoreContext, id: string): Promise<string> {
  const { head, rows } = await stored(context, id);
  return JSON.stringify({ format: 'keramos-stored-boat', id, ...head, rows }, null, 1);
}

/**
 * The last state that reads as a boat of its own; the one that does not read stays where it is, untouched.
 * @throws KeramosError `invalid` when the boat reads, `notFound` when no state of it does.
 */
export const rescueBoat = (context: StoreContext, id: string): Promise<StoredBoat> =>
  inTransaction(context, async (inside) => {
    allow(inside, 'design');
    const damage = await damageOf(inside, id);
    if (!damage) throw new KeramosError('invalid', 'This boat reads: there is nothing to mend', 'boatId');
    const good = await lastGood(inside, id);
    if (!good) throw new KeramosError('notFound', `No earlier state of ${damage.name} reads either`, 'boatId');
    return createBoat(inside, { ...good.boat, name: `${good.boat.name.slice(0, 60)}, ${good.from}`.slice(0, 80) });
  });
