import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { displayUnit, parseQuantity, QUANTITIES, sayRange, takeInRange, type QuantityKind } from '.';

const KINDS = Object.keys(QUANTITIES) as QuantityKind[];
const ends = fc
  .tuple(fc.double({ min: 1e-4, max: 1e6, noNaN: true }), fc.double({ min: 1.2, max: 1e4, noNaN: true }))
  .map(([minimum, times]) => [minimum, minimum * times] as const);

describe('a range', () => {
  it('is said in the units of the reader, to four figures', () => {
    expect(sayRange(2.5, 24, 'length', 'metric')).toBe('2.5 m and 24 m');
    expect(sayRange(2.5, 24, 'length', 'us')).toBe('8.202 ft and 78.74 ft');
    expect(sayRange(0.001, 1000, 'area', 'metric')).toBe('0.001 m² and 1000 m²');
    expect(sayRange(-40, 40, 'angle', 'us')).toBe('−40° and 40°');
    expect(sayRange(1e-7, 1, 'ratio', 'metric')).toBe('0.0000001 and 1');
    expect(sayRange(0.02, 0.98, 'fraction', 'metric')).toBe('2% and 98%');
  });
  it.each(KINDS)('of %s: what is said of either end can be typed, and is that end to the last digit', (kind) => {
    fc.assert(
      fc.property(ends, fc.constantFrom('metric' as const, 'us' as const), (shown, system) => {
        const { factor, offset = 0 } = displayUnit(kind, system);
        const [minimum, maximum] = shown.map((figure) => offset + factor * figure) as [number, number];
        const said = sayRange(minimum, maximum, kind, system).split(' and ');
        for (const [text, end] of [
          [said[0]!, minimum],
          [said[1]!, maximum],
        ] as const) {
          const typed = parseQuantity(text, kind, system);
          if (!typed.ok) throw new Error(`${text}: ${typed.message}`);
          const taken = takeInRange(typed.value, [minimum, maximum], displayUnit(kind, system));
          expect(taken, text).not.toBeNull();
          // Typed from within it is a value like any other; from outside it is the end itself.
          expect(Math.abs(taken! - end)).toBeLessThanOrEqual(6e-4 * Math.abs(end - offset) * (1 + 1e-9));
          expect(taken!).toBeGreaterThanOrEqual(minimum);
          expect(taken!).toBeLessThanOrEqual(maximum);
        }
      }),
      { numRuns: 40 },
    );
  });
  const plain = displayUnit('ratio', 'metric');
  it('takes what lies in it as it is, and nothing that lies clearly outside', () => {
    fc.assert(
      fc.property(ends, fc.double({ min: 0, max: 1, noNaN: true }), ([minimum, maximum], share) => {
        const inside = minimum + share * (maximum - minimum);
        expect(takeInRange(inside, [minimum, maximum], plain)).toBe(Math.min(maximum, Math.max(minimum, inside)));
        expect(takeInRange(minimum * 0.99, [minimum, maximum], plain)).toBeNull();
        expect(takeInRange(maximum * 1.01, [minimum, maximum], plain)).toBeNull();
      }),
    );
    expect(takeInRange(1.4000000000000001, [0.05, 1.4], plain)).toBe(1.4);
    expect(takeInRange(-1e-9, [0, 1], plain)).toBeNull();
  });
});
