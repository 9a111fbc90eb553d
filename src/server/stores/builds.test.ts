import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { sql } from 'kysely';
import { randomInt, randomLcg } from 'd3-random';
import { beforeAll, describe, expect, it } from 'vitest';
import { Diary } from '../../../tests/helpers/builds';
import { memoryKeeper, newDisk, type Disk } from '../../../tests/helpers/memoryKeeper';
import { brant } from '../../../tests/helpers/merrow';
import { stateOf, USUAL_REPAIR, type BuildRecord } from '@/core/build';
import type { Role } from '@/core/people';
import { contextOf, type StoreContext } from '../context';
import { database } from '../database/open';
import { buildForFloor } from '../floor/floorBuild';
import { readShop } from '../floor/readShop';
import { repairOf } from '../floor/repairOf';
import { syncOnce, type Wire } from '@/ui/floor/sync';
import { createBoat } from './boats';
import { keepRecords, listRecords } from './buildRecords';
import { amendBuild, beginBuild, closeBuild, listBuilds, readBuild } from './builds';
import { issueRevision, recordRevisionEvent } from './revisions';
import { keepSetting, readSetting } from './settings';
import { keepYardFact, listYardFacts } from './yardFacts';

let server: StoreContext;
let boatId: string;
const lead = (roles: Role[] = ['lead']): StoreContext => ({
  ...server,
  actor: 'L. Lead',
  who: { id: 'l', name: 'L. Lead', roles },
});
const everybody = async () => null;

beforeAll(async () => {
  delete (globalThis as { keramosDatabase?: unknown }).keramosDatabase;
  process.env['KERAMOS_DATA'] = mkdtempSync(path.join(tmpdir(), 'keramos-builds-'));
  server = contextOf(await database(), 'I. Hallin');
  const { id, version } = await createBoat(server, brant());
  boatId = id;
  await issueRevision(server, id, version, { author: 'I. Hallin', note: 'first', answer: 'as it is' });
});

const asked = (id: string, hull: string) => ({ id, revision: 'A', hull, parts: {} });

describe('a build', () => {
  it('is begun once from an issued revision, by whoever plans', async () => {
    await expect(beginBuild(lead(['laminator']), boatId, asked('b-1', '1'))).rejects.toMatchObject({
      code: 'forbidden',
    });
    const build = await beginBuild(lead(), boatId, asked('b-1', '1'));
    expect(build).toMatchObject({ boat: 'Brant 56', hull: '1', revision: 'A', createdBy: 'L. Lead' });
    expect((await beginBuild(lead(), boatId, asked('b-1', '1'))).createdAt).toBe(build.createdAt);
    await expect(beginBuild(lead(), boatId, asked('b-2', '1'))).rejects.toMatchObject({ code: 'conflict' });
    await expect(beginBuild(lead(), boatId, { ...asked('b-3', '9'), revision: 'Q' })).rejects.toMatchObject({
      code: 'notFound',
    });
    for (const bad of [{}, { ...asked('b-4', '') }, { ...asked('b-4', '4'), parts: { hull: { mould: 3 } } }])
      await expect(beginBuild(lead(), boatId, bad)).rejects.toMatchObject({ code: 'invalid' });
    expect((await listBuilds(server)).map(({ hull }) => hull)).toEqual(['1']);
  });
  it('is no build of a revision that was withdrawn, nor amended to itself', async () => {
    await expect(amendBuild(lead(), 'b-1', { id: 'a-1', revision: 'A', reason: 'again' })).rejects.toMatchObject({
      path: 'amendment.revision',
    });
    await recordRevisionEvent(server, boatId, 'A', { kind: 'withdrawn', author: 'I. Hallin', note: 'wrong' });
    await expect(beginBuild(lead(), boatId, asked('b-5', '5'))).rejects.toMatchObject({ path: 'build.revision' });
    await sql`delete from revision_event`.execute(server.db);
  });
});

describe('records', () => {
  const diary = new Diary();
  const caution = diary.note('caution', { step: 's1' });
  const begun = diary.note('begun', { step: 's1' });
  const send = (records: unknown[], roles: Role[] | null = null) =>
    keepRecords(server, 'b-1', { records, vouch: async () => roles });
  it('are kept once, however often they come, and never changed', async () => {
    for (let i = 0; i < 3; i++)
      expect(await send([begun, caution, begun])).toEqual(
        [begun, caution, begun].map(({ id }) => ({ id, refusal: null })),
      );
    expect((await listRecords(server, 'b-1')).records.map(({ id }) => id)).toEqual([begun.id, caution.id]);
    const [other] = await send([{ ...begun, person: 'S. Other' }]);
    expect(other!.refusal).toMatchObject({ code: 'conflict' });
    await expect(sql`update build_record set person = 'S. Other'`.execute(server.db)).rejects.toThrow(/never changed/);
    await expect(sql`delete from build_record`.execute(server.db)).rejects.toThrow(/cannot be removed/);
  });
  it('that do not read are refused by name, and hold none of the others back', async () => {
    const good = diary.note('air', { celsius: 18, humidity: 55 });
    const bad = { ...good, id: 'bad', body: { celsius: 900, humidity: 55 } };
    const received = await send([bad, { id: 'x' }, null, { ...good, id: 'strange', kind: 'launch' }, good]);
    expect(received.map(({ refusal }) => refusal?.code ?? null)).toEqual([
      'invalid',
      'invalid',
      'invalid',
      'invalid',
      null,
    ]);
    expect(received[0]!.refusal!.message).toMatch(/80 °C/);
  });
  it('that ask for a role are taken from whoever has it', async () => {
    const mask = (await readBuild(server, 'b-1')).plan.steps.find(({ hold }) => hold === 'lead')!;
    const inspect = (await readBuild(server, 'b-1')).plan.steps.find(({ hold }) => hold === 'inspector')!;
    const codes = async (record: BuildRecord, roles: Role[]) => (await send([record], roles))[0]!.refusal?.code ?? null;
    const [signed, inspected] = [mask, inspect].map(({ id }) => diary.note('signed', { step: id, note: '' })) as [
      BuildRecord,
      BuildRecord,
    ];
    expect(await codes(signed, ['laminator'])).toBe('forbidden');
    expect(await codes(signed, ['lead'])).toBeNull();
    expect(await codes(inspected, ['lead'])).toBe('forbidden');
    expect(await codes(inspected, ['inspector'])).toBeNull();
    expect(await codes(diary.note('air', { celsius: 18, humidity: 50 }), ['reader'])).toBe('forbidden');
    expect(await codes(diary.note('disposed', { defect: 'd', what: 'use', reason: 'small' }), ['laminator'])).toBe(
      'forbidden',
    );
  });
  it('of a day are in the state, those against the rules as clashes', async () => {
    const [build] = await listBuilds(server);
    expect(build!.state.steps.get('s1')?.begun?.id).toBe(begun.id);
    expect(build!.state.clashes.length).toBeGreaterThan(0);
  });
});

describe('two tablets and a server', () => {
  it('lose nothing and double nothing through a thousand drop-outs, double sends and reloads', async () => {
    const build = await beginBuild(lead(), boatId, asked('b-storm', '7'));
    const random = randomLcg(20261130);
    const under = (n: number) => randomInt.source(random)(n)();
    const disks: [Disk, Disk] = [newDisk(), newDisk()];
    const made: BuildRecord[] = [];
    let dropped = 0;
    const lost = (): never => {
      dropped += 1;
      throw new TypeError('the network is gone');
    };
    // The network loses what is sent, or the answer to it, or delivers it twice.
    const wire: Wire = {
      send: async (id, records) => {
        if (under(3) === 0) lost();
        if (under(4) === 0) await keepRecords(server, id, { records: [...records].reverse(), vouch: everybody });
        const answers = await keepRecords(server, id, { records, vouch: everybody });
        return under(3) === 0 ? lost() : answers;
      },
      fetch: async (id, since) => {
        if (under(4) === 0) lost();
        const answer = await listRecords(server, id, since);
        return under(4) === 0 ? lost() : answer;
      },
      sendPhoto: async () => {},
    };
    const step = build.plan.steps.find(({ pieces }) => pieces.length > 5)!;
    for (let round = 0; dropped < 1000; round++) {
      const tablet = under(2);
      // A reload: all that is left is the disk.
      const keeper = memoryKeeper(disks[tablet]!);
      for (let i = under(3); i > 0; i--) {
        const record = {
          id: `t${tablet}-${made.length}`,
          kind: 'piece',
          at: new Date(Date.UTC(2026, 10, 3) + made.length * 1000).toISOString(),
          person: `Tablet ${tablet}`,
          device: `tablet-${tablet}`,
          corrects: null,
          body: { step: step.id, code: step.pieces[under(step.pieces.length)]!, how: 'ticked', lot: '', batch: null },
        } as BuildRecord;
        made.push(record);
        await keeper.add(build.id, record);
      }
      await syncOnce(keeper, wire, build.id).catch((error: unknown) => {
        if (!(error instanceof TypeError)) throw error;
      });
    }
    const calm: Wire = {
      send: (id, records) => keepRecords(server, id, { records, vouch: everybody }),
      fetch: (id, since) => listRecords(server, id, since),
      sendPhoto: async () => {},
    };
    for (const disk of [...disks, ...disks]) await syncOnce(memoryKeeper(disk), calm, build.id);
    const ids = made.map(({ id }) => id).sort();
    const { records } = await listRecords(server, build.id);
    expect(records.map(({ id }) => id).sort()).toEqual(ids);
    const told = (all: readonly BuildRecord[]) => {
      const { steps, clashes } = stateOf(build.plan, all);
      return JSON.stringify([[...steps.get(step.id)!.laid].map(([code, { id }]) => [code, id]), clashes.length]);
    };
    for (const disk of disks) {
      const kept = [...disk.records.values()];
      expect(kept.map(({ record }) => record.id).sort()).toEqual(ids);
      expect(kept.every(({ sent }) => sent)).toBe(true);
      expect(told(kept.map(({ record }) => record))).toBe(told(records));
    }
    expect(dropped).toBeGreaterThanOrEqual(1000);
  });
});

describe('what is taken back', () => {
  const send = (records: unknown[], roles: Role[] | null = null) =>
    keepRecords(server, 'b-1', { records, vouch: async () => roles });
  const plan = async () => (await readBuild(server, 'b-1')).plan;
  const only = async (record: BuildRecord, roles: Role[]) => (await send([record], roles))[0]!.refusal;
  const diary = new Diary('S. Igner');
  const make = (kind: BuildRecord['kind'], body: object, corrects: string | null = null): BuildRecord => {
    diary.wait(1);
    return { ...diary.make(kind, body, corrects), id: `back-${Date.parse(diary.now)}` };
  };
  it('takes as much as it took to record it: a laminator takes no signature or decision back', async () => {
    const hold = (await plan()).steps.find((step) => step.hold === 'inspector')!;
    const signed = make('signed', { step: hold.id, note: '' });
    expect(await only(signed, ['inspector'])).toBeNull();
    const back = () => make('undone', { reason: 'not so' }, signed.id);
    expect(await only(back(), ['laminator'])).toMatchObject({ code: 'forbidden' });
    expect(await only(back(), ['lead'])).toMatchObject({ code: 'forbidden' });
    expect(await only(back(), ['inspector'])).toBeNull();
  });
  it('belongs to the same build', async () => {
    await beginBuild(server, boatId, asked('b-other', '8'));
    const caution = make('caution', { step: 's1' });
    await keepRecords(server, 'b-other', { records: [caution], vouch: everybody });
    expect(await only(make('undone', { reason: 'not so' }, caution.id), ['lead'])).toMatchObject({ code: 'invalid' });
  });
});

describe('beside the plan', () => {
  const tell = (build: string, records: BuildRecord[]) => keepRecords(server, build, { records, vouch: everybody });
  const diary = new Diary('S. Igner');
  it('a lesson of one hull is told on every other, until it is taken back', async () => {
    const body = { text: 'Cold cloth floats', step: 'Outer skin', cloth: '', kind: '', boat: '', layer: null };
    const lesson = { ...diary.make('lesson', body), id: 'lesson-1' };
    await tell('b-1', [lesson]);
    expect((await buildForFloor(server, 'b-other')).lessons).toMatchObject([{ text: 'Cold cloth floats', hull: '1' }]);
    await tell('b-1', [{ ...diary.make('undone', { reason: 'it does not' }, 'lesson-1'), id: 'lesson-2' }]);
    expect((await buildForFloor(server, 'b-other')).lessons).toEqual([]);
  });
  it('work that only some may do is refused of others, by the shop of today', async () => {
    const { body, version } = await readSetting(server, 'shop');
    const work = [{ kind: 'task' as const, people: 'T. Reed' }];
    await keepSetting(lead(), 'shop', { body: { ...body, work }, version });
    const [step] = (await readBuild(server, 'b-other')).plan.steps.filter(({ kind }) => kind === 'task');
    const begun = (person: string) => ({
      ...new Diary(person).make('begun', { step: step!.id }),
      id: `work-${person.length}`,
    });
    const [no, yes] = await tell('b-other', [begun('A. Nother'), begun('T. Reed')]);
    expect(no!.refusal).toMatchObject({ code: 'forbidden', message: expect.stringContaining('only by T. Reed') });
    expect(yes!.refusal).toBeNull();
    expect((await buildForFloor(server, 'b-other')).work).toEqual(work);
    await expect(keepSetting(lead(['designer']), 'shop', { body, version: 1 })).resolves.toBeTruthy();
    await expect(keepSetting(lead(['cutter']), 'shop', { body, version: 2 })).rejects.toMatchObject({
      code: 'forbidden',
    });
  });
  it('a build is closed and opened again by whoever plans; what still comes is kept', async () => {
    await expect(closeBuild(lead(['laminator']), 'b-other', { closed: true })).rejects.toMatchObject({
      code: 'forbidden',
    });
    expect((await closeBuild(lead(), 'b-other', { closed: true })).closedAt).not.toBeNull();
    const late = { ...diary.make('air', { celsius: 18, humidity: 60 }), id: 'late-1' };
    expect((await tell('b-other', [late]))[0]!.refusal).toBeNull();
    expect((await closeBuild(lead(), 'b-other', { closed: false })).closedAt).toBeNull();
  });
  it('a repair is checked against the revision that is built', async () => {
    const zone = brant().parts[0]!.zones[0]!.id;
    const repair = { ...USUAL_REPAIR, depth: 2 };
    expect((await repairOf(server, 'b-1', { zone, size: 0.08, repair })).pieces.length).toBeGreaterThan(1);
    await expect(repairOf(server, 'b-1', { zone: 'nowhere', size: 0.08, repair })).rejects.toMatchObject({
      code: 'notFound',
    });
    for (const bad of [null, {}, { zone, size: -1, repair }, { zone, size: 0.1, repair: { ...repair, ratio: 1 } }])
      await expect(repairOf(server, 'b-1', bad)).rejects.toMatchObject({ code: 'invalid' });
  });
});

describe('facts of the shop', () => {
  const fact = (id: string, more: object = {}) => {
    const body = { mould: 'M1', what: 'stripped', count: 1, on: '2026-11-20', note: '' };
    return { id, corrects: null, void: false, kind: 'mould', body, ...more };
  };
  it('are kept once, corrected by a later one, and never changed', async () => {
    await keepYardFact(lead(['laminator']), fact('f-1'));
    await keepYardFact(lead(['laminator']), fact('f-1'));
    expect(await listYardFacts(server)).toHaveLength(1);
    await expect(keepYardFact(lead(), fact('f-1', { void: true }))).rejects.toMatchObject({ code: 'conflict' });
    await expect(keepYardFact(lead(), fact('f-2', { corrects: 'f-9' }))).rejects.toMatchObject({ code: 'invalid' });
    await keepYardFact(lead(), fact('f-3', { corrects: 'f-1', void: true }));
    await expect(keepYardFact(lead(), fact('f-4', { corrects: 'f-1' }))).rejects.toMatchObject({ code: 'conflict' });
    await expect(keepYardFact(lead(['reader']), fact('f-5'))).rejects.toMatchObject({ code: 'forbidden' });
    await expect(keepYardFact(lead(), fact('f-6', { kind: 'weather' }))).rejects.toMatchObject({ code: 'invalid' });
    await expect(sql`update yard_fact set author = 'x'`.execute(server.db)).rejects.toThrow('corrected by a later one');
    await expect(sql`delete from yard_fact`.execute(server.db)).rejects.toThrow('cannot be removed');
  });
  it('make up the shop with what the builds tell', async () => {
    const shop = await readShop(server);
    expect(shop.facts.map(({ id }) => id)).toEqual(['f-3', 'f-1']);
    expect(shop.series.map(({ boat }) => boat)).toEqual(['Brant 56']);
    expect(shop.consumables.every(({ wanted }) => wanted >= 0)).toBe(true);
  });
});
