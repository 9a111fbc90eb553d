import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { tippedBolts } from '.';

const square = (half: number): [number, number][] => [
  [-half, -half],
  [-half, half],
  [half, -half],
  [half, half],
];

describe('a fitting that is pulled off and tipped', () => {
  it('by a tow line of 24 kN half a metre up, on four bolts 0.12 m apart, pulls each of two with 50 kN', () => {
    // By hand: M = 24 kN × 0.5 m = 12 kN·m over two rows 0.12 m apart is 100 kN a row, 50 kN a bolt.
    const { max, tensions } = tippedBolts(square(0.06), [0.2, 0.2], 0, [24e3 * 0.5, 0]);
    expect(max).toBeCloseTo(50e3, 6);
    expect(tensions.every((pull) => pull <= 50e3 + 1e-6)).toBe(true);
  });
  it('shares a straight pull, and adds both moments at a corner', () => {
    expect(tippedBolts(square(0.05), [0.2, 0.2], 8000, [0, 0]).tensions).toEqual([2000, 2000, 2000, 2000]);
    const both = tippedBolts(square(0.05), [0.12, 0.12], 0, [1000, 2000]);
    expect(both.max).toBeCloseTo((1000 + 2000) / (4 * 0.05), 6);
  });
  it('on one bolt in the middle is held by the edge of its base: M over half of it', () => {
    expect(tippedBolts([[0, 0]], [0.1, 0.1], 0, [500, 0]).max).toBeCloseTo(500 / 0.05, 6);
  });
  it('on bolts near the edge that bears pulls them harder than about their centroid', () => {
    const row: [number, number][] = [
      [-0.04, 0],
      [-0.03, 0],
    ];
    // About the centroid the two, 10 mm apart, pull 100 kN each way; about the edges far less: the greater counts.
    expect(tippedBolts(row, [0.1, 0.1], 0, [1000, 0]).max).toBeCloseTo(1000 / (2 * 0.005), 6);
  });
  it('never pulls less when force or moment grow, whatever their sign', () => {
    const size = fc.double({ min: 0, max: 5e4, noNaN: true });
    fc.assert(
      fc.property(size, size, size, fc.double({ min: 1, max: 3, noNaN: true }), (force, m, n, more) => {
        const pull = (f: number, moment: [number, number]) => tippedBolts(square(0.06), [0.16, 0.18], f, moment).max;
        expect(pull(force * more, [m, n])).toBeGreaterThanOrEqual(pull(force, [m, n]) - 1e-6);
        expect(pull(force, [m * more, n])).toBeGreaterThanOrEqual(pull(force, [m, n]) - 1e-6);
        expect(pull(force, [-m, n])).toBeCloseTo(pull(force, [m, n]), 6);
      }),
      { numRuns: 100 },
    );
  });
  it('needs a bolt', () => expect(() => tippedBolts([], [0.1, 0.1], 1, [0, 0])).toThrow('at least one bolt'));
});
