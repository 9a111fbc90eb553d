import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planOf } from '../../../tests/helpers/builds';
import { merrow } from '../../../tests/helpers/merrow';
import { potLifeAt } from '../kit';
import type { Resin } from '../material';
import { lifeInPot, type BuildPlan } from '.';

const told = (potLife: BuildPlan['resin']['potLife']) => ({ resin: { potLife } as BuildPlan['resin'] });
const falling = told([
  { celsius: 10, minutes: 40 },
  { celsius: 20, minutes: 20 },
  { celsius: 30, minutes: 10 },
]);

describe('the life of a batch in its pot', () => {
  it('halves with each 10 °C where it is told to, between and beyond: worked by hand', () => {
    expect(lifeInPot(falling, 20)).toBeCloseTo(20, 9);
    expect(lifeInPot(falling, 25)).toBeCloseTo(20 * Math.SQRT1_2, 9);
    expect(lifeInPot(falling, 40)).toBeCloseTo(5, 9);
    expect(lifeInPot(falling, 45)).toBeCloseTo(5 * Math.SQRT1_2, 9);
  });
  it('in the cold is no longer than at the coldest that is known', () => {
    expect(lifeInPot(falling, 5)).toBe(40);
    expect(lifeInPot(falling, -10)).toBe(40);
    expect(lifeInPot(told([{ celsius: 20, minutes: 25 }]), 35)).toBe(25);
  });
  it('is never longer where it is warmer, at whatever temperature', () => {
    const degrees = fc.double({ min: -30, max: 80, noNaN: true });
    fc.assert(
      fc.property(degrees, degrees, (a, b) => {
        const [cold, warm] = [Math.min(a, b), Math.max(a, b)];
        expect(lifeInPot(falling, warm)).toBeLessThanOrEqual(lifeInPot(falling, cold) + 1e-12);
      }),
    );
  });
  it('by a plan is that of its resin on the Shelf, in a hot shop too', () => {
    const boat = merrow();
    const plan = planOf(boat);
    const resin = boat.materials.find(({ id }) => id === boat.brief.resin) as Resin;
    const share = lifeInPot(plan, 20) / potLifeAt(resin, 20);
    for (const celsius of [12, 17, 25, 29, 33, 38])
      expect(lifeInPot(plan, celsius) / (share * potLifeAt(resin, celsius)), `${celsius} °C`).toBeCloseTo(1, 1);
    expect(lifeInPot(plan, 38)).toBeLessThan(0.8 * lifeInPot(plan, 30));
  });
});
