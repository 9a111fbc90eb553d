import { describe, expect, it } from 'vitest';
import { Diary } from '../../../tests/helpers/builds';
import { plan } from '../../../tests/helpers/logged';
import { stateOf } from '../build';
import { usedPast } from './usedPast';

const resin = { lot: 'PE-2207', material: 'Polyester', expires: '2026-11-02' };
const cloth = { lot: 'R-12', material: 'Biaxial 600', expires: '2026-11-30' };
const wet = plan.steps.find(({ pieces, stay }) => pieces.length > 1 && stay === 'must')!;

/** A diary that begins on 2 November: batches and pieces of some lots, so many days after each other. */
function told(lots: readonly { days: number; batch?: string; piece?: string }[]) {
  const diary = new Diary();
  diary.note('begun', { step: wet.id });
  let next = 0;
  for (const { days, batch, piece } of lots) {
    diary.wait(days * 1440);
    if (batch !== undefined)
      diary.note('batch', { step: wet.id, resin: 3, hardener: 0.05, celsius: 19, life: 30, lots: batch });
    if (piece !== undefined)
      diary.note('piece', { step: wet.id, code: wet.pieces[next++]!, how: 'ticked', lot: piece, batch: null });
  }
  return stateOf(plan, diary.records);
}

describe('lots that were used after their last day', () => {
  it('are none of those that were used on that day or before it', () => {
    expect(usedPast(told([{ days: 0, batch: 'PE-2207', piece: 'R-12' }]), [resin, cloth])).toEqual([]);
  });
  it('are told once, from the first to the last time, with where and by whom', () => {
    const state = told([
      { days: 0, batch: 'PE-2207' },
      { days: 1, batch: 'resin PE-2207, MEKP K7' },
      { days: 2, batch: 'pe-2207', piece: 'R-12' },
    ]);
    const [one, ...others] = usedPast(state, [resin, cloth]);
    expect(others).toEqual([]);
    expect(one).toMatchObject({ ...resin, steps: [wet.name], people: ['T. Reed'] });
    expect([one!.first.slice(0, 10), one!.last.slice(0, 10)]).toEqual(['2026-11-03', '2026-11-05']);
  });
  it('are told of pieces as of batches, the first that was used so first', () => {
    const state = told([
      { days: 5, piece: 'R-12' },
      { days: 1, batch: 'PE-2207' },
    ]);
    const found = usedPast(state, [resin, { ...cloth, expires: '2026-11-06' }]);
    expect(found.map(({ lot }) => lot)).toEqual(['R-12', 'PE-2207']);
  });
});
