import { beforeEach, describe, expect, it } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import { contextOf, type StoreContext } from '../context';
import { openDatabase } from '../database/open';
import { createBoat } from './boats';
import { keepSurvey, readSurvey } from './surveys';

let yard: StoreContext;
let boatId: string;
beforeEach(async () => {
  yard = contextOf(await openDatabase(':memory:'), 'I. Hallin');
  ({ id: boatId } = await createBoat(yard, merrow()));
});
const reading = { at: [0.2, 0.4], thickness: 0.006, coating: null, core: null, layers: 5, fibre: null, note: 'aft' };
const survey = { readings: [reading], cloths: ['csm-450'], cores: [] };
const dot = `data:image/png;base64,${Buffer.from('picture').toString('base64')}`;
const place = (zoneId = 'side-fwd') => ({ boatId, zoneId });

describe('readings of an existing part', () => {
  it('are kept with their picture, which stays when readings change', async () => {
    expect(await readSurvey(yard, boatId, 'side-fwd')).toMatchObject({ version: 0, readings: [], own: null });
    await keepSurvey(yard, place(), { survey, version: 0, picture: dot });
    await keepSurvey(yard, place(), { survey: { ...survey, cores: ['pvc-80'] }, version: 1 });
    const kept = await readSurvey(yard, boatId, 'side-fwd');
    expect(kept).toMatchObject({ version: 2, picture: dot, cores: ['pvc-80'], own: { author: 'I. Hallin' } });
    expect((await keepSurvey(yard, place(), { survey, version: 2, picture: null })).picture).toBeNull();
    expect((await readSurvey(yard, boatId, 'transom')).version).toBe(0);
  });
  it('are changed by one at a time', async () => {
    await keepSurvey(yard, place(), { survey, version: 0 });
    await expect(keepSurvey(yard, place(), { survey, version: 0 })).rejects.toMatchObject({ code: 'conflict' });
  });
  it.each([
    ['a reading off the picture', { survey: { ...survey, readings: [{ ...reading, at: [2, 0] }] } }, /1/],
    ['no picture', { survey, picture: 'data:text/html;base64,AAAA' }, 'no PNG'],
    ['a picture too large', { survey, picture: `data:image/png;base64,${'A'.repeat(3_000_001)}` }, 'larger than'],
    ['61 readings', { survey: { ...survey, readings: Array(61).fill(reading) } }, 'At most 60'],
  ])('are refused with %s', async (_, body, reason) => {
    await expect(keepSurvey(yard, place(), { version: 0, ...body })).rejects.toThrow(reason);
    expect((await readSurvey(yard, boatId, 'side-fwd')).version).toBe(0);
  });
  it('are of a boat and a zone', async () => {
    await expect(readSurvey(yard, 'nowhere', 'side-fwd')).rejects.toMatchObject({ code: 'notFound' });
    await expect(keepSurvey(yard, place('../x'), { survey, version: 0 })).rejects.toThrow('no zone');
  });
});
