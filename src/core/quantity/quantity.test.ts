import fc from 'fast-check';
import Qty from 'js-quantities';
import { describe, expect, it } from 'vitest';
import {
  formatDifference,
  formatForEntry,
  formatQuantity,
  formatWithUnit,
  formatWorkingValue,
  parseQuantity,
  QUANTITIES,
  type QuantityKind,
} from '.';

const kinds = Object.keys(QUANTITIES) as QuantityKind[];

describe('what people type', () => {
  it.each([
    ['27 ft 6 in', 'length', 8.382],
    [`27' 6"`, 'length', 8.382],
    ['5/8 in', 'shortLength', 0.015875],
    ['1 5/8 in', 'shortLength', 0.041275],
    ['17 oz/yd2', 'arealWeight', 0.576395],
    ['17 oz', 'arealWeight', 0.576395],
    ['600 g/m2', 'arealWeight', 0.6],
    ['600 gsm', 'arealWeight', 0.6],
    ['80 kg/m3', 'density', 80],
    ['5 pcf', 'density', 80.0923],
    ['0.8 t', 'mass', 800],
    ['1,200', 'mass', 1200],
    ['1,5', 'length', 1.5],
    ['40 ksi', 'stress', 275.79e6],
    ['−45°', 'angle', -45],
    ['17 kn', 'speed', 17],
    ['12', 'thickness', 0.012],
  ] as [string, QuantityKind, number][])('%s as %s', (text, kind, value) => {
    const parsed = parseQuantity(text, kind, 'metric');
    expect(parsed.ok && Math.abs(parsed.value - value)).toBeLessThanOrEqual(Math.abs(value) * 2e-5);
  });
  it.each([
    ['80 kg/m3', 'length'],
    ['abc', 'length'],
    ['', 'mass'],
    ['12 furlongweight', 'length'],
    ['5 in', 'mass'],
    ['27\' 6"', 'mass'],
  ] as [string, QuantityKind][])('refuses %s as %s and says what was expected', (text, kind) => {
    const parsed = parseQuantity(text, kind, 'metric');
    expect(parsed.ok ? '' : parsed.message).toContain(QUANTITIES[kind].name);
  });
  it('takes a bare number in the units shown, and says what it took', () => {
    const parsed = parseQuantity('5/8 in', 'thickness', 'metric');
    expect(parsed.ok && parsed.understood).toBe('15.875 mm');
    expect(parseQuantity('1', 'length', 'us')).toMatchObject({ ok: true, value: 0.3048 });
  });
  it('gives back what an entry box shows, in every kind and system', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...kinds),
        fc.constantFrom('metric' as const, 'us' as const),
        fc.double({ min: 1e-4, max: 1e5, noNaN: true }),
        (kind, system, value) => {
          const parsed = parseQuantity(formatForEntry(value, kind, system), kind, system);
          // Five figures in the units that are not kept; a temperature has its zero elsewhere.
          const near = system === 'us' ? 6e-5 : 2e-8;
          expect(parsed.ok && Math.abs(parsed.value - value)).toBeLessThan(
            near * value + (kind === 'temperature' ? near * 18 : 0),
          );
        },
      ),
    );
  });
});

describe('an entry box', () => {
  it('never shows nine digits where somebody typed two', () => {
    expect(formatForEntry(0.012, 'thickness', 'us')).toBe('0.47244');
    expect(formatForEntry(0.0127, 'thickness', 'us')).toBe('0.5');
    expect(formatForEntry(8.4, 'length', 'us')).toBe('27.559');
    expect(formatForEntry(8.382, 'length', 'metric')).toBe('8.382');
  });
});

describe('what people read', () => {
  it('shows a change with its sign in the units of the head above it', () => {
    expect(formatDifference(0.0012, 'thickness', 'metric')).toBe('+1.2');
    expect(formatDifference(0.0012, 'thickness', 'us')).toBe('+0.047');
    expect(formatDifference(-0.5, 'laminateWeight', 'metric')).toBe('−0.50');
    expect(formatDifference(-0.5, 'laminateWeight', 'us')).toBe('−0.102');
    expect(formatDifference(1e-9, 'thickness', 'metric')).toBe('0.0');
    expect(formatDifference(10, 'temperature', 'us')).toBe('+18');
  });
  it('shows sensible digits, a true minus and a dash for nothing', () => {
    expect(formatWithUnit(0.0123, 'thickness', 'metric')).toBe('12.3 mm');
    expect(formatWithUnit(0.6, 'arealWeight', 'us')).toBe('17.7 oz/yd²');
    expect(formatQuantity(-0.00001, 'thickness', 'metric')).toBe('0.0');
    expect(formatQuantity(-12, 'angle', 'metric')).toBe('−12.0');
    expect(formatQuantity(null, 'mass', 'metric')).toBe('–');
  });
  it('scales working values', () => {
    expect(formatWorkingValue(36020, 'Pa')).toBe('36.02 kPa');
    expect(formatWorkingValue(0.00556, 'm')).toBe('5.56 mm');
  });
});

describe('the units shown', () => {
  const SPELLED: Readonly<Record<string, string>> = { kip: 'klbf', Msi: 'Mpsi', ksi: 'kpsi', kn: 'kt', '°': 'deg' };
  const SIGNS: Readonly<Record<string, string>> = { '²': '2', '³': '3', '·': '*' };
  const spelled = (label: string) =>
    label.replace(/kip|Msi|ksi|^kn$|°/g, (unit) => SPELLED[unit]!).replace(/[²³·]/g, (sign) => SIGNS[sign]!);
  const measured = kinds.filter((kind) => QUANTITIES[kind].si !== '' && kind !== 'temperature');

  it.each(
    measured.flatMap((kind) => (['metric', 'us'] as const).map((system) => ({ kind, ...QUANTITIES[kind][system] }))),
  )('one $label of $kind is what a library of units makes of it, to its own six figures', ({ kind, label, factor }) => {
    expect(Qty(1, spelled(label)).to(spelled(QUANTITIES[kind].si)).scalar / factor).toBeCloseTo(1, 6);
  });
  it('has temperatures and their changes right at the points that everybody knows', () => {
    const { factor, offset } = QUANTITIES.temperature.us;
    expect([32, 212, -40].map((shown) => shown * factor - -offset)).toEqual([
      expect.closeTo(0, 9),
      expect.closeTo(100, 9),
      expect.closeTo(-40, 9),
    ]);
    expect(1 / QUANTITIES.expansion.us.factor).toBeCloseTo(1e6 / 1.8, 3);
  });
});

describe('a stress or a stiffness below one unit', () => {
  it('has one decimal more: cores shear at fractions of a megapascal', () => {
    const said = (value: number, system: 'metric' | 'us' = 'metric') => formatQuantity(value, 'stress', system);
    expect([0.218e6, 0.996e6, 1.04e6, 0].map((value) => said(value))).toEqual(['0.22', '1.00', '1.0', '0.0']);
    expect(said(-0.218e6)).toBe('−0.22');
    expect(said(0.218e6, 'us')).toBe('0.032');
    expect(formatQuantity(42, 'bendingRigidity', 'metric')).toBe('0.04');
  });
});
