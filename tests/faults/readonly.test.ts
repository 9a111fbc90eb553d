import { spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { boatFromJson } from '@/core/document';
import { openGuarded } from '@/server/database/open';
import { contextOf } from '@/server/context';
import { createBoat, readBoat } from '@/server/stores/boats';
import { MERROW_FILE } from '../helpers/files';

const folder = mkdtempSync(path.join(tmpdir(), 'keramos-readonly-'));
const asNobody = (id: string) => {
  const { stdout, stderr } = spawnSync(
    process.execPath,
    ['--import', 'tsx', path.join('tests', 'faults', 'asNobody.ts'), folder, id],
    { encoding: 'utf8' },
  );
  return `${stdout}${stderr}`;
};
const prepared = async () => {
  const db = await openGuarded(folder);
  const { id } = await createBoat(contextOf(db), boatFromJson(readFileSync(MERROW_FILE, 'utf8')));
  await db.destroy();
  return id;
};

describe('a data folder that may only be read', () => {
  afterAll(() => chmodSync(folder, 0o755));
  it('is said in words, and left as it is', async () => {
    const id = await prepared();
    const before = readdirSync(folder);
    chmodSync(folder, 0o555);
    for (const name of before) chmodSync(path.join(folder, name), 0o444);
    expect(asNobody(id)).toMatch(/cannot be written to/);
    expect(readdirSync(folder)).toEqual(before);
    chmodSync(folder, 0o755);
    for (const name of before) chmodSync(path.join(folder, name), 0o644);
    const db = await openGuarded(folder);
    expect((await readBoat(contextOf(db), id)).boat.name).toBe('Merrow 84');
    await db.destroy();
  });
});
