import { describe, expect, it } from 'vitest';
import { plateUnderPressure, taperedDeflection, taperedUnderPressure, type TaperedShearPlate } from '.';

const sandwich = { D11: 15_938, D12: 3506, D22: 12_000, D66: 6215, A44: 816_750, A55: 816_750 };
const thin = { D11: 1, D12: 0.3, D22: 1, D66: 0.35, A44: 1e5, A55: 1e5 };
const plate = (over: Partial<TaperedShearPlate> = {}): TaperedShearPlate => ({
  ...sandwich,
  length: 1.2,
  breadths: [0.8, 0.8, 0.8],
  fixity: 1,
  ...over,
});

describe('a plate of changing breadth', () => {
  it.each([0, 0.5, 1])('that does not change is the rectangle, held by %d', (fixity) => {
    const found = taperedUnderPressure(plate({ fixity }), { pressure: 2e4 }, 12);
    const { breadths: _, ...rest } = plate();
    const { at } = plateUnderPressure(
      { ...rest, breadth: 0.8, fixityX: fixity, fixityY: fixity },
      { kind: 'uniform', pressure: 2e4 },
    );
    const [middle, same] = [found.at(0.5, 0.5), at(0.6, 0.4)];
    for (const key of ['w', 'Mx', 'My'] as const) expect(middle[key] / same[key], key).toBeCloseTo(1, 3);
    if (fixity > 0) {
      expect(found.at(0.5, 0).My / at(0.6, 0).My).toBeCloseTo(1, 2);
      expect(found.at(0, 0.5).Mx / at(0, 0.4).Mx).toBeCloseTo(1, 2);
    }
  });
  it('that is a strip is as near as a square', () => {
    const strip = { length: 4, breadth: 0.4, D11: 300, D12: 60, D22: 1500, D66: 120, A44: 4e5, A55: 4e5 };
    const { at } = plateUnderPressure({ ...strip, fixityX: 1, fixityY: 1 }, { kind: 'uniform', pressure: 2e4 });
    const { breadth, ...rest } = strip;
    const found = taperedUnderPressure({ ...rest, breadths: [breadth, breadth], fixity: 1 }, { pressure: 2e4 }, 12);
    for (const key of ['w', 'My'] as const) expect(found.at(0.5, 0.5)[key] / at(2, 0.2)[key], key).toBeCloseTo(1, 3);
    expect(found.at(0.5, 0).My / at(2, 0).My).toBeCloseTo(1, 2);
    // A clamped strip: p b² / 12 at its long edges.
    expect(Math.abs(found.at(0.5, 0).My) / ((2e4 * 0.4 ** 2) / 12)).toBeCloseTo(1, 2);
  });
  it('holds up its load: shear at a long clamped edge of a strip is half of it', () => {
    const strip = plate({ length: 6, breadths: [1, 1] });
    expect(Math.abs(taperedUnderPressure(strip, { pressure: 1 }, 10).at(0.5, 0).Qy)).toBeCloseTo(0.5, 1);
  });
  it.each([
    ['a trapezoid', [1, 0.8, 0.6, 0.4, 0.2]],
    ['a triangle', [1, 0.75, 0.5, 0.25, 0]],
    ['a bow panel', [0.99, 0.9, 0.82, 0.72, 0.62, 0.5, 0.37, 0.21, 0]],
  ])('of no shear deflects as the thin plate of the same shape: %s', (_, breadths) => {
    const found = taperedUnderPressure({ ...thin, length: 1, breadths, fixity: 1 }, { pressure: 1 }, 10);
    const most = Math.max(...Array.from({ length: 41 }, (__, i) => found.deflection(i / 40, 0.5)));
    expect(most / taperedDeflection({ length: 1, breadths })).toBeCloseTo(1, 1);
    expect(Math.abs(most / taperedDeflection({ length: 1, breadths }) - 1)).toBeLessThan(0.015);
  });
  it('settles with more functions, moments and shear too, at a slanted rim', () => {
    const bow = plate({ breadths: [0.8, 0.7, 0.55, 0.35, 0.1] });
    const [few, many] = [8, 12].map((terms) => taperedUnderPressure(bow, { pressure: 2e4 }, terms));
    for (const place of [0.2, 0.35, 0.5]) {
      expect(few!.at(place, 0).My / many!.at(place, 0).My).toBeCloseTo(1, 1);
      expect(few!.at(place, 0).Qy / many!.at(place, 0).Qy).toBeCloseTo(1, 1);
    }
  });
  it('bears a force in its middle as the rectangle does, and both together add up', () => {
    const patch = { force: 3000, length: 0.3, breadth: 0.2 };
    const { breadths: _, ...rest } = plate();
    const load = { kind: 'patch', pressure: 3000 / 0.06, x: 0.6, y: 0.4, length: 0.3, breadth: 0.2 } as const;
    const { at } = plateUnderPressure({ ...rest, breadth: 0.8, fixityX: 1, fixityY: 1 }, load);
    const alone = taperedUnderPressure(plate(), { pressure: 0, patch }, 12).deflection(0.5, 0.5);
    expect(alone / at(0.6, 0.4).w).toBeCloseTo(1, 2);
    const even = taperedUnderPressure(plate(), { pressure: 1e4 }, 12).deflection(0.5, 0.5);
    const both = taperedUnderPressure(plate(), { pressure: 1e4, patch }, 12).deflection(0.5, 0.5);
    expect(both).toBeCloseTo(alone + even, 9);
  });
  it('leans to its broad end, and is stiffer the narrower it runs', () => {
    const narrow = plate({ breadths: [0.8, 0.6, 0.4, 0.2] });
    const found = taperedUnderPressure(narrow, { pressure: 2e4 }, 8);
    expect(found.deflection(0.35, 0.5)).toBeGreaterThan(found.deflection(0.65, 0.5));
    expect(found.deflection(0.4, 0.5)).toBeLessThan(
      taperedUnderPressure(plate(), { pressure: 2e4 }, 8).deflection(0.5, 0.5),
    );
  });
  it('refuses no breadth, and stiffness that makes no stable plate', () => {
    expect(() => taperedUnderPressure(plate({ breadths: [0, 0] }), { pressure: 1 }, 8)).toThrow('above nothing');
    expect(() => taperedUnderPressure(plate({ D12: 20_000 }), { pressure: 1 }, 8)).toThrow('no stable plate');
  });
});
