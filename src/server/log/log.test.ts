import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { strFromU8, unzipSync } from 'fflate';
import { beforeAll, describe, expect, it } from 'vitest';
import { brant } from '../../../tests/helpers/merrow';
import { boatFromJson } from '@/core/document';
import { contextOf, type StoreContext } from '../context';
import { database } from '../database/open';
import { seedDemo } from '../demo';
import { seedDemoBuilds } from '../demoBuilds';
import { printBook } from '../kit/kitting';
import { keepPhoto } from '../floor/photos';
import { keepRecords } from '../stores/buildRecords';
import { listShelf } from '../stores/shelf';
import { listYardFacts } from '../stores/yardFacts';
import { bookZip, photoFiles, readBook } from './readBook';
import { learningEffect, putToUse, readLearning } from './readLearning';
import { readLog, readYardLog } from './readLog';
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
}, 240_000);

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
    expect(book.alignments[0]!.found.centreline!.doubtful).toEqual([2]);
    expect(book.defects[0]).toMatchObject({ decided: { check: expect.stringContaining('meets') }, open: false });
    expect(book.parts.flatMap(({ steps }) => steps).flatMap(({ laid }) => laid).length).toBeGreaterThan(50);
    const running = (await readBook(context, 'demo-merrow-3')).book;
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
    expect(Object.keys(files).sort()).toEqual(['boat.json', 'book.json', 'photos/ph-1']);
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
  }, 60_000);
});

describe('trials', () => {
  it('Hatch 7 shows the whole loop: too strong, meets, fails, and what the lightest is', async () => {
    const [series] = await readTrials(context);
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
    expect(inUse).toEqual([]);
    const one = learned.find(({ process }) => process === 'handLayUp')!;
    expect(one.observations.length).toBeGreaterThan(2);
    const use = { process: one.process, form: one.form, factor: 0.9, n: 4, spread: 0.05 };
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
  }, 60_000);
});
