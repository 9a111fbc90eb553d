import { describe, expect, it } from 'vitest';
import { brant } from '../../../tests/helpers/merrow';
import { contextOf } from '../context';
import { openDatabase } from '../database/open';
import { createBoat, editBoat } from './boats';
import { freezeKit, listKits, readKit } from './kits';
import { bookStock, listStock } from './stock';
import { issueRevision, recordRevisionEvent } from './revisions';

const yard = async () => {
  const context = contextOf(await openDatabase(':memory:'), 'I. Hallin');
  const { id: boatId, version } = await createBoat(context, brant());
  await issueRevision(context, boatId, version, { author: 'I. Hallin', note: 'for the shop', answer: 'known' });
  return { context, boatId, version };
};

describe('the kit of a hull', () => {
  it('is frozen from an issued revision, and stays as it is when the boat is changed', async () => {
    const { context, boatId, version } = await yard();
    const head = await freezeKit(context, boatId, { id: 'k1', revision: 'A', hull: '1' });
    expect(head).toMatchObject({ revision: 'A', hull: '1', takenFrom: null, author: 'I. Hallin' });
    const before = await readKit(context, boatId, 'k1');
    expect(before.kit.pieces.reduce((sum, { count }) => sum + count, 0)).toBe(head.pieces);
    const [layer] = (await readKit(context, boatId, 'k1')).kit.counts;
    await editBoat(context, boatId, version, [
      { clientId: 'off', action: 'do', edits: [{ type: 'layer.remove', layerId: layer!.layerId }] },
    ]);
    expect(await readKit(context, boatId, 'k1')).toEqual(before);
    // The same asked again is the same kit.
    await freezeKit(context, boatId, { id: 'k1', revision: 'A', hull: '1' });
    expect(await listKits(context, boatId)).toHaveLength(1);
    await expect(context.db.updateTable('kit').set({ hull: '9' }).execute()).rejects.toThrow(/does not change/);
  });
  it('is taken over by the next hull, and refused where the hull has one', async () => {
    const { context, boatId } = await yard();
    await freezeKit(context, boatId, { id: 'k1', revision: 'A', hull: '1' });
    const next = await freezeKit(context, boatId, { id: 'k2', from: 'k1', hull: '2' });
    expect(next).toMatchObject({ revision: 'A', takenFrom: '1' });
    expect((await readKit(context, boatId, 'k2')).kit).toEqual((await readKit(context, boatId, 'k1')).kit);
    await expect(freezeKit(context, boatId, { id: 'k3', from: 'k1', hull: '2' })).rejects.toThrow(/has its kit/);
    await expect(freezeKit(context, boatId, { id: 'k3', from: 'gone', hull: '3' })).rejects.toThrow(/no such kit/);
    await expect(freezeKit(context, boatId, { id: 'k3', revision: 'A', hull: ' ' })).rejects.toThrow(/which hull/);
    await expect(freezeKit(context, boatId, { id: 'k3', hull: '3' })).rejects.toThrow(/issued revision/);
    await expect(freezeKit(context, boatId, { id: 'k3', revision: 'Q', hull: '3' })).rejects.toThrow(/Q/);
  });
  it('is never frozen from a revision that was withdrawn', async () => {
    const { context, boatId } = await yard();
    await recordRevisionEvent(context, boatId, 'A', { kind: 'withdrawn', author: 'I. Hallin', note: 'wrong cloth' });
    await expect(freezeKit(context, boatId, { id: 'k1', revision: 'A', hull: '1' })).rejects.toThrow(/was withdrawn/);
  });
  it('is cut material by material, each once; what is booked for it is told with it', async () => {
    const { context, boatId } = await yard();
    await freezeKit(context, boatId, { id: 'k1', revision: 'A', hull: '1' });
    const roll = { kind: 'roll', width: 1.25, length: null, outline: null, price: null, expires: null, place: '' };
    const lots = [{ ...roll, id: 'r1', material: 'wr-300', lot: 'K 1' }];
    await bookStock(context, { lots, moves: [{ id: 'm1', lotId: 'r1', amount: 80, reason: 'bought' }] });
    const cut = { kitId: 'k1', lots: [], moves: [{ id: 'm2', lotId: 'r1', amount: -12, reason: 'cut for hull 1' }] };
    await bookStock(context, cut);
    const [head] = await listKits(context, boatId);
    expect(head!.cut).toEqual(['wr-300']);
    expect(head!.materials).toContain('wr-300');
    // Sent again by a lost answer it is the same; another booking of the same material is refused, nothing taken.
    await bookStock(context, cut);
    const again = { ...cut, moves: [{ ...cut.moves[0]!, id: 'm3' }] };
    await expect(bookStock(context, again)).rejects.toThrow(/booked already/);
    await expect(bookStock(context, { ...again, kitId: 'gone' })).rejects.toThrow(/no such kit/);
    expect((await listStock(context, 'wr-300'))[0]!.left).toBe(68);
  });
  it('opens as it was frozen before pieces could be drawn, slit or notched', async () => {
    const { context, boatId } = await yard();
    await freezeKit(context, boatId, { id: 'k1', revision: 'A', hull: '1' });
    const { kit, cutting } = await readKit(context, boatId, 'k1');
    const pieces = kit.pieces.map(({ run: _run, cuts: _cuts, notches: _notches, drawn: _drawn, ...old }) => old);
    const { runs: _runs, lost: _lost, ...rest } = kit;
    const old = JSON.stringify({ cutting, kit: { ...rest, pieces } });
    const row = { boat_id: boatId, revision: 'A', taken_from: null, author: '', at: '2026-01-01T00:00:00.000Z' };
    await context.db
      .insertInto('kit')
      .values({ ...row, id: 'old', hull: 'old', body_json: old })
      .execute();
    const read = await readKit(context, boatId, 'old');
    expect(read.kit.pieces[0]).toMatchObject({ cuts: [], notches: [], drawn: null, run: null });
    expect([read.kit.runs, read.kit.lost]).toEqual([[], []]);
  });
});
