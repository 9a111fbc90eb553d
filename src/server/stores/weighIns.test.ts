import { sql } from 'kysely';
import { describe, expect, it } from 'vitest';
import { USUAL_RATES } from '@/core/cost';
import type { WeighIn } from '@/core/weight';
import { merrow } from '../../../tests/helpers/merrow';
import { contextOf } from '../context';
import { openDatabase } from '../database/open';
import { createBoat } from './boats';
import { keepSetting, readSetting, settingName } from './settings';
import { keepWeighIn, listWeighIns } from './weighIns';

const yard = async () => {
  const context = contextOf(await openDatabase(':memory:'), 'I. Hallin');
  const { id } = await createBoat(context, merrow());
  return { context, boatId: id };
};
const weighIn = (more: Partial<WeighIn> = {}): WeighIn => ({
  id: 'w1',
  hull: '',
  subject: 'hull',
  stage: 'bare',
  mass: 312.5,
  scales: 0.5,
  day: '2026-11-20',
  note: '',
  corrects: null,
  void: false,
  ...more,
});

describe('weigh-ins', () => {
  it('are kept with who weighed, once however often they are sent, and corrected by a later one', async () => {
    const { context, boatId } = await yard();
    const kept = await keepWeighIn(context, boatId, weighIn());
    expect(kept).toMatchObject({ mass: 312.5, author: 'I. Hallin' });
    expect(await keepWeighIn(context, boatId, weighIn())).toEqual(kept);
    await keepWeighIn(context, boatId, weighIn({ id: 'w2', mass: 321.5, corrects: 'w1' }));
    expect((await listWeighIns(context, boatId)).map(({ id }) => id)).toEqual(['w1', 'w2']);
    await expect(keepWeighIn(context, boatId, weighIn({ id: 'w3', corrects: 'w1' }))).rejects.toMatchObject({
      code: 'conflict',
    });
  });
  it.each([
    ['another under the same id', weighIn({ mass: 99 }), 'has this id'],
    ['a part that is not there', weighIn({ id: 'w2', subject: 'keel' }), 'no such part'],
    ['a correction of nothing', weighIn({ id: 'w2', corrects: 'w9' }), 'is not there'],
    ['no mass', weighIn({ id: 'w2', mass: 0 }), 'Mass must be'],
    ['a field nobody knows', { ...weighIn({ id: 'w2' }), colour: 'red' }, 'colour'],
    ['text', 'heavy', 'must be an object'],
  ])('refuse %s, and lose nothing', async (_, bad, reason) => {
    const { context, boatId } = await yard();
    await keepWeighIn(context, boatId, weighIn());
    await expect(keepWeighIn(context, boatId, bad)).rejects.toThrow(reason);
    expect(await listWeighIns(context, boatId)).toHaveLength(1);
  });
  it('cannot be changed or removed in the database either', async () => {
    const { context, boatId } = await yard();
    await keepWeighIn(context, boatId, weighIn());
    await expect(sql`update weigh_in set author = 'X'`.execute(context.db)).rejects.toThrow('never changed');
    await expect(sql`delete from weigh_in`.execute(context.db)).rejects.toThrow('cannot be removed');
    await expect(listWeighIns(context, 'no-such-boat')).rejects.toMatchObject({ code: 'notFound' });
  });
});

describe('rates and prices of the yard', () => {
  it('are the usual ones until it says otherwise, and are changed by one at a time', async () => {
    const { context } = await yard();
    expect(await readSetting(context, 'rates')).toEqual({ body: USUAL_RATES, version: 0, own: null });
    const body = { ...USUAL_RATES, labour: 52 };
    expect(await keepSetting(context, 'rates', { body, version: 0 })).toMatchObject({
      version: 1,
      own: { author: 'I. Hallin' },
    });
    expect((await readSetting(context, 'rates')).body.labour).toBe(52);
    await expect(keepSetting(context, 'rates', { body, version: 0 })).rejects.toMatchObject({ code: 'conflict' });
  });
  it('refuse what is no rate and no price, with the field', async () => {
    const { context } = await yard();
    const bad = { ...USUAL_RATES, labour: -1 };
    await expect(keepSetting(context, 'rates', { body: bad, version: 0 })).rejects.toMatchObject({
      path: 'rates.labour',
    });
    const offers = [{ material: 'x', supplier: '', by: 'kilo', price: 1, currency: 'EUR', date: '2026-01-01' }];
    await expect(keepSetting(context, 'prices', { body: { offers }, version: 0 })).rejects.toMatchObject({
      code: 'invalid',
    });
    expect(() => settingName('secrets')).toThrow('rates, cutting, mixing, filling, curing, steps, shop, prices');
    expect(() => settingName('constructor')).toThrow('rates, cutting, mixing, filling, curing, steps, shop, prices');
    expect((await readSetting(context, 'prices')).body.offers).toEqual([]);
  });
});
