import { describe, expect, it } from 'vitest';
import { GENERIC_MATERIALS, type Core } from '../../material';
import { plateUnderPressure } from '../../panel';
import { checkPanel, type Sheet } from '..';
import { alongSide } from './alongSide';
import { skinLimit } from './skinLimit';
import { SMALL_CRAFT_PACK } from './pack';

/** A clamped orthotropic plate by Ritz: moment and shear at the middle of its short edge, per P b² and P b. */
function byRitz(ratio: number, aspect: number) {
  const nu = 0.3;
  const [D11, D22] = [ratio, 1];
  const root = Math.sqrt(D11 * D22);
  const plate = { length: aspect, breadth: 1, D11, D22, D12: nu * root, D66: ((1 - nu) / 2) * root };
  const { at } = plateUnderPressure({ ...plate, fixityX: 1, fixityY: 1 }, { kind: 'uniform', pressure: 1 }, 20);
  return { moment: Math.abs(at(0, 0.5).Mx), edge: Math.abs(at(aspect / 2, 0).My) };
}

describe('the short edges of a clamped panel', () => {
  it.each([
    [1, 1.5],
    [1, 3],
    [4, 1.5],
    [4, 2],
    [16, 2],
    [16, 3],
    [0.25, 1.5],
    [40, 2],
  ])(
    'of stiffness %d along to 1 across and sides %d to 1 bear what plate theory says, or a little more',
    (ratio, r) => {
      const found = alongSide({ pressure: 1, shortSide: 1, longSide: r, stiffness: { across: 1, along: ratio } });
      const { moment } = byRitz(ratio, r);
      expect(found.moment / moment).toBeGreaterThan(0.97);
      expect(found.moment / moment).toBeLessThan(1.35);
    },
  );
  it('of an isotropic one bear 0.0571 P b², two thirds of the long edge', () => {
    const found = alongSide({ pressure: 1e4, shortSide: 0.5, longSide: 1, stiffness: { across: 1, along: 1 } });
    expect(found.moment).toBeCloseTo(142.75, 2);
    expect(found.shear).toBeCloseTo(0.371 * 1e4 * 0.5, 6);
  });
});

const core = GENERIC_MATERIALS.find((one): one is Core => one.kind === 'core' && one.cellSize === null)!;
const honeycomb = GENERIC_MATERIALS.find((one): one is Core => one.kind === 'core' && one.cellSize !== null)!;
const skin = (E: number, tensile: number, compressive: number, thickness: number): Sheet => ({
  role: 'skin',
  name: 'skin',
  thickness,
  fibreMass: 1,
  resinMass: 1,
  matMass: 0,
  lightFibreMass: 0,
  properties: { E, tensileStrength: tensile, compressiveStrength: compressive, basis: 'firstPly' },
});
const cored = (one: Sheet, inside: Core): Sheet[] => [
  one,
  { role: 'core', name: inside.code, thickness: 0.02, core: inside },
  one,
];
const craft = {
  kind: 'motor' as const,
  hullLength: 8,
  waterlineLength: 7,
  chineBeam: 2,
  deadriseDeg: 15,
  loadedMass: 3000,
  maxSpeedKnots: 20,
  designCategory: 'C' as const,
};
const geometry = {
  area: 1,
  centroidX: 3,
  centroidZ: 0.5,
  panelLength: 1.2,
  panelBreadth: 0.6,
  crown: 0,
  panelX: 3,
  edgeHeight: null,
  centreHeight: null,
  head: null,
};
const reserves = (sheets: Sheet[], sheetsAlong = sheets) =>
  new Map(
    checkPanel({ craft, location: 'deck', geometry, sheets, sheetsAlong, quality: 1 }).checks.map((check) => [
      check.id,
      check,
    ]),
  );

describe('a panel looked at from its other sides', () => {
  it('fails in its middle where a skin that is strong in tension alone is pressed', () => {
    // Aramid: a quarter of its tensile strength in compression; half of the edge moment then asks twice as much.
    const found = reserves(cored(skin(30e9, 480e6, 120e6, 0.002), core));
    const [edge, middle] = [found.get('outerSkin')!, found.get('midSpan')!];
    expect(middle.governs).toMatch(/outer skin/);
    const strength = middle.capacity / (0.5 * 480e6);
    expect(middle.reserveFactor / edge.reserveFactor).toBeCloseTo(2 * strength, 6);
  });
  it('alike both ways, and as strong pressed as pulled, is no worse there than at its long edge', () => {
    const one = skin(20e9, 200e6, 200e6, 0.003);
    const found = reserves(cored(one, core));
    expect(found.get('midSpan')!.reserveFactor).toBeGreaterThanOrEqual(found.get('outerSkin')!.reserveFactor);
    expect(found.get('alongSide')!.reserveFactor).toBeGreaterThan(found.get('outerSkin')!.reserveFactor);
    const solid = reserves([one]);
    expect(solid.get('midSpan')!.reserveFactor).toBeCloseTo(2 * solid.get('plyByPly')!.reserveFactor, 9);
    expect(solid.get('alongSide')!.reserveFactor / solid.get('plyByPly')!.reserveFactor).toBeCloseTo(
      0.5 / 6 / 0.0571,
      1,
    );
  });
  it('stiff along and weak there fails at its short edge first', () => {
    const found = reserves([skin(10e9, 200e6, 200e6, 0.004)], [skin(40e9, 150e6, 150e6, 0.004)]);
    expect(found.get('alongSide')!.reserveFactor).toBeLessThan(found.get('plyByPly')!.reserveFactor);
  });
  it('over cells wrinkles in the second form and dimples, by hand', () => {
    const [E, t, tc] = [30e9, 0.0006, 0.02];
    const over = { core: honeycomb, coreThickness: tc };
    const thin = { thickness: t, E, tensileStrength: 300e6, compressiveStrength: 900e6 };
    const limit = skinLimit(thin, 'inner', over, SMALL_CRAFT_PACK);
    const second = 0.33 * Math.sqrt((E * honeycomb.compressiveModulus.value * t) / tc);
    const dimples = 0.6 * 2 * E * (t / honeycomb.cellSize!) ** 2;
    const first =
      SMALL_CRAFT_PACK.wrinklingFactor *
      Math.cbrt(honeycomb.compressiveModulus.value * E * honeycomb.shearModulus.value);
    expect(limit.stress).toBeCloseTo(Math.min(first, second, dimples, 450e6), 0);
    // Three times thinner, the cells decide.
    const thinner = skinLimit({ ...thin, thickness: t / 3 }, 'inner', over, SMALL_CRAFT_PACK);
    expect(thinner.governs).toMatch(/cells|dimpling/);
  });
  it('of two cores is no better than with either of them alone, whichever lies outside', () => {
    const cores = GENERIC_MATERIALS.filter((one): one is Core => one.kind === 'core');
    const half = (inside: Core): Sheet => ({ role: 'core', name: inside.code, thickness: 0.01, core: inside });
    const one = skin(20e9, 200e6, 200e6, 0.0012);
    let worse = 0;
    for (const a of cores)
      for (const b of cores) {
        const both = reserves([one, half(a), half(b), one]);
        const alone = [a, b].map((inside) => reserves([one, half(inside), half(inside), one]));
        for (const [id, { reserveFactor }] of both) {
          const least = Math.min(...alone.map((found) => found.get(id)!.reserveFactor));
          expect(reserveFactor, `${id}, ${a.code} and ${b.code}`).toBeLessThanOrEqual(least * (1 + 1e-12));
          if (reserveFactor < least * (1 - 1e-9)) worse++;
        }
      }
    // Softest of one, weakest of the other: worse than either is cautious, and is meant.
    expect(worse).toBeGreaterThan(0);
  });
  it('says that strength is not proven where a sheet has none', () => {
    const bare: Sheet = { ...skin(1, 1, 1, 0.004), name: 'flax', properties: undefined } as Sheet;
    const result = checkPanel({ craft, location: 'deck', geometry, sheets: [bare], quality: 1 });
    expect(result.unproven.join()).toContain('no strengths for flax');
    expect(result.checks.map(({ id }) => id)).toEqual(['minimumFibre']);
  });
});
