import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { sql } from 'kysely';
import { beforeEach, describe, expect, it } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import { boatToJson, type Edit } from '@/core/schedule';
import { GENERIC_MATERIALS, type Material } from '@/core/material';
import { openDriver } from '../database/driver';
import { openDatabase, type Db } from '../database/open';
import { seedDemo } from '../demo';
import { archiveBoat, createBoat, duplicateBoat, editBoat, listBoats, readBoat, readHistory, type Action } from './boats';
import { issueRevision, listRevisions, readRevision, revisionLabel } from './revisions';
import { dropShelfMaterial, listShelf, saveShelfMaterial } from './shelf';

const newFile = () => path.join(mkdtempSync(path.join(tmpdir(), 'keramos-test-')), 'keramos.db');
const layerId = merrow().parts[0]!.layers[3]!.id;
const turn = (angleDeg: number): Edit => ({ type: 'layer.set', layerId, patch: { angleDeg } });
const action = (clientId: string, ...edits: Edit[]): Action => ({ clientId, action: 'do', edits });

let file: string;
let db: Db;
beforeEach(async () => {
  file = newFile();
  db = await openDatabase(file);
});

describe('boats', () => {
  it('come back from the disk as they went in', async () => {
    const { id } = await createBoat(db, merrow());
    const { boat, version } = await readBoat(await openDatabase(file), id);
    expect(version).toBe(1);
    expect(boatToJson(boat)).toBe(boatToJson(merrow()));
  });
  it('keep edits, their history, and the inverse of each', async () => {
    const { id } = await createBoat(db, merrow());
    expect(await editBoat(db, id, 1, [action('first-turn', turn(90)), action('remove-it', { type: 'layer.remove', layerId })])).toEqual({ version: 3 });
    const { undo } = await readHistory(db, id);
    expect(undo.map((entry) => entry.description)).toEqual(['turned layer 4 (TX 900) of Hull to 90°', 'removed layer 4 (TX 900) of Hull']);
    await editBoat(db, id, 3, [{ clientId: 'undo-it', action: 'undo', edits: undo[1]!.inverse }]);
    await editBoat(db, id, 4, [{ clientId: 'undo-more', action: 'undo', edits: undo[0]!.inverse }]);
    expect(boatToJson((await readBoat(await openDatabase(file), id)).boat)).toBe(boatToJson(merrow()));
    expect((await readHistory(db, id)).redo).toHaveLength(2);
  });
  it('refuse an edit on an old version, take a repeated one once, and save all of an action or nothing', async () => {
    const { id } = await createBoat(db, merrow());
    await editBoat(db, id, 1, [action('same-one', turn(90))]);
    await expect(editBoat(db, id, 1, [action('other-one', turn(0))])).rejects.toMatchObject({ code: 'conflict', details: { version: 2 } });
    expect(await editBoat(db, id, 1, [action('same-one', turn(90))])).toEqual({ version: 2 });
    await expect(editBoat(db, id, 2, [action('half-done', turn(45), { type: 'layer.remove', layerId: 'nothing' })])).rejects.toMatchObject({ code: 'notFound' });
    const { boat, version } = await readBoat(await openDatabase(file), id);
    expect(version).toBe(2);
    expect(boat.parts[0]!.layers[3]!.angleDeg).toBe(90);
  });
  it('let only one of two connections win a version', async () => {
    const { id } = await createBoat(db, merrow());
    const other = await openDatabase(file);
    const results = await Promise.allSettled([editBoat(db, id, 1, [action('window-1', turn(90))]), editBoat(other, id, 1, [action('window-2', turn(30))])]);
    expect(results.map((r) => r.status).sort()).toEqual(['fulfilled', 'rejected']);
    expect((await readBoat(await openDatabase(file), id)).version).toBe(2);
  });
  it('are duplicated as variants, archived and brought back', async () => {
    const { id } = await createBoat(db, merrow());
    const copy = await duplicateBoat(db, id, 'Merrow 84, heavy crew');
    await archiveBoat(db, copy.id, true);
    await expect(editBoat(db, copy.id, 1, [action('late-edit', turn(0))])).rejects.toMatchObject({ message: expect.stringContaining('archived') as string });
    expect(await listBoats(db)).toMatchObject([
      { name: 'Merrow 84', variantOf: null, layers: 47 },
      { name: 'Merrow 84, heavy crew', variantOf: { id }, archived: true },
    ]);
    await expect(readBoat(db, 'nothing')).rejects.toMatchObject({ code: 'notFound' });
  });
  it('of the demo go only into an empty database', async () => {
    expect(await seedDemo(db)).toBe(true);
    expect(await seedDemo(db)).toBe(false);
  });
});

describe('revisions', () => {
  it('are numbered, hashed, unchangeable, and issued only for the state that was seen', async () => {
    const { id } = await createBoat(db, merrow());
    const a = await issueRevision(db, id, 1, 'A. Hallin', 'first issue');
    expect(a).toMatchObject({ label: 'A', number: 1 });
    await expect(issueRevision(db, id, 1, 'A. Hallin', 'again')).rejects.toThrow('Nothing has changed since revision A');
    await editBoat(db, id, 1, [action('turn-it', turn(90))]);
    await expect(issueRevision(db, id, 1, 'A. Hallin', 'stale')).rejects.toMatchObject({ code: 'conflict' });
    expect((await issueRevision(db, id, 2, 'A. Hallin', 'turned')).label).toBe('B');
    expect((await readRevision(db, id, 'A')).boat.parts[0]!.layers[3]!.angleDeg).toBe(0);
    await expect(db.updateTable('revision').set({ note: 'x' }).execute()).rejects.toThrow('cannot be changed');
    await expect(db.deleteFrom('revision').execute()).rejects.toThrow('cannot be removed');
    expect((await listRevisions(db, id)).map((r) => r.label)).toEqual(['B', 'A']);
  });
  it('notice a database that was altered behind their back', async () => {
    const { id } = await createBoat(db, merrow());
    await issueRevision(db, id, 1, 'A. Hallin', 'first issue');
    await sql`drop trigger revision_stands`.execute(db);
    await sql`update revision set snapshot = replace(snapshot, '"loadedMass": 3600', '"loadedMass": 3000')`.execute(db);
    await expect(readRevision(db, id, 'A')).rejects.toThrow('no longer matches its hash');
  });
  it('are labelled A to Z, then AA', () => expect([1, 26, 27, 52, 53].map(revisionLabel)).toEqual(['A', 'Z', 'AA', 'AZ', 'BA']));
});

describe('the Shelf', () => {
  const own = { ...GENERIC_MATERIALS.find((m) => m.id === 'bx45-600')!, id: 'bx45-610', name: 'Own ±45' } as Material;
  it('holds about 40 generic materials or more, takes own ones and gives the generic back', async () => {
    expect((await listShelf(db)).length).toBeGreaterThanOrEqual(40);
    await saveShelfMaterial(db, own, true);
    await expect(saveShelfMaterial(db, own, true)).rejects.toMatchObject({ code: 'conflict' });
    expect((await listShelf(db)).find((item) => item.material.id === own.id)).toMatchObject({ own: true, generic: null });
    const glass = GENERIC_MATERIALS.find((m) => m.id === 'e-glass')!;
    await saveShelfMaterial(db, { ...glass, density: { value: 2600, origin: 'yardTest' } }, false);
    await dropShelfMaterial(db, 'e-glass');
    expect((await listShelf(db)).find((item) => item.material.id === 'e-glass')).toMatchObject({ own: false });
    await dropShelfMaterial(db, own.id);
    await expect(dropShelfMaterial(db, own.id)).rejects.toMatchObject({ code: 'notFound' });
  });
  it('refuses impossible figures by name, and an own fibre that a fabric needs stays', async () => {
    const bad = { ...GENERIC_MATERIALS.find((m) => m.id === 'pvc-80')!, id: 'pvc-x', density: { value: 80_000, origin: 'dataSheet' } };
    await expect(saveShelfMaterial(db, bad, true)).rejects.toThrow(/Density must be between 10 and 1200/);
    const fibre = { ...GENERIC_MATERIALS.find((m) => m.id === 'e-glass')!, id: 'own-glass' } as Material;
    await saveShelfMaterial(db, fibre, true);
    const fabric = structuredClone(own) as Extract<Material, { kind: 'fabric' }>;
    fabric.components[0]!.fibre = 'own-glass';
    await saveShelfMaterial(db, fabric, true);
    await expect(dropShelfMaterial(db, 'own-glass')).rejects.toThrow('Own ±45 is made of it');
  });
});

it('the driver refuses what SQLite cannot hold and turns booleans into numbers', () => {
  const driver = openDriver(newFile());
  driver.exec('create table t (a)');
  const insert = driver.prepare('insert into t values (?)');
  insert.run([true]);
  for (const value of [undefined, new Date(), { a: 1 }]) expect(() => insert.run([value])).toThrow('cannot hold');
  expect([...driver.prepare('select a from t').all([])]).toEqual([{ a: 1 }]);
});
