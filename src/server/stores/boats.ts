import { sql, type Expression, type ExpressionBuilder, type SqlBool } from 'kysely';
import { KeramosError, parseOrThrow } from '@/core/error';
import { boatSchema, boatToJson, checkBoat, DOCUMENT_VERSION, upgradeBoat, type Boat } from '@/core/document';
import { applyEdits, describeEdits, type Edit, type HistoryEntry } from '@/core/edit';
import type { BoatSummary } from '@/core/revision';
import { allow, inTransaction, signedBy, type StoreContext } from '../context';
import type { Db } from '../database/open';
import type { Database } from '../database/schema';
import { boatOfRows, writeBoat } from './boatRows';

/** A boat with the version its next edit must name. */
export interface StoredBoat {
  id: string;
  version: number;
  archived: boolean;
  boat: Boat;
}

const notFound = (id: string) => new KeramosError('notFound', `There is no boat "${id.slice(0, 40)}"`, 'boatId');
/** @throws KeramosError `notFound` where there is no such boat: a list of what it has would be empty and silent. */
export async function needBoat({ db }: StoreContext, id: string): Promise<void> {
  const row = await db.selectFrom('boat').select('id').where('id', '=', id).executeTakeFirst();
  if (!row) throw notFound(id);
}

/**
 * Boats that are read and edited stay in memory with their version; the version in the database decides whether they
 * still hold.
 */
const CACHE_SIZE = 256;
type Cache = Map<string, StoredBoat>;
const caches = new WeakMap<object, Cache>();
/** A transaction shares the cache of the database it is on: both have the same executor adapter. */
function cached(db: Db): Cache {
  const owner = db.getExecutor().adapter;
  const known = caches.get(owner) ?? new Map<string, StoredBoat>();
  caches.set(owner, known);
  return known;
}
function remember(db: Db, stored: StoredBoat): StoredBoat {
  // What a transaction sees may never come to be.
  if (db.isTransaction) return stored;
  const known = cached(db);
  known.delete(stored.id);
  known.set(stored.id, stored);
  if (known.size > CACHE_SIZE) known.delete(known.keys().next().value!);
  return stored;
}

/** Label of the revision that the shop builds, by boat: the last put on the floor, unless it was withdrawn. */
async function revisionsOnFloor(db: Db): Promise<ReadonlyMap<string, string>> {
  const events = await db.selectFrom('revision_event').select(['boat_id', 'label', 'kind']).orderBy('at').execute();
  const floor = new Map<string, string>();
  const withdrawn = new Set<string>();
  for (const { boat_id, label, kind } of events)
    if (kind === 'floor') floor.set(boat_id, label);
    else withdrawn.add(`${boat_id} ${label}`);
  return new Map([...floor].filter(([id, label]) => !withdrawn.has(`${id} ${label}`)));
}

export async function listBoats({ db }: StoreContext): Promise<BoatSummary[]> {
  const rows = await db
    .selectFrom('boat')
    .leftJoin('boat as parent', 'parent.id', 'boat.variant_of')
    .leftJoin(
      (eb) =>
        eb
          .selectFrom('boat_item')
          .select(['boat_id', 'list', (e) => e.fn.countAll<number>().as('n')])
          .where('list', '=', 'parts')
          .groupBy(['boat_id', 'list'])
          .as('part_count'),
      (join) => join.onRef('part_count.boat_id', '=', 'boat.id'),
    )
    .leftJoin(
      (eb) =>
        eb
          .selectFrom('boat_item')
          .select(['boat_id', 'list', (e) => e.fn.countAll<number>().as('n')])
          .where('list', '=', 'layers')
          .groupBy(['boat_id', 'list'])
          .as('layer_count'),
      (join) => join.onRef('layer_count.boat_id', '=', 'boat.id'),
    )
    .leftJoin(
      (eb) =>
        eb
          .selectFrom('revision')
          .select(['boat_id', 'label', (e) => e.fn.max('number').as('number')])
          .groupBy('boat_id')
          .as('newest'),
      (join) => join.onRef('newest.boat_id', '=', 'boat.id'),
    )
    .select([
      'boat.id',
      'boat.name',
      'boat.archived',
      'boat.version',
      'boat.created_at',
      'boat.updated_at',
      'parent.id as parent_id',
      'parent.name as parent_name',
      'newest.label as revision',
      'part_count.n as parts',
      'layer_count.n as layers',
    ])
    .orderBy('boat.name')
    .orderBy('boat.created_at')
    .execute();
  const floor = await revisionsOnFloor(db);
  return rows.map((row) => ({
    id: row.id,
    name: row.name,
    archived: row.archived === 1,
    version: row.version,
    createdAt: row.created_at,
    updatedAt: row.updated_at,
    onFloor: floor.get(row.id) ?? null,
    variantOf: row.parent_id === null ? null : { id: row.parent_id, name: row.parent_name! },
    revision: row.revision,
    parts: row.parts ?? 0,
    layers: row.layers ?? 0,
  }));
}

/**
 * Read a boat: one statement, so that what is read is one state. @throws KeramosError `notFound`, `invalid` when it
 * does not read.
 */
export async function readBoat({ db }: StoreContext, id: string): Promise<StoredBoat> {
  const head = await db.selectFrom('boat').select(['version', 'archived']).where('id', '=', id).executeTakeFirst();
  if (!head) throw notFound(id);
  const known = cached(db).get(id);
  if (known?.version === head.version) return { ...known, archived: head.archived === 1 };

  const rows = await db
    .selectFrom('boat')
    .innerJoin('boat_item as item', 'item.boat_id', 'boat.id')
    .select([
      'name',
      'version',
      'archived',
      'document_version',
      'list',
      'item.id',
      'parent_id',
      'position',
      'body_json',
    ])
    .where('boat.id', '=', id)
    .execute();
  const [first] = rows;
  if (!first) throw notFound(id);
  const boat = upgradeBoat(boatOfRows(first.name, rows), first.document_version, 'stored boat');
  return remember(db, { id, version: first.version, archived: first.archived === 1, boat });
}

/** For {@link readBoats}: boats that have one of these in a list. */
export const holding =
  (list: string, ids: readonly string[]) =>
  (eb: ExpressionBuilder<Database, 'boat'>): Expression<SqlBool> =>
    eb.exists(
      eb
        .selectFrom('boat_item')
        .select('boat_item.id')
        .whereRef('boat_item.boat_id', '=', 'boat.id')
        .where('list', '=', list)
        .where('boat_item.id', 'in', ids),
    );

/**
 * Boats that are not archived, those that stand in memory taken from there and the rest read in one statement; in the
 * order of their names. One that does not read is left out.
 */
export async function readBoats(
  { db }: StoreContext,
  wanted: (eb: ExpressionBuilder<Database, 'boat'>) => Expression<SqlBool>,
): Promise<StoredBoat[]> {
  const heads = await db
    .selectFrom('boat')
    .select(['id', 'name', 'version', 'document_version'])
    .where('archived', '=', 0)
    .where(wanted)
    .orderBy('name')
    .execute();
  const lacking = heads.filter(({ id, version }) => cached(db).get(id)?.version !== version).map(({ id }) => id);
  const rows = lacking.length
    ? await db.selectFrom('boat_item').selectAll().where('boat_id', 'in', lacking).execute()
    : [];
  const byBoat = new Map<string, typeof rows>();
  for (const row of rows) if (!byBoat.get(row.boat_id)?.push(row)) byBoat.set(row.boat_id, [row]);
  return heads.flatMap(({ id, name, version, document_version }) => {
    const own = byBoat.get(id);
    if (!own) return cached(db).get(id) ?? [];
    try {
      const boat = upgradeBoat(boatOfRows(name, own), document_version, 'stored boat');
      return remember(db, { id, version, archived: false, boat });
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      return [];
    }
  });
}

export interface Origin {
  id?: string;
  variantOf?: string;
  /** The parent as the variant saw it. */
  parent?: { boat: Boat; version: number };
}

/** Store a new boat, optionally as a variant of another. */
export async function createBoat(context: StoreContext, boat: Boat, origin: Origin = {}): Promise<StoredBoat> {
  allow(context, 'design');
  const checked = parseOrThrow(boatSchema, boat, 'boat');
  checkBoat(checked);
  const id = origin.id ?? context.newId();
  await inTransaction(context, async (inside) => {
    const at = inside.now();
    await inside.db
      .insertInto('boat')
      .values({
        id,
        name: checked.name,
        document_version: DOCUMENT_VERSION,
        variant_of: origin.variantOf ?? null,
        parent_json: origin.parent ? boatToJson(origin.parent.boat) : null,
        parent_version: origin.parent?.version ?? null,
        archived: 0,
        version: 1,
        created_at: at,
        updated_at: at,
      })
      .execute();
    await writeBoat(inside, id, null, checked);
  });
  return remember(context.db, { id, version: 1, archived: false, boat: checked });
}

/**
 * A copy of a boat as its variant, under its own name; from then on it follows its parent except where it is changed.
 */
export const duplicateBoat = (context: StoreContext, id: string, name: string): Promise<StoredBoat> =>
  inTransaction(context, async (inside) => {
    const parent = await readBoat(inside, id);
    return createBoat(inside, { ...parent.boat, name }, { variantOf: id, parent });
  });

export async function archiveBoat(context: StoreContext, id: string, archived: boolean): Promise<void> {
  allow(context, 'design');
  const { db, now } = context;
  const result = await db
    .updateTable('boat')
    .set({ archived: archived ? 1 : 0, updated_at: now() })
    .where('id', '=', id)
    .executeTakeFirst();
  if (result.numUpdatedRows === 0n) throw notFound(id);
}

/** One action sent by a page: its edits, and an id of its own so that sending it again does nothing twice. */
export interface Action {
  clientId: string;
  action: HistoryEntry['action'];
  edits: Edit[];
  /** What it does, where the edits alone would not say it well. */
  label?: string | undefined;
}

/** Actions of a batch that were taken before, in the order of their versions. */
const takenBefore = ({ db }: StoreContext, id: string, actions: readonly Action[]) =>
  db
    .selectFrom('edit')
    .select(['client_id', 'version', 'forward_json'])
    .where('boat_id', '=', id)
    .where(
      'client_id',
      'in',
      actions.map((action) => action.clientId),
    )
    .orderBy('version')
    .execute();

/**
 * A batch that does not stand on the boat's version: one that was taken before counts as done, at the version it made;
 * of one that was taken in part the rest goes on where it stands.
 * @throws KeramosError `conflict` when somebody else changed the boat, or an id comes again with another content.
 */
async function resumed(context: StoreContext, id: string, baseVersion: number, actions: readonly Action[]) {
  const { db } = context;
  const head = await db.selectFrom('boat').select(['version', 'archived']).where('id', '=', id).executeTakeFirst();
  if (!head) throw notFound(id);
  const done = await takenBefore(context, id, actions);
  done.forEach((row, i) => {
    if (actions[i]?.clientId !== row.client_id || row.forward_json !== JSON.stringify(actions[i]!.edits))
      throw new KeramosError('conflict', 'This action was sent before with another content', 'actions', {
        clientId: row.client_id,
      });
  });
  const made = done.at(-1)?.version ?? baseVersion;
  if (done.length === actions.length) return { version: made, rest: [] };
  if (head.archived === 1)
    throw new KeramosError(
      'conflict',
      'This boat is archived: bring it back from the list before editing it',
      'boatId',
    );
  if (done.length > 0 && made === head.version) return { version: made, rest: actions.slice(done.length) };
  throw new KeramosError(
    'conflict',
    `Somebody else changed this boat: it stands at version ${head.version}, your change was made on ${baseVersion}`,
    'baseVersion',
    { version: head.version },
  );
}

/** Apply one action; a refusal says which one it was. */
function applied(boat: Boat, { clientId, edits }: Action) {
  try {
    return applyEdits(boat, edits);
  } catch (error) {
    if (!(error instanceof KeramosError)) throw error;
    throw new KeramosError(error.code, error.text, error.path, { ...error.details, clientId });
  }
}

/**
 * Apply actions to a boat, all or none, if it still stands at `baseVersion`; each is kept with its author.
 *
 * @returns the new version. Actions that were already applied (same client ids) count as done.
 * @throws KeramosError `conflict` with the current version when somebody else changed the boat; `invalid`, `notFound`.
 */
export async function editBoat(
  context: StoreContext,
  id: string,
  baseVersion: number,
  batch: readonly Action[],
): Promise<{ version: number }> {
  allow(context, 'design');
  const stored = await inTransaction(context, async (inside) => {
    const { db, now, actor } = inside;
    // An update first takes the write lock, so that nobody can come between reading and writing.
    const claimed = await db
      .updateTable('boat')
      .set({ updated_at: now() })
      .where('id', '=', id)
      .where('version', '=', baseVersion)
      .where('archived', '=', 0)
      .executeTakeFirst();
    const claim =
      claimed.numUpdatedRows === 0n
        ? await resumed(inside, id, baseVersion, batch)
        : { version: baseVersion, rest: batch };
    if (claim.rest.length === 0) return { version: claim.version };
    const { boat: before } = await readBoat(inside, id);
    const written = await db
      .selectFrom('boat')
      .select('document_version')
      .where('id', '=', id)
      .executeTakeFirstOrThrow();
    let boat = before;
    let version = claim.version;
    for (const one of claim.rest) {
      const { clientId, action, edits, label } = one;
      for (const edit of action === 'do' ? edits : [])
        if (edit.type === 'caution.accept') signedBy(inside, edit.acceptance.by, 'acceptance.by');
      const description = label ?? describeEdits(boat, edits);
      const { boat: next, inverse } = applied(boat, one);
      boat = next;
      version += 1;
      await db
        .insertInto('edit')
        .values({
          boat_id: id,
          version,
          client_id: clientId,
          action,
          description,
          forward_json: JSON.stringify(edits),
          inverse_json: JSON.stringify(inverse),
          author: actor,
          at: now(),
        })
        .execute();
    }
    // Rows of an earlier document version are written anew as a whole.
    const known = written.document_version === DOCUMENT_VERSION ? before : null;
    if (known === null) await db.deleteFrom('boat_item').where('boat_id', '=', id).execute();
    await writeBoat(inside, id, known, boat);
    await db
      .updateTable('boat')
      .set({ version, name: boat.name, document_version: DOCUMENT_VERSION })
      .where('id', '=', id)
      .execute();
    return { version, boat };
  });
  if ('boat' in stored) remember(context.db, { id, version: stored.version, archived: false, boat: stored.boat! });
  return { version: stored.version };
}

/** Whether the database holds any boat at all. */
export async function hasBoats({ db }: StoreContext): Promise<boolean> {
  return (
    (await db
      .selectFrom('boat')
      .select(sql<number>`1`.as('one'))
      .limit(1)
      .executeTakeFirst()) !== undefined
  );
}
