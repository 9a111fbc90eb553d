import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { modulusAlong, pressedReserve, principalStress } from '.';

describe('principal stresses', () => {
  it('of shear alone press as much as they pull, at 45°', () => {
    expect(principalStress([0, 0, 5])).toEqual({ most: 5, least: -5, leastDeg: -45 });
    expect(principalStress([0, 0, -5]).leastDeg).toBeCloseTo(45, 9);
  });
  it('of pressing along an axis stand on it', () => {
    const along = principalStress([-8, 0, 0]);
    expect([along.most, along.least, Math.abs(along.leastDeg) % 180]).toEqual([0, -8, 0]);
    expect(Math.abs(principalStress([0, -8, 0]).leastDeg)).toBeCloseTo(90, 9);
  });
  it('keep the sum, and turned by their angle have no shear', () => {
    const stress = fc.double({ min: -100, max: 100, noNaN: true });
    fc.assert(
      fc.property(stress, stress, stress, (x, y, xy) => {
        const { most, least, leastDeg } = principalStress([x, y, xy]);
        expect(most + least).toBeCloseTo(x + y, 8);
        const [c, s] = [Math.cos((leastDeg * Math.PI) / 180), Math.sin((leastDeg * Math.PI) / 180)];
        expect(c * c * x + s * s * y + 2 * c * s * xy).toBeCloseTo(least, 6);
      }),
    );
  });
});

describe('a skin that is pressed two ways', () => {
  it('alike wrinkles at 0.682 of what it bears one way (s + s³ = 1)', () => {
    const alike = pressedReserve([1, 1], 3);
    expect(alike + alike ** 3).toBeCloseTo(1, 12);
    expect(alike).toBeCloseTo(0.6823, 4);
  });
  it('one way alone, or pulled the other way, bears what it bears', () => {
    expect(pressedReserve([0.4, 0], 3)).toBeCloseTo(2.5, 12);
    expect(pressedReserve([-0.9, 0.4], 3)).toBeCloseTo(2.5, 12);
    expect(pressedReserve([-1, 0], 3)).toBe(Infinity);
  });
  it('between cells shares what it bears in a straight line', () => {
    expect(pressedReserve([0.25, 0.15], 1)).toBeCloseTo(2.5, 12);
  });
  it('loses with every pressure, whichever way round', () => {
    const share = fc.double({ min: 0.01, max: 20, noNaN: true });
    fc.assert(
      fc.property(share, share, fc.constantFrom(1 as const, 3 as const), (a, b, power) => {
        const reserve = pressedReserve([a, b], power);
        const [more, less] = [Math.max(a, b), Math.min(a, b)];
        expect(reserve * more + (reserve * less) ** power).toBeCloseTo(1, 9);
        expect(pressedReserve([b, a], power)).toBe(reserve);
        expect(pressedReserve([a * 1.2, b], power)).toBeLessThanOrEqual(reserve * (1 + 1e-9));
      }),
    );
  });
});

it('a modulus along a direction is that of the compliance turned: E along, across, and of shear at 45°', () => {
  // Ex 20, Ey 10, ν 0.2, G 4 GPa at a thickness of 1.
  const compliance = [
    [1 / 20, -0.2 / 20, 0],
    [-0.2 / 20, 1 / 10, 0],
    [0, 0, 1 / 4],
  ];
  expect(modulusAlong(compliance, 1, 0)).toBeCloseTo(20, 12);
  expect(modulusAlong(compliance, 1, 90)).toBeCloseTo(10, 12);
  expect(1 / modulusAlong(compliance, 1, 45)).toBeCloseTo((1 / 20 + 1 / 10 + 1 / 4 - 0.4 / 20) / 4, 12);
});
