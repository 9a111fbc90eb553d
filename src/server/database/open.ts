import { existsSync, mkdirSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { Kysely, Migrator, sql, SqliteDialect } from 'kysely';
import { KeramosError } from '@/core/error';
import { openDriver } from './driver';
import { MIGRATIONS } from './migrations';
import type { Database } from './schema';
import { troubleOf } from './trouble';

export type Db = Kysely<Database>;

/** Where the yard's data lives: KERAMOS_DATA, or `var` in the working folder. */
export function dataFolder(): string {
  return path.resolve(
    /* turbopackIgnore: true */ process.env.KERAMOS_DATA ?? path.join(/* turbopackIgnore: true */ process.cwd(), 'var'),
  );
}

/** Whether just the migrations that there are have been run: then nothing has to be looked up, locked or written. */
async function isCurrent(db: Db): Promise<boolean> {
  const query = sql<{ name: string }>`select name from kysely_migration`;
  const run = await query.execute(db).then(
    ({ rows }) => rows.map(({ name }) => name),
    () => [],
  );
  return run.sort().join() === Object.keys(MIGRATIONS).sort().join();
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
  if (await isCurrent(db)) return db;
  const { error } = await new Migrator({ db, provider: { getMigrations: async () => MIGRATIONS } }).migrateToLatest();
  if (error) throw error;
  return db;
}

/** Stands beside a database once there is one: a folder with it and without the database has lost something. */
const MARKER = 'keramos.json';
const NAME = 'keramos.db';

const unavailable = (what: string, whatToDo: string) => new KeramosError('unavailable', `${what} ${whatToDo}`);
const LOOK = 'Nothing was put in its place. Put it back, or restore a backup, then load this page again.';

/**
 * What keeps the database of a folder from being used, before anything is opened or made.
 * @throws KeramosError `unavailable`: it is gone though it was here, or its log stands without it.
 */
function lookFirst(folder: string): void {
  const file = path.join(folder, NAME);
  const size = existsSync(file) ? statSync(file).size : null;
  if (size !== null && size > 0) return;
  const log = `${file}-wal`;
  if (existsSync(log) && statSync(log).size > 0)
    throw unavailable(`The log of the database is in ${folder}, the database is not.`, LOOK);
  if (existsSync(path.join(folder, MARKER)))
    throw unavailable(`The database in ${folder} is ${size === null ? 'gone' : 'empty'}.`, LOOK);
}

/** The words for a database that does not open, and what to do. */
function whyNot(error: unknown, folder: string): KeramosError {
  if (error instanceof KeramosError) return error;
  const said = String((error as Error).message ?? error);
  if (/corrupted migrations|previously executed migration/i.test(said))
    return unavailable(
      `The database in ${folder} was written by a newer Keramos.`,
      'Start that one, or restore a backup of before. Nothing was changed.',
    );
  const trouble = troubleOf(error);
  const what = trouble
    ? `${trouble.message.split('.')[0]}.`
    : `The database in ${folder} does not open: ${said.slice(0, 160)}.`;
  return unavailable(what, `It is ${path.join(folder, NAME)}. ${LOOK}`);
}

/** Open the database of the data folder, or say why it cannot be used. @throws KeramosError `unavailable`. */
export async function openGuarded(folder = dataFolder()): Promise<Db> {
  try {
    lookFirst(folder);
    const db = await openDatabase(path.join(folder, NAME));
    const [found] = (await sql<Record<string, string>>`pragma quick_check(1)`.execute(db)).rows;
    const said = String(Object.values(found ?? { ok: 'ok' })[0]);
    if (said !== 'ok') throw unavailable(`The database in ${folder} is damaged: ${said.slice(0, 120)}.`, LOOK);
    const marker = path.join(folder, MARKER);
    if (!existsSync(marker)) writeFileSync(marker, JSON.stringify({ keramos: 'data folder', database: NAME }));
    return db;
  } catch (error) {
    throw whyNot(error, folder);
  }
}

const shared = globalThis as { keramosDatabase?: Promise<Db> };
/** The one connection of this process; one that failed is tried again when it is next asked for. */
export function database(): Promise<Db> {
  const opened = (shared.keramosDatabase ??= openGuarded());
  opened.catch(() => {
    if (shared.keramosDatabase === opened) delete shared.keramosDatabase;
  });
  return opened;
}

/** Why the database cannot be used, in words; null when it can. */
export const databaseTrouble = (): Promise<string | null> =>
  database().then(
    () => null,
    (error: unknown) => whyNot(error, dataFolder()).message,
  );

/** Close the connection, do something with the files, and open anew; whoever asks meanwhile waits. */
export async function withDatabaseClosed<T>(work: () => Promise<T>): Promise<T> {
  const before = shared.keramosDatabase;
  let result: T;
  const reopened = (async () => {
    await before?.then((db) => db.destroy()).catch(() => undefined);
    result = await work();
    return openGuarded();
  })();
  // When the work fails, the old database is opened again.
  shared.keramosDatabase = reopened.catch(() => openGuarded());
  await reopened;
  return result!;
}
