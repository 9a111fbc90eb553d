import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  GENERIC_MATERIALS,
  plyFractions,
  plyThickness,
  randomMat,
  unidirectional,
  unidirectionalExpansion,
  type Fibre,
  type Resin,
} from '.';

const real = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const constituents = fc.record({
  fibre: fc.record({ E1: real(20e9, 400e9), nu12: real(0.15, 0.4) }),
  resin: fc.record({ E: real(1e9, 5e9), nu: real(0.25, 0.45) }),
});
const near = (found: number, wanted: number, share = 1e-9) =>
  expect(Math.abs(found - wanted), `${found} against ${wanted}`).toBeLessThanOrEqual(share * Math.abs(wanted) + 1e-12);

describe('a unidirectional ply by its constituents (Jones, ch. 3; Halpin & Kardos 1976)', () => {
  it('is its resin where there is no fibre, and its fibre where there is nothing else', () => {
    fc.assert(
      fc.property(constituents, ({ fibre, resin }) => {
        const none = unidirectional({ fibre, resin, fibreVolumeFraction: 0 });
        near(none.E1, resin.E);
        near(none.E2, resin.E);
        near(none.G12, resin.E / (2 * (1 + resin.nu)));
        near(none.nu12, resin.nu);
        const all = unidirectional({ fibre, resin, fibreVolumeFraction: 1 });
        near(all.E1, fibre.E1);
        near(all.E2, fibre.E1);
        near(all.G12, fibre.E1 / (2 * (1 + fibre.nu12)));
      }),
    );
  });
  it('lies across between springs one behind the other (Reuss) and side by side (Voigt), which ξ spans', () => {
    fc.assert(
      fc.property(constituents, real(0.05, 0.7), ({ fibre, resin }, phi) => {
        const of = (xiE2: number) => unidirectional({ fibre, resin, fibreVolumeFraction: phi, xiE2 }).E2;
        const reuss = 1 / (phi / fibre.E1 + (1 - phi) / resin.E);
        const voigt = phi * fibre.E1 + (1 - phi) * resin.E;
        near(of(0), reuss, 1e-9);
        near(of(1e12), voigt, 1e-6);
        let last = reuss * (1 - 1e-9);
        for (const xi of [0, 0.5, 1, 2, 5, 50]) {
          expect(of(xi)).toBeGreaterThanOrEqual(last);
          expect(of(xi)).toBeLessThanOrEqual(voigt * (1 + 1e-9));
          last = of(xi);
        }
      }),
    );
  });
  it('is never softer for more fibre, in any direction', () => {
    fc.assert(
      fc.property(constituents, real(0, 0.6), real(0.001, 0.15), ({ fibre, resin }, phi, more) => {
        const [less, richer] = [phi, phi + more].map((fibreVolumeFraction) =>
          unidirectional({ fibre, resin, fibreVolumeFraction }),
        );
        for (const key of ['E1', 'E2', 'G12'] as const) expect(richer![key], key).toBeGreaterThanOrEqual(less![key]);
      }),
    );
  });
  it('of one stuff throughout is that stuff: 3 GPa of both, whatever the fraction', () => {
    const same = { fibre: { E1: 3e9, nu12: 0.3 }, resin: { E: 3e9, nu: 0.3 } };
    for (const fibreVolumeFraction of [0, 0.3, 0.8]) {
      const { E1, E2, G12, nu12 } = unidirectional({ ...same, fibreVolumeFraction });
      near(E1, 3e9);
      near(E2, 3e9);
      near(G12, 3e9 / 2.6);
      near(nu12, 0.3);
    }
  });
  it('by hand: glass of 73 GPa in resin of 3.2 GPa at 0.4: 31.12 GPa along', () => {
    near(
      unidirectional({ fibre: { E1: 73e9, nu12: 0.22 }, resin: { E: 3.2e9, nu: 0.36 }, fibreVolumeFraction: 0.4 }).E1,
      31.12e9,
    );
  });
});

describe('a random mat (Tsai & Pagano averages)', () => {
  it('is three eighths of the ply along and five eighths across; Poisson’s ratio follows from both moduli', () => {
    fc.assert(
      fc.property(constituents, real(0.1, 0.35), ({ fibre, resin }, fibreVolumeFraction) => {
        const input = { fibre, resin, fibreVolumeFraction };
        const { E1, E2 } = unidirectional(input);
        const { E, G, nu } = randomMat(input);
        near(E, 0.375 * E1 + 0.625 * E2);
        near(G, 0.125 * E1 + 0.25 * E2);
        near(E, 2 * G * (1 + nu));
        expect(E).toBeLessThan(E1);
        expect(E).toBeGreaterThan(E2);
      }),
    );
  });
});

describe('what a ply is made of (balance of mass and volume)', () => {
  const densities = fc.record({ fibreDensity: real(1200, 2700), resinDensity: real(1000, 1400) });
  it('fractions by weight and by volume come back from each other, with voids and without', () => {
    fc.assert(
      fc.property(densities, real(0.05, 0.8), real(0, 0.1), (own, fibreWeightFraction, voidFraction) => {
        const there = plyFractions({ ...own, fibreWeightFraction, voidFraction });
        const back = plyFractions({ ...own, fibreVolumeFraction: there.fibreVolumeFraction, voidFraction });
        near(back.fibreWeightFraction, fibreWeightFraction, 1e-9);
        near(back.density, there.density, 1e-9);
        // Never heavier than the heavier of both, nor lighter than the lighter less its voids.
        expect(there.density).toBeLessThanOrEqual(Math.max(own.fibreDensity, own.resinDensity) + 1e-9);
        expect(there.density).toBeGreaterThanOrEqual(
          (1 - voidFraction) * Math.min(own.fibreDensity, own.resinDensity) - 1e-9,
        );
      }),
    );
  });
  it('a ply is as thick as its fibre, its resin and its voids are together', () => {
    fc.assert(
      fc.property(densities, real(0.1, 2), real(0.2, 0.75), real(0, 0.08), (own, w, psi, voidFraction) => {
        const found = plyThickness({ ...own, dryArealWeight: w, fibreWeightFraction: psi, voidFraction });
        const solid = w / own.fibreDensity + found.resinArealWeight / own.resinDensity;
        near(found.thickness, solid / (1 - voidFraction), 1e-9);
        near(found.laminateArealWeight, w + found.resinArealWeight);
        near(w / found.laminateArealWeight, psi);
      }),
    );
  });
  it('at the densities of the standard is t = w/3.072 (2.56/ψ − 1.36), ISO 12215-5 annex C', () => {
    for (const psi of [0.28, 0.3, 0.46, 0.5, 0.6])
      for (const w of [0.3, 0.45, 0.8]) {
        const { thickness } = plyThickness({
          dryArealWeight: w,
          fibreWeightFraction: psi,
          fibreDensity: 2560,
          resinDensity: 1200,
        });
        near(1000 * thickness, (w / 3.072) * (2.56 / psi - 1.36), 1e-9);
      }
  });
  it.each([
    ['neither fraction', {}],
    ['both', { fibreWeightFraction: 0.4, fibreVolumeFraction: 0.3 }],
    ['more than all of it', { fibreVolumeFraction: 0.9, voidFraction: 0.2 }],
  ])('%s is refused', (_, more) => {
    expect(() => plyFractions({ fibreDensity: 2560, resinDensity: 1200, ...more })).toThrow();
  });
});

describe('how a ply expands (Schapery 1968)', () => {
  const fibreOf = (family: Fibre['family']) =>
    GENERIC_MATERIALS.find((one): one is Fibre => one.kind === 'fibre' && one.family === family)!;
  const resin = GENERIC_MATERIALS.find((one): one is Resin => one.kind === 'resin')!;
  it('is that of the resin without fibre, less along than across, and least where fibre is most', () => {
    for (const family of ['eGlass', 'carbon'] as const) {
      const fibre = fibreOf(family);
      const none = unidirectionalExpansion(fibre, resin, 0);
      near(none.alpha1, resin.alpha.value);
      near(none.alpha2, resin.alpha.value);
      const found = [0.2, 0.4, 0.6].map((phi) => unidirectionalExpansion(fibre, resin, phi));
      for (const { alpha1, alpha2 } of found) expect(alpha1).toBeLessThan(alpha2);
      found.slice(1).forEach(({ alpha1, alpha2 }, i) => {
        expect(alpha1).toBeLessThan(found[i]!.alpha1);
        expect(alpha2).toBeLessThan(found[i]!.alpha2);
      });
    }
  });
  it('is restrained by its stiffness: along, the mean of both weighed by it', () => {
    const fibre = fibreOf('eGlass');
    const phi = 0.5;
    const [f, r] = [phi * fibre.E1.value, (1 - phi) * resin.E.value];
    near(
      unidirectionalExpansion(fibre, resin, phi).alpha1,
      (f * fibre.alpha1.value + r * resin.alpha.value) / (f + r),
      1e-12,
    );
  });
});
