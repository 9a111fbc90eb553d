import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { boatFromJson, boatToJson, LISTS, newLayer, newZone, type Boat } from '@/core/document';
import { applyEdits, type Edit } from '@/core/edit';
import { makeEvaluator } from '@/core/evaluate';
import { contextOf, type StoreContext } from '@/server/context';
import { openDatabase } from '@/server/database/open';
import { createBoat, editBoat, listBoats, readBoat } from '@/server/stores/boats';
import { listActions, readBoatWithHistory, UNDO_KEPT } from '@/server/stores/history';
import { listLaminates } from '@/server/stores/laminates';
import { largeBoat } from '../helpers/largeBoat';

/** A boat as large as a boat may be: 64 zones, 400 layers, 400 supports, and a long history. */
const LAYERS = 400;
const ZONES = 64;
function largest(): Boat {
  const boat = largeBoat(LAYERS, ZONES);
  const [support] = boat.supports;
  const supports = Array.from({ length: LISTS.supports.limit }, (_, i) => ({
    ...support!,
    id: `support-${i}`,
    name: `Support ${i + 1}`,
  }));
  return { ...boat, supports: supports as Boat['supports'] };
}
const took: string[] = [];
async function timed<T>(what: string, work: () => T | Promise<T>): Promise<T> {
  const began = performance.now();
  const result = await work();
  took.push(`${what} ${Math.round(performance.now() - began)} ms`);
  return result;
}

let file: string;
let context: StoreContext;
let id: string;
beforeAll(async () => {
  file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-limits-')), 'keramos.db');
  context = contextOf(await openDatabase(file), 'I. Hallin');
  ({ id } = await createBoat(context, largest()));
});

describe('a boat at its limits', () => {
  it('goes out and in, is stored and read by another connection, and every zone of it is judged', async () => {
    const boat = largest();
    expect(boatToJson(boatFromJson(boatToJson(boat)))).toBe(boatToJson(boat));
    const other = contextOf(await openDatabase(file));
    const read = await timed('read', () => readBoat(other, id));
    expect(boatToJson(read.boat)).toBe(boatToJson(boat));
    const evaluations = await timed('evaluate', () => makeEvaluator()(read.boat));
    expect(evaluations.size).toBe(ZONES);
    console.log(`${LAYERS} layers × ${ZONES} zones, ${boat.supports.length} supports: ${took.join(', ')}`);
  });

  it.each<[string, (boat: Boat) => Edit[], string]>([
    [
      'a layer',
      ({ parts: [part] }) => [
        {
          type: 'layer.add',
          partId: part!.id,
          layer: newLayer({ id: 'more', material: 'csm-300', zones: [] }),
          index: 0,
        },
      ],
      'at most 400 layers',
    ],
    [
      'a zone',
      ({ parts: [part] }) => [
        { type: 'zone.add', partId: part!.id, zone: newZone('more', 'More', 'deck'), index: 0, coveredBy: [] },
      ],
      'at most 64 zones',
    ],
    [
      'a support',
      ({ supports: [support] }) => [{ type: 'support.add', item: { ...support!, id: 'more' }, index: 0 } as Edit],
      'at most 400 supports',
    ],
  ])('%s more is refused in words, on the page and at the server, and nothing changes', async (_what, edits, words) => {
    const { boat, version } = await readBoat(context, id);
    expect(() => applyEdits(boat, edits(boat))).toThrow(words);
    const actions = [{ clientId: `over-${words}`, action: 'do' as const, edits: edits(boat) }];
    await expect(editBoat(context, id, version, actions)).rejects.toThrow(words);
    expect((await readBoat(context, id)).version).toBe(version);
  });

  it('380 rows pasted over the limit are refused as one, and the boat opens as before', async () => {
    const boat = largeBoat(60, 4);
    const { id: own } = await createBoat(context, boat);
    const [part] = boat.parts;
    const rows = Array.from({ length: 380 }, (_, i): Edit => {
      const layer = newLayer({ id: `pasted-${i}`, material: 'csm-300', zones: [] });
      return { type: 'layer.add', partId: part!.id, layer, index: 60 };
    });
    const paste = editBoat(context, own, 1, [{ clientId: 'paste', action: 'do', edits: rows }]);
    await expect(paste).rejects.toThrow('and this would make 440');
    expect(boatToJson((await readBoat(context, own)).boat)).toBe(boatToJson(boat));
    expect((await listBoats(context)).length).toBeGreaterThan(1);
    expect(Array.isArray(await listLaminates(context))).toBe(true);
  });

  it('with 20,000 edits behind it opens with those that can be taken back, and is leafed through', async () => {
    const { id: own } = await createBoat(context, largeBoat(60, 4));
    const edit = JSON.stringify([{ type: 'brief.set', patch: { weightTarget: 500 } }]);
    const rows = Array.from({ length: 20_000 }, (_, i) => ({
      boat_id: own,
      version: i + 2,
      client_id: `long-${i}`,
      action: 'do' as const,
      description: 'set the target',
      forward_json: edit,
      inverse_json: edit,
      author: 'I. Hallin',
      at: '2026-11-01T08:00:00.000Z',
    }));
    for (let at = 0; at < rows.length; at += 1000)
      await context.db
        .insertInto('edit')
        .values(rows.slice(at, at + 1000))
        .execute();
    await context.db.updateTable('boat').set({ version: 20_001 }).where('id', '=', own).execute();
    const other = contextOf(await openDatabase(file));
    took.length = 0;
    const { history, version } = await timed('open with its history', () => readBoatWithHistory(other, own));
    expect([history.undo.length, version]).toEqual([UNDO_KEPT, 20_001]);
    const page = await timed('a page of it', () => listActions(other, own));
    expect(page.actions[0]!.version).toBe(20_001);
    expect((await listActions(other, own, 30)).actions).toHaveLength(28);
    console.log(`20,000 edits: ${took.join(', ')}`);
  });
});
