import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { beforeEach, describe, expect, it } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import { boatFromJson, boatToJson } from '@/core/document';
import type { Edit } from '@/core/edit';
import { ENGINE } from '@/core/evaluate';
import { contextOf, type StoreContext } from '../context';
import { openDatabase } from '../database/open';
import { createBoat, duplicateBoat, editBoat, listBoats, readBoat } from './boats';
import { foldHistory, listActions, PAGE, readBoatWithHistory, UNDO_KEPT } from './history';
import { listLaminates } from './laminates';
import { issueRevision, readRevision, readRevisionPrint } from './revisions';
import { follow, isBehind, variantStanding } from './variants';

const layerId = merrow().parts[0]!.layers[3]!.id;
const turn = (angleDeg: number): Edit => ({ type: 'layer.set', layerId, patch: { angleDeg } });

let context: StoreContext;
let now = '2026-01-01T08:00:00.000Z';
beforeEach(async () => {
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-history-')), 'keramos.db');
  const base = contextOf(await openDatabase(file), 'I. Hallin');
  context = { ...base, now: () => now };
});

/** So many actions from one time on, one a minute. */
async function act(id: string, version: number, count: number, from: string): Promise<number> {
  const start = Date.parse(from);
  for (let i = 0; i < count; i++) {
    now = new Date(start + i * 60_000).toISOString();
    ({ version } = await editBoat(context, id, version, [
      { clientId: `act-${from}-${i}`, action: 'do', edits: [turn(((version + i) % 170) - 80)] },
    ]));
  }
  return version;
}

describe('the history', () => {
  it('has an author on every action', async () => {
    const { id } = await createBoat(context, merrow());
    await editBoat({ ...context, actor: 'B. Moor' }, id, 1, [{ clientId: 'by-moor', action: 'do', edits: [turn(10)] }]);
    await editBoat(context, id, 2, [{ clientId: 'by-hallin', action: 'do', edits: [turn(20)] }]);
    const { history } = await readBoatWithHistory(context, id);
    expect(history.undo.map(({ author }) => author)).toEqual(['B. Moor', 'I. Hallin']);
  });
  it('is leafed through a page at a time, newest first, to the days that were folded', async () => {
    const { id } = await createBoat(context, merrow());
    await act(id, 1, 130, '2026-05-01T08:00:00.000Z');
    const first = await listActions(context, id);
    expect(first.actions.map(({ version }) => version)).toEqual(Array.from({ length: PAGE }, (_, i) => 131 - i));
    expect(first).toMatchObject({ more: true, days: [] });
    expect(first.actions[0]).toMatchObject({ author: 'I. Hallin', action: 'do' });
    const second = await listActions(context, id, first.actions.at(-1)!.version);
    const third = await listActions(context, id, second.actions.at(-1)!.version);
    expect([second.more, third.more]).toEqual([true, false]);
    const all = [...first.actions, ...second.actions, ...third.actions].map(({ version }) => version);
    expect(all).toEqual(Array.from({ length: 130 }, (_, i) => 131 - i));
    expect((await listActions(context, id, 2)).actions).toEqual([]);
    await expect(listActions(context, 'nowhere')).rejects.toMatchObject({ code: 'notFound' });
  });
  it('folds what is old and not needed for undo into the state of each day, and nothing else', async () => {
    const { id } = await createBoat(context, merrow());
    let version = await act(id, 1, 20, '2026-01-01T08:00:00.000Z');
    const first = (await readBoat(context, id)).boat;
    version = await act(id, version, 20, '2026-01-02T08:00:00.000Z');
    version = await act(id, version, UNDO_KEPT - 5, '2026-06-01T08:00:00.000Z');
    const before = await readBoatWithHistory(context, id);
    now = '2026-06-02T08:00:00.000Z';
    // The last two hundred stay, whatever their age: five of the second day among them.
    expect(await foldHistory(context, id)).toBe(35);
    const after = await readBoatWithHistory(context, id);
    expect(after).toEqual(before);
    const days = await context.db.selectFrom('boat_day').selectAll().where('boat_id', '=', id).orderBy('day').execute();
    expect(days.map(({ day }) => day)).toEqual(['2026-01-01', '2026-01-02']);
    expect(boatToJson(boatFromJson(days[0]!.document))).toBe(boatToJson(first));
    expect(await foldHistory(context, id)).toBe(0);
    expect(after.version).toBe(version);
  });
  it('of a boat with few actions stays whole, however old', async () => {
    const { id } = await createBoat(context, merrow());
    await act(id, 1, 10, '2020-01-01T08:00:00.000Z');
    now = '2026-06-02T08:00:00.000Z';
    expect(await foldHistory(context, id)).toBe(0);
  });
  it('ends what can be taken back where a stored action no longer reads', async () => {
    const { id } = await createBoat(context, merrow());
    await act(id, 1, 3, '2026-01-01T08:00:00.000Z');
    await context.db
      .updateTable('edit')
      .set({ inverse_json: '[{"type":"layer.fly"}]' })
      .where('version', '=', 3)
      .execute();
    expect((await readBoatWithHistory(context, id)).history.undo).toHaveLength(1);
  });
});

describe('a batch that comes again', () => {
  const batch = (...angles: number[]) =>
    angles.map((angle) => ({ clientId: `batch-${angle}`, action: 'do' as const, edits: [turn(angle)] }));
  it('counts as done at the version it made, not at that of others', async () => {
    const { id } = await createBoat(context, merrow());
    expect(await editBoat(context, id, 1, batch(10, 20))).toEqual({ version: 3 });
    await editBoat(context, id, 3, batch(30));
    expect(await editBoat(context, id, 1, batch(10, 20))).toEqual({ version: 3 });
  });
  it('goes on where it stands when it was taken in part', async () => {
    const { id } = await createBoat(context, merrow());
    await editBoat(context, id, 1, batch(10, 20));
    expect(await editBoat(context, id, 1, batch(10, 20, 30))).toEqual({ version: 4 });
    expect((await readBoat(context, id)).boat.parts[0]!.layers[3]!.angleDeg).toBe(30);
  });
  it('is refused under the same id with another content', async () => {
    const { id } = await createBoat(context, merrow());
    await editBoat(context, id, 1, batch(10));
    const other = [{ clientId: 'batch-10', action: 'do' as const, edits: [turn(80)] }];
    await expect(editBoat(context, id, 1, other)).rejects.toMatchObject({
      code: 'conflict',
      message: expect.stringContaining('another content') as string,
    });
  });
  it('names the action that is refused, so that the others can be sent again', async () => {
    const { id } = await createBoat(context, merrow());
    const bad = {
      clientId: 'bad-one',
      action: 'do' as const,
      edits: [{ type: 'layer.remove', layerId: 'nothing' } as Edit],
    };
    await expect(editBoat(context, id, 1, [...batch(10), bad, ...batch(20)])).rejects.toMatchObject({
      details: { clientId: 'bad-one' },
    });
    expect((await readBoat(context, id)).version).toBe(1);
  });
});

describe('a revision', () => {
  it('keeps its results, its engine and its print', async () => {
    const { id } = await createBoat(context, merrow());
    const issued = await issueRevision(context, id, 1, { author: 'I. Hallin', note: 'First', answer: 'As quoted' });
    expect(issued.engine).toBe(ENGINE);
    const { results } = await readRevision(context, id, 'A');
    expect(results!.zones.find(({ zone }) => zone === 'Bottom forward')!.reserveFactor).toBeCloseTo(0.957, 2);
    expect(results!.details.some(({ reserveFactor }) => reserveFactor !== null && reserveFactor < 1)).toBe(true);
    const print = (await readRevisionPrint(context, id, 'A'))!;
    expect(Buffer.from(print.subarray(0, 5)).toString()).toBe('%PDF-');
    expect(Buffer.from((await readRevisionPrint(context, id, 'A'))!).equals(Buffer.from(print))).toBe(true);
    await expect(readRevisionPrint(context, id, 'Z')).rejects.toMatchObject({ code: 'notFound' });
  });
  it('is not issued twice when two people sign at once', async () => {
    const { id } = await createBoat(context, merrow());
    const both = await Promise.allSettled([
      issueRevision(context, id, 1, { author: 'I. Hallin', note: 'First', answer: 'As quoted' }),
      issueRevision(context, id, 1, { author: 'B. Moor', note: 'First too', answer: 'As quoted' }),
    ]);
    expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
  });
});

describe('reading', () => {
  it('writes nothing: a variant behind its parent stays so until it is told to follow', async () => {
    const { id } = await createBoat(context, merrow());
    const copy = await duplicateBoat(context, id, 'Merrow 84, heavy crew');
    await editBoat(context, id, 1, [{ clientId: 'parent-1', action: 'do', edits: [turn(55)] }]);
    const state = () => context.db.selectFrom('boat').selectAll().execute();
    const before = await state();
    expect(await isBehind(context, copy.id)).toBe(true);
    await variantStanding(context, copy.id);
    await readBoatWithHistory(context, copy.id);
    await listBoats(context);
    await listLaminates(context);
    expect(await state()).toEqual(before);
    await follow(context, copy.id);
    expect(await isBehind(context, copy.id)).toBe(false);
    expect((await readBoat(context, copy.id)).boat.parts[0]!.layers[3]!.angleDeg).toBe(55);
  });
  it('asks the database a fixed number of times, however many boats there are', async () => {
    const asked = async (count: number) => {
      for (let i = 0; i < count; i++) await createBoat(context, { ...merrow(), name: `Boat ${i}` });
      let statements = 0;
      const counting = context.db.withPlugin({
        transformQuery: ({ node }) => {
          statements += 1;
          return node;
        },
        transformResult: async ({ result }) => result,
      });
      await listBoats({ ...context, db: counting });
      await listLaminates({ ...context, db: counting });
      return statements;
    };
    expect(await asked(2)).toBe(await asked(6));
  });
});
