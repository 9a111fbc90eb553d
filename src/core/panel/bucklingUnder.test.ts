import { describe, expect, it } from 'vitest';
import { bucklingUnder, plateBuckling } from '.';

const NU = 0.3;
const square = { length: 1, breadth: 1, D11: 1, D12: NU, D22: 1, D66: (1 - NU) / 2, D16: 0, D26: 0 };
const plate = { ...square, fixityX: 0, fixityY: 0 };
const of = (load: Parameters<typeof plateBuckling>[1]) => plateBuckling(plate, load).criticalLoad;

describe('forces in the plane of a panel', () => {
  it('along, both ways and in shear are the textbook loads over them: 4, 2 and 9.34 π² D / b²', () => {
    expect(bucklingUnder(plate, [-10, 0, 0]) * 10).toBeCloseTo(of('uniaxialX'), 6);
    expect(bucklingUnder(plate, [-10, 0, 0]) * 10).toBeCloseTo(4 * Math.PI ** 2, 2);
    expect(bucklingUnder(plate, [0, -10, 0]) * 10).toBeCloseTo(4 * Math.PI ** 2, 2);
    expect(bucklingUnder(plate, [-10, -10, 0]) * 10).toBeCloseTo(2 * Math.PI ** 2, 2);
    expect(bucklingUnder(plate, [0, 0, 5]) * 5).toBeCloseTo(of('shear'), 6);
    expect((bucklingUnder(plate, [0, 0, 5]) * 5) / Math.PI ** 2).toBeCloseTo(9.34, 1);
  });
  it('pressed and sheared together follow σ/σ₁ + (τ/τ₁)² = 1 within 2 % (Timoshenko & Gere, art. 9.7)', () => {
    for (const share of [0.2, 0.5, 0.8]) {
      const pressed = share * of('uniaxialX');
      const sheared = Math.sqrt(1 - share) * of('shear');
      expect(Math.abs(bucklingUnder(plate, [-pressed, 0, sheared]) - 1)).toBeLessThan(0.02);
    }
  });
  it('that pull buckle nothing, and pulled one way it bears more the other', () => {
    expect(bucklingUnder(plate, [10, 0, 0])).toBe(Infinity);
    expect(bucklingUnder(plate, [0, 0, 0])).toBe(Infinity);
    expect(bucklingUnder(plate, [-10, 5, 0])).toBeGreaterThan(1.2 * bucklingUnder(plate, [-10, 0, 0]));
    expect(bucklingUnder(plate, [-20, 0, 0])).toBeCloseTo(bucklingUnder(plate, [-10, 0, 0]) / 2, 9);
  });
  it('sheared, a plate that couples bending and twist bears more one way than the other', () => {
    const slanted = { ...plate, D16: 0.3, D26: 0.3 };
    const ways = [1, -1].map((sense) => bucklingUnder(slanted, [0, 0, sense]));
    expect(Math.max(...ways) / Math.min(...ways)).toBeGreaterThan(1.3);
  });
});
