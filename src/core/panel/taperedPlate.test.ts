import { describe, expect, it } from 'vitest';
import { taperedDeflection } from './taperedPlate';

const even = (count: number, breadth: (u: number) => number) =>
  Array.from({ length: count }, (_, i) => breadth(i / (count - 1)));

describe('a clamped plate of changing breadth', () => {
  it.each([
    [1, 0.00126],
    [1.5, 0.0022],
    [2, 0.00254],
  ])('that is a rectangle of sides %d to 1 deflects as in Timoshenko & Woinowsky-Krieger, table 35', (r, w) => {
    expect(taperedDeflection({ length: r, breadths: even(9, () => 1) }) / w).toBeCloseTo(1, 2);
    expect(taperedDeflection({ length: r * 3, breadths: even(9, () => 3) }) / (w * 81)).toBeCloseTo(1, 2);
  });
  it.each([1, 1.5, 2.5])('that is an ellipse of axes %d to 1 deflects as the closed solution says', (r) => {
    const [a, b] = [r / 2, 0.5];
    const closed = 1 / (24 / a ** 4 + 24 / b ** 4 + 16 / (a * b) ** 2);
    const found = taperedDeflection({ length: r, breadths: even(33, (u) => 2 * b * Math.sqrt(4 * u * (1 - u))) });
    expect(found / closed).toBeGreaterThan(0.95);
    expect(found / closed).toBeLessThan(1.05);
  });
  it('that runs out to a point deflects less than the rectangle round it and more than one of its mean breadth', () => {
    const rectangle = (breadth: number) => taperedDeflection({ length: 3, breadths: even(9, () => breadth) });
    const bow = taperedDeflection({ length: 3, breadths: even(17, (u) => 1 - u) });
    expect(bow).toBeLessThan(rectangle(1));
    expect(bow).toBeGreaterThan(rectangle(0.5));
    // The same from either end.
    expect(taperedDeflection({ length: 3, breadths: even(17, (u) => u) })).toBeCloseTo(bow, 9);
  });
  it('is refused without length or breadth', () => {
    expect(() => taperedDeflection({ length: 0, breadths: [1, 1] })).toThrow('length');
    expect(() => taperedDeflection({ length: 1, breadths: [0, 0] })).toThrow('above nothing');
  });
});
