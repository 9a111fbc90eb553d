import { zoneOf } from '../helpers/merrow';
import { boardOf } from '@/core/build';
import { buildForFloor } from '@/server/floor/floorBuild';
import { keepRecords } from '@/server/stores/buildRecords';
import { beginBuild, listBuilds } from '@/server/stores/builds';
import { keepYardFact, listYardFacts } from '@/server/stores/yardFacts';
import { listPeople, createPerson } from '@/server/stores/people';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import Libsql from 'libsql';
import { sql } from 'kysely';
import { describe, expect, it } from 'vitest';
import {
  boatFromFile,
  boatFromJson,
  boatToJson,
  checkBoat,
  DOCUMENT_VERSION,
  newFillPlan,
  settleGeometry,
  type Boat,
} from '@/core/document';
import { applyEdits, editsSchema, type Edit } from '@/core/edit';
import { evaluateStiffeners, heldOnTrust, makeEvaluator } from '@/core/evaluate';
import { contextOf } from '@/server/context';
import { openDatabase } from '@/server/database/open';
import { editBoat, listBoats, readBoat } from '@/server/stores/boats';
import { listChangeRequests } from '@/server/stores/changeRequests';
import { keepDropTest, listDropTests } from '@/server/stores/dropTests';
import { readBoatWithHistory } from '@/server/stores/history';
import { keepHabits, listHabits } from '@/server/stores/habits';
import { readSetting } from '@/server/stores/settings';
import { readSurvey } from '@/server/stores/surveys';
import { bookStock, listStock } from '@/server/stores/stock';
import { keepWeighIn, listWeighIns } from '@/server/stores/weighIns';
import { listLaminates } from '@/server/stores/laminates';
import { listRememberedTables, rememberTable } from '@/server/stores/rememberedTables';
import { listRevisions, readRevision, readRevisionPrint, issueRevision } from '@/server/stores/revisions';
import { dropTemplate, keepTemplate, listTemplates, readTemplate } from '@/server/stores/templates';
import { follow, isBehind } from '@/server/stores/variants';

const SCHEMAS = [1, 2, 3, 4, 5];
const sample = (file: string) => gunzipSync(readFileSync(path.join('tests/samples', file)));
const BOAT = 'merrow-84';

/** A database file as a yard that stopped at that schema has it. */
function databaseOf(schema: number): string {
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-upgrade-')), 'keramos.db');
  writeFileSync(file, sample(`databases/schema-${schema}.db.gz`));
  return file;
}

describe.each(SCHEMAS)('a database of schema %i', (schema) => {
  it('opens with its layers, zones, edits, revisions and variants', async () => {
    const file = databaseOf(schema);
    const raw = new Libsql(file);
    const count = (text: string) => (raw.prepare(text).get() as { n: number }).n;
    const layers = raw
      .prepare('select id, material_id, angle_deg, thickness from layer where boat_id = ? order by part_id, position')
      .all(BOAT) as { id: string; material_id: string; angle_deg: number; thickness: number | null }[];
    const covered = count(`select count(*) as n from coverage where boat_id = '${BOAT}'`);
    const [edits, revisions] = [count('select count(*) as n from edit'), count('select count(*) as n from revision')];
    raw.close();

    const context = contextOf(await openDatabase(file), 'I. Hallin');
    const { boat, history, version } = await readBoatWithHistory(context, BOAT);
    const now = boat.parts.flatMap((part) => part.layers);
    const byId = new Map(now.map((layer) => [layer.id, layer]));
    expect(now).toHaveLength(layers.length);
    for (const { id, material_id, angle_deg, thickness } of layers)
      expect(byId.get(id)).toMatchObject({ material: material_id, angleDeg: angle_deg, thickness });
    expect(now.reduce((sum, layer) => sum + layer.zones.length, 0)).toBe(covered);
    checkBoat(boat);
    expect([...makeEvaluator()(boat).values()].filter(({ governing }) => governing !== null).length).toBeGreaterThan(3);

    const { rows } = await sql<{ n: number }>`select count(*) as n from edit`.execute(context.db);
    expect(rows[0]!.n).toBe(edits);
    expect(history.undo.length).toBeGreaterThanOrEqual(3);
    // The last action is still taken back.
    const last = history.undo.at(-1)!;
    await editBoat(context, BOAT, version, [{ clientId: 'upgrade-undo', action: 'undo', edits: last.inverse }]);
    expect((await readBoat(contextOf(await openDatabase(file)), BOAT)).version).toBe(version + 1);

    expect(revisions).toBe(1);
    const [issued] = await listRevisions(context, BOAT);
    expect(issued).toMatchObject({ label: 'A', engine: null });
    expect((await readRevision(context, BOAT, 'A')).boat.parts[0]!.layers[2]!.angleDeg).toBe(37);
    expect((await listBoats(context)).filter(({ variantOf }) => variantOf !== null)).toHaveLength(1);
    await listLaminates(context);
    if (schema >= 4) expect(await listChangeRequests(context, BOAT)).toHaveLength(1);
    expect((await sql`pragma foreign_key_check`.execute(context.db)).rows).toEqual([]);
  });

  it('lets a variant follow its parent where the schema kept what it saw', async () => {
    const context = contextOf(await openDatabase(databaseOf(schema)));
    const variant = (await listBoats(context)).find(({ variantOf }) => variantOf !== null)!;
    await follow(context, variant.id);
    expect(await isBehind(context, variant.id)).toBe(false);
  });

  it('reads the document that was exported from it, ties its loose ends, and writes it in the version of today', () => {
    const text = sample(`documents/merrow-84-${schema}.json.gz`).toString('utf8');
    for (const read of [boatFromJson, boatFromFile]) {
      const boat = read(text);
      checkBoat(boat);
      const again = boatToJson(boat);
      expect(JSON.parse(again)).toMatchObject({ version: DOCUMENT_VERSION });
      expect(boatToJson(boatFromJson(again))).toBe(again);
    }
  });
});

describe('a document of schema 5 that names what is gone', () => {
  const boat = boatFromJson(sample('documents/merrow-84-5.json.gz').toString('utf8'));
  it('opens without the loose ends, and nothing else is lost', () => {
    expect(boat.details.some(({ zone }) => zone === '')).toBe(true);
    expect(boat.parts[0]!.layers[0]!.group).toBeNull();
    expect(boat.parts[0]!.joins).toEqual([]);
    expect(boat.details.length).toBeGreaterThan(3);
  });
  it('is not allowed to come again: the same edits are refused now', () => {
    const [detail] = boat.details;
    expect(() =>
      applyEdits(boat, editsSchema.parse([{ type: 'detail.set', item: { ...detail, zone: 'no-such-zone' } }])),
    ).toThrow('asks for a zone that is not in this boat');
  });
});

it('a document of a later version is refused with the reason', () => {
  const document = JSON.parse(sample('documents/merrow-84-5.json.gz').toString('utf8')) as { version: number };
  document.version = DOCUMENT_VERSION + 1;
  expect(() => boatFromJson(JSON.stringify(document))).toThrow('open it with the newer one');
});

describe('boats of document version 6, whose bow panels and bulkheads were measured otherwise', () => {
  const opened = async () => {
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-upgrade-')), 'keramos.db');
    writeFileSync(file, sample('databases/document-6.db.gz'));
    return { file, context: contextOf(await openDatabase(file), 'I. Hallin') };
  };
  const breadthOf = (boat: Awaited<ReturnType<typeof readBoat>>['boat']) =>
    boat.parts.flatMap(({ zones }) => zones).find(({ name }) => name === 'Keel band')!.geometry.panelBreadth;

  it('are measured anew when they are read, and are the same after they were written', async () => {
    const { file, context } = await opened();
    const { boat, version } = await readBoat(context, BOAT);
    // Mean breadth by area was 0.28 m; the rectangle that deflects as much is more than twice as broad.
    expect(breadthOf(boat)).toBeGreaterThan(0.6);
    expect(settleGeometry({ ...boat, supports: [] }, boat)).toEqual(boat);
    const edits = [{ type: 'brief.set' as const, patch: { weightTarget: 650 } }];
    await editBoat(context, BOAT, version, [{ clientId: 'after-upgrade', action: 'do', edits }]);
    const again = await readBoat(contextOf(await openDatabase(file)), BOAT);
    expect(again.boat).toEqual({ ...boat, brief: { ...boat.brief, weightTarget: 650 } });
  });
  it('take their last action back, open their revision and let a variant follow', async () => {
    const { context } = await opened();
    const { boat, history, version } = await readBoatWithHistory(context, BOAT);
    const last = history.undo.at(-1)!;
    await editBoat(context, BOAT, version, [{ clientId: 'undo-6', action: 'undo', edits: last.inverse }]);
    expect((await readBoat(context, BOAT)).boat.parts[0]!.layers[2]!.angleDeg).toBe(37);
    expect((await readRevision(context, BOAT, 'A')).boat.supports).toHaveLength(boat.supports.length);
    const variant = (await listBoats(context)).find(({ variantOf }) => variantOf !== null)!;
    await follow(context, variant.id);
    expect(await isBehind(context, variant.id)).toBe(false);
  });
  it('have loads at the height of their base and fittings loaded both ways, until it is said', async () => {
    const { boat } = await readBoat((await opened()).context, BOAT);
    expect(boat.loads.every(({ height, along, across }) => height === 0 && along === 0 && across === 0)).toBe(true);
    for (const detail of boat.details)
      if (detail.kind === 'bolted') expect(detail).toMatchObject({ face: 'either', stands: 'panel', beyond: 0 });
    expect(boatFromJson(sample('documents/merrow-84-6.json.gz').toString('utf8')).name).toBe('Merrow 84');
  });
});

describe('boats of document version 7, whose areas were up to 6 % off', () => {
  const opened = async () => {
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-upgrade-')), 'keramos.db');
    writeFileSync(file, sample('databases/document-7.db.gz'));
    return { file, context: contextOf(await openDatabase(file), 'I. Hallin') };
  };
  const zoneOf = (boat: Awaited<ReturnType<typeof readBoat>>['boat'], name: string) =>
    boat.parts.flatMap(({ zones }) => zones).find((zone) => zone.name === name)!;

  it('are measured anew when they are read, and are the same after they were written', async () => {
    const { file, context } = await opened();
    const { boat, version } = await readBoat(context, BOAT);
    // By the grid and the lines of before: 1.98 m² of collision bulkhead, 5.15 of foredeck.
    expect(zoneOf(boat, 'Collision bulkhead').geometry.area).toBeCloseTo(2.372, 2);
    expect(zoneOf(boat, 'Foredeck').geometry.area).toBeCloseTo(5.59, 2);
    const edits = [{ type: 'brief.set' as const, patch: { weightTarget: 660 } }];
    await editBoat(context, BOAT, version, [{ clientId: 'after-upgrade', action: 'do', edits }]);
    const again = await readBoat(contextOf(await openDatabase(file)), BOAT);
    expect(again.boat).toEqual({ ...boat, brief: { ...boat.brief, weightTarget: 660 } });
  });
  it('have what came later as it was: the standards prove, bolts are as their metal, joints tie nothing', async () => {
    const { context } = await opened();
    const { boat } = await readBoat(context, BOAT);
    expect(boat.brief).toMatchObject({ proofs: { rule: true, match: false, analysis: false }, singleSkin: 'both' });
    expect(boat.hull!.hardEdges.floors).toBe('band');
    for (const detail of boat.details) {
      if (detail.kind === 'bolted') expect(detail).toMatchObject({ boltClass: 'metal', nut: 'full' });
      if (detail.kind === 'tabbing') expect(detail.ties).toBeNull();
    }
    const sail = (await readBoat(context, 'brant-56')).boat;
    const transom = sail.details.find(({ kind }) => kind === 'transom')!;
    expect(transom).toMatchObject({ boltMetal: null, knees: null, plate: null, impact: 0, bracketHeight: 0.3 });
    expect(boatFromJson(sample('documents/merrow-84-7.json.gz').toString('utf8')).name).toBe('Merrow 84');
  });
});

describe('boats of document version 8, whose hulls of particulars had kinks at the bow', () => {
  const opened = async () => {
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-upgrade-')), 'keramos.db');
    writeFileSync(file, sample('databases/document-8.db.gz'));
    return { file, context: contextOf(await openDatabase(file), 'I. Hallin') };
  };
  it('have fair lines, their zones measured anew, and are the same after they were written', async () => {
    const { file, context } = await opened();
    const { boat, version } = await readBoat(context, BOAT);
    const side = boat.parts.flatMap(({ zones }) => zones).find(({ name }) => name === 'Side forward')!;
    // 8.30 m² by the old lines, whose deck edge ran straight to the stem.
    expect(side.geometry.area).toBeCloseTo(9.07, 1);
    expect(settleGeometry({ ...boat, supports: [] }, boat)).toEqual(boat);
    const edits = [{ type: 'brief.set' as const, patch: { weightTarget: 660 } }];
    await editBoat(context, BOAT, version, [{ clientId: 'after-upgrade', action: 'do', edits }]);
    const again = await readBoat(contextOf(await openDatabase(file)), BOAT);
    expect(again.boat).toEqual({ ...boat, brief: { ...boat.brief, weightTarget: 660 } });
  });
  it('have what came later as it was: no overflow, wood by a code, tapes of knees abraded', async () => {
    const { context } = await opened();
    const { boat } = await readBoat(context, BOAT);
    expect(boat.parts.flatMap(({ zones }) => zones).every(({ overflow }) => overflow === null)).toBe(true);
    const sail = (await readBoat(context, 'brant-56')).boat;
    const wood = sail.materials.find(({ kind }) => kind === 'wood')!;
    expect(wood).toMatchObject({ code: 'WOOD' });
    expect(sail.packs[0]).toMatchObject({ minimumWood: { bottom: { A: 3, k7: 0.05, k8: 0.3 } } });
    expect(boatFromJson(sample('documents/merrow-84-8.json.gz').toString('utf8')).name).toBe('Merrow 84');
  });
});

describe('a database of document version 9, from before templates', () => {
  it('opens with its boats, its print and its variant, and takes a template', async () => {
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-upgrade-')), 'keramos.db');
    writeFileSync(file, sample('databases/document-9.db.gz'));
    const context = contextOf(await openDatabase(file), 'I. Hallin');
    const { boat, history, version } = await readBoatWithHistory(context, BOAT);
    expect(boat.parts[0]!.layers[2]!.angleDeg).toBe(37);
    const last = history.undo.at(-1)!;
    await editBoat(context, BOAT, version, [{ clientId: 'undo-9', action: 'undo', edits: last.inverse }]);
    expect((await readRevision(context, BOAT, 'A')).boat.parts[0]!.layers[2]!.angleDeg).toBe(37);
    expect(Buffer.from((await readRevisionPrint(context, BOAT, 'A'))!).toString()).toMatch(/^%PDF/);
    const variant = (await listBoats(context)).find(({ variantOf }) => variantOf !== null)!;
    await follow(context, variant.id);
    expect(await isBehind(context, variant.id)).toBe(false);
    expect((await listTemplates(context)).every(({ own }) => own === null)).toBe(true);
    const { id } = await keepTemplate(context, { name: 'Kept', note: '' }, boat);
    const again = contextOf(await openDatabase(file), 'I. Hallin');
    expect((await readTemplate(again, id)).boat).toEqual({ ...boat, acceptances: [] });
    await dropTemplate(again, id);
    await expect(readTemplate(again, id)).rejects.toThrow('There is no template');
  });
});

describe('a database from before lists were remembered', () => {
  it('opens with its boats and the yard’s template, and remembers how a list was read', async () => {
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-upgrade-')), 'keramos.db');
    writeFileSync(file, sample('databases/document-9-templates.db.gz'));
    const context = contextOf(await openDatabase(file), 'I. Hallin');
    const own = (await listTemplates(context)).find(({ name }) => name === 'Yard motor boat')!;
    expect((await readTemplate(context, own.id)).boat.parts.length).toBeGreaterThan(0);
    expect((await readBoat(context, BOAT)).boat.name).toBe('Merrow 84');
    expect(await listRememberedTables(context)).toEqual([]);
    const kept = { purpose: 'offsets' as const, heads: ['x', 'y', 'z'], choices: { unit: 'mm' } };
    await rememberTable(context, kept);
    const again = contextOf(await openDatabase(file), 'I. Hallin');
    expect(await listRememberedTables(again)).toEqual([kept]);
  });
});

describe('a database from before habits were kept', () => {
  it('opens with its boats and what it remembers, and keeps the habits of the yard', async () => {
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-upgrade-')), 'keramos.db');
    writeFileSync(file, sample('databases/document-9-tables.db.gz'));
    const context = contextOf(await openDatabase(file), 'I. Hallin');
    expect((await readBoat(context, BOAT)).boat.name).toBe('Merrow 84');
    expect(await listRememberedTables(context)).toHaveLength(1);
    const [hand] = await listHabits(context);
    expect(hand!.own).toBeNull();
    await keepHabits(context, hand!.process, { habits: hand!.habits, version: 0 });
    const again = contextOf(await openDatabase(file), 'I. Hallin');
    expect((await listHabits(again))[0]).toMatchObject({ version: 1, own: { author: 'I. Hallin' } });
  });
});

describe('a database of document version 9, from before anything but laminate was weighed', () => {
  it('opens with its boats, habits and readings, without items, and takes a weigh-in', async () => {
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-upgrade-')), 'keramos.db');
    writeFileSync(file, sample('databases/document-9-surveys.db.gz'));
    const context = contextOf(await openDatabase(file), 'I. Hallin');
    const { boat, version } = await readBoat(context, BOAT);
    expect(boat).toMatchObject({ items: [], spaces: [], brief: { series: 1, water: 'sea', absent: [] } });
    expect(boat.parts.every(({ mould, weightTarget }) => mould === null && weightTarget === null)).toBe(true);
    // Habits kept before there was a core for slamming: none, unless the usual one is tough.
    const [hand] = await listHabits(context);
    expect(hand).toMatchObject({ version: 1, habits: { rules: { mostLayers: 14, slamming: null } } });
    expect(await readSurvey(context, BOAT, boat.parts[0]!.zones[0]!.id)).toMatchObject({ version: 1 });
    expect((await readSetting(context, 'rates')).own).toBeNull();
    await editBoat(context, BOAT, version, [
      { clientId: 'water', action: 'do', edits: [{ type: 'brief.set', patch: { water: 'fresh' } }] },
    ]);
    const id = { id: 'w1', hull: '', subject: 'boat', stage: 'bare', mass: 500, scales: 1, day: '2026-11-29' };
    await keepWeighIn(context, BOAT, { ...id, note: '', corrects: null, void: false });
    const again = contextOf(await openDatabase(file), 'I. Hallin');
    expect(await listWeighIns(again, BOAT)).toHaveLength(1);
    expect((await readBoat(again, BOAT)).boat.brief.water).toBe('fresh');
    expect(boatFromJson(sample('documents/merrow-84-9.json.gz').toString('utf8')).items).toEqual([]);
  });
});

describe('a database from before there was a store of cloth', () => {
  it('opens with its boats and weigh-ins, its store empty, and takes a roll', async () => {
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-upgrade-')), 'keramos.db');
    writeFileSync(file, sample('databases/document-10.db.gz'));
    const context = contextOf(await openDatabase(file), 'I. Hallin');
    expect((await readBoat(context, BOAT)).boat.items.length).toBeGreaterThan(0);
    expect(await listWeighIns(context, BOAT)).toHaveLength(3);
    expect(await listStock(context, null)).toEqual([]);
    const lot = { id: 'r1', material: 'csm-300', kind: 'roll', lot: 'A1', place: '', width: 1.27, length: null };
    await bookStock(context, {
      lots: [{ ...lot, outline: null, price: null, expires: null }],
      moves: [{ id: 'm1', lotId: 'r1', amount: 40, reason: 'bought' }],
    });
    const again = contextOf(await openDatabase(file), 'I. Hallin');
    expect((await listStock(again, 'csm-300'))[0]).toMatchObject({ left: 40, lot: 'A1' });
    expect((await readSetting(again, 'cutting')).own).toBeNull();
  });
});

describe('a database of document version 11, from before anything was filled or cured', () => {
  it('opens with its boats, store and kits, without plans, and takes a plan and a drop test', async () => {
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-upgrade-')), 'keramos.db');
    writeFileSync(file, sample('databases/document-11.db.gz'));
    const context = contextOf(await openDatabase(file), 'I. Hallin');
    const { boat, version } = await readBoat(context, BOAT);
    expect(boat).toMatchObject({ fillPlans: [], curePlans: [] });
    expect(boat.boxes.length).toBeGreaterThan(0);
    expect(boat.materials.every((one) => one.kind !== 'resin' || one.cure === null)).toBe(true);
    const plan = newFillPlan({ id: 'f1', name: 'Hull', part: 'hull', skin: 'hull' });
    await editBoat(context, BOAT, version, [
      { clientId: 'fill', action: 'do', edits: [{ type: 'fillPlan.add', item: plan, index: 0 }] },
    ]);
    const read = { start: 1500, end: 1600, minutes: 10, startCelsius: null, endCelsius: null, instrument: '' };
    const of = { id: 'd1', plan: 'f1', hull: '', day: '2026-11-29', volume: 0.1, gel: 3600, note: '' };
    await keepDropTest(context, BOAT, { ...read, ...of, corrects: null, void: false });
    const again = contextOf(await openDatabase(file), 'I. Hallin');
    expect(await listDropTests(again, BOAT)).toHaveLength(1);
    expect((await readBoat(again, BOAT)).boat.fillPlans).toHaveLength(1);
    expect((await readSetting(again, 'filling')).own).toBeNull();
  });
});

describe('a database of document version 12, from before there were accounts and builds', () => {
  it('opens with its boats, plans and store, without an account, and takes an account and a build', async () => {
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-upgrade-')), 'keramos.db');
    writeFileSync(file, sample('databases/document-12.db.gz'));
    const context = contextOf(await openDatabase(file), 'I. Hallin');
    const { boat, version } = await readBoat(context, 'merrow-84');
    expect(boat.fillPlans).toHaveLength(2);
    // Of its frames nobody has said how far up they run: they hold as before, and the sides say so.
    const frames = boat.supports.flatMap((one) => (one.kind === 'frame' ? [one.upTo] : []));
    expect(frames).toHaveLength(7);
    expect(new Set(frames)).toEqual(new Set(['notSaid']));
    const [, side] = zoneOf(boat, 'Side aft');
    expect(heldOnTrust(boat, side).notChecked.join()).toContain('ended at the chine');
    expect((await listStock(context, 'bx45-600')).length).toBeGreaterThan(2);
    expect(await listPeople(context)).toEqual([]);
    expect(await listBuilds(context)).toEqual([]);
    await issueRevision(context, 'merrow-84', version, { author: 'I. Hallin', note: 'hull 4', answer: 'as it is' });
    const asked = { id: 'b-4', revision: 'A', hull: '4', parts: {} };
    expect((await beginBuild(context, 'merrow-84', asked)).plan.pieces.length).toBeGreaterThan(300);
    await createPerson(context, { name: 'Ida Hallin', login: 'ida', password: 'salt and cedar', roles: ['designer'] });
    const again = contextOf(await openDatabase(file), 'I. Hallin');
    expect(await listPeople(again)).toHaveLength(1);
    expect(await listBuilds(again)).toHaveLength(1);
    expect((await readSetting(again, 'filling')).body).toMatchObject({ hotShop: 28, coldShop: 12, lateClamp: 300 });
  });
});

describe('a database with builds from before there were lessons, repairs and a shop', () => {
  it('opens with its build as it stood, and takes a lesson and a fact of the shop', async () => {
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-upgrade-')), 'keramos.db');
    writeFileSync(file, sample('databases/document-12-builds.db.gz'));
    const context = contextOf(await openDatabase(file), 'T. Reed');
    const [build] = await listBuilds(context);
    expect(build!.state.steps.get('s1')!.begun).toMatchObject({ person: 'T. Reed' });
    // What was let go on before it was said against what, is let go on against everything.
    expect(build!.state.steps.get('s2')!.released).toHaveLength(1);
    expect([...build!.state.defects.values()]).toMatchObject([{ disposed: { body: { what: 'repair' } }, open: true }]);
    expect(boardOf([build!], '2026-11-30T08:00:00Z')[0]).toMatchObject({ openDefects: 1 });
    const body = { text: 'Sound it twice', step: 'Trim', cloth: '', kind: '', boat: '', layer: null };
    const at = '2026-11-30T08:00:00Z';
    const lesson = { id: 'l-1', kind: 'lesson', body, at, person: 'T. Reed', device: 'd', corrects: null };
    await keepRecords(context, 'b-1', { records: [lesson], vouch: async () => null });
    expect((await buildForFloor(context, 'b-1')).lessons).toHaveLength(1);
    const stripped = { mould: 'M1', what: 'stripped', count: 1, on: '2026-11-20', note: '' };
    await keepYardFact(context, { id: 'f-1', corrects: null, void: false, kind: 'mould', body: stripped });
    expect(await listYardFacts(contextOf(await openDatabase(file)))).toHaveLength(1);
  });
});

describe('a boat of document version 13, from before stiffeners said how they are bonded, held and loaded', () => {
  const opens = (boat: Boat) => {
    checkBoat(boat);
    for (const { ends, load } of boat.supports) expect([ends, load]).toEqual(['held', null]);
    for (const { bonded, adhesive } of boat.sections) expect([bonded, adhesive]).toEqual(['notSaid', null]);
    // Their bonds count as the least until somebody says, and that is told where they govern.
    const bow = evaluateStiffeners(boat).find(({ support }) => support.name === 'Bow frame aft')!;
    expect(bow.governing!.name).toContain('counted as after peel ply alone until it is said');
    expect(bow.governing!.reserveFactor).toBeLessThan(1);
  };
  it('opens from its document, with the least that a bond may bear', () => {
    const boat = boatFromJson(sample('documents/merrow-84-13.json.gz').toString('utf8'));
    opens(boat);
    expect(JSON.parse(boatToJson(boat))).toMatchObject({ version: DOCUMENT_VERSION });
  });
  it('opens from its database, and takes a load on its girder', async () => {
    const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-upgrade-')), 'keramos.db');
    writeFileSync(file, sample('databases/document-13.db.gz'));
    const context = contextOf(await openDatabase(file), 'I. Hallin');
    const { boat, version } = await readBoat(context, BOAT);
    opens(boat);
    const girder = boat.supports.find(({ id }) => id === 'girder')!;
    const edits = [{ type: 'support.set', item: { ...girder, load: 'engine', loadAt: 2.95 } } as Edit];
    const { inverse } = applyEdits(boat, edits);
    await editBoat(context, BOAT, version, [{ clientId: 'engine', action: 'do', edits }]);
    const { boat: after } = await readBoat(contextOf(await openDatabase(file)), BOAT);
    expect(after.supports.find(({ id }) => id === 'girder')).toMatchObject({ load: 'engine', loadAt: 2.95 });
    expect(applyEdits(after, inverse).boat.supports).toEqual(boat.supports);
  });
});
