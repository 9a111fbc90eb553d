import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { strFromU8, unzipSync } from 'fflate';
import { beforeAll, describe, expect, it } from 'vitest';
import { brant } from '../../../tests/helpers/merrow';
import { boatFromJson } from '@/core/document';
import type { Fabric } from '@/core/material';
import { contextOf, type StoreContext } from '../context';
import { database } from '../database/open';
import { seedDemo } from '../demo';
import { seedDemoBuilds } from '../demoBuilds';
import { printBook } from '../kit/kitting';
import { keepPhoto } from '../floor/photos';
import { keepRecords } from '../stores/buildRecords';
import { listShelf } from '../stores/shelf';
import { readSetting } from '../stores/settings';
import { keepYardFact, listYardFacts } from '../stores/yardFacts';
import { bookZip, photoFiles, readBook } from './readBook';
import { learningEffect, putToUse, rateEffect, readLearning } from './readLearning';
import { readLog, readYardLog } from './readLog';
import { bookStock } from '../stores/stock';
import { expectTrial, readTrials } from './readTrials';

let context: StoreContext;
const as = (roles: ('designer' | 'laminator')[]): StoreContext => ({
  ...context,
  actor: 'D. Esigner',
  who: { id: 'd', name: 'D. Esigner', roles },
});
beforeAll(async () => {
  delete (globalThis as { keramosDatabase?: unknown }).keramosDatabase;
  process.env['KERAMOS_DATA'] = mkdtempSync(path.join(tmpdir(), 'keramos-log-'));
  context = contextOf(await database());
  await seedDemo(context);
  await seedDemoBuilds(context);
});

describe('the log', () => {
  it('of the daysailer stands beside its revision, with what explains its weight', async () => {
    const log = (await readLog(context, 'demo-brant-1'))!;
    const hull = log.log.parts.find(({ partId }) => partId === 'hull')!;
    expect(hull.mass.weighed!.mass).toBe(142.5);
    expect(hull.zones.map(({ what }) => what)).toEqual(expect.arrayContaining(['thickness', 'fibreShare', 'hardness']));
    expect(log.causes.find(({ partId }) => partId === 'hull')!.found.causes.length).toBeGreaterThan(0);
    expect(await readLog(context, 'nobody')).toBeNull();
  });
  it('of the yard holds every boat that was built', async () => {
    const yard = await readYardLog(context);
    expect(yard.boats.map(({ boat }) => boat).sort()).toEqual(['Brant 56', 'Merrow 84']);
    const merrow = yard.boats.find(({ boat }) => boat === 'Merrow 84')!;
    expect(merrow.view.defects.map(({ kind }) => kind).sort()).toEqual(['void', 'wrinkle']);
  });
});

describe('the boat’s book', () => {
  const photo = Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, 0, 1, 2, 3]);
  it('is whole: pieces with lots, a repair and its check, a pull, how it stands, nothing left open', async () => {
    const { book } = await readBook(context, 'demo-brant-1');
    expect(book.open).toEqual([]);
    expect(book.proofs).toMatchObject([{ passed: true }]);
    expect(book.traces).toMatchObject([{ part: 'hull', quantity: 'temperature' }]);
    expect(book.trials).toEqual([]);
    expect(book.alignments[0]!.found.centreline!.doubtful).toEqual([2]);
    expect(book.defects[0]).toMatchObject({ decided: { check: expect.stringContaining('meets') }, open: false });
    expect(book.parts.flatMap(({ steps }) => steps).flatMap(({ laid }) => laid).length).toBeGreaterThan(50);
    const running = (await readBook(context, 'demo-merrow-3')).book;
    expect(running.trials[0]).toMatchObject({ series: 'Hatch 7', samples: [{ standing: 'too strong' }, {}, {}, {}] });
    expect(running.open.join()).toMatch(/steps are not done.*A defect of Hull is not settled/);
  });
  it('comes as JSON with its photographs, and the boat that the next repair begins from', async () => {
    await keepPhoto(context, { buildId: 'demo-brant-1', photoId: 'ph-1', bytes: photo });
    const photos = ['ph-1', 'ph-2'];
    const place = { part: 'hull', step: null, zone: '', skin: 'x', at: [0.5, 0.5], note: '', photos };
    const record = {
      id: 'late-defect',
      kind: 'defect',
      person: 'T. Reed',
      device: 'd',
      at: '2026-11-01T08:00:00Z',
      corrects: null,
      body: { ...place, kind: 'damage', size: 0.01 },
    };
    await keepRecords(context, 'demo-brant-1', { records: [record], vouch: async () => null });
    const { bytes, book } = await bookZip(context, 'demo-brant-1');
    const files = unzipSync(bytes);
    const all = ['boat.json', 'book.json', 'photos/ph-1', 'traces/demo-brant-cure.csv'];
    expect(Object.keys(files).sort()).toEqual(all);
    const lines = strFromU8(files[all[3]!]!).trim().split('\n');
    expect(lines).toHaveLength(book.traces[0]!.count + 1);
    expect(JSON.parse(strFromU8(files['book.json']!))).toMatchObject({ format: 'keramos-book', hull: '1' });
    expect(boatFromJson(strFromU8(files['boat.json']!)).name).toBe(brant().name);
    expect(photoFiles('demo-brant-1', book)).toEqual({ 'ph-1': expect.stringContaining('ph-1') });
    expect(photoFiles('../..', book)).toEqual({});
  });
  it('prints short and full, in either units', async () => {
    const { book } = await readBook(context, 'demo-brant-1');
    const options = { units: 'us' as const, files: {} };
    const short = await printBook(book, { ...options, edition: 'short' });
    const full = await printBook(book, { ...options, edition: 'full' });
    expect(Buffer.from(short.subarray(0, 5)).toString()).toBe('%PDF-');
    expect(full.length).toBeGreaterThan(short.length);
  });
  it('names a lot of the store that went in after its last day, among what is not settled', async () => {
    const laid = (await readBook(context, 'demo-brant-1')).book.parts.flatMap(({ steps }) =>
      steps.flatMap((step) => step.laid),
    );
    const { lot } = laid.find((one) => one.lot !== '')!;
    const roll = { id: 'old', material: 'bx0-450', kind: 'roll' as const, lot, place: '', width: 1.27, length: null };
    await bookStock(context, {
      lots: [{ ...roll, outline: null, price: null, expires: '2026-09-01' }],
      moves: [{ id: 'in', lotId: 'old', amount: 20, reason: 'bought' }],
    });
    const { book } = await readBook(context, 'demo-brant-1');
    expect(book.pastLots).toMatchObject([{ lot, expires: '2026-09-01' }]);
    expect(book.open.join()).toContain(`Lot ${lot} of`);
  });
});

describe('trials', () => {
  it('Hatch 7 shows the whole loop: too strong, meets, fails, and what the lightest is', async () => {
    const all = await readTrials(context);
    const [series] = all;
    expect(all.map((one) => [one.series, one.samples.length])).toEqual([
      ['Hatch 7', 4],
      ['Coupons of biaxial 450', 5],
    ]);
    expect(series).toMatchObject({ series: 'Hatch 7' });
    expect(Object.values(series!.recommendation.standing)).toEqual(['tooStrong', 'meets', 'fails', 'fails']);
    expect(series!.samples.find(({ id }) => id === series!.recommendation.best)!.trial.name).toBe('B');
  });
  it('says what a sample should do, and refuses what is none', async () => {
    const layers = [{ material: 'bx0-450', angleDeg: 0, thickness: null }];
    const asked = { boat: 'merrow-84', layers, test: 'three', span: 0.3, width: 0.05 };
    expect((await expectTrial(context, asked)).next.length).toBe(1);
    await expect(expectTrial(context, { ...asked, boat: 'none' })).rejects.toMatchObject({ code: 'notFound' });
    await expect(expectTrial(context, { ...asked, span: 0 })).rejects.toMatchObject({ code: 'invalid' });
  });
});

describe('what was learned', () => {
  it('is shown, put to use on purpose with what it changes, and taken back', async () => {
    const { learned, inUse } = await readLearning(context);
    expect(learned.map(({ property }) => property)).toEqual(['fibreShare', 'thickness', 'stiffness', 'strength']);
    expect(inUse).toEqual([]);
    const one = learned.find(({ property, process }) => property === 'fibreShare' && process === 'handLayUp')!;
    expect(one.observations.length).toBeGreaterThan(2);
    const use = { ...one.use!, factor: 0.9 };
    const effects = await learningEffect(context, use);
    const brantEffect = effects.find(({ name }) => name === 'Brant 56')!;
    expect(brantEffect.after.mass).toBeGreaterThan(brantEffect.before.mass);
    const shelf = async () => (await listShelf(context)).map(({ material }) => material);
    const before = await shelf();
    const body = { ...use, on: '2026-11-30', note: '' };
    const fact = { id: 'use-1', corrects: null, void: false, kind: 'learned', body };
    await expect(putToUse(as(['laminator']), fact)).rejects.toMatchObject({ code: 'forbidden' });
    expect(await shelf()).toEqual(before);
    await putToUse(as(['designer']), fact);
    await putToUse(as(['designer']), fact);
    expect((await readLearning(context)).inUse).toMatchObject([{ id: 'use-1', author: 'D. Esigner', factor: 0.9 }]);
    const cloth = (await shelf()).find(({ id }) => id === 'wr-300' || id === 'csm-300')!;
    expect(JSON.stringify(cloth)).toContain('yardTest');
    await putToUse(as(['designer']), { ...fact, id: 'use-2', corrects: 'use-1', void: true });
    expect((await readLearning(context)).inUse).toEqual([]);
    expect(await shelf()).toEqual(before);
    expect(await listYardFacts(context, ['learned'])).toHaveLength(2);
    // What an earlier version put to use said less: it still counts as the fibre share of a form.
    const { process, form, factor, n, spread } = use;
    const early = { ...fact, id: 'use-3', body: { process, form, factor, n, spread, on: '2026-11-30', note: '' } };
    const row = { id: early.id, kind: 'learned', corrects: null, author: 'D. Esigner', at: '2026-11-30T08:00:00Z' };
    await context.db
      .insertInto('yard_fact')
      .values({ ...row, body_json: JSON.stringify(early) })
      .execute();
    expect((await readLearning(context)).inUse).toMatchObject([{ id: 'use-3', property: 'fibreShare', material: '' }]);
    await putToUse(as(['designer']), { ...early, id: 'use-4', corrects: 'use-3', void: true });
    expect((await readLearning(context)).inUse).toEqual([]);
  });
  it('wants readings enough, and the same told otherwise is refused', async () => {
    const body = { property: 'strength', process: 'infusion', form: 'woven', factor: 0.9, n: 2, spread: 0.1 };
    const fact = {
      id: 'few',
      corrects: null,
      void: false,
      kind: 'learned',
      body: { ...body, on: '2026-11-30', note: '' },
    };
    await expect(putToUse(as(['designer']), fact)).rejects.toMatchObject({ code: 'invalid' });
    await putToUse(as(['designer']), { ...fact, body: { ...fact.body, n: 5 } });
    const other = { ...fact, body: { ...fact.body, n: 5, factor: 0.7 } };
    await expect(putToUse(as(['designer']), other)).rejects.toMatchObject({ code: 'conflict' });
    const thick = { ...fact, id: 'thick', body: { ...fact.body, property: 'thickness', factor: 1.05, n: 5 } };
    await expect(putToUse(as(['designer']), thick)).rejects.toMatchObject({ code: 'invalid', path: 'factor' });
    await expect(putToUse(as(['designer']), { ...fact, kind: 'mould' })).rejects.toMatchObject({ code: 'invalid' });
  });
  it('cloth on the scales teaches its dry weight, on the Shelf once it is used', async () => {
    const cloth = (await listShelf(context))
      .map(({ material }) => material)
      .find(({ id }) => id === 'wr-300') as Fabric;
    const stated = cloth.components[0]!.arealWeight.value + cloth.bindingWeight.value;
    const on = '2026-11-30';
    for (const [i, ratio] of [1.06, 1.05, 1.07].entries()) {
      const body = { material: 'wr-300', lot: 'B1', area: 1, mass: stated * ratio, on, note: '' };
      await keepYardFact(context, { id: `piece-${i}`, corrects: null, void: false, kind: 'clothWeighed', body });
    }
    const dry = (await readLearning(context)).learned.find(({ property }) => property === 'arealWeight')!;
    expect(dry.posterior.mean).toBeGreaterThan(1.04);
    const body = { ...dry.use!, on, note: '' };
    await putToUse(as(['designer']), { id: 'dry', corrects: null, void: false, kind: 'learned', body });
    const now = (await listShelf(context)).map(({ material }) => material).find(({ id }) => id === 'wr-300') as Fabric;
    expect(now.components[0]!.arealWeight).toMatchObject({ origin: 'yardTest', n: 3 });
    // It goes on teaching against what was published.
    const again = (await readLearning(context)).learned.find(({ property }) => property === 'arealWeight')!;
    expect(again.posterior.mean).toBeCloseTo(dry.posterior.mean, 9);
  });
  it('rates are put to use with what they change, and go back though the page is gone', async () => {
    const cut = async () => (await readSetting(context, 'rates')).body.processes.handLayUp.cut;
    const before = await cut();
    const use = { rate: 'hours', process: 'handLayUp', value: 1.3 } as const;
    const [effect] = await rateEffect(context, use);
    expect(effect!.after.hours).toBeGreaterThan(effect!.before.hours);
    expect(effect!.after.cost).toBeGreaterThan(effect!.before.cost);
    const body = { ...use, n: 3, on: '2026-11-30', note: '' };
    const fact = { id: 'rate-1', corrects: null, void: false, kind: 'learnedRate', body };
    await putToUse(as(['designer']), fact);
    await putToUse(as(['designer']), fact);
    expect(await cut()).toBeCloseTo(1.3 * before, 4);
    // Another value takes its place: on the rates as they were, not on those.
    await putToUse(as(['designer']), { ...fact, id: 'rate-2', body: { ...body, value: 1.1 } });
    expect(await cut()).toBeCloseTo(1.1 * before, 4);
    const [used] = (await readLearning(context)).ratesInUse;
    const { id, author: _author, ...own } = used!;
    await putToUse(as(['designer']), { ...fact, id: 'rate-3', corrects: id, void: true, body: own });
    await putToUse(as(['designer']), { ...fact, id: 'rate-4', corrects: 'rate-1', void: true });
    expect(await cut()).toBe(before);
  });
});
