import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { strToU8, zip, type AsyncZippable } from 'fflate';
import { boatToJson } from '@/core/document';
import { contextOf } from '../context';
import { listBoats, readBoat } from '../stores/boats';
import { rawBoat } from '../stores/repair';
import { backupTo, type Kept } from './backup';
import { dataFolder, type Db } from './open';

export const archiveFolder = (folder = dataFolder()) => path.join(folder, 'archives');

/** The archives that are kept, newest first. */
export function listArchives(folder = dataFolder()): Kept[] {
  const own = archiveFolder(folder);
  if (!existsSync(own)) return [];
  return readdirSync(own)
    .filter((name) => name.endsWith('.zip'))
    .map((name) => {
      const { size, mtime } = statSync(path.join(own, name));
      return { name, bytes: size, at: mtime.toISOString() };
    })
    .sort((a, b) => b.name.localeCompare(a.name));
}

const README = `Everything the yard had on the day of this archive.

keramos.db   the whole database: any SQLite program reads it, Keramos restores it
boats/       every boat as a document in JSON; Keramos imports it
revisions/   every issued revision: the document that was signed, and its print as PDF
photos/      photographs of the floor, by build

Nothing here is encrypted. Keep it where strangers do not come.
`;
const fileName = (text: string) =>
  text
    .normalize('NFKD')
    .replace(/[^A-Za-z0-9 ._-]+/g, '')
    .trim()
    .slice(0, 80) || 'boat';

const zipped = (files: AsyncZippable): Promise<Uint8Array> =>
  new Promise((resolve, reject) => {
    zip(files, { level: 3 }, (error, data) => (error ? reject(error) : resolve(data)));
  });

/** Photographs of builds, by build. */
function photosIn(folder: string): AsyncZippable {
  const own = path.join(folder, 'photos');
  if (!existsSync(own)) return {};
  const names = readdirSync(own, { recursive: true, encoding: 'utf8' }).filter((name) =>
    /^[\w-]+[\\/][\w-]+$/.test(name),
  );
  return Object.fromEntries(
    names.map((name) => [`photos/${name.replace('\\', '/')}`, [readFileSync(path.join(own, name)), { level: 0 }]]),
  );
}

/**
 * Everything in one file that can be read without Keramos; one of the same name is made anew.
 * @returns what was kept.
 */
export async function archiveNow(db: Db, name: string, folder = dataFolder()): Promise<Kept> {
  const own = archiveFolder(folder);
  mkdirSync(own, { recursive: true });
  const copy = path.join(own, `${name}.db`);
  rmSync(copy, { force: true });
  try {
    await backupTo(db, copy);
    const context = contextOf(db);
    const files: AsyncZippable = { 'README.txt': strToU8(README), 'keramos.db': readFileSync(copy) };
    for (const { id, name: boat } of await listBoats(context)) {
      const stem = `${fileName(boat)} (${id})`;
      // One that does not read goes as its rows are.
      files[`boats/${stem}.json`] = strToU8(
        await readBoat(context, id).then(
          (stored) => boatToJson(stored.boat),
          () => rawBoat(context, id),
        ),
      );
      const revisions = db.selectFrom('revision').select(['label', 'snapshot', 'print']).where('boat_id', '=', id);
      for (const { label, snapshot, print } of await revisions.execute()) {
        files[`revisions/${stem}, ${label}.json`] = strToU8(snapshot);
        if (print) files[`revisions/${stem}, ${label}.pdf`] = [new Uint8Array(print), { level: 0 }];
      }
    }
    Object.assign(files, photosIn(folder));
    const file = path.join(own, `${name}.zip`);
    writeFileSync(`${file}.part`, await zipped(files));
    renameSync(`${file}.part`, file);
  } finally {
    for (const beside of ['', '-wal', '-shm']) rmSync(copy + beside, { force: true });
  }
  return listArchives(folder).find((kept) => kept.name === `${name}.zip`)!;
}

/** The archive of the year that is over, if there was something in it and none was made. */
export async function archiveYearly(db: Db, at: string, folder = dataFolder()): Promise<Kept | null> {
  const year = Number(at.slice(0, 4));
  const name = `keramos-${year - 1}`;
  if (listArchives(folder).some((kept) => kept.name === `${name}.zip`)) return null;
  const earlier = await db
    .selectFrom('boat')
    .select('id')
    .where('created_at', '<', `${year}-01-01`)
    .limit(1)
    .executeTakeFirst();
  return earlier ? archiveNow(db, name, folder) : null;
}
