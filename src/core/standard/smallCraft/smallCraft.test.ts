import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  areaReduction,
  checkPanel,
  curvatureFactor,
  designPressure,
  dynamicLoadFactor,
  laminateProperties,
  longitudinalFactor,
  minimumFibreMass,
  minimumSkins,
  panelCoefficients,
  sheetProperties,
  type Craft,
} from '.';
import { layFabric } from '../../laminate';
import { GENERIC_MATERIALS, type Fabric, type Fibre, type Resin } from '../../material';

const boatA: Craft = {
  kind: 'motor',
  hullLength: 8.4,
  waterlineLength: 7.5,
  chineBeam: 2.2,
  deadriseDeg: 18,
  loadedMass: 3600,
  maxSpeedKnots: 26,
  designCategory: 'C',
};
const material = <T>(id: string) => GENERIC_MATERIALS.find((m) => m.id === id) as T;
const fibres = new Map(GENERIC_MATERIALS.filter((m): m is Fibre => m.kind === 'fibre').map((m) => [m.id, m]));
const laid = (id: string) =>
  layFabric(material<Fabric>(id), { fibres, resin: material<Resin>('vinylester'), process: 'infusion' })[0]!;

describe('small-craft method, figures of its restatement', () => {
  it('dynamic load factor of boat A at 26 and at 20 kn', () => {
    expect(dynamicLoadFactor(boatA)).toBeCloseTo(3.231, 3);
    expect(dynamicLoadFactor({ ...boatA, maxSpeedKnots: 20 })).toBeCloseTo(2.34, 3);
  });
  it('longitudinal factor at nCG 3', () => {
    [0.501, 0.667, 0.834, 1].forEach((kL, i) => expect(longitudinalFactor(0.2 * i, 3)).toBeCloseTo(kL, 3));
  });
  it('area reduction of a 380 × 900 panel, planing and displacement', () => {
    const panel = { kind: 'panel', shortSide: 0.38, longSide: 0.9, construction: 'single' } as const;
    expect(areaReduction(panel, { loadedMass: 3600, planing: true })).toBeCloseTo(0.4712, 4);
    expect(areaReduction(panel, { loadedMass: 3600, planing: false })).toBeCloseTo(0.6531, 4);
  });
  it('clamped-plate coefficients against the table of plate theory within 1.5 %', () => {
    for (const [r, k2, k3] of [
      [1, 0.308, 0.014],
      [1.4, 0.436, 0.023],
      [1.6, 0.468, 0.0254],
      [2, 0.497, 0.028],
      [3, 0.5, 0.028],
    ] as const) {
      const found = panelCoefficients(1, r);
      expect(Math.abs(found.k2 / k2 - 1)).toBeLessThan(0.015);
      expect(Math.abs(found.k3 / k3 - 1)).toBeLessThan(0.015);
    }
    expect(curvatureFactor(0.02, 0.38)).toBeCloseTo(0.925, 3);
  });
  it('least fibre masses of boat A', () => {
    expect(
      [
        minimumFibreMass(boatA, { location: 'bottom' }),
        minimumFibreMass(boatA, { location: 'side' }),
        minimumFibreMass(boatA, { location: 'deck' }),
      ].map((w) => Number(w.toFixed(3))),
    ).toEqual([1.942, 1.607, 1.075]);
    expect(minimumSkins(boatA, { location: 'bottom' }).outer).toBeCloseTo(0.54, 3);
  });
});

describe('small-craft method, properties', () => {
  it('pressure falls with the size of the panel and never below its minimum', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 1.5, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.constantFrom('bottom', 'deck'),
        (side, position, location) => {
          const at = (shortSide: number) =>
            designPressure({
              craft: boatA,
              location: location as 'bottom',
              position,
              member: { kind: 'panel', shortSide, longSide: 2 * shortSide, construction: 'sandwich' },
            });
          expect(at(side * 1.3).pressure).toBeLessThanOrEqual(at(side).pressure);
          expect(at(side).pressure).toBeGreaterThanOrEqual(at(side).minimumPressure!);
        },
      ),
    );
  });
  it('names the figure that is missing', () => {
    const member = { kind: 'panel', shortSide: 0.4, longSide: 0.8, construction: 'single' } as const;
    expect(() => designPressure({ craft: boatA, location: 'side', position: 0.5, member })).toThrow(/edgeHeight/);
    expect(() =>
      designPressure({ craft: { ...boatA, chineBeam: undefined }, location: 'bottom', position: 0.5, member }),
    ).toThrow(/chineBeam/);
  });
});

describe('a fabric as the pack sees it', () => {
  it('takes balanced 0/90 glass by the roving law, whichever way it lies', () => {
    const component = laid('bx0-600');
    const law = laminateProperties(component.fibreWeightFraction, 0);
    for (const angle of [0, 90, -90])
      expect(sheetProperties(component, angle)).toEqual({
        E: law.E,
        tensileStrength: law.tensileStrength,
        compressiveStrength: law.compressiveStrength,
        basis: 'law',
      });
  });
  it('takes unidirectional glass by limiting strain: strong along, weak across', () => {
    const along = sheetProperties(laid('ud-600'), 0)!;
    const across = sheetProperties(laid('ud-600'), 90)!;
    expect(along.basis).toBe('firstPly');
    expect(along.tensileStrength / along.E).toBeCloseTo(0.027, 4);
    expect(across.tensileStrength / across.E).toBeCloseTo(0.0053, 4);
    expect(along.E).toBeGreaterThan(2 * across.E);
  });
  it('takes tested strengths in front of its tables, at the lesser of 0.9 mean and mean less two deviations', () => {
    const fabric = structuredClone(material<Fabric>('bx0-600'));
    const along = (spread: number) => {
      fabric.components[0]!.measured = [
        { property: 'Xt', value: 7e8, origin: 'yardTest', n: 6, spread, process: null },
      ];
      const [component] = layFabric(fabric, { fibres, resin: material<Resin>('vinylester'), process: 'infusion' });
      return sheetProperties(component!, 0)!;
    };
    expect(along(0.02).basis).toBe('stated');
    // The transverse layer cracks first, as with the pack's limits; its strain is not stated.
    expect(along(0.02).tensileStrength / along(0.02).E).toBeCloseTo(0.0053, 4);
    const ud = structuredClone(material<Fabric>('ud-600'));
    ud.components[0]!.measured = [
      { property: 'Xt', value: 7e8, origin: 'yardTest', n: 6, spread: 0.08, process: null },
    ];
    const [component] = layFabric(ud, { fibres, resin: material<Resin>('vinylester'), process: 'infusion' });
    expect(sheetProperties(component!, 0)!.tensileStrength).toBeCloseTo(7e8 * (1 - 0.16), -3);
    expect(sheetProperties(component!, 0)!.compressiveStrength).toBeCloseTo(
      sheetProperties(laid('ud-600'), 0)!.compressiveStrength,
      -3,
    );
  });
  it('gives the same for ±45 turned by 90, and has no figures for flax', () => {
    const one = sheetProperties(laid('bx45-600'), 0)!;
    const other = sheetProperties(laid('bx45-600'), 90)!;
    expect(other.tensileStrength / one.tensileStrength).toBeCloseTo(1, 9);
    expect(sheetProperties(laid('flax-twill-300'), 0)).toBeUndefined();
  });
});

it('a zone without its figure is refused by name', () => {
  const geometry = {
    area: 1,
    centroidX: 1,
    centroidZ: 1,
    panelLength: 1,
    panelBreadth: 0.5,
    crown: 0,
    panelX: 1,
    edgeHeight: null,
    centreHeight: null,
    head: null,
  };
  const sheets = [
    {
      role: 'skin',
      name: 'x',
      thickness: 0.003,
      fibreMass: 2,
      resinMass: 1,
      matMass: 0,
      lightFibreMass: 0,
      properties: undefined,
    },
  ] as const;
  expect(() => checkPanel({ craft: boatA, location: 'bulkhead', geometry, sheets, quality: 1 })).toThrow(
    /head of water/,
  );
  expect(() => checkPanel({ craft: boatA, location: 'bottom', geometry, sheets: [], quality: 1 })).toThrow(
    /No layer covers/,
  );
  expect(checkPanel({ craft: boatA, location: 'bottom', geometry, sheets, quality: 1 }).unproven.join()).toContain(
    'no strengths for x',
  );
});
