import { copyFileSync, existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import { sql } from 'kysely';
import { KeramosError } from '@/core/error';
import { checkDatabase, type DatabaseState } from './check';
import { openDriver } from './driver';
import { dataFolder, type Db } from './open';

export const DATABASE = 'keramos.db';
const BACKUPS = 'backups';
/** Daily copies kept, and those of the first day of a month besides. */
const DAYS_KEPT = 14;
const MONTHS_KEPT = 12;
/** A database in use has a log and an index of it beside it. */
const LOGGED = ['', '-wal'];
const BESIDE = [...LOGGED, '-shm'];

export const backupFolder = (folder = dataFolder()) => path.join(folder, BACKUPS);
const stamp = (at: string) => at.slice(0, 19).replace(/[:T]/g, '-');

/**
 * A copy of the database as it stands now, in one state, checked before it gets its name. Nothing is overwritten.
 *
 * @returns what is in it. @throws KeramosError `conflict` when the file is there, `malformed` when the copy does not
 * check out.
 */
export async function backupTo(db: Db, file: string): Promise<DatabaseState> {
  if (existsSync(file))
    throw new KeramosError('conflict', `"${file}" is there already; a backup never overwrites`, 'file');
  if (!existsSync(path.dirname(file)))
    throw new KeramosError('notFound', `There is no folder "${path.dirname(file)}"`, 'file');
  const draft = `${file}.part`;
  rmSync(draft, { force: true });
  try {
    await sql`vacuum into ${draft}`.execute(db);
    const state = await checkDatabase(draft);
    renameSync(draft, file);
    return state;
  } finally {
    for (const beside of BESIDE) rmSync(draft + beside, { force: true });
  }
}

/** A kept copy: by its name, how large, of when. */
export interface Kept {
  name: string;
  bytes: number;
  at: string;
}

/** The copies that are kept, newest first. */
export function listBackups(folder = dataFolder()): Kept[] {
  const own = backupFolder(folder);
  if (!existsSync(own)) return [];
  return readdirSync(own)
    .filter((name) => name.endsWith('.db'))
    .map((name) => {
      const { size, mtime } = statSync(path.join(own, name));
      return { name, bytes: size, at: mtime.toISOString() };
    })
    .sort((a, b) => b.at.localeCompare(a.at));
}

/** The file of a kept copy. @throws KeramosError `notFound` for any other name. */
export function backupFile(name: string, folder = dataFolder()): string {
  if (!listBackups(folder).some((kept) => kept.name === name))
    throw new KeramosError('notFound', `There is no backup "${name.slice(0, 80)}"`, 'name');
  return path.join(backupFolder(folder), name);
}

/** A copy now, under a name that says when and why. */
export async function backupNow(db: Db, at: string, why = 'asked', folder = dataFolder()): Promise<Kept> {
  mkdirSync(backupFolder(folder), { recursive: true });
  const name = `keramos-${stamp(at)}-${why}.db`;
  await backupTo(db, path.join(backupFolder(folder), name));
  return listBackups(folder).find((kept) => kept.name === name)!;
}

/**
 * The copy of the day, if there is none yet; then those that are too old go. Copies that somebody asked for, or that
 * were put aside, are never taken away.
 */
export async function backupDaily(db: Db, at: string, folder = dataFolder()): Promise<Kept | null> {
  const day = at.slice(0, 10);
  const daily = () => listBackups(folder).filter(({ name }) => name.endsWith('-daily.db'));
  if (daily().some(({ name }) => name.startsWith(`keramos-${day}`))) return null;
  const kept = await backupNow(db, at, 'daily', folder);
  const names = daily()
    .map(({ name }) => name)
    .sort()
    .reverse();
  const months = new Map<string, string>();
  for (const name of [...names].reverse()) {
    const month = name.slice('keramos-'.length, 'keramos-2026-11'.length);
    if (!months.has(month)) months.set(month, name);
  }
  const stay = new Set([...names.slice(0, DAYS_KEPT), ...[...months.values()].reverse().slice(0, MONTHS_KEPT)]);
  for (const name of names) if (!stay.has(name)) rmSync(path.join(backupFolder(folder), name));
  return kept;
}

/**
 * Whether some program holds a database open: its log cannot then be closed.
 * A log that nobody holds is taken into the database by this.
 */
export function isHeld(file: string): boolean {
  const driver = openDriver(file);
  try {
    driver.exec('pragma busy_timeout = 200');
    const [row] = driver.prepare('pragma journal_mode = delete').all([]) as { journal_mode: string }[];
    return row?.journal_mode !== 'delete';
  } catch (error) {
    if (/locked|busy/i.test(String((error as Error).message))) return true;
    throw error;
  } finally {
    driver.close();
  }
}

/** Put the database with its log aside under its own name, so that it can be put back. @returns where it is now. */
function putAside(folder: string, at: string): string | null {
  const file = path.join(folder, DATABASE);
  if (!BESIDE.some((beside) => existsSync(file + beside))) return null;
  mkdirSync(backupFolder(folder), { recursive: true });
  const aside = path.join(backupFolder(folder), `keramos-${stamp(at)}-put-aside.db`);
  for (const beside of BESIDE) if (existsSync(file + beside)) renameSync(file + beside, aside + beside);
  return aside;
}

/** What was restored, and where the database is that stood there before. */
export interface Restored extends DatabaseState {
  aside: string | null;
}

/**
 * Put a copy in the place of the database. It is copied beside it and checked there first: pages, version, counts, and
 * every boat is opened. What stood there is put aside with its log. Nobody may hold the database meanwhile.
 *
 * @throws KeramosError `notFound`, `malformed` when the copy does not check out; nothing has changed then.
 */
export async function restoreFrom(source: string, at: string, folder = dataFolder()): Promise<Restored> {
  if (!existsSync(source)) throw new KeramosError('notFound', `There is no file "${source}"`, 'file');
  if (!existsSync(folder)) throw new KeramosError('notFound', `There is no folder "${folder}"`, 'folder');
  // What is looked at is never what is put in place: a connection that lingers must not hold the new database.
  const [looked, draft] = ['looked', 'restoring'].map((what) => path.join(folder, `keramos-${what}.db`)) as [
    string,
    string,
  ];
  try {
    copyWithLog(source, looked);
    const state = await checkDatabase(looked);
    if (state.unreadable.length > 0)
      throw new KeramosError(
        'malformed',
        `${state.unreadable.length} of its ${state.boats} boats do not read, the first is ` +
          `${state.unreadable[0]!.name}: ${state.unreadable[0]!.problem}`,
        'file',
      );
    copyWithLog(source, draft);
    const aside = putAside(folder, at);
    for (const beside of LOGGED)
      if (existsSync(draft + beside)) renameSync(draft + beside, path.join(folder, DATABASE + beside));
    return { ...state, aside };
  } finally {
    for (const beside of BESIDE) for (const file of [looked, draft]) rmSync(file + beside, { force: true });
  }
}

/** A copy of a database in use is whole only with its log; the index of the log is made anew. */
function copyWithLog(from: string, to: string): void {
  for (const beside of BESIDE) rmSync(to + beside, { force: true });
  for (const beside of LOGGED) if (existsSync(from + beside)) copyFileSync(from + beside, to + beside);
}
