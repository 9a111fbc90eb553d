import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  rmSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { sql } from 'kysely';
import { beforeEach, describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { contextOf } from '../context';
import { createBoat, listBoats } from '../stores/boats';
import { backupDaily, backupFile, backupFolder, backupNow, backupTo, isHeld, listBackups, restoreFrom } from './backup';
import { checkDatabase } from './check';
import { openDriver } from './driver';
import { openDatabase, openGuarded, type Db } from './open';
import { receiveBackup } from './receive';
import { troubleOf } from './trouble';

let folder: string;
let file: string;
let db: Db;
const AT = '2026-11-28T08:00:00.000Z';
beforeEach(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'keramos-backup-'));
  file = path.join(folder, 'keramos.db');
  db = await openGuarded(folder);
  await createBoat(contextOf(db), merrow(), { id: 'merrow' });
});
const names = async (at = db) => (await listBoats(contextOf(at))).map(({ name }) => name).sort();
const code = (work: Promise<unknown>) =>
  work.then(
    () => 'taken',
    (error: { code: string }) => error.code,
  );

describe('a backup', () => {
  it('is one state of the whole, checked, and overwrites nothing', async () => {
    const target = path.join(folder, 'copy.db');
    expect(await backupTo(db, target)).toMatchObject({ boats: 1, revisions: 0, unreadable: [] });
    expect(await code(backupTo(db, target))).toBe('conflict');
    expect(await names(await openDatabase(target))).toEqual(['Merrow 84']);
    expect(readdirSync(folder).filter((name) => name.includes('.part'))).toEqual([]);
  });
  it('into a folder that is not there is an error, not an empty success', async () => {
    expect(await code(backupTo(db, path.join(folder, 'gone', 'copy.db')))).toBe('notFound');
  });
  it('of a boat that does not read says so', async () => {
    await db.updateTable('boat_item').set({ body_json: '{}' }).where('list', '=', 'layers').execute();
    const { unreadable } = await backupTo(db, path.join(folder, 'copy.db'));
    expect(unreadable).toMatchObject([{ name: 'Merrow 84' }]);
  });
  it('is made once a day; fourteen days stay, the first of each month, and all that were asked for', async () => {
    const day = (n: number) => new Date(Date.parse('2026-01-01T06:00:00Z') + n * 86_400_000).toISOString();
    await backupNow(db, day(0), 'asked', folder);
    for (let n = 0; n < 70; n++) {
      expect(await backupDaily(db, day(n), folder)).not.toBeNull();
      expect(await backupDaily(db, day(n), folder)).toBeNull();
    }
    const kept = readdirSync(backupFolder(folder)).sort();
    expect(kept.filter((name) => name.includes('-asked'))).toHaveLength(1);
    const daily = kept.filter((name) => name.includes('-daily')).map((name) => name.slice(8, 18));
    expect(daily.slice(-14)).toEqual(Array.from({ length: 14 }, (_, i) => day(56 + i).slice(0, 10)));
    expect(daily.slice(0, -14)).toEqual(['2026-01-01', '2026-02-01']);
  });
});

describe('a restore', () => {
  it('puts the copy in its place and what stood there aside, from where it can be put back', async () => {
    const { name } = await backupNow(db, AT, 'asked', folder);
    await createBoat(contextOf(db), brant());
    await db.destroy();
    const there = await restoreFrom(backupFile(name, folder), '2026-11-28T09:00:00.000Z', folder);
    expect(there).toMatchObject({ boats: 1 });
    const restored = await openGuarded(folder);
    expect(await names(restored)).toEqual(['Merrow 84']);
    await restored.destroy();
    // Back again: what was put aside holds the boat that came after.
    expect(listBackups(folder).map(({ name: one }) => one)).toContain(path.basename(there.aside!));
    await restoreFrom(there.aside!, '2026-11-28T10:00:00.000Z', folder);
    expect(await names(await openGuarded(folder))).toEqual(['Brant 56', 'Merrow 84']);
  });
  it('minds the log: an old one beside the new database would make it malformed', async () => {
    const { name } = await backupNow(db, AT, 'asked', folder);
    for (let i = 0; i < 5; i++) await createBoat(contextOf(db), brant());
    // The server was killed: its log is still there.
    const killed = mkdtempSync(path.join(tmpdir(), 'keramos-killed-'));
    for (const beside of ['', '-wal']) copyFileSync(file + beside, path.join(killed, `keramos.db${beside}`));
    mkdirSync(backupFolder(killed));
    copyFileSync(backupFile(name, folder), path.join(backupFolder(killed), name));
    const { aside } = await restoreFrom(backupFile(name, killed), AT, killed);
    expect(existsSync(path.join(killed, 'keramos.db-wal'))).toBe(false);
    const restored = await openGuarded(killed);
    expect(await names(restored)).toEqual(['Merrow 84']);
    await restored.destroy();
    // The log went aside with its database: nothing of it is lost.
    await restoreFrom(aside!, '2026-11-28T11:00:00.000Z', killed);
    expect(await names(await openGuarded(killed))).toHaveLength(6);
  });
  it.each([
    ['is no database', (bad: string) => writeFileSync(bad, 'hello, this is text and no database at all')],
    ['is empty', (bad: string) => writeFileSync(bad, '')],
    ['is cut off', (bad: string) => truncateSync(bad, 20_000)],
    [
      'is damaged inside',
      (bad: string) => {
        const driver = openDriver(bad);
        driver.exec('pragma writable_schema = on');
        driver.exec("update sqlite_master set rootpage = 99999 where name = 'boat'");
        driver.close();
      },
    ],
    [
      'was written by a newer Keramos',
      (bad: string) => {
        const driver = openDriver(bad);
        driver.exec("insert into kysely_migration values ('9999-of-tomorrow', '2030-01-01')");
        driver.close();
      },
    ],
    [
      'holds a boat that does not read',
      (bad: string) => {
        const driver = openDriver(bad);
        driver.exec("update boat_item set body_json = '[' where list = 'zones'");
        driver.close();
      },
    ],
  ])('of a file that %s changes nothing', async (_what, spoil) => {
    const bad = path.join(folder, 'bad.db');
    await backupTo(db, bad);
    spoil(bad);
    await db.destroy();
    expect(await code(restoreFrom(bad, AT, folder))).toBe('malformed');
    expect(readdirSync(folder).filter((name) => name.includes('restoring'))).toEqual([]);
    expect(await names(await openGuarded(folder))).toEqual(['Merrow 84']);
  });
  it('of what is not there, or into a folder that is not, is an error', async () => {
    expect(await code(restoreFrom(path.join(folder, 'no.db'), AT, folder))).toBe('notFound');
    const copy = path.join(folder, 'copy.db');
    await backupTo(db, copy);
    expect(await code(restoreFrom(copy, AT, path.join(folder, 'gone')))).toBe('notFound');
    expect(() => backupFile('../keramos.db', folder)).toThrow('There is no backup');
  });
  it('notices that somebody holds a database', () => {
    expect(isHeld(file)).toBe(true);
  });
  it('of a copy brought from elsewhere begins with its check', async () => {
    const copy = path.join(folder, 'copy.db');
    await backupTo(db, copy);
    const { readFileSync } = await import('node:fs');
    const kept = await receiveBackup(readFileSync(copy), AT, folder);
    expect(kept).toMatchObject({ boats: 1, name: 'keramos-2026-11-28-08-00-00-received.db' });
    expect(await checkDatabase(backupFile(kept.name, folder))).toMatchObject({ boats: 1 });
    expect(await code(receiveBackup(new Uint8Array(4000), '2026-11-29T08:00:00.000Z', folder))).toBe('malformed');
    expect(listBackups(folder)).toHaveLength(1);
  });
});

describe('a data folder in trouble is never taken for a new one', () => {
  /** The server has ended, and its log is taken in. */
  const leave = async () => {
    await sql`pragma wal_checkpoint(truncate)`.execute(db);
    await db.destroy();
    for (const beside of ['-wal', '-shm']) rmSync(file + beside, { force: true });
  };
  const why = async () => {
    try {
      await openGuarded(folder);
      return 'opened';
    } catch (error) {
      expect(error).toMatchObject({ code: 'unavailable' });
      return (error as Error).message;
    }
  };
  it('when its database is gone', async () => {
    await leave();
    rmSync(file);
    expect(await why()).toMatch(/is gone.*Nothing was put in its place.*restore a backup/s);
    expect(existsSync(file)).toBe(false);
  });
  it('when its database is empty', async () => {
    await leave();
    writeFileSync(file, '');
    expect(await why()).toContain('is empty');
  });
  it('when only the log is left', async () => {
    await leave();
    rmSync(file);
    rmSync(path.join(folder, 'keramos.json'));
    writeFileSync(`${file}-wal`, 'log');
    expect(await why()).toContain('The log of the database is');
  });
  it('when its database is something else, or damaged', async () => {
    await leave();
    writeFileSync(file, 'this is a text that somebody saved under the wrong name, long enough to be looked at');
    expect(await why()).toContain('damaged');
  });
  it('when a newer Keramos wrote it', async () => {
    await sql`insert into kysely_migration values ('9999-of-tomorrow', '2030-01-01')`.execute(db);
    await db.destroy();
    expect(await why()).toContain('written by a newer Keramos');
  });
  it('and opens again when it is mended', async () => {
    const copy = path.join(folder, 'copy.db');
    await backupTo(db, copy);
    await leave();
    rmSync(file);
    expect(await why()).toContain('gone');
    await restoreFrom(copy, AT, folder);
    expect(await names(await openGuarded(folder))).toEqual(['Merrow 84']);
  });
});

describe('trouble with the disk is said in words', () => {
  it.each([
    [{ code: 'SQLITE_FULL', message: 'database or disk is full' }, 'is full'],
    [{ code: 'SQLITE_READONLY', message: 'attempt to write a readonly database' }, 'cannot be written to'],
    [{ code: 'SQLITE_BUSY', message: 'database is locked' }, 'held by another program'],
    [{ code: 'SQLITE_CANTOPEN', message: 'unable to open database file' }, 'is gone'],
    [{ code: 'SQLITE_IOERR_WRITE', message: 'disk I/O error' }, 'does not read or write'],
    [{ message: 'wrapped', cause: { code: 'ENOSPC', message: 'no space left on device' } }, 'is full'],
  ])('%j', (error, words) => {
    expect(troubleOf(error)).toMatchObject({ code: 'unavailable', message: expect.stringContaining(words) as string });
  });
  it('and no other error is taken for it', () => {
    expect(troubleOf(new TypeError('x is not a function'))).toBeNull();
  });
});
