import { describe, expect, it } from 'vitest';
import { Diary } from '../../../tests/helpers/builds';
import { plan as usual } from '../../../tests/helpers/logged';
import { wordsIn } from '../quantity';
import { hardenerOff, sayRecord, stateOf, type BuildPlan } from '.';

const plan: BuildPlan = { ...usual, resin: { ...usual.resin, share: 0.02 } };
const off = (resin: number, hardener: number) => hardenerOff(plan, { resin, hardener });

describe('the hardener of a batch', () => {
  it('by hand: 3 kg at 2 % want 60 g; 90 g are half too much, 30 g half too little', () => {
    expect(off(3, 0.06)).toEqual({ wanted: 0.06, off: expect.closeTo(0, 12), is: 'right' });
    expect(off(3, 0.09)).toMatchObject({ off: expect.closeTo(0.5, 12), is: 'tooMuch' });
    expect(off(3, 0.03)).toMatchObject({ off: expect.closeTo(-0.5, 12), is: 'tooLittle' });
  });
  it('may miss by a tenth, no more', () => {
    expect([0.0539, 0.0541, 0.0659, 0.0661].map((kg) => off(3, kg)!.is)).toEqual([
      'tooLittle',
      'right',
      'right',
      'tooMuch',
    ]);
  });
  it('is not judged where nobody weighed it, or the plan has none', () => {
    expect(off(3, 0)).toBeNull();
    const { share: _share, ...resin } = plan.resin;
    expect(hardenerOff({ resin }, { resin: 3, hardener: 0.5 })).toBeNull();
    expect(hardenerOff({ resin: { ...resin, share: 0 } }, { resin: 3, hardener: 0.5 })).toBeNull();
  });
  it('is told in grams or ounces, not rounded away', () => {
    const diary = new Diary();
    const wet = plan.steps.find(({ stay }) => stay === 'must')!;
    const body = { step: wet.id, celsius: 19, life: 30, lots: '' };
    const say = (hardener: number) =>
      sayRecord(stateOf(plan, []), diary.make('batch', { ...body, resin: 1.25, hardener }));
    expect(wordsIn(say(0.025), 'metric')).toBe('mixed 1.25 kg of resin with 25 g of hardener, 30 min in the pot');
    expect(wordsIn(say(0.025), 'us')).toBe('mixed 2.76 lb of resin with 0.88 oz of hardener, 30 min in the pot');
    expect(wordsIn(say(0), 'metric')).toBe('mixed 1.25 kg, 30 min in the pot');
  });
});
