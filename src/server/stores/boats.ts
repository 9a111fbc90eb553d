import { nanoid } from 'nanoid';
import { sql } from 'kysely';
import { KeramosError, parseOrThrow } from '@/core/error';
import {
  applyEdits,
  describeEdits,
  EMPTY_HISTORY,
  pushHistory,
  type BoatSummary,
  type Edit,
  type HistoryEntry,
  type HistoryStacks,
} from '@/core/edit';
import { boatSchema, boatToJson, checkBoat, type Boat } from '@/core/document';
import type { Db } from '../database/open';
import { LIST_TABLES, writeBoat } from './boatRows';

/** A boat with the version its next edit must name. */
export interface StoredBoat {
  id: string;
  version: number;
  archived: boolean;
  boat: Boat;
}

const notFound = (id: string) => new KeramosError('notFound', `There is no boat "${id.slice(0, 40)}"`, 'boatId');
const now = () => new Date().toISOString();

/** Boats that are read and edited stay in memory with their version; the version in the database decides whether they still hold. */
const CACHE_SIZE = 256;
const cache = new WeakMap<Db, Map<string, StoredBoat>>();
function cached(db: Db): Map<string, StoredBoat> {
  const known = cache.get(db) ?? new Map<string, StoredBoat>();
  cache.set(db, known);
  return known;
}
function remember(db: Db, stored: StoredBoat): StoredBoat {
  const known = cached(db);
  known.delete(stored.id);
  known.set(stored.id, stored);
  if (known.size > CACHE_SIZE) known.delete(known.keys().next().value!);
  return stored;
}

export async function listBoats(db: Db): Promise<BoatSummary[]> {
  const rows = await db
    .selectFrom('boat')
    .leftJoin('boat as parent', 'parent.id', 'boat.variant_of')
    .select((eb) => [
      'boat.id',
      'boat.name',
      'boat.archived',
      'boat.version',
      'boat.updated_at',
      'parent.id as parent_id',
      'parent.name as parent_name',
      eb
        .selectFrom('revision')
        .select('label')
        .whereRef('boat_id', '=', 'boat.id')
        .orderBy('number', 'desc')
        .limit(1)
        .as('revision'),
      eb
        .selectFrom('part')
        .select((e) => e.fn.countAll<number>().as('n'))
        .whereRef('boat_id', '=', 'boat.id')
        .as('parts'),
      eb
        .selectFrom('layer')
        .select((e) => e.fn.countAll<number>().as('n'))
        .whereRef('boat_id', '=', 'boat.id')
        .as('layers'),
    ])
    .orderBy('boat.name')
    .execute();
  return rows.map((row) => ({
    id: row.id,
    name: row.name,
    archived: row.archived === 1,
    version: row.version,
    updatedAt: row.updated_at,
    variantOf: row.parent_id === null ? null : { id: row.parent_id, name: row.parent_name! },
    revision: row.revision,
    parts: row.parts ?? 0,
    layers: row.layers ?? 0,
  }));
}

/** Read a boat. @throws KeramosError `notFound`. */
export async function readBoat(db: Db, id: string): Promise<StoredBoat> {
  const head = await db.selectFrom('boat').selectAll().where('id', '=', id).executeTakeFirst();
  if (!head) throw notFound(id);
  const known = cached(db).get(id);
  if (known?.version === head.version) return { ...known, archived: head.archived === 1 };

  const [materials, parts, zones, layers, acceptances, coverage] = await Promise.all([
    db.selectFrom('boat_material').select('body_json').where('boat_id', '=', id).orderBy('position').execute(),
    db.selectFrom('part').selectAll().where('boat_id', '=', id).orderBy('position').execute(),
    db.selectFrom('zone').selectAll().where('boat_id', '=', id).orderBy('position').execute(),
    db.selectFrom('layer').selectAll().where('boat_id', '=', id).orderBy('position').execute(),
    db
      .selectFrom('acceptance')
      .select(['id', 'rule', 'subject', 'accepted_by as by', 'note', 'at'])
      .where('boat_id', '=', id)
      .orderBy('position')
      .execute(),
    db
      .selectFrom('coverage')
      .innerJoin('zone', (join) =>
        join.onRef('zone.boat_id', '=', 'coverage.boat_id').onRef('zone.id', '=', 'coverage.zone_id'),
      )
      .select(['coverage.layer_id', 'coverage.zone_id'])
      .where('coverage.boat_id', '=', id)
      .orderBy('zone.position')
      .execute(),
  ]);
  const lists: Record<string, unknown[]> = {};
  for (const [key, table] of Object.entries(LIST_TABLES)) {
    const rows = await db.selectFrom(table).select('body_json').where('boat_id', '=', id).orderBy('position').execute();
    // A boat stored before it had such lists takes their defaults.
    if (rows.length > 0) lists[key] = rows.map((row) => JSON.parse(row.body_json));
  }
  const covered = new Map<string, string[]>();
  for (const row of coverage) covered.set(row.layer_id, [...(covered.get(row.layer_id) ?? []), row.zone_id]);
  const boat = parseOrThrow(
    boatSchema,
    {
      name: head.name,
      brief: JSON.parse(head.brief_json),
      materials: materials.map((row) => JSON.parse(row.body_json)),
      parts: parts.map((part) => ({
        id: part.id,
        name: part.name,
        kind: part.kind,
        ...(part.rest_json === null ? {} : JSON.parse(part.rest_json)),
        zones: zones
          .filter((zone) => zone.part_id === part.id)
          .map((zone) => ({
            id: zone.id,
            name: zone.name,
            location: zone.location,
            geometry: JSON.parse(zone.geometry_json),
            load: zone.load_json === null ? null : JSON.parse(zone.load_json),
            region: zone.region_json === null ? null : JSON.parse(zone.region_json),
            overridden: zone.overridden_json === null ? [] : JSON.parse(zone.overridden_json),
            panelCase: zone.panel_case_json === null ? null : JSON.parse(zone.panel_case_json),
            match: zone.match_id,
            specified: zone.specified_id,
            hand: zone.hand ?? undefined,
            solidEdge: zone.solid_edge,
          })),
        layers: layers
          .filter((layer) => layer.part_id === part.id)
          .map((layer) => ({
            id: layer.id,
            material: layer.material_id,
            angleDeg: layer.angle_deg,
            thickness: layer.thickness,
            zones: covered.get(layer.id) ?? [],
            role: layer.role ?? undefined,
            group: layer.group_id,
          })),
      })),
      acceptances,
      hull: head.hull_json === null ? null : JSON.parse(head.hull_json),
      ...(head.deck_json === null ? {} : { deck: JSON.parse(head.deck_json) }),
      ...lists,
    },
    'stored boat',
  );
  return remember(db, { id, version: head.version, archived: head.archived === 1, boat });
}

/** Store a new boat, optionally as a variant of another. */
export async function createBoat(
  db: Db,
  boat: Boat,
  options: { variantOf?: string; parent?: { boat: Boat; version: number }; id?: string } = {},
): Promise<StoredBoat> {
  const checkedBoat = parseOrThrow(boatSchema, boat, 'boat');
  checkBoat(checkedBoat);
  const id = options.id ?? nanoid(10);
  await db.transaction().execute(async (trx) => {
    const at = now();
    await trx
      .insertInto('boat')
      .values({
        id,
        name: checkedBoat.name,
        brief_json: JSON.stringify(checkedBoat.brief),
        hull_json: checkedBoat.hull && JSON.stringify(checkedBoat.hull),
        deck_json: JSON.stringify(checkedBoat.deck),
        variant_of: options.variantOf ?? null,
        parent_json: options.parent ? boatToJson(options.parent.boat) : null,
        parent_version: options.parent?.version ?? null,
        archived: 0,
        version: 1,
        created_at: at,
        updated_at: at,
      })
      .execute();
    await writeBoat(trx, id, null, checkedBoat);
  });
  return remember(db, { id, version: 1, archived: false, boat: checkedBoat });
}

/** A copy of a boat as its variant, under its own name; from then on it follows its parent except where it is changed. */
export async function duplicateBoat(db: Db, id: string, name: string): Promise<StoredBoat> {
  const parent = await readBoat(db, id);
  return createBoat(db, { ...parent.boat, name }, { variantOf: id, parent });
}

export async function archiveBoat(db: Db, id: string, archived: boolean): Promise<void> {
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

/**
 * Apply actions to a boat, all or none, if it still stands at `baseVersion`.
 *
 * @returns the new version. Actions that were already applied (same client ids) count as done.
 * @throws KeramosError `conflict` with the current version when somebody else changed the boat; `invalid`, `notFound`.
 */
export async function editBoat(
  db: Db,
  id: string,
  baseVersion: number,
  actions: readonly Action[],
): Promise<{ version: number }> {
  const stored = await db.transaction().execute(async (trx) => {
    // An update first takes the write lock, so that nobody can come between reading and writing.
    const claimed = await trx
      .updateTable('boat')
      .set({ updated_at: now() })
      .where('id', '=', id)
      .where('version', '=', baseVersion)
      .where('archived', '=', 0)
      .executeTakeFirst();
    if (claimed.numUpdatedRows === 0n) {
      const head = await trx.selectFrom('boat').select(['version', 'archived']).where('id', '=', id).executeTakeFirst();
      if (!head) throw notFound(id);
      const done = await trx
        .selectFrom('edit')
        .select('client_id')
        .where('boat_id', '=', id)
        .where(
          'client_id',
          'in',
          actions.map((a) => a.clientId),
        )
        .execute();
      if (done.length === actions.length) return { version: head.version };
      if (head.archived === 1)
        throw new KeramosError(
          'conflict',
          'This boat is archived: bring it back from the list before editing it',
          'boatId',
        );
      throw new KeramosError(
        'conflict',
        `Somebody else changed this boat: it stands at version ${head.version}, your change was made on ${baseVersion}`,
        'baseVersion',
        {
          version: head.version,
        },
      );
    }
    const known = cached(db).get(id);
    const before = known?.version === baseVersion ? known.boat : (await readBoat(trx as unknown as Db, id)).boat;
    let boat = before;
    let version = baseVersion;
    for (const { clientId, action, edits, label } of actions) {
      const description = label ?? describeEdits(boat, edits);
      const applied = applyEdits(boat, edits);
      boat = applied.boat;
      version += 1;
      await trx
        .insertInto('edit')
        .values({
          boat_id: id,
          version,
          client_id: clientId,
          action,
          description,
          forward_json: JSON.stringify(edits),
          inverse_json: JSON.stringify(applied.inverse),
          at: now(),
        })
        .execute();
    }
    await writeBoat(trx, id, before, boat);
    await trx
      .updateTable('boat')
      .set({
        version,
        name: boat.name,
        ...(boat.brief === before.brief ? {} : { brief_json: JSON.stringify(boat.brief) }),
        ...(boat.hull === before.hull ? {} : { hull_json: boat.hull && JSON.stringify(boat.hull) }),
        ...(boat.deck === before.deck ? {} : { deck_json: JSON.stringify(boat.deck) }),
      })
      .where('id', '=', id)
      .execute();
    return { version, boat };
  });
  if ('boat' in stored) remember(db, { id, version: stored.version, archived: false, boat: stored.boat! });
  return { version: stored.version };
}

const HISTORY_KEPT = 200;

/** What can be undone and redone, from the saved history. */
export async function readHistory(db: Db, id: string): Promise<HistoryStacks> {
  const rows = await db
    .selectFrom('edit')
    .select(['action', 'description', 'forward_json', 'inverse_json'])
    .where('boat_id', '=', id)
    .orderBy('version', 'desc')
    .limit(HISTORY_KEPT)
    .execute();
  return rows.reverse().reduce<HistoryStacks>(
    (stacks, row) =>
      pushHistory(stacks, {
        action: row.action,
        description: row.description,
        forward: JSON.parse(row.forward_json),
        inverse: JSON.parse(row.inverse_json),
      }),
    EMPTY_HISTORY,
  );
}

/** Whether the database holds any boat at all. */
export async function hasBoats(db: Db): Promise<boolean> {
  return (
    (await db
      .selectFrom('boat')
      .select(sql<number>`1`.as('one'))
      .limit(1)
      .executeTakeFirst()) !== undefined
  );
}
