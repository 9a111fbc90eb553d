import { describe, expect, it } from 'vitest';
import { crownBuckling, edgeBuckling, webBuckling } from '.';

/** Bending stiffness of an isotropic wall of 1 N·m. */
const NU = 0.3;
const isotropic = { D11: 1, D12: NU, D22: 1, D66: (1 - NU) / 2 };

describe('a wall of a stiffener, by textbook factors k π² D / b²', () => {
  it('between two others buckles pressed at k = 4', () => {
    expect(crownBuckling(isotropic, 0.5)).toBeCloseTo((4 * Math.PI ** 2) / 0.25, 9);
  });
  it('of a flat bar turns over at k = 0.57 where its foot is not pressed (Eurocode 3 part 1-5, table 4.2)', () => {
    expect(edgeBuckling(isotropic, 1) / Math.PI ** 2).toBeCloseTo(0.57, 2);
    // Pressed alike over its height it bears three quarters of that: 12 D66 / h², k = 0.426.
    expect((0.75 * edgeBuckling(isotropic, 1)) / Math.PI ** 2).toBeCloseTo(0.426, 3);
  });
  it('in shear buckles at k = 5.34', () => {
    expect(webBuckling(isotropic, 1) / Math.PI ** 2).toBeCloseTo(5.34, 2);
  });
  it('in shear goes over from the one law of Seydel to the other without a step, and to his limits', () => {
    const twists = (H: number) => webBuckling({ D11: 1, D12: 0, D22: 1, D66: H / 2 }, 1);
    expect(twists(1 + 1e-9) / twists(1 - 1e-9)).toBeCloseTo(1, 2);
    // Nothing but bending either way, and nothing but bending across and twist.
    expect(twists(1e-9)).toBeCloseTo(4 * 8.125, 4);
    expect(webBuckling({ D11: 1e-12, D12: 0, D22: 1, D66: 0.5 }, 1)).toBeCloseTo(4 * 11.7, 3);
  });
  it('gains with every stiffness and loses with the square of its breadth', () => {
    for (const way of [crownBuckling, webBuckling, edgeBuckling]) {
      for (const key of ['D11', 'D12', 'D22', 'D66'] as const)
        expect(way({ ...isotropic, [key]: isotropic[key] * 1.3 }, 1)).toBeGreaterThanOrEqual(way(isotropic, 1));
      expect(way(isotropic, 2)).toBeCloseTo(way(isotropic, 1) / 4, 9);
    }
  });
});
