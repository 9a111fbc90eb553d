import { describe, expect, it } from 'vitest';
import { merrow, zoneOf } from '../../../../tests/helpers/merrow';
import { evaluateZone } from '../../evaluate';
import { plateUnderPressure } from '../../panel';
import { panelCoefficients, stretchedSide } from '..';

const across = (ratio: number, longSide = 1.4) => stretchedSide({ longSide, stiffness: { across: ratio, along: 1 } });

describe('a panel of a laminate that is stiffer across it than along it (F33)', () => {
  it('of 1.4 to 1, twice as stiff across, bends as one of 1.665: k2 0.475 in place of 0.436', () => {
    expect(across(2)).toBeCloseTo(1.665, 3);
    expect(panelCoefficients(1, across(2)).k2).toBeCloseTo(0.475, 3);
    expect(panelCoefficients(1, 1.4).k2).toBeCloseTo(0.436, 3);
  });
  it('stiffer along it is taken as it is', () => {
    expect(across(0.3)).toBe(1.4);
    expect(across(1)).toBe(1.4);
  });
  it.each([
    [1, 2],
    [1, 4],
    [1.4, 2],
    [1.4, 4],
    [2, 3],
  ])('of %s to 1, %s times as stiff across, is as the clamped plate by Ritz within 4 parts in 100', (l, ratio) => {
    // Torsion as of the isotropic plate that it is drawn out to: H = √(D_b D_l).
    const [D11, D22] = [1, ratio];
    const H = Math.sqrt(D11 * D22);
    const D12 = 0.3 * H;
    const plate = { length: l, breadth: 1, D11, D22, D12, D66: (H - D12) / 2, D16: 0, D26: 0, fixityX: 1, fixityY: 1 };
    const solved = plateUnderPressure(plate, { kind: 'uniform', pressure: 1 }, 16);
    const moment = Math.abs(solved.at(l / 2, 0).My);
    const { k2, k3 } = panelCoefficients(1, across(ratio, l));
    expect(moment / (k2 / 6)).toBeGreaterThan(0.96);
    expect(moment / (k2 / 6)).toBeLessThan(1.04);
    // k3 stands for 12 (1 − ν²) w D / P b⁴ with the stiffness across.
    const w = solved.deflection.value * D22 * (1 - 0.3 ** 2);
    expect(w / (k3 / 12)).toBeGreaterThan(0.95);
    expect(w / (k3 / 12)).toBeLessThan(1.05);
  });
});

describe('a zone of such a laminate', () => {
  const boat = merrow();
  const [part, zone] = zoneOf(boat, 'Bottom forward');
  const outer = part.layers.findIndex(({ zones }) => zones.includes(zone.id));
  const ud = (angleDeg: number) => {
    const layer = { ...part.layers[outer]!, id: `ud-${angleDeg}`, material: 'ud-600', angleDeg, zones: [zone.id] };
    const own = { ...layer, role: 'structure' as const };
    const inner = { ...own, id: `ud-in-${angleDeg}` };
    return { ...part, layers: [own, ...part.layers, inner] };
  };
  const found = (angleDeg: number) => evaluateZone(boat, ud(angleDeg), zone).checks;
  const of = (angleDeg: number, id: string) => found(angleDeg).find((check) => check.id === id)!;

  it('asks more of its core and its stiffness when its layers run across the panel', () => {
    const [fore, cross] = [of(0, 'coreShear'), of(90, 'coreShear')];
    expect(cross.demand).toBeGreaterThan(1.02 * fore.demand);
    expect(cross.evenly! / cross.reserveFactor).toBeGreaterThan(1.02);
    expect(fore.evenly! / fore.reserveFactor).toBeCloseTo(1, 9);
    const stiff = of(90, 'stiffness');
    expect(stiff.evenly!).toBeGreaterThan(stiff.reserveFactor);
  });
});
