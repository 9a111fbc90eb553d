import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { GENERIC_MATERIALS, type Core } from '../../material';
import {
  checkPanel,
  designPressure,
  isPlaning,
  minimumSkins,
  PRESSURE_LOCATIONS,
  sandwichRequirement,
  singleSkinThickness,
  type Craft,
  type PressureLocation,
  type Sheet,
} from '.';

const motor: Craft = {
  kind: 'motor',
  hullLength: 8.4,
  waterlineLength: 7.5,
  chineBeam: 2.2,
  deadriseDeg: 18,
  loadedMass: 3600,
  maxSpeedKnots: 26,
  designCategory: 'C',
};
const sail: Craft = {
  kind: 'sail',
  hullLength: 9,
  waterlineLength: 8,
  loadedMass: 2400,
  designCategory: 'B',
  rightingLever60: 0.9,
};
const geometry = {
  area: 1,
  centroidX: 1,
  centroidZ: 1,
  panelLength: 1,
  panelBreadth: 0.5,
  crown: 0,
  panelX: 3,
  edgeHeight: 1,
  centreHeight: 0.4,
  head: 1,
};
const foam = GENERIC_MATERIALS.find((material) => material.id === 'pvc-100') as Core;
const skin = (thickness: number, E = 1.4e10): Sheet => ({
  role: 'skin',
  name: 'BX',
  thickness,
  fibreMass: thickness * 1000,
  resinMass: thickness * 500,
  matMass: 0,
  lightFibreMass: 0,
  properties: { E, tensileStrength: 1.8e8, compressiveStrength: 1.4e8, basis: 'firstPly' },
});
const core: Sheet = { role: 'core', name: 'PVC 100', thickness: 0.02, core: foam };
const bulkhead = (sheets: Sheet[], head: number) =>
  checkPanel({ craft: motor, location: 'bulkhead', geometry: { ...geometry, head }, sheets, quality: 1 });

describe('checks of a panel', () => {
  it('lose reserve in proportion to the pressure: a bulkhead under its head of water', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 3, noNaN: true }),
        fc.constantFrom<Sheet[]>([skin(0.006)], [skin(0.002), core, skin(0.0015)]),
        (head, sheets) => {
          const [one, two] = [bulkhead(sheets, head), bulkhead(sheets, 2 * head)];
          expect(one.pressure.pressure).toBeCloseTo(7000 * head, 6);
          for (const check of one.checks)
            expect(two.checks.find(({ id }) => id === check.id)!.reserveFactor).toBeCloseTo(check.reserveFactor / 2, 9);
        },
      ),
    );
  });
  it('gain with the square of a solid skin, and with the distance of a sandwich', () => {
    const solid = (t: number) => bulkhead([skin(t)], 1).checks.find(({ id }) => id === 'plyByPly')!.reserveFactor;
    expect(solid(0.008) / solid(0.004)).toBeCloseTo(4, 9);
    const thick = (t: number) =>
      bulkhead([skin(0.001), { ...core, thickness: t } as Sheet, skin(0.001)], 1).checks.find(
        ({ id }) => id === 'coreShear',
      )!.reserveFactor;
    expect(thick(0.039) / thick(0.019)).toBeCloseTo(40 / 20, 9);
  });
  it('know a mirrored stack by its sides: the mould face is pulled, the inner face pressed', () => {
    const side = (sheets: Sheet[]) =>
      checkPanel({ craft: motor, location: 'superstructureFront', geometry, sheets, quality: 1 });
    const outerThin = side([skin(0.001), core, skin(0.003)]);
    const innerThin = side([skin(0.003), core, skin(0.001)]);
    const reserve = ({ checks }: typeof outerThin, id: string) =>
      checks.find((check) => check.id === id)!.reserveFactor;
    expect(reserve(outerThin, 'outerSkin')).toBeLessThan(reserve(innerThin, 'outerSkin'));
    expect(reserve(outerThin, 'innerSkin')).toBeGreaterThan(reserve(innerThin, 'innerSkin'));
    expect(reserve(outerThin, 'stiffness')).toBeCloseTo(reserve(innerThin, 'stiffness'), 9);
  });
  it('do not mind from which side water stands against a bulkhead or a tank', () => {
    for (const location of ['bulkhead', 'collisionBulkhead', 'tank'] as const) {
      const reserves = (sheets: Sheet[]) =>
        Object.fromEntries(
          checkPanel({ craft: motor, location, geometry, sheets, quality: 1 }).checks.map(({ id, reserveFactor }) => [
            id,
            reserveFactor,
          ]),
        );
      const [one, other] = [reserves([skin(0.001), core, skin(0.003)]), reserves([skin(0.003), core, skin(0.001)])];
      for (const id of Object.keys(one)) expect(other[id]).toBeCloseTo(one[id]!, 9);
    }
  });
  it('a tank and the collision bulkhead bear 10 kPa per metre, a watertight bulkhead 7', () => {
    const at = (location: 'bulkhead' | 'collisionBulkhead' | 'tank') =>
      checkPanel({ craft: motor, location, geometry: { ...geometry, head: 0.9 }, sheets: [skin(0.006)], quality: 1 })
        .pressure.pressure;
    expect([at('bulkhead'), at('collisionBulkhead'), at('tank')]).toEqual([6300, 9000, 9000]);
  });
  it('say what they leave out', () => {
    const { notChecked } = bulkhead([skin(0.006)], 1);
    expect(notChecked.join('; ')).toContain('Stiffeners and panel edges');
    expect(notChecked.join('; ')).toContain('the pack states none for watertight bulkhead');
  });
  it('several cores count by the weakest', () => {
    const weak = {
      ...core,
      name: 'PVC 60',
      core: GENERIC_MATERIALS.find((material) => material.id === 'pvc-60') as Core,
    } as Sheet;
    const both = bulkhead([skin(0.002), core, skin(0.001), weak, skin(0.002)], 1);
    expect(both.checks.find(({ id }) => id === 'coreShear')!.governs).toContain('PVC 60');
  });
});

describe('pressures', () => {
  const member = { kind: 'panel', shortSide: 0.5, longSide: 1, construction: 'sandwich' } as const;
  const at = (craft: Craft, location: PressureLocation, position = 0.6) =>
    designPressure({ craft, location, position, edgeHeight: 1, centreHeight: 0.4, member });
  it.each(PRESSURE_LOCATIONS)(
    '%s: rises with the category, is worked out step by step, and ends in the figure',
    (location) => {
      for (const craft of [motor, sail]) {
        const byCategory = (['D', 'C', 'B', 'A'] as const).map(
          (designCategory) => at({ ...craft, designCategory }, location).pressure,
        );
        expect(byCategory).toEqual([...byCategory].sort((a, b) => a - b));
        const steps: number[] = [];
        const { pressure } = designPressure(
          { craft, location, position: 0.6, edgeHeight: 1, centreHeight: 0.4, member },
          ({ value }) => void steps.push(value),
        );
        expect(steps.at(-1)).toBe(pressure);
      }
    },
  );
  it('the side lies between deck and bottom, and falls towards its edge', () => {
    const low = designPressure({
      craft: motor,
      location: 'side',
      position: 0.6,
      edgeHeight: 1,
      centreHeight: 0.1,
      member,
    }).pressure;
    const high = designPressure({
      craft: motor,
      location: 'side',
      position: 0.6,
      edgeHeight: 1,
      centreHeight: 0.9,
      member,
    }).pressure;
    expect(low).toBeGreaterThan(high);
    expect(at(motor, 'bottom').pressure).toBeGreaterThan(low);
  });
  it('planing begins at five times the root of the waterline', () => {
    expect(isPlaning({ ...motor, maxSpeedKnots: 5 * Math.sqrt(7.5) })).toBe(true);
    expect(isPlaning({ ...motor, maxSpeedKnots: 4.99 * Math.sqrt(7.5) })).toBe(false);
    expect(isPlaning({ ...sail, maxSpeedKnots: 30 })).toBe(false);
  });
  it('a light sailing craft of category B needs its righting lever', () => {
    const { rightingLever60: _lever, ...without } = sail;
    expect(() => at(without, 'bottom')).toThrow('rightingLever60');
  });
});

describe('requirements', () => {
  it('turn with the panel: which side is called long does not matter', () => {
    const turned = [
      singleSkinThickness({ pressure: 2e4, shortSide: 0.5, longSide: 0.9, flexuralStrength: 1.6e8 }),
      singleSkinThickness({ pressure: 2e4, shortSide: 0.9, longSide: 0.5, flexuralStrength: 1.6e8 }),
    ];
    expect(turned[0]).toEqual(turned[1]);
  });
  it('ask less of a curved panel and of a strong core', () => {
    const input = {
      pressure: 2e4,
      shortSide: 0.5,
      longSide: 0.9,
      outer: { E: 1.4e10, tensileStrength: 1.8e8, compressiveStrength: 1.4e8 },
      inner: { E: 1.4e10, tensileStrength: 1.8e8, compressiveStrength: 1.4e8 },
      core: { compressiveModulus: 8e7, shearModulus: 2.3e7, shearStrength: 9.5e5, kind: 'foamRigid' as const },
    };
    const flat = sandwichRequirement(input);
    const curved = sandwichRequirement({ ...input, crown: 0.05 });
    for (const key of ['outerSectionModulus', 'innerSectionModulus', 'secondMoment', 'skinDistance'] as const)
      expect(curved[key]).toBeLessThan(flat[key]);
    const strong = sandwichRequirement({ ...input, core: { ...input.core, shearStrength: 1.9e6 } });
    expect(strong.skinDistance).toBeCloseTo(flat.skinDistance / 2, 12);
  });
  it('least core strength grows from 10 to 15 m and stays', () => {
    expect(
      [8, 10, 12, 15, 20].map(
        (hullLength) => minimumSkins({ ...motor, hullLength }, { location: 'bottom' }).coreShearStrength / 1e6,
      ),
    ).toEqual([0.25, 0.25, 0.31, 0.4, 0.4].map((value) => expect.closeTo(value, 9) as number));
  });
});
