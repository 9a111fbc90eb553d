import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { beforeEach, describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { boatToJson } from '@/core/document';
import type { Edit } from '@/core/edit';
import { contextOf, type StoreContext } from '../context';
import { openDatabase } from '../database/open';
import { createBoat, editBoat, listBoats, readBoat } from './boats';
import { listLaminates } from './laminates';
import { damageOf, rawBoat, rescueBoat } from './repair';
import { issueRevision } from './revisions';

const layerId = merrow().parts[0]!.layers[3]!.id;
const turn = (angleDeg: number): Edit => ({ type: 'layer.set', layerId, patch: { angleDeg } });

let file: string;
let context: StoreContext;
let id: string;
beforeEach(async () => {
  file = path.join(mkdtempSync(path.join(tmpdir(), 'keramos-repair-')), 'keramos.db');
  context = contextOf(await openDatabase(file), 'I. Hallin');
  ({ id } = await createBoat(context, merrow()));
});

const edit = (baseVersion: number, angleDeg: number) =>
  editBoat(context, id, baseVersion, [{ clientId: `turn-${baseVersion}`, action: 'do', edits: [turn(angleDeg)] }]);

/** Write over a row behind the server's back, as a fault or another program would. */
async function damage(list: string, item: string, body: string): Promise<void> {
  await context.db
    .updateTable('boat_item')
    .set({ body_json: body })
    .where('boat_id', '=', id)
    .where('list', '=', list)
    .where('id', '=', item)
    .execute();
  // Another process: nothing is remembered.
  context = contextOf(await openDatabase(file), 'I. Hallin');
}
const bodyOf = async (list: string, item: string) =>
  JSON.parse(
    (
      await context.db
        .selectFrom('boat_item')
        .select('body_json')
        .where('boat_id', '=', id)
        .where('list', '=', list)
        .where('id', '=', item)
        .executeTakeFirstOrThrow()
    ).body_json,
  ) as Record<string, unknown>;

describe('a boat that reads', () => {
  it('has no damage, and nothing to rescue', async () => {
    expect(await damageOf(context, id)).toBeNull();
    await expect(rescueBoat(context, id)).rejects.toThrow('nothing to mend');
    await expect(damageOf(context, 'nowhere')).rejects.toMatchObject({ code: 'notFound' });
  });
});

describe('a stored boat that does not read', () => {
  it('says what is wrong, and opens as it was before the action that is to blame', async () => {
    await edit(1, 10);
    await edit(2, 20);
    await damage('layers', layerId, JSON.stringify({ ...(await bodyOf('layers', layerId)), angleDeg: 4000 }));
    await expect(readBoat(context, id)).rejects.toMatchObject({ code: 'invalid' });
    expect(await damageOf(context, id)).toMatchObject({
      name: 'Merrow 84',
      version: 3,
      problem: expect.stringContaining('Angle must be between') as string,
      path: expect.stringMatching(/^stored boat\.parts\.0\.layers\.3\.angleDeg$/) as string,
      place: 'Hull, layers 4, angleDeg',
      good: { from: 'before the last action' },
    });
    const rescued = await rescueBoat(context, id);
    expect(rescued.boat.name).toBe('Merrow 84, before the last action');
    expect(rescued.boat.parts[0]!.layers[3]!.angleDeg).toBe(10);
    // It stands by itself, and the damaged one stays as it is.
    expect((await readBoat(context, rescued.id)).boat.parts[0]!.layers).toHaveLength(merrow().parts[0]!.layers.length);
    expect(await damageOf(context, id)).not.toBeNull();
  });
  it('whose actions do not lead back opens as its newest revision', async () => {
    await edit(1, 10);
    await issueRevision(context, id, 2, { author: 'I. Hallin', note: 'first issue', answer: 'As quoted' });
    await edit(2, 20);
    await damage('layers', layerId, '{ "angleDeg": ');
    expect(await damageOf(context, id)).toMatchObject({
      problem: `What is stored of layers "${layerId}" is no JSON`,
      good: { from: 'revision A' },
    });
    expect((await rescueBoat(context, id)).boat.parts[0]!.layers[3]!.angleDeg).toBe(10);
  });
  it('of which no state reads says so, and still gives out all that is stored', async () => {
    await damage('single', 'brief', '{}');
    const found = await damageOf(context, id);
    expect(found).toMatchObject({ good: null, path: expect.stringContaining('brief') as string });
    await expect(rescueBoat(context, id)).rejects.toMatchObject({ code: 'notFound' });
    const raw = JSON.parse(await rawBoat(context, id)) as { rows: { list: string; body_json: string }[] };
    const { parts } = merrow();
    expect(raw.rows.filter(({ list }) => list === 'layers')).toHaveLength(parts.flatMap(({ layers }) => layers).length);
  });
  it('is in the list, and takes no other boat down with it', async () => {
    const other = await createBoat(context, brant());
    await damage('layers', layerId, '[]');
    expect((await listBoats(context)).map(({ name }) => name).sort()).toEqual(['Brant 56', 'Merrow 84']);
    expect(boatToJson((await readBoat(context, other.id)).boat)).toBe(boatToJson(brant()));
    expect((await listLaminates(context)).every(({ boatName }) => boatName === 'Brant 56')).toBe(true);
  });
});

it('a boat of which a row would be missing is not written at all', async () => {
  // A row that no document knows of: another program wrote it.
  await context.db
    .insertInto('boat_item')
    .values({ boat_id: id, list: 'layers', id: 'stray', parent_id: 'gone', position: 0, body_json: '{}' })
    .execute();
  await expect(edit(1, 33)).rejects.toThrow('would be stored with');
  const { version, boat } = await readBoat(contextOf(await openDatabase(file)), id);
  expect([version, boat.parts[0]!.layers[3]!.angleDeg]).toEqual([1, merrow().parts[0]!.layers[3]!.angleDeg]);
});
