import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { areaReduction } from './areaReduction';
import { curvatureFactor, panelCoefficients } from './panelCoefficients';
import { minimumFibreMass, minimumSkins } from './minimum';
import { sandwichSection } from './sandwichSection';
import { singleSkinThickness } from './singleSkin';
import type { Craft } from './craft';

const craft: Craft = {
  kind: 'motor',
  designCategory: 'B',
  hullLength: 8,
  waterlineLength: 7,
  chineBeam: 2.4,
  deadriseDeg: 18,
  loadedMass: 3000,
  maxSpeedKnots: 25,
};
const skin = (thickness: number, E: number) => ({ thickness, E, tensileStrength: 2e8, compressiveStrength: 1.5e8 });
const positive = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('coefficients that come in pieces', () => {
  it('join: shear coefficient of the panel at 2 and 3 to one, curvature at both ends', () => {
    for (const joint of [2, 3]) {
      const [before, after] = [panelCoefficients(1, joint - 1e-9), panelCoefficients(1, joint + 1e-9)];
      expect(Math.abs(before.kSHC - after.kSHC)).toBeLessThan(2e-3);
      expect(Math.abs(before.k2 - after.k2)).toBeLessThan(5e-3);
    }
    expect(curvatureFactor(0.03, 1)).toBe(1);
    expect(curvatureFactor(0.18, 1)).toBeCloseTo(0.5, 2);
    expect(curvatureFactor(0.3, 1)).toBe(0.5);
  });
  it('do not care which side is called the long one', () => {
    fc.assert(
      fc.property(positive(0.2, 3), positive(0.2, 3), (a, b) => {
        expect(panelCoefficients(a, b)).toEqual(panelCoefficients(b, a));
      }),
    );
  });
  it('stay in the ranges that are stated', () => {
    fc.assert(
      fc.property(positive(0.1, 5), positive(0.1, 5), positive(0, 1), (a, b, crown) => {
        const { k2, k3, kSHC } = panelCoefficients(a, b);
        expect(k2).toBeGreaterThanOrEqual(0.308);
        expect(k2).toBeLessThanOrEqual(0.5);
        expect(k3).toBeGreaterThanOrEqual(0.014);
        expect(k3).toBeLessThanOrEqual(0.028);
        expect(kSHC).toBeGreaterThanOrEqual(0.338);
        expect(kSHC).toBeLessThanOrEqual(0.5);
        const kC = curvatureFactor(crown, Math.min(a, b));
        expect(kC).toBeGreaterThanOrEqual(0.49);
        expect(kC).toBeLessThanOrEqual(1);
      }),
    );
  });
  it('a larger panel never has a higher share of the pressure', () => {
    const share = (shortSide: number, longSide: number, planing: boolean) =>
      areaReduction(
        { kind: 'panel', shortSide, longSide, construction: 'single' },
        { loadedMass: craft.loadedMass, planing },
      );
    fc.assert(
      fc.property(positive(0.2, 1), positive(1, 3), positive(1, 1.5), fc.boolean(), (a, b, more, planing) => {
        expect(share(a * more, b * more, planing)).toBeLessThanOrEqual(share(a, b, planing) + 1e-12);
      }),
    );
  });
});

describe('a single skin', () => {
  const need = (pressure: number, shortSide: number, flexuralStrength: number) =>
    singleSkinThickness({ pressure, shortSide, longSide: 2 * shortSide, flexuralStrength }).thickness;
  it('grows with the side, with the root of the pressure, and falls with the root of the strength', () => {
    const base = need(5000, 0.5, 2e8);
    expect(need(20000, 0.5, 2e8) / base).toBeCloseTo(2, 9);
    expect(need(5000, 1, 2e8) / base).toBeCloseTo(2, 9);
    expect(need(5000, 0.5, 8e8) / base).toBeCloseTo(0.5, 9);
  });
});

describe('the section of a sandwich', () => {
  it('of two like skins: worked by hand', () => {
    // 2 mm of 12 GPa on both sides of 20 mm: EI = 2 (E t (d/2)² + E t³/12), d = 22 mm.
    const section = sandwichSection(skin(0.002, 12e9), skin(0.002, 12e9), 0.02);
    expect(section.neutral).toBeCloseTo(0.012, 12);
    expect(section.distance).toBeCloseTo(0.022, 12);
    expect(section.EI).toBeCloseTo(2 * 12e9 * (0.002 * 0.011 ** 2 + 0.002 ** 3 / 12), 6);
    expect(section.secondMoment).toBeCloseTo(section.EI / 12e9, 15);
    expect(section.outerModulus).toBeCloseTo(section.innerModulus, 15);
  });
  it('turned about has its moduli changed about and all else the same', () => {
    const any = fc.tuple(positive(0.0005, 0.01), positive(5e9, 8e10));
    fc.assert(
      fc.property(any, any, positive(0.005, 0.08), ([to, Eo], [ti, Ei], core) => {
        const one = sandwichSection(skin(to, Eo), skin(ti, Ei), core);
        const other = sandwichSection(skin(ti, Ei), skin(to, Eo), core);
        expect(one.EI / other.EI).toBeCloseTo(1, 9);
        expect(one.neutral + other.neutral).toBeCloseTo(one.total, 9);
        expect(one.outerModulus / other.innerModulus).toBeCloseTo(1, 9);
      }),
    );
  });
  it('is stiffer with a thicker core or skin', () => {
    fc.assert(
      fc.property(positive(0.001, 0.005), positive(0.005, 0.04), positive(1.01, 2), (t, core, more) => {
        const base = sandwichSection(skin(t, 1e10), skin(t, 1e10), core).EI;
        expect(sandwichSection(skin(t, 1e10), skin(t, 1e10), core * more).EI).toBeGreaterThan(base);
        expect(sandwichSection(skin(t * more, 1e10), skin(t, 1e10), core).EI).toBeGreaterThan(base);
      }),
    );
  });
});

describe('least laminates', () => {
  it('grow with the boat, and careful use asks for less', () => {
    for (const location of ['bottom', 'side', 'deck'] as const) {
      const larger = { ...craft, loadedMass: 2 * craft.loadedMass, waterlineLength: 1.2 * craft.waterlineLength };
      expect(minimumFibreMass(larger, { location })).toBeGreaterThan(minimumFibreMass(craft, { location }));
      expect(minimumSkins(larger, { location }).outer).toBeGreaterThan(minimumSkins(craft, { location }).outer);
      expect(minimumSkins(craft, { location, k6: 0.9 }).outer).toBeCloseTo(
        0.9 * minimumSkins(craft, { location }).outer,
        12,
      );
      expect(minimumFibreMass(craft, { location, k5: 0.7 })).toBeCloseTo(
        0.7 * minimumFibreMass(craft, { location }),
        12,
      );
    }
  });
});
