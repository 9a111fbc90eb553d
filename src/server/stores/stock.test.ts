import { describe, expect, it } from 'vitest';
import { contextOf } from '../context';
import { openDatabase } from '../database/open';
import { bookStock, listDatedLots, listStock } from './stock';

const freshContext = async () => contextOf(await openDatabase(':memory:'), 'I. Hallin');
const roll = (id: string, change = {}) => ({
  id,
  material: 'bx45-600',
  kind: 'roll',
  lot: 'L 4471',
  place: 'Rack 2',
  width: 1.27,
  length: null,
  outline: null,
  price: 3.4,
  expires: null,
  ...change,
});
const move = (id: string, lotId: string, amount: number, reason = 'bought') => ({ id, lotId, amount, reason });

describe('the store', () => {
  it('keeps lots with what is left, never below nothing, all of a booking or none of it', async () => {
    const context = await freshContext();
    await bookStock(context, { lots: [roll('r1'), roll('r2')], moves: [move('m1', 'r1', 12), move('m2', 'r2', 8)] });
    expect((await listStock(context, 'bx45-600')).map(({ left }) => left)).toEqual([12, 8]);
    const cut = { lots: [], moves: [move('m3', 'r1', -7.5, 'cut for Merrow 84'), move('m4', 'r2', -9, 'cut')] };
    await expect(bookStock(context, cut)).rejects.toThrow(/has 8.00 m left: 9.00 cannot be taken/);
    // Nothing of it was booked.
    expect((await listStock(context, null)).map(({ left }) => left)).toEqual([12, 8]);
    await bookStock(context, { lots: [], moves: [cut.moves[0]] });
    const [first] = await listStock(context, null);
    expect(first).toMatchObject({
      left: 4.5,
      lot: 'L 4471',
      moves: [{ reason: 'bought' }, { reason: 'cut for Merrow 84' }],
    });
  });
  it('books the same once, and refuses another under its id, a lot that is gone, and a wrong outline', async () => {
    const context = await freshContext();
    const booking = { lots: [roll('r1')], moves: [move('m1', 'r1', 12)] };
    await bookStock(context, booking);
    await bookStock(context, booking);
    expect((await listStock(context, null))[0]!.left).toBe(12);
    await expect(bookStock(context, { lots: [roll('r1', { lot: 'other' })], moves: [] })).rejects.toThrow(
      /Another lot/,
    );
    await expect(bookStock(context, { lots: [], moves: [move('m1', 'r1', 3)] })).rejects.toThrow(/Another movement/);
    await expect(bookStock(context, { lots: [], moves: [move('m9', 'gone', 3)] })).rejects.toThrow(/no lot "gone"/);
    await expect(bookStock(context, { lots: [], moves: [move('m9', 'r1', 3, ' ')] })).rejects.toThrow(/Say why/);
    const crossing = [[0, 0], [1, 1], [1, 0], [0, 1]]; // prettier-ignore
    await expect(
      bookStock(context, { lots: [roll('o1', { kind: 'offcut', outline: crossing })], moves: [] }),
    ).rejects.toThrow(/crosses itself/);
    await expect(bookStock(context, { lots: [roll('o2', { kind: 'offcut' })], moves: [] })).rejects.toThrow(
      /has an outline/,
    );
  });
  it('changes and removes no movement, whatever asks for it', async () => {
    const context = await freshContext();
    await bookStock(context, { lots: [roll('r1')], moves: [move('m1', 'r1', 12)] });
    await expect(context.db.updateTable('stock_move').set({ amount: 99 }).execute()).rejects.toThrow(/later one/);
    await expect(context.db.deleteFrom('stock_move').execute()).rejects.toThrow(/cannot be removed/);
  });
  it('knows its lots that have a last day, by the name of what they are of', async () => {
    const context = await freshContext();
    expect(await listDatedLots(context)).toEqual([]);
    const lots = [
      roll('r1', { expires: '2026-10-31' }),
      roll('r2', { lot: '', expires: '2026-10-31' }),
      roll('r3', { lot: 'L 9' }),
      roll('r4', { material: 'gone', lot: 'L 10', expires: '2027-01-31' }),
    ];
    await bookStock(context, { lots, moves: lots.map(({ id }) => move(`m-${id}`, id, 5)) });
    expect(await listDatedLots(context)).toEqual([
      { lot: 'L 4471', material: 'Stitched biaxial ±45, 600', expires: '2026-10-31' },
      { lot: 'L 10', material: 'gone', expires: '2027-01-31' },
    ]);
  });
});
