import { mkdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { backupFolder, listBackups, type Kept } from './backup';
import { checkDatabase, type DatabaseState } from './check';
import { dataFolder } from './open';

/** A copy from another machine, kept among the others once it has been checked. @throws KeramosError `malformed`. */
export async function receiveBackup(
  bytes: Uint8Array,
  at: string,
  folder = dataFolder(),
): Promise<Kept & DatabaseState> {
  const own = backupFolder(folder);
  mkdirSync(own, { recursive: true });
  const name = `keramos-${at.slice(0, 19).replace(/[:T]/g, '-')}-received.db`;
  const draft = path.join(own, `${name}.part`);
  try {
    writeFileSync(draft, bytes);
    const state = await checkDatabase(draft);
    renameSync(draft, path.join(own, name));
    return { ...listBackups(folder).find((kept) => kept.name === name)!, ...state };
  } finally {
    for (const beside of ['', '-wal', '-shm']) rmSync(draft + beside, { force: true });
  }
}
