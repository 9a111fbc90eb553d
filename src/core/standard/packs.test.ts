import { describe, expect, it } from 'vitest';
import {
  checkAsSpecified,
  checkPanel,
  checkYardRule,
  coefficientLabel,
  coefficientsOf,
  designPressure,
  packDifference,
  packFromJson,
  packLimits,
  packStatus,
  packToJson,
  SHIPPED_PACKS,
  SMALL_CRAFT_PACK,
  withCoefficient,
  type AsSpecified,
  type Craft,
  type SmallCraftPack,
  type SpecifiedLayer,
  type YardRule,
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
const pack = <T>(kind: string) => SHIPPED_PACKS.find((one) => one.kind === kind) as T;

describe('packs as data', () => {
  it('ship four kinds, none of them signed for', () => {
    expect(SHIPPED_PACKS.map(({ kind }) => kind)).toEqual(['smallCraft', 'yardRule', 'workboatUplift', 'asSpecified']);
    expect(SHIPPED_PACKS.map(packStatus)).toEqual(Array(4).fill('unverified'));
  });
  it.each(SHIPPED_PACKS.map((one) => [one.title, one] as const))(
    '%s: goes out as JSON and comes back the same, every coefficient named',
    (_, one) => {
      expect(packFromJson(packToJson(one))).toEqual(one);
      const coefficients = coefficientsOf(one);
      expect(coefficients.length).toBeGreaterThan(0);
      const labels = coefficients.map(({ path }) => coefficientLabel(path));
      expect(new Set(labels).size).toBe(labels.length);
    },
  );
  it('a change takes the sign-off away, shows as a difference, and leaves the original alone', () => {
    const signed = {
      ...SMALL_CRAFT_PACK,
      signOff: { by: 'I. Hallin', note: 'read against our copy', at: '2026-11-26T00:00:00Z' },
    };
    expect(packStatus(signed)).toBe('signed off by I. Hallin, 2026-11-26');
    const changed = withCoefficient(signed, 'motor.bottomBase.constant', 22000);
    expect(changed.signOff).toBeNull();
    expect(packDifference(signed, changed)).toEqual([{ path: 'motor.bottomBase.constant', was: 20000, is: 22000 }]);
    expect(signed.motor.bottomBase.constant).toBe(20000);
  });
  it.each([
    ['{', 'not JSON'],
    ['{"format":"keramos-boat"}', 'must be "keramos-pack"'],
    [packToJson(SMALL_CRAFT_PACK).replace('"constant": 20000', '"constant": -1'), 'constant'],
    [packToJson(SMALL_CRAFT_PACK).replace('"wrinklingFactor"', '"wrinkling"'), 'wrinkl'],
    [packToJson(SMALL_CRAFT_PACK).replace('"id": "iso', '"id": "../iso'), 'id'],
  ])('a broken document is refused: %#', (text, words) => {
    expect(() => packFromJson(text)).toThrow(words);
  });
  it('refuses a coefficient there is none of, and a value it cannot have', () => {
    expect(() => withCoefficient(SMALL_CRAFT_PACK, 'motor.nothing', 1)).toThrow('no coefficient');
    expect(() => withCoefficient(SMALL_CRAFT_PACK, 'title', 1)).toThrow('no coefficient');
    expect(() => withCoefficient(SMALL_CRAFT_PACK, 'wrinklingFactor', -1)).toThrow();
  });
});

describe('a coefficient does what it says', () => {
  const member = { kind: 'panel', shortSide: 0.5, longSide: 1, construction: 'sandwich' } as const;
  const at = (own: SmallCraftPack, craft = motor) =>
    designPressure({ craft, location: 'bottom', position: 0.3, member }, undefined, own).pressure;
  it('base pressure of a displacement boat grows with its constant', () => {
    const slow: Craft = { ...motor, maxSpeedKnots: 8 };
    const mass = 2400 * 3600 ** 0.33;
    const changed = withCoefficient(SMALL_CRAFT_PACK, 'motor.bottomBase.constant', 40000) as SmallCraftPack;
    expect(at(changed, slow) / at(SMALL_CRAFT_PACK, slow)).toBeCloseTo((mass + 40000) / (mass + 20000), 9);
  });
  it('every coefficient of the method has some bearing: none is only for show', () => {
    const sheets = (role: 'single' | 'sandwich') =>
      role === 'single'
        ? [
            {
              role: 'skin' as const,
              name: 'M',
              thickness: 0.006,
              fibreMass: 3,
              resinMass: 3,
              matMass: 1,
              lightFibreMass: 0,
              properties: { E: 9e9, tensileStrength: 1e8, compressiveStrength: 1e8, basis: 'law' as const },
            },
          ]
        : [];
    const result = (own: SmallCraftPack) =>
      JSON.stringify([
        designPressure({ craft: motor, location: 'bottom', position: 0.3, member }, undefined, own),
        checkPanel(
          {
            craft: { ...motor, maxSpeedKnots: 8 },
            location: 'bottom',
            geometry,
            sheets: sheets('single'),
            quality: 1,
          },
          undefined,
          own,
        ).checks,
      ]);
    const base = result(SMALL_CRAFT_PACK);
    for (const path of [
      'motor.planingBase',
      'motor.bottomBase.perMass',
      'designCategoryFactor.C',
      'skinStrengthFactor',
      'minimumFibre.bottom.A',
      'fibreTypeFactor.someMat',
    ]) {
      const { value } = coefficientsOf(SMALL_CRAFT_PACK).find((one) => one.path === path)!;
      expect(result(withCoefficient(SMALL_CRAFT_PACK, path, value * 1.1) as SmallCraftPack), path).not.toBe(base);
    }
  });
});

describe('limits of the method', () => {
  const texts = (craft: Craft) =>
    packLimits(SMALL_CRAFT_PACK, craft)
      .map(({ severity, text }) => `${severity}: ${text}`)
      .join('\n');
  it('refuse with the reason, or warn', () => {
    expect(texts({ ...motor, hullLength: 26, waterlineLength: 24 })).toContain(
      'refuse: The method covers hulls of {{length 2.5 24}}',
    );
    expect(texts({ ...motor, maxSpeedKnots: 55 })).toContain('refuse: The method ends at 50 kn');
    expect(texts({ kind: 'sail', hullLength: 9, waterlineLength: 8, loadedMass: 2400, designCategory: 'B' })).toContain(
      'refuse: A light sailing craft',
    );
    expect(texts({ ...motor, deadriseDeg: 5 })).toContain('warn: Deadrise counts as 10° to 30°');
    expect(texts(motor)).not.toContain('refuse');
  });
});

describe('house packs', () => {
  it('the yard rule asks fibre and thickness by place, and nothing where its figure is 0', () => {
    const yard = pack<YardRule>('yardRule');
    const [fibre, thickness] = checkYardRule(yard, 'bottom', { fibreMass: 0.9, thickness: 0.008 });
    expect([fibre!.reserveFactor, thickness!.reserveFactor]).toEqual([0.5, 2]);
    expect(
      checkYardRule({ ...yard, minimumThickness: { ...yard.minimumThickness, deck: 0 } }, 'cockpitSole', {
        fibreMass: 1,
        thickness: 0.001,
      }),
    ).toHaveLength(1);
  });
  const layer = (name: string, angleDeg = 0, weight = 0.6, family = name): SpecifiedLayer => ({
    name,
    family,
    angleDeg,
    weight,
  });
  const specified = [layer('A'), layer('B', 45), layer('C')];
  const specifiedPack = pack<AsSpecified>('asSpecified');
  it('as specified: every layer, in order, at its angle and weight; more may be laid', () => {
    const met = (laid: SpecifiedLayer[]) => checkAsSpecified(specifiedPack, specified, laid).reserveFactor;
    expect(met(specified)).toBe(1);
    expect(met([layer('X'), layer('A'), layer('X'), layer('B', -135), layer('C', 2, 0.59)])).toBe(1);
    expect(met([layer('A'), layer('C'), layer('B', 45)])).toBeCloseTo(2 / 3, 9);
    expect(met([layer('A'), layer('B', -45), layer('C')])).toBeLessThan(1);
    expect(met([layer('A', 0, 0.5), layer('B', 45), layer('C')])).toBeLessThan(1);
    expect(checkAsSpecified(specifiedPack, specified, [layer('A')]).governs).toContain('specified layer 2, B at 45°');
  });
  it('the workboat uplift multiplies the pressure and the minima', () => {
    const sheets = [
      {
        role: 'skin' as const,
        name: 'M',
        thickness: 0.006,
        fibreMass: 3,
        resinMass: 3,
        matMass: 1,
        lightFibreMass: 0,
        properties: { E: 9e9, tensileStrength: 1e8, compressiveStrength: 1e8, basis: 'firstPly' as const },
      },
    ];
    const input = {
      craft: motor,
      location: 'bottom' as const,
      geometry,
      sheets,
      quality: 1,
    };
    const [plain, uplifted] = [checkPanel(input), checkPanel({ ...input, uplift: { pressure: 1.2, minimum: 1.15 } })];
    expect(uplifted.pressure.pressure / plain.pressure.pressure).toBeCloseTo(1.2, 9);
    const reserve = ({ checks }: typeof plain, id: string) => checks.find((check) => check.id === id)!.reserveFactor;
    expect(reserve(plain, 'plyByPly') / reserve(uplifted, 'plyByPly')).toBeCloseTo(1.2, 9);
    expect(reserve(plain, 'minimumFibre') / reserve(uplifted, 'minimumFibre')).toBeCloseTo(1.15, 9);
  });
});
