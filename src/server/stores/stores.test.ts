import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Kysely, Migrator, sql, SqliteDialect } from 'kysely';
import { beforeEach, describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { boatFromJson, boatToJson } from '@/core/document';
import { evaluateZone, makeEvaluator } from '@/core/evaluate';
import type { Edit } from '@/core/edit';
import { SMALL_CRAFT_PACK, withCoefficient } from '@/core/standard';
import { GENERIC_MATERIALS, type Material } from '@/core/material';
import { openDriver } from '../database/driver';
import { openDatabase, type Db } from '../database/open';
import { MIGRATIONS } from '../database/migrations';
import type { Database } from '../database/schema';
import { seedDemo } from '../demo';
import { archiveBoat, createBoat, duplicateBoat, editBoat, listBoats, readBoat, type Action } from './boats';
import { contextOf, type StoreContext } from '../context';
import { readHistory } from './history';
import { dropPack, listPacks, savePack } from './packs';
import { askForChange, decideChange, listChangeRequests } from './changeRequests';
import { issueRevision, listRevisions, readRevision, recordRevisionEvent, revisionLabel } from './revisions';
import { listLaminates } from './laminates';
import { follow, letGo, variantStanding } from './variants';
import { dropShelfMaterial, listShelf, saveShelfMaterial } from './shelf';

const newFile = () => path.join(mkdtempSync(path.join(tmpdir(), 'keramos-test-')), 'keramos.db');
const layerId = merrow().parts[0]!.layers[3]!.id;
const turn = (angleDeg: number): Edit => ({ type: 'layer.set', layerId, patch: { angleDeg } });
const action = (clientId: string, ...edits: Edit[]): Action => ({ clientId, action: 'do', edits });

let file: string;
let db: Db;
let context: StoreContext;
beforeEach(async () => {
  file = newFile();
  db = await openDatabase(file);
  context = contextOf(db, 'I. Hallin');
});

describe('boats', () => {
  it('come back from the disk as they went in', async () => {
    const { id } = await createBoat(context, merrow());
    const { boat, version } = await readBoat(contextOf(await openDatabase(file)), id);
    expect(version).toBe(1);
    expect(boatToJson(boat)).toBe(boatToJson(merrow()));
  });
  it('of sail, with stiffeners and two packs, come back as well', async () => {
    const { id } = await createBoat(context, brant());
    expect(boatToJson((await readBoat(contextOf(await openDatabase(file)), id)).boat)).toBe(boatToJson(brant()));
  });
  it('keep shape, supports, sections, packs and places of zones through edits and their undos', async () => {
    const { id } = await createBoat(context, merrow());
    const section = merrow().sections[0]!;
    const edits: Edit[] = [
      { type: 'deck.set', deck: { ...merrow().deck, camber: 0.1 } },
      { type: 'support.remove', id: 'floor-4' },
      { type: 'section.set', item: { ...section, height: 0.2 } },
      { type: 'pack.set', item: withCoefficient(SMALL_CRAFT_PACK, 'wrinklingFactor', 0.28) },
      {
        type: 'zone.set',
        zoneId: 'side-aft',
        patch: { panelCase: { fixity: 0.5, deflectionLimit: 0.02, patch: null }, overridden: ['crown'] },
      },
    ];
    for (const [i, edit] of edits.entries()) await editBoat(context, id, i + 1, [action(`edit-${i}`, edit)]);
    const { boat } = await readBoat(contextOf(await openDatabase(file)), id);
    expect([
      boat.deck.camber,
      boat.sections[0]!.height,
      (boat.packs[0] as typeof SMALL_CRAFT_PACK).wrinklingFactor,
      boat.supports.length,
    ]).toEqual([0.1, 0.2, 0.28, merrow().supports.length - 1]);
    const { undo } = await readHistory(context, id);
    for (const [i, entry] of undo.toReversed().entries())
      await editBoat(context, id, 6 + i, [{ clientId: `undo-${i}`, action: 'undo', edits: entry.inverse }]);
    expect(boatToJson((await readBoat(contextOf(await openDatabase(file)), id)).boat)).toBe(boatToJson(merrow()));
  });
  it('stored or exported before boats had a shape stand as they were, typed-in figures and all', async () => {
    const old = newFile();
    const early = new Kysely<Database>({ dialect: new SqliteDialect({ database: openDriver(old) }) });
    const before = Object.fromEntries(Object.entries(MIGRATIONS).filter(([key]) => key < '0003'));
    expect(
      (await new Migrator({ db: early, provider: { getMigrations: async () => before } }).migrateToLatest()).error,
    ).toBeUndefined();
    const { brief, materials, parts, name } = merrow();
    const run = (text: string, values: unknown[]) => openDriver(old).prepare(text).run(values);
    run(
      'insert into boat (id, name, brief_json, archived, version, created_at, updated_at) values (?, ?, ?, 0, 1, ?, ?)',
      ['old', name, JSON.stringify({ ...brief, pack: 'iso-12215-5-2008-method' }), 'then', 'then'],
    );
    materials.forEach((material, i) =>
      run('insert into boat_material (boat_id, id, position, kind, body_json) values (?, ?, ?, ?, ?)', [
        'old',
        material.id,
        i,
        material.kind,
        JSON.stringify(material),
      ]),
    );
    const [hull] = parts;
    run('insert into part (boat_id, id, position, name, kind) values (?, ?, 0, ?, ?)', [
      'old',
      hull!.id,
      hull!.name,
      hull!.kind,
    ]);
    hull!.zones.forEach((zone, i) =>
      run(
        'insert into zone (boat_id, id, part_id, position, name, location, geometry_json) values (?, ?, ?, ?, ?, ?, ?)',
        ['old', zone.id, hull!.id, i, zone.name, zone.location, JSON.stringify(zone.geometry)],
      ),
    );
    const { boat } = await readBoat(contextOf(await openDatabase(old)), 'old');
    expect([boat.hull, boat.supports, boat.packs]).toEqual([null, [], [SMALL_CRAFT_PACK]]);
    expect(boat.parts[0]!.zones.map(({ geometry }) => geometry)).toEqual(hull!.zones.map(({ geometry }) => geometry));

    const document = JSON.parse(boatToJson(merrow())) as {
      boat: Record<string, unknown> & { parts: { zones: Record<string, unknown>[] }[] };
    };
    for (const key of ['hull', 'deck', 'supports', 'sections', 'references', 'packs']) delete document.boat[key];
    for (const zone of document.boat.parts.flatMap((part) => part.zones))
      for (const key of ['region', 'overridden', 'panelCase', 'match', 'specified']) delete zone[key];
    const read = boatFromJson(JSON.stringify(document));
    const is = makeEvaluator()(read);
    const now = merrow();
    for (const part of now.parts)
      for (const zone of part.zones) {
        // The panel whose figures were typed in, alone.
        const typed = evaluateZone(now, part, { ...zone, region: null });
        expect(is.get(zone.id)!.governing!.reserveFactor).toBe(typed.governing!.reserveFactor);
      }
  });
  it('keep edits, their history, and the inverse of each', async () => {
    const { id } = await createBoat(context, merrow());
    expect(
      await editBoat(context, id, 1, [
        action('first-turn', turn(90)),
        action('remove-it', { type: 'layer.remove', layerId }),
      ]),
    ).toEqual({ version: 3 });
    const { undo } = await readHistory(context, id);
    expect(undo.map((entry) => entry.description)).toEqual([
      'turned layer 4 (TX 900) of Hull to 90°',
      'removed layer 4 (TX 900) of Hull',
    ]);
    await editBoat(context, id, 3, [{ clientId: 'undo-it', action: 'undo', edits: undo[1]!.inverse }]);
    await editBoat(context, id, 4, [{ clientId: 'undo-more', action: 'undo', edits: undo[0]!.inverse }]);
    expect(boatToJson((await readBoat(contextOf(await openDatabase(file)), id)).boat)).toBe(boatToJson(merrow()));
    expect((await readHistory(context, id)).redo).toHaveLength(2);
  });
  it('refuse an edit on an old version, take a repeated one once, and save all of an action or nothing', async () => {
    const { id } = await createBoat(context, merrow());
    await editBoat(context, id, 1, [action('same-one', turn(90))]);
    await expect(editBoat(context, id, 1, [action('other-one', turn(0))])).rejects.toMatchObject({
      code: 'conflict',
      details: { version: 2 },
    });
    expect(await editBoat(context, id, 1, [action('same-one', turn(90))])).toEqual({ version: 2 });
    await expect(
      editBoat(context, id, 2, [action('half-done', turn(45), { type: 'layer.remove', layerId: 'nothing' })]),
    ).rejects.toMatchObject({ code: 'notFound' });
    const { boat, version } = await readBoat(contextOf(await openDatabase(file)), id);
    expect(version).toBe(2);
    expect(boat.parts[0]!.layers[3]!.angleDeg).toBe(90);
  });
  it('let only one of two connections win a version', async () => {
    const { id } = await createBoat(context, merrow());
    const other = await openDatabase(file);
    const results = await Promise.allSettled([
      editBoat(context, id, 1, [action('window-1', turn(90))]),
      editBoat(contextOf(other), id, 1, [action('window-2', turn(30))]),
    ]);
    expect(results.map((r) => r.status).sort()).toEqual(['fulfilled', 'rejected']);
    expect((await readBoat(contextOf(await openDatabase(file)), id)).version).toBe(2);
  });
  it('a variant follows its parent except where it was changed, in one action that can be undone', async () => {
    const { id } = await createBoat(context, merrow());
    const copy = await duplicateBoat(context, id, 'Merrow 84, heavy crew');
    const other = merrow().parts[0]!.layers[2]!.id;
    await editBoat(context, copy.id, 1, [action('own-turn', turn(30))]);
    await editBoat(context, id, 1, [
      action('turn-it', turn(90)),
      action('turn-other', { type: 'layer.set', layerId: other, patch: { angleDeg: 15 } }),
    ]);
    await editBoat(context, id, 3, [action('heavier', { type: 'brief.set', patch: { loadedMass: 3900 } })]);
    expect(await follow(context, copy.id)).toBeNull();
    const { boat, version } = await readBoat(context, copy.id);
    expect([
      boat.parts[0]!.layers[3]!.angleDeg,
      boat.parts[0]!.layers[2]!.angleDeg,
      boat.brief.loadedMass,
      boat.name,
    ]).toEqual([30, 15, 3900, 'Merrow 84, heavy crew']);
    expect((await readHistory(context, copy.id)).undo.at(-1)!.description).toBe('followed Merrow 84');
    expect(await follow(context, copy.id)).toBeNull();
    expect((await readBoat(context, copy.id)).version).toBe(version);
    const standing = (await variantStanding(context, copy.id))!;
    expect(standing.departures.map(({ subject, details }) => `${subject}: ${details.join()}`)).toEqual([
      'Layer 4, TX 900: Angle: {{angle 90}} → {{angle 30}}',
    ]);
    const last = (await readHistory(context, copy.id)).undo.at(-1)!;
    await editBoat(context, copy.id, version, [{ clientId: 'undo-follow', action: 'undo', edits: last.inverse }]);
    expect((await readBoat(context, copy.id)).boat.parts[0]!.layers[2]!.angleDeg).toBe(0);
    await letGo(context, copy.id);
    await expect(letGo(context, copy.id)).rejects.toThrow('follows no other');
    expect(await variantStanding(context, copy.id)).toBeNull();
  });
  it('are duplicated as variants, archived and brought back', async () => {
    const { id } = await createBoat(context, merrow());
    const copy = await duplicateBoat(context, id, 'Merrow 84, heavy crew');
    await archiveBoat(context, copy.id, true);
    await expect(editBoat(context, copy.id, 1, [action('late-edit', turn(0))])).rejects.toMatchObject({
      message: expect.stringContaining('archived') as string,
    });
    expect(await listBoats(context)).toMatchObject([
      { name: 'Merrow 84', variantOf: null, layers: 48 },
      { name: 'Merrow 84, heavy crew', variantOf: { id }, archived: true },
    ]);
    await expect(readBoat(context, 'nothing')).rejects.toMatchObject({ code: 'notFound' });
  });
  it('of the demo go only into an empty database', async () => {
    expect(await seedDemo(context)).toBe(true);
    expect(await seedDemo(context)).toBe(false);
  });
});

describe('revisions', () => {
  it('are numbered, hashed, unchangeable, and issued only for the state that was seen', async () => {
    const { id } = await createBoat(context, merrow());
    const a = await issueRevision(context, id, 1, { author: 'A. Hallin', note: 'first issue', answer: 'As quoted' });
    expect(a).toMatchObject({ label: 'A', number: 1 });
    await expect(
      issueRevision(context, id, 1, { author: 'A. Hallin', note: 'again', answer: 'As quoted' }),
    ).rejects.toThrow('Nothing has changed since revision A');
    await editBoat(context, id, 1, [action('turn-it', turn(90))]);
    await expect(
      issueRevision(context, id, 1, { author: 'A. Hallin', note: 'stale', answer: 'As quoted' }),
    ).rejects.toMatchObject({
      code: 'conflict',
    });
    await expect(
      issueRevision(context, id, 2, { author: 'A. Hallin', note: 'turned', answer: 'As quoted' }),
    ).rejects.toThrow('needs a change request');
    const [asked] = await askForChange(context, id, 2, { askedBy: 'A. Hallin', reason: 'stiffer across' });
    expect(asked!.changes[0]).toMatchObject({
      subject: 'Layer 4, TX 900',
      details: ['Angle: {{angle 0}} → {{angle 90}}'],
    });
    await expect(
      decideChange(context, id, asked!.id, { approve: true, decidedBy: ' a.  hallin', decision: 'mine' }),
    ).rejects.toThrow('another pair of eyes');
    expect(
      (await decideChange(context, id, asked!.id, { approve: true, decidedBy: 'B. Moor', decision: 'checked' }))[0],
    ).toMatchObject({
      state: 'approved',
      decidedBy: 'B. Moor',
    });
    await expect(
      decideChange(context, id, asked!.id, { approve: false, decidedBy: 'B. Moor', decision: 'late' }),
    ).rejects.toThrow('approved already');
    expect(
      (await issueRevision(context, id, 2, { author: 'A. Hallin', note: 'turned', answer: 'As quoted' })).label,
    ).toBe('B');
    expect((await listChangeRequests(context, id))[0]!.state).toBe('issued');
    expect((await readRevision(context, id, 'A')).boat.parts[0]!.layers[3]!.angleDeg).toBe(0);
    await expect(db.updateTable('revision').set({ note: 'x' }).execute()).rejects.toThrow('cannot be changed');
    await expect(db.deleteFrom('revision').execute()).rejects.toThrow('cannot be removed');
    expect((await listRevisions(context, id)).map((r) => `${r.label} ${r.state}`)).toEqual([
      'B stands',
      'A superseded',
    ]);
  });
  it('with something open are issued only with an answer, which the revision keeps', async () => {
    const { id } = await createBoat(context, merrow());
    const signed = { author: 'A. Hallin', note: 'first issue' };
    await expect(issueRevision(context, id, 1, signed)).rejects.toMatchObject({
      path: 'answer',
      details: {
        points: [
          { name: 'Tow post', stands: 'fails' },
          { name: 'Bottom forward' },
          { name: 'Full load', stands: 'heavier' },
          { name: 'Frame midships', stands: 'thin' },
          { stands: 'unverified' },
        ],
      },
    });
    await expect(issueRevision(context, id, 1, { ...signed, answer: ' .' })).rejects.toThrow('say why');
    expect(await listRevisions(context, id)).toEqual([]);
    await issueRevision(context, id, 1, { ...signed, answer: ' For the quotation ' });
    const [issued] = await listRevisions(context, id);
    expect(issued!.open).toMatchObject({ answer: 'For the quotation', points: [{ name: 'Tow post' }, {}, {}, {}, {}] });
    expect((await readRevision(context, id, 'A')).results!.open).toEqual(issued!.open);
  });
  it('an approval holds for the draft that was approved and for no other', async () => {
    const { id } = await createBoat(context, merrow());
    await expect(askForChange(context, id, 1, { askedBy: 'A. Hallin', reason: 'nothing stands yet' })).rejects.toThrow(
      'No revision stands',
    );
    await issueRevision(context, id, 1, { author: 'A. Hallin', note: 'first issue', answer: 'As quoted' });
    await expect(askForChange(context, id, 1, { askedBy: 'A. Hallin', reason: 'no difference' })).rejects.toThrow(
      'does not differ',
    );
    await editBoat(context, id, 1, [action('turn-it', turn(90))]);
    const [asked] = await askForChange(context, id, 2, { askedBy: 'A. Hallin', reason: 'stiffer across' });
    await decideChange(context, id, asked!.id, { approve: true, decidedBy: 'B. Moor', decision: 'checked' });
    await editBoat(context, id, 2, [action('turn-more', turn(45))]);
    await expect(
      issueRevision(context, id, 3, { author: 'A. Hallin', note: 'turned', answer: 'As quoted' }),
    ).rejects.toThrow('for this very draft');
    await expect(askForChange(context, id, 2, { askedBy: 'A. Hallin', reason: 'stale' })).rejects.toMatchObject({
      code: 'conflict',
    });
  });
  it('go to the floor and are withdrawn, each with who and why, and the record stays', async () => {
    const { id } = await createBoat(context, merrow());
    await issueRevision(context, id, 1, { author: 'A. Hallin', note: 'first issue', answer: 'As quoted' });
    await expect(
      recordRevisionEvent(context, id, 'Z', { kind: 'floor', author: 'A. Hallin', note: 'start' }),
    ).rejects.toMatchObject({
      code: 'notFound',
    });
    expect(
      (await recordRevisionEvent(context, id, 'A', { kind: 'floor', author: 'A. Hallin', note: 'start of hull 1' }))[0],
    ).toMatchObject({
      onFloor: true,
      state: 'stands',
    });
    await expect(
      recordRevisionEvent(context, id, 'A', { kind: 'floor', author: 'A. Hallin', note: 'twice' }),
    ).rejects.toThrow('on the floor already');
    const [gone] = await recordRevisionEvent(context, id, 'A', {
      kind: 'withdrawn',
      author: 'B. Moor',
      note: 'core delivered too light',
    });
    expect(gone).toMatchObject({
      state: 'withdrawn',
      onFloor: false,
      events: [{ kind: 'floor' }, { kind: 'withdrawn', author: 'B. Moor', note: 'core delivered too light' }],
    });
    await expect(
      recordRevisionEvent(context, id, 'A', { kind: 'floor', author: 'A. Hallin', note: 'again' }),
    ).rejects.toThrow('is withdrawn');
    await editBoat(context, id, 1, [action('turn-it', turn(90))]);
    expect(
      (
        await issueRevision(context, id, 2, {
          author: 'A. Hallin',
          note: 'nothing stands, so no request',
          answer: 'As quoted',
        })
      ).label,
    ).toBe('B');
  });
  it('notice a database that was altered behind their back', async () => {
    const { id } = await createBoat(context, merrow());
    await issueRevision(context, id, 1, { author: 'A. Hallin', note: 'first issue', answer: 'As quoted' });
    await sql`drop trigger revision_stands`.execute(db);
    await sql`update revision set snapshot = replace(snapshot, '"loadedMass": 3600', '"loadedMass": 3000')`.execute(db);
    await expect(readRevision(context, id, 'A')).rejects.toThrow('no longer matches its hash');
  });
  it('are labelled A to Z, then AA', () =>
    expect([1, 26, 27, 52, 53].map(revisionLabel)).toEqual(['A', 'Z', 'AA', 'AZ', 'BA']));
});

describe('the Shelf', () => {
  const own = { ...GENERIC_MATERIALS.find((m) => m.id === 'bx45-600')!, id: 'bx45-610', name: 'Own ±45' } as Material;
  it('holds about 40 generic materials or more, takes own ones and gives the generic back', async () => {
    expect((await listShelf(context)).length).toBeGreaterThanOrEqual(40);
    await saveShelfMaterial(context, own, true);
    await expect(saveShelfMaterial(context, own, true)).rejects.toMatchObject({ code: 'conflict' });
    expect((await listShelf(context)).find((item) => item.material.id === own.id)).toMatchObject({
      own: true,
      generic: null,
    });
    const glass = GENERIC_MATERIALS.find((m) => m.id === 'e-glass')!;
    await saveShelfMaterial(context, { ...glass, density: { value: 2600, origin: 'yardTest' } }, false);
    await dropShelfMaterial(context, 'e-glass');
    expect((await listShelf(context)).find((item) => item.material.id === 'e-glass')).toMatchObject({ own: false });
    await dropShelfMaterial(context, own.id);
    await expect(dropShelfMaterial(context, own.id)).rejects.toMatchObject({ code: 'notFound' });
  });
  it('refuses impossible figures by name, and an own fibre that a fabric needs stays', async () => {
    const bad = {
      ...GENERIC_MATERIALS.find((m) => m.id === 'pvc-80')!,
      id: 'pvc-x',
      density: { value: 80_000, origin: 'dataSheet' },
    };
    await expect(saveShelfMaterial(context, bad, true)).rejects.toThrow(
      /Density must be between 10 kg.m³ and 1200 kg.m³/,
    );
    const fibre = { ...GENERIC_MATERIALS.find((m) => m.id === 'e-glass')!, id: 'own-glass' } as Material;
    await saveShelfMaterial(context, fibre, true);
    const fabric = structuredClone(own) as Extract<Material, { kind: 'fabric' }>;
    fabric.components[0]!.fibre = 'own-glass';
    await saveShelfMaterial(context, fabric, true);
    await expect(dropShelfMaterial(context, 'own-glass')).rejects.toThrow('Own ±45 is made of it');
  });
});

it(
  'the book lists the laminates of every boat that is in use, ' + 'with where they are laid and all they are made of',
  async () => {
    const laminate = {
      id: 'patch',
      name: 'Sounder patch',
      note: '',
      layers: [{ material: 'bx45-600', angleDeg: 0, thickness: null, role: 'structure' as const }],
    };
    const { id } = await createBoat(context, merrow());
    await editBoat(context, id, 1, [action('c1', { type: 'reference.add', item: laminate, index: 0 })]);
    const mine = (await listLaminates(context)).filter((one) => one.laminate.id === 'patch');
    expect(mine).toMatchObject([{ boatId: id, boatName: 'Merrow 84', uses: [] }]);
    // Another boat can take it whole: fibres stand before the fabrics that need them.
    const kinds = mine[0]!.materials.map(({ kind }) => kind);
    expect(kinds).toContain('fibre');
    expect(kinds.lastIndexOf('fibre')).toBeLessThan(kinds.indexOf('fabric'));
    await archiveBoat(context, id, true);
    expect(await listLaminates(context)).toEqual([]);
  },
);

it('the driver refuses what SQLite cannot hold and turns booleans into numbers', () => {
  const driver = openDriver(newFile());
  driver.exec('create table t (a)');
  const insert = driver.prepare('insert into t values (?)');
  insert.run([true]);
  for (const value of [undefined, new Date(), { a: 1 }]) expect(() => insert.run([value])).toThrow('cannot hold');
  expect([...driver.prepare('select a from t').all([])]).toEqual([{ a: 1 }]);
});

describe('packs of the yard', () => {
  const copy = withCoefficient(
    { ...SMALL_CRAFT_PACK, id: 'our-copy', title: 'Our copy', basedOn: SMALL_CRAFT_PACK.id },
    'wrinklingFactor',
    0.25,
  );
  it('keep copies beside the shipped ones, and drop them again', async () => {
    await savePack(context, copy, true);
    expect((await listPacks(contextOf(await openDatabase(file)))).map(({ id }) => id)).toEqual([
      SMALL_CRAFT_PACK.id,
      'yard-rule',
      'workboat-uplift',
      'as-specified',
      'our-copy',
    ]);
    await expect(savePack(context, copy, true)).rejects.toMatchObject({ code: 'conflict' });
    await dropPack(context, 'our-copy');
    expect(await listPacks(context)).toHaveLength(4);
    await expect(dropPack(context, 'our-copy')).rejects.toMatchObject({ code: 'notFound' });
  });
  it('let a shipped pack be signed for, and never changed', async () => {
    const signed = {
      ...SMALL_CRAFT_PACK,
      signOff: { by: 'I. Hallin', note: 'read beside our copy', at: '2026-11-26' },
    };
    await savePack(context, signed, false);
    expect((await listPacks(context))[0]).toEqual(signed);
    await expect(savePack(context, { ...SMALL_CRAFT_PACK, wrinklingFactor: 0.9 }, false)).rejects.toThrow(
      'make a copy',
    );
    await dropPack(context, SMALL_CRAFT_PACK.id);
    expect((await listPacks(context))[0]!.signOff).toBeNull();
  });
  it('refuse a copy that becomes another kind, and one that is not there', async () => {
    await savePack(context, copy, true);
    const yard = (await listPacks(context)).find(({ kind }) => kind === 'yardRule')!;
    await expect(savePack(context, { ...yard, id: 'our-copy' }, false)).rejects.toThrow('another kind');
    await expect(savePack(context, { ...copy, id: 'nowhere' }, false)).rejects.toMatchObject({ code: 'notFound' });
  });
});
