import { sql, type Kysely } from 'kysely';
import { KeramosError } from '@/core/error';
import { upgradeBoat, type Boat } from '@/core/document';
import { contextOf } from '../context';
import { writeBoat } from '../stores/boatRows';
import type { Db } from './open';

/** The last schema that kept boats in relational tables. */
const LAST_RELATIONAL = 5;

type Row = Record<string, string | number | null>;
const parsed = (value: Row[string] | undefined): unknown =>
  value === null || value === undefined ? undefined : JSON.parse(String(value));
/** Without the fields that have nothing, so that they take their defaults. */
const present = (object: Record<string, unknown>) =>
  Object.fromEntries(Object.entries(object).filter(([, value]) => value !== undefined && value !== null));

const LISTS = {
  supports: 'boat_support',
  sections: 'boat_section',
  references: 'boat_reference',
  packs: 'boat_pack',
  loads: 'boat_load',
  details: 'boat_detail',
} as const;

/** Rows of a boat in a table of the schema before the sixth, in their order. */
async function rowsOf(db: Kysely<unknown>, table: string, boatId: string): Promise<Row[]> {
  const { rows } =
    await sql<Row>`select * from ${sql.table(table)} where boat_id = ${boatId} order by position`.execute(db);
  return rows;
}

const zoneOf = (row: Row) => ({
  id: row['id'],
  name: row['name'],
  location: row['location'],
  geometry: parsed(row['geometry_json']),
  load: parsed(row['load_json']) ?? null,
  ...present({
    region: parsed(row['region_json']),
    overridden: parsed(row['overridden_json']),
    panelCase: parsed(row['panel_case_json']),
    match: row['match_id'],
    specified: row['specified_id'],
    hand: row['hand'],
    solidEdge: row['solid_edge'],
  }),
});

/** A boat as the schemas one to five kept it: relational parts, zones, layers and coverage, lists whole. */
async function oldBoat(db: Kysely<unknown>, head: Row): Promise<Record<string, unknown>> {
  const id = String(head['id']);
  const [materials, parts, zones, layers, acceptances] = await Promise.all(
    ['boat_material', 'part', 'zone', 'layer', 'acceptance'].map((table) => rowsOf(db, table, id)),
  );
  const { rows: coverage } = await sql<Row>`select coverage.layer_id, coverage.zone_id from coverage
    join zone on zone.boat_id = coverage.boat_id and zone.id = coverage.zone_id
    where coverage.boat_id = ${id} order by zone.position`.execute(db);
  const covered = new Map<string, unknown[]>();
  for (const { layer_id, zone_id } of coverage)
    covered.set(String(layer_id), [...(covered.get(String(layer_id)) ?? []), zone_id]);
  const layerOf = (row: Row) => ({
    id: row['id'],
    material: row['material_id'],
    angleDeg: row['angle_deg'],
    thickness: row['thickness'],
    zones: covered.get(String(row['id'])) ?? [],
    ...present({ role: row['role'], group: row['group_id'] }),
  });
  const inPart = (rows: Row[] | undefined, part: Row) => rows!.filter((row) => row['part_id'] === part['id']);
  const lists: Record<string, unknown[]> = {};
  for (const [key, table] of Object.entries(LISTS)) {
    const rows = await rowsOf(db, table, id);
    if (rows.length > 0) lists[key] = rows.map((row) => parsed(row['body_json']));
  }
  return {
    name: head['name'],
    brief: parsed(head['brief_json']),
    materials: materials!.map((row) => parsed(row['body_json'])),
    parts: parts!.map((part) => ({
      ...((parsed(part['rest_json']) as object | undefined) ?? {}),
      id: part['id'],
      name: part['name'],
      kind: part['kind'],
      zones: inPart(zones, part).map(zoneOf),
      layers: inPart(layers, part).map(layerOf),
    })),
    acceptances: acceptances!.map(({ boat_id: _boat, position: _position, accepted_by, ...rest }) => ({
      ...rest,
      by: accepted_by,
    })),
    ...present({ hull: parsed(head['hull_json']), deck: parsed(head['deck_json']) }),
    ...lists,
  };
}

/**
 * Take every boat over from the tables of the schemas one to five. One that does not read keeps its rows as they are,
 * under the document version it had, so that nothing is lost and no other boat waits for it.
 */
export async function takeOverBoats(db: Kysely<unknown>): Promise<void> {
  const { rows: heads } = await sql<Row>`select * from boat`.execute(db);
  const context = contextOf(db as Db);
  for (const head of heads) {
    const id = String(head['id']);
    const raw = await oldBoat(db, head);
    let boat = raw as unknown as Boat;
    try {
      boat = upgradeBoat(raw, LAST_RELATIONAL, 'stored boat');
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      await sql`update boat set document_version = ${LAST_RELATIONAL} where id = ${id}`.execute(db);
    }
    await writeBoat(context, id, null, boat);
  }
}
