import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { rollUp } from './rollUp';

const item = fc.record({
  mass: fc.double({ min: 0.01, max: 500, noNaN: true }),
  centreX: fc.double({ min: -5, max: 30, noNaN: true }),
  centreZ: fc.double({ min: -3, max: 8, noNaN: true }),
});
const items = fc.array(item, { minLength: 1, maxLength: 30 });

describe('masses rolled up', () => {
  it('add up, with a centre among their own', () => {
    fc.assert(
      fc.property(items, (all) => {
        const { mass, centreX, centreZ } = rollUp(all);
        expect(mass).toBeCloseTo(
          all.reduce((sum, one) => sum + one.mass, 0),
          6,
        );
        for (const [centre, own] of [
          [centreX!, all.map((one) => one.centreX)],
          [centreZ!, all.map((one) => one.centreZ)],
        ] as const) {
          expect(centre).toBeGreaterThanOrEqual(Math.min(...own) - 1e-9);
          expect(centre).toBeLessThanOrEqual(Math.max(...own) + 1e-9);
        }
      }),
    );
  });
  it('do not care about order, nor about being rolled up in groups first', () => {
    fc.assert(
      fc.property(items, items, (some, others) => {
        const all = rollUp([...some, ...others]);
        const back = rollUp([...others.toReversed(), ...some.toReversed()]);
        const grouped = rollUp(
          [some, others]
            .map((group) => rollUp(group))
            .map((group) => ({ ...group, centreX: group.centreX!, centreZ: group.centreZ! })),
        );
        for (const other of [back, grouped]) {
          expect(other.mass).toBeCloseTo(all.mass, 6);
          expect(other.centreX!).toBeCloseTo(all.centreX!, 6);
          expect(other.centreZ!).toBeCloseTo(all.centreZ!, 6);
        }
      }),
    );
  });
  it('have no centre where there is no mass', () => {
    expect(rollUp([])).toEqual({ mass: 0, centreX: null, centreZ: null });
    expect(rollUp([{ mass: 0, centreX: 1, centreZ: 1 }]).centreX).toBeNull();
  });
});
