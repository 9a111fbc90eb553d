import { KeramosError, parseOrThrow } from '@/core/error';
import {
  applyEdits,
  editsSchema,
  EMPTY_HISTORY,
  pushHistory,
  type HistoryEntry,
  type HistoryStacks,
} from '@/core/edit';
import { boatToJson } from '@/core/document';
import type { ActionPage } from '@/core/revision';
import { inTransaction, type StoreContext } from '../context';
import { readBoat, type StoredBoat } from './boats';

/** Actions that can be taken back, whatever their age. */
export const UNDO_KEPT = 200;
/** Days for which every single action is kept. */
export const DAYS_KEPT = 30;

const storedEdits = (text: string) => parseOrThrow(editsSchema, JSON.parse(text), 'stored edit');

/**
 * What can be undone and redone, from the saved history. An action that no longer reads ends what can be taken back.
 */
export async function readHistory({ db }: StoreContext, id: string): Promise<HistoryStacks> {
  const rows = await db
    .selectFrom('edit')
    .select(['action', 'description', 'author', 'forward_json', 'inverse_json'])
    .where('boat_id', '=', id)
    .orderBy('version', 'desc')
    .limit(UNDO_KEPT)
    .execute();
  const entries: HistoryEntry[] = [];
  for (const { action, description, author, forward_json, inverse_json } of rows) {
    const [forward, inverse] = [forward_json, inverse_json].map((text) => editsSchema.safeParse(JSON.parse(text)));
    if (!forward!.success || !inverse!.success) break;
    entries.unshift({ action, description, author, forward: forward!.data, inverse: inverse!.data });
  }
  return entries.reduce<HistoryStacks>(pushHistory, EMPTY_HISTORY);
}

/** Actions on one page of what was done. */
export const PAGE = 50;

/**
 * What was done to a boat, newest first, a page at a time; days whose single actions have been folded away come last.
 *
 * @param before the version that the page before this one ended with.
 * @throws KeramosError `notFound`.
 */
export async function listActions({ db }: StoreContext, id: string, before?: number): Promise<ActionPage> {
  const boat = await db.selectFrom('boat').select('id').where('id', '=', id).executeTakeFirst();
  if (!boat) throw new KeramosError('notFound', `There is no boat "${id.slice(0, 40)}"`, 'boatId');
  const rows = await db
    .selectFrom('edit')
    .select(['version', 'action', 'description', 'author', 'at'])
    .where('boat_id', '=', id)
    .where('version', '<', before ?? Number.MAX_SAFE_INTEGER)
    .orderBy('version', 'desc')
    .limit(PAGE + 1)
    .execute();
  const actions = rows.slice(0, PAGE);
  const more = rows.length > PAGE;
  const days = more
    ? []
    : await db
        .selectFrom('boat_day')
        .select(['day', 'version'])
        .where('boat_id', '=', id)
        .orderBy('day', 'desc')
        .execute();
  return { actions, more, days };
}

/** A boat with its history, both of one state. */
export async function readBoatWithHistory(
  context: StoreContext,
  id: string,
): Promise<StoredBoat & { history: HistoryStacks }> {
  // Read once outside, so that it is remembered.
  await readBoat(context, id);
  return inTransaction(context, async (inside) => ({
    ...(await readBoat(inside, id)),
    history: await readHistory(inside, id),
  }));
}

const dayOf = (at: string) => at.slice(0, 10);
const daysBefore = (now: string, days: number) => new Date(Date.parse(now) - days * 86_400_000).toISOString();

/**
 * Fold the single actions of a boat that are older than {@link DAYS_KEPT} days, and not among the last {@link
 * UNDO_KEPT}, into the state the boat had at the end of each of those days. What undo needs stays; variants and change
 * requests carry their own states.
 *
 * @returns how many actions were folded.
 */
export const foldHistory = (context: StoreContext, id: string): Promise<number> =>
  inTransaction(context, async (inside) => {
    const { db, now } = inside;
    const oldest = await db
      .selectFrom('edit')
      .select('version')
      .where('boat_id', '=', id)
      .orderBy('version', 'desc')
      .offset(UNDO_KEPT)
      .limit(1)
      .executeTakeFirst();
    if (!oldest) return 0;
    const rows = await db
      .selectFrom('edit')
      .select(['version', 'at', 'inverse_json'])
      .where('boat_id', '=', id)
      .orderBy('version', 'desc')
      .execute();
    const before = daysBefore(now(), DAYS_KEPT);
    const folds = (row: (typeof rows)[number]) => row.version <= oldest.version && row.at < before;
    if (!rows.some(folds)) return 0;
    let { boat } = await readBoat(inside, id);
    let day = '';
    let folded = 0;
    for (const row of rows) {
      if (folds(row)) {
        if (dayOf(row.at) !== day)
          await db
            .insertInto('boat_day')
            .values({ boat_id: id, day: dayOf(row.at), version: row.version, document: boatToJson(boat) })
            .onConflict((conflict) => conflict.columns(['boat_id', 'day']).doNothing())
            .execute();
        day = dayOf(row.at);
        folded += 1;
      }
      boat = applyEdits(boat, storedEdits(row.inverse_json)).boat;
    }
    await db
      .deleteFrom('edit')
      .where('boat_id', '=', id)
      .where('version', '<=', oldest.version)
      .where('at', '<', before)
      .execute();
    return folded;
  });

/** Fold the history of every boat that has more than undo needs; one that cannot be folded stays as it is. */
export async function foldAll(context: StoreContext): Promise<number> {
  const boats = await context.db
    .selectFrom('edit')
    .select(['boat_id', (eb) => eb.fn.countAll<number>().as('n')])
    .groupBy('boat_id')
    .having((eb) => eb.fn.countAll<number>(), '>', UNDO_KEPT)
    .execute();
  let folded = 0;
  for (const { boat_id } of boats)
    try {
      folded += await foldHistory(context, boat_id);
    } catch (error) {
      console.error(`The history of boat ${boat_id} was not folded`, error);
    }
  return folded;
}
