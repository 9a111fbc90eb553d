import { expect, it } from 'vitest';
import { GENERIC_MATERIALS, type Wood } from '../material';
import { grainStrength, plywoodAcross, woodPly } from '.';

const wood = (id: string) => GENERIC_MATERIALS.find((one) => one.id === id) as Wood;

it.each([
  // By hand: shares of the second moment of veneers that lie across, 1/27, 0.208 and 0.2886.
  [3, 0.0882, 0.1154],
  [5, 0.3086, 0.4377],
  [7, 0.4467, 0.568],
])('plywood of %d veneers bends across the grain of its faces as worked by hand', (veneers, stiffness, strength) => {
  const across = plywoodAcross(veneers, 0.05);
  expect(across.stiffness).toBeCloseTo(stiffness, 3);
  expect(across.strength).toBeCloseTo(strength, 3);
});
it('thin sheets are weaker across, and thicker ones never weaker than thinner', () => {
  const across = [0.004, 0.006, 0.009, 0.012, 0.018].map((t) => woodPly(wood('plywood-sheet'), t).bending.across);
  expect(across[0]).toBe(across[1]);
  expect([...across].sort((a, b) => a - b)).toEqual(across);
  expect(across.at(-1)! / 40e6).toBeCloseTo(0.568, 3);
});
it('solid wood has next to nothing across its grain, and Hankinson between', () => {
  const { bending, ply, rollingShear } = woodPly(wood('larch'), 0.02);
  expect(bending.across).toBeCloseTo(2e6, 0);
  expect(ply.E2 / ply.E1).toBeCloseTo(0.05, 9);
  expect(rollingShear).toBeCloseTo(2.25e6, 0);
  expect(grainStrength(bending, 0)).toBeCloseTo(90e6, 0);
  expect(grainStrength(bending, 90)).toBeCloseTo(2e6, 0);
  // 90 x 2 / (90/2 + 2/2) = 3.91 MPa
  expect(grainStrength(bending, 45) / 1e6).toBeCloseTo(3.913, 3);
});
it('a shear strength above any published for rolling is that of the plane, and does not count until tested', () => {
  const sheet = wood('plywood-sheet');
  const of = (origin: 'dataSheet' | 'yardTest') =>
    woodPly({ ...sheet, shearStrength: { value: 6e6, origin } }, 0.009).rollingShear;
  expect(of('dataSheet')).toBe(2.5e6);
  expect(of('yardTest')).toBe(6e6);
});
