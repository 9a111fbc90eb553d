import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { Kysely, Migrator, SqliteDialect } from 'kysely';
import { openDriver } from './driver';
import { MIGRATIONS } from './migrations';
import type { Database } from './schema';

export type Db = Kysely<Database>;

/** Where the yard's data lives: KERAMOS_DATA, or `var` in the working folder. */
export function dataFolder(): string {
  return path.resolve(
    /* turbopackIgnore: true */ process.env.KERAMOS_DATA ?? path.join(/* turbopackIgnore: true */ process.cwd(), 'var'),
  );
}

/** Open (and bring up to date) a database file. Every acknowledged write is on the disk. */
export async function openDatabase(file = path.join(dataFolder(), 'keramos.db')): Promise<Db> {
  mkdirSync(path.dirname(file), { recursive: true });
  const driver = openDriver(file);
  driver.exec('pragma busy_timeout = 5000');
  driver.exec('pragma journal_mode = wal');
  driver.exec('pragma synchronous = full');
  driver.exec('pragma foreign_keys = on');
  const db = new Kysely<Database>({ dialect: new SqliteDialect({ database: driver }) });
  const { error } = await new Migrator({ db, provider: { getMigrations: async () => MIGRATIONS } }).migrateToLatest();
  if (error) throw error;
  return db;
}

const shared = globalThis as { keramosDatabase?: Promise<Db> };
/** The one connection of this process. */
export function database(): Promise<Db> {
  return (shared.keramosDatabase ??= openDatabase());
}
