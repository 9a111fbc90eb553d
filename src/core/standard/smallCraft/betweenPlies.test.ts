import { describe, expect, it } from 'vitest';
import { merrow, zoneOf } from '../../../../tests/helpers/merrow';
import { evaluateZone } from '../../evaluate';
import type { SkinSheet } from './check';
import { betweenPlies, INTERLAMINAR_STRENGTH } from './betweenPlies';
import { checkSingleSkin } from './checkSingleSkin';
import { skinSection } from './skinBending';

const sheet = (E: number, thickness: number): SkinSheet => {
  const properties = { E, tensileStrength: 400e6, compressiveStrength: 400e6, basis: 'fabric' } as never;
  const mass = { fibreMass: 1, resinMass: 1, matMass: 0, lightFibreMass: 0 };
  return { role: 'skin', name: 'ply', thickness, properties, ...mass };
};

describe('shear between plies of a solid skin', () => {
  it('of one material is 1.5 F / t at the middle', () => {
    expect(betweenPlies(skinSection([sheet(12e9, 0.004)]))).toBeCloseTo(1.5 / 0.004, 6);
    expect(betweenPlies(skinSection([sheet(12e9, 0.001), sheet(12e9, 0.003)]))).toBeCloseTo(1.5 / 0.004, 6);
  });
  it('of stiff faces on a soft middle is nearly F / d, by hand', () => {
    // Two faces of 1 mm, 40 GPa, on 8 mm of 0.01 GPa: S = E t d/2, EI = E t d²/2 (1 + t²/3d²).
    const faced = skinSection([sheet(40e9, 0.001), sheet(0.01e9, 0.008), sheet(40e9, 0.001)]);
    expect(betweenPlies(faced) * 0.009).toBeCloseTo(1 / (1 + 0.001 ** 2 / (3 * 0.009 ** 2)), 2);
  });
  it('is what governs a thick strong skin between supports that stand close', () => {
    const plies = [sheet(60e9, 0.012)];
    const panel = {
      shortSide: 0.1,
      longSide: 0.4,
      crown: 0,
      quality: 1,
      along: plies,
      minimum: null,
      trace: undefined,
    };
    const pack = { skinStrengthFactor: 0.5 };
    const find = (context: Partial<typeof panel>) =>
      checkSingleSkin(plies, { ...panel, pressure: 1e6, ...context }).checks.find(({ id }) => id === 'plyByPly')!;
    const close = find({});
    expect(close.governs).toBe('shear between plies, generic');
    expect(close.demand).toBeCloseTo((1.5 * 0.5 * 1e6 * 0.1) / 0.012, 3);
    expect(close.capacity).toBeCloseTo(pack.skinStrengthFactor * INTERLAMINAR_STRENGTH, 3);
    expect(find({ shortSide: 0.4, longSide: 1.6 }).governs).toContain('in tension');
  });
  it('does not govern the skins of the sample', () => {
    const boat = merrow();
    for (const name of ['Keel band', 'Bottom aft'])
      expect(
        evaluateZone(boat, ...zoneOf(boat, name))
          .checks.map(({ governs }) => governs)
          .join(),
      ).not.toContain('between plies');
  });
});
