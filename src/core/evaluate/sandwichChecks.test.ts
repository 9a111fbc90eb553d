import { describe, expect, it } from 'vitest';
import { merrow, zoneOf } from '../../../tests/helpers/merrow';
import { methodOf } from '../document';
import { inPlaneCompliance, laminateResponse, laminateStiffness, modulusAlong, transverseShear } from '../laminate';
import { designStack } from './designStack';
import { sandwichChecks } from './sandwichChecks';

const boat = merrow();
const { plies, cores } = designStack(boat, ...zoneOf(boat, 'Foredeck'));
const first = plies.findIndex(({ role }) => role === 'core');
const shear = transverseShear(plies);
const under = (N: [number, number, number]) => {
  const load = { N, M: [0, 0, 0] as [number, number, number], V: 0 };
  const response = laminateResponse(plies, load);
  const checks = sandwichChecks({ plies, cores, response, load, shear }, methodOf(boat).coreStrengthFactor)!;
  return { response, of: (id: (typeof checks)[number]['id']) => checks.find((one) => one.id === id)! };
};
/** Mean stress of the outer skin, by hand: faces of its plies by their thickness. */
const meanOf = (response: ReturnType<typeof under>['response'], axis: 0 | 1 | 2) => {
  const skin = plies.slice(0, first);
  const thickness = skin.reduce((sum, ply) => sum + ply.thickness, 0);
  return skin.reduce((sum, ply, i) => {
    const { bottom, top } = response.plies[i]!;
    return sum + ((bottom.stress[axis] + top.stress[axis]) / 2) * (ply.thickness / thickness);
  }, 0);
};
const skin = plies.slice(0, first);
const thickness = skin.reduce((sum, ply) => sum + ply.thickness, 0);
const compliance = inPlaneCompliance(laminateStiffness(skin).A);
const [core] = cores;
/** 0.3 (E_f E_c G_c)^⅓ along a direction. */
const wrinkles = (angleDeg: number) =>
  0.3 *
  Math.cbrt(modulusAlong(compliance, thickness, angleDeg) * core!.compressiveModulus.value * core!.shearModulus.value);

describe('skins of a sandwich that are pressed', () => {
  it('along wrinkle by their modulus along, by hand', () => {
    // What the skin is pulled across by the other plies does not count; it is pressed along.
    const { response, of } = under([-50e3, 0, 0]);
    const { demand } = of('wrinklingOuter');
    expect(demand).toBeGreaterThanOrEqual(-meanOf(response, 0) * (1 - 1e-9));
    expect(demand).toBeLessThan(-meanOf(response, 0) * 1.05);
    expect(of('wrinklingOuter').reserveFactor).toBeLessThanOrEqual((wrinkles(0) / demand) * 1.02);
  });
  it('both ways bear less than either way alone, down to 0.68', () => {
    const [along, across, both] = (
      [
        [-50e3, 0, 0],
        [0, -50e3, 0],
        [-50e3, -50e3, 0],
      ] as const
    ).map((N) => under([...N]).of('wrinklingOuter').reserveFactor);
    const least = Math.min(along!, across!);
    expect(both!).toBeLessThan(0.95 * least);
    expect(both!).toBeGreaterThan(0.5 * least);
  });
  it('crimp along whatever presses most: in pure shear the diagonal, by hand G d² / c', () => {
    const inner = plies.slice(plies.findLastIndex(({ role }) => role === 'core') + 1);
    const [c, other] = [plies[first]!.thickness, inner.reduce((sum, ply) => sum + ply.thickness, 0)];
    const there = (core!.shearModulus.value * (c + (thickness + other) / 2) ** 2) / c;
    for (const N of [[-50e3, 0, 0] as const, [0, 0, 50e3] as const]) {
      const { demand, capacity } = under([...N]).of('crimping');
      expect(demand).toBeCloseTo(50e3, 6);
      expect(capacity / there).toBeGreaterThan(0.99);
      expect(capacity / there).toBeLessThan(1 + 1e-9);
    }
    expect(under([50e3, 50e3, 0]).of('crimping').demand).toBe(0);
    // Pulled along and sheared: the diagonal is pressed all the same.
    expect(under([50e3, 0, 50e3]).of('crimping').demand).toBeCloseTo(50e3 * (Math.sqrt(1.25) - 0.5), 6);
  });
  it('in shear wrinkle along the diagonal that is pressed, whichever that is', () => {
    for (const sense of [1, -1]) {
      const { response, of } = under([0, 0, sense * 50e3]);
      const { demand, capacity } = of('wrinklingOuter');
      expect(Math.abs(demand / meanOf(response, 2))).toBeCloseTo(1, 1);
      expect(Math.abs(capacity / wrinkles(sense > 0 ? -45 : 45) - 1)).toBeLessThan(0.03);
    }
  });
  it('that are pulled do not wrinkle', () => {
    expect(under([50e3, 50e3, 0]).of('wrinklingOuter').reserveFactor).toBe(Infinity);
  });
});
