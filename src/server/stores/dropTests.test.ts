import { sql } from 'kysely';
import { describe, expect, it } from 'vitest';
import type { DropTest } from '@/core/fill';
import { merrow } from '../../../tests/helpers/merrow';
import { contextOf } from '../context';
import { openDatabase } from '../database/open';
import { createBoat } from './boats';
import { keepDropTest, listDropTests } from './dropTests';

const yard = async () => {
  const context = contextOf(await openDatabase(':memory:'), 'I. Hallin');
  const { id } = await createBoat(context, merrow());
  return { context, boatId: id };
};
const reading = (more: Partial<DropTest> = {}): DropTest => ({
  id: 'd1',
  plan: 'fill-hull',
  hull: '1',
  day: '2026-11-29',
  start: 1500,
  end: 1700,
  minutes: 10,
  startCelsius: null,
  endCelsius: null,
  instrument: 'gauge 2',
  volume: 0.12,
  gel: 5400,
  note: '',
  corrects: null,
  void: false,
  ...more,
});

describe('drop tests', () => {
  it('are kept with who read them, once however often they are sent, and corrected by a later one', async () => {
    const { context, boatId } = await yard();
    const kept = await keepDropTest(context, boatId, reading());
    expect(kept).toMatchObject({ author: 'I. Hallin', start: 1500 });
    expect(await keepDropTest(context, boatId, reading())).toEqual(kept);
    await keepDropTest(context, boatId, reading({ id: 'd2', end: 1800, corrects: 'd1' }));
    expect(await listDropTests(context, boatId)).toHaveLength(2);
  });
  it.each([
    ['another under the same id', reading({ end: 1600 }), 'has this id'],
    ['a plan that is not there', reading({ id: 'd2', plan: 'fill-sail' }), 'no such fill plan'],
    ['a pressure that falls', reading({ id: 'd2', start: 9000, end: 3000 }), 'does not fall'],
    ['a correction of nothing', reading({ id: 'd2', corrects: 'd9' }), 'is not there'],
    ['a field nobody knows', { ...reading({ id: 'd2' }), colour: 'red' }, 'colour'],
  ])('refuse %s', async (_, raw, words) => {
    const { context, boatId } = await yard();
    await keepDropTest(context, boatId, reading());
    await expect(keepDropTest(context, boatId, raw)).rejects.toThrow(words);
    expect(await listDropTests(context, boatId)).toHaveLength(1);
  });
  it('stand in the database for good', async () => {
    const { context, boatId } = await yard();
    await keepDropTest(context, boatId, reading());
    await expect(sql`update drop_test set author = 'X'`.execute(context.db)).rejects.toThrow('never changed');
    await expect(sql`delete from drop_test`.execute(context.db)).rejects.toThrow('cannot be removed');
  });
});
