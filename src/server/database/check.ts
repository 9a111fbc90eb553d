import { existsSync } from 'node:fs';
import { Kysely, SqliteDialect } from 'kysely';
import { KeramosError } from '@/core/error';
import { checkBoat, upgradeBoat } from '@/core/document';
import { boatOfRows } from '../stores/boatRows';
import { openDriver } from './driver';
import { MIGRATIONS } from './migrations';
import type { Database } from './schema';

/** What stands in a database file. */
export interface DatabaseState {
  boats: number;
  revisions: number;
  /** The last thing that was written; ISO 8601, UTC; null in an empty one. */
  newest: string | null;
  /** Boats that do not read, by name and why. */
  unreadable: { name: string; problem: string }[];
}

const refused = (message: string) => new KeramosError('malformed', message, 'file');

/** Migrations of a database that this Keramos does not know: it was written by a newer one. */
export function unknownMigrations(names: readonly string[]): string[] {
  return names.filter((name) => !(name in MIGRATIONS));
}

/**
 * Whether a file is a whole database of Keramos: its pages hold together, its version is known, and every boat of it
 * reads. A database of an earlier version is checked as it is; it is brought up to date when it is put to use.
 *
 * @throws KeramosError `notFound`, `malformed` with what is wrong.
 */
export async function checkDatabase(file: string): Promise<DatabaseState> {
  if (!existsSync(file)) throw new KeramosError('notFound', `There is no file "${file}"`, 'file');
  const driver = open(file);
  const db = new Kysely<Database & { kysely_migration: { name: string } }>({
    dialect: new SqliteDialect({ database: driver }),
  });
  try {
    const damage = pragma(driver, 'integrity_check(3)').filter((said) => said !== 'ok');
    if (damage.length > 0) throw refused(`The database is damaged: ${damage.join('; ').slice(0, 200)}`);
    const tables = new Set((await db.introspection.getTables()).map(({ name }) => name));
    if (!tables.has('boat')) throw refused('This is no database of Keramos: there are no boats in it');
    const done = await db.selectFrom('kysely_migration').select('name').execute();
    const unknown = unknownMigrations(done.map(({ name }) => name));
    if (unknown.length > 0)
      throw refused(`This database was written by a newer Keramos (${unknown.join(', ')}): open it with that one`);
    const boats = await db.selectFrom('boat').selectAll().execute();
    const revisions = tables.has('revision')
      ? (
          await db
            .selectFrom('revision')
            .select((eb) => eb.fn.countAll<number>().as('n'))
            .executeTakeFirstOrThrow()
        ).n
      : 0;
    const unreadable: DatabaseState['unreadable'] = [];
    if (tables.has('boat_item'))
      for (const { id, name, document_version } of boats) {
        const rows = await db.selectFrom('boat_item').selectAll().where('boat_id', '=', id).execute();
        try {
          checkBoat(upgradeBoat(boatOfRows(name, rows), document_version));
        } catch (error) {
          if (!(error instanceof KeramosError)) throw error;
          unreadable.push({ name, problem: error.message });
        }
      }
    const newest =
      boats
        .map(({ updated_at }) => updated_at)
        .sort()
        .at(-1) ?? null;
    return { boats: boats.length, revisions, newest, unreadable };
  } catch (error) {
    if (error instanceof KeramosError) throw error;
    throw refused(`The file does not read as a database: ${(error as Error).message.slice(0, 160)}`);
  } finally {
    driver.close();
  }
}

type Driver = ReturnType<typeof openDriver>;
function open(file: string): Driver {
  try {
    return openDriver(file);
  } catch (error) {
    throw refused(`The file does not open as a database: ${(error as Error).message.slice(0, 160)}`);
  }
}
const pragma = (driver: Driver, text: string): string[] =>
  (driver.prepare(`pragma ${text}`).all([]) as Record<string, unknown>[]).map((row) => String(Object.values(row)[0]));
