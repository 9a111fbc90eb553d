import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { laminateStiffness } from '../laminate';
import { edgeShear, plateBuckling, plateStiffness, plateUnderPressure, type Plate } from '.';

const square: Plate = { length: 1, breadth: 1, D11: 1, D12: 0.3, D22: 1, D66: 0.35, fixityX: 0, fixityY: 0 };
const uniform = { kind: 'uniform', pressure: 1 } as const;
const centre = (plate: Plate, terms?: number) =>
  plateUnderPressure(plate, uniform, terms).at(plate.length / 2, plate.breadth / 2);

/**
 * Navier's series for a simply supported orthotropic plate under a load on a rectangle in its middle, with transverse
 * shear.
 */
function navier(
  { length: a, breadth: b, D11, D12, D22, D66, A44, A55 }: Plate,
  patch: { length: number; breadth: number } | null,
  waves = 60,
): number {
  let w = 0;
  for (let m = 1; m < waves; m += 2)
    for (let n = 1; n < waves; n += 2) {
      const [p, q] = [(m * Math.PI) / a, (n * Math.PI) / b];
      const spread = (k: number, size: number, side: number) =>
        (4 / (k * Math.PI)) * Math.sin((k * Math.PI) / 2) * Math.sin((k * Math.PI * size) / (2 * side));
      const load = patch ? spread(m, patch.length, a) * spread(n, patch.breadth, b) : 16 / (Math.PI ** 2 * m * n);
      let stiffness = D11 * p ** 4 + 2 * (D12 + 2 * D66) * p * p * q * q + D22 * q ** 4;
      if (A44 !== undefined && A55 !== undefined) {
        // Rotations eliminated from the three equilibrium equations of first-order theory.
        const [c11, c12, c22] = [D11 * p * p + D66 * q * q + A55, (D12 + D66) * p * q, D66 * p * p + D22 * q * q + A44];
        const [s1, s2] = [A55 * p, A44 * q];
        const determinant = c11 * c22 - c12 * c12;
        stiffness = A55 * p * p + A44 * q * q - (s1 * (s1 * c22 - s2 * c12) + s2 * (s2 * c11 - s1 * c12)) / determinant;
      }
      w += (load / stiffness) * Math.sin((m * Math.PI) / 2) * Math.sin((n * Math.PI) / 2);
    }
  return w;
}

const plates = fc.record({
  length: fc.double({ min: 0.4, max: 2, noNaN: true }),
  breadth: fc.double({ min: 0.4, max: 2, noNaN: true }),
  D11: fc.double({ min: 150, max: 1500, noNaN: true }),
  D22: fc.double({ min: 150, max: 1500, noNaN: true }),
  poisson: fc.double({ min: 0, max: 0.4, noNaN: true }),
  twist: fc.double({ min: 0.1, max: 0.6, noNaN: true }),
});
const made = ({
  length,
  breadth,
  D11,
  D22,
  poisson,
  twist,
}: {
  length: number;
  breadth: number;
  D11: number;
  D22: number;
  poisson: number;
  twist: number;
}): Plate => {
  const mean = Math.sqrt(D11 * D22);
  return { length, breadth, D11, D22, D12: poisson * mean, D66: twist * mean, fixityX: 0, fixityY: 0 };
};

describe('plates against series (Timoshenko & Woinowsky-Krieger, ch. 5; Whitney)', () => {
  it('thin orthotropic, uniform pressure: deflection within 0.5 % with the default terms', () => {
    fc.assert(
      fc.property(plates, (figures) => {
        const plate = made(figures);
        expect(Math.abs(centre(plate).w / navier(plate, null) - 1)).toBeLessThan(0.005);
      }),
      { numRuns: 60 },
    );
  });
  it('with transverse shear, and as thin when the shear stiffness is great', () => {
    fc.assert(
      fc.property(plates, fc.double({ min: 4, max: 7, noNaN: true }), (figures, order) => {
        const thin = made(figures);
        const plate = { ...thin, A44: 10 ** order, A55: 0.7 * 10 ** order };
        expect(Math.abs(centre(plate).w / navier(plate, null) - 1)).toBeLessThan(0.005);
        expect(centre({ ...thin, A44: 1e11, A55: 1e11 }).w).toBeCloseTo(centre(thin).w, 6);
      }),
      { numRuns: 40 },
    );
  });
  it.each([
    [4, 0.4, 150, 1500],
    [8, 0.4, 150, 1500],
    [10, 0.3, 150, 1500],
    [0.4, 8, 1500, 150],
  ])('of %d × %d m, %d along and %d N m across: a strip is as near as a square', (length, breadth, D11, D22) => {
    const plate = made({ length, breadth, D11, D22, poisson: 0.1, twist: 0.1 });
    expect(centre(plate).w / navier(plate, null, 240)).toBeCloseTo(1, 3);
  });
  it('a load on a patch in the middle', () => {
    const plate: Plate = { ...square, length: 1.3, breadth: 0.8, A44: 400, A55: 300 };
    const patch = { length: 0.3, breadth: 0.2 };
    const found = plateUnderPressure(plate, { kind: 'patch', pressure: 1, x: 0.65, y: 0.4, ...patch }, 16);
    expect(found.at(0.65, 0.4).w / navier(plate, patch)).toBeCloseTo(1, 2);
    expect(() => plateUnderPressure(plate, { kind: 'patch', pressure: 1, x: 0.1, y: 0.4, ...patch })).toThrow(
      'The patch must lie on the plate',
    );
  });
  it('a patch over the whole plate is the uniform pressure, wherever the symmetry is used', () => {
    const plate: Plate = { ...square, D16: 0.1, D26: 0.05 };
    const whole = plateUnderPressure(plate, { kind: 'patch', pressure: 1, x: 0.5, y: 0.5, length: 1, breadth: 1 });
    expect(whole.at(0.3, 0.6).w).toBeCloseTo(plateUnderPressure(plate, uniform).at(0.3, 0.6).w, 10);
  });
});

describe('how a plate is held', () => {
  it('deflects the less, the firmer its edges are', () => {
    fc.assert(
      fc.property(plates, (figures) => {
        const steps = [0, 0.3, 0.6, 0.9, 1].map((fixity) => {
          const plate = { ...made(figures), fixityX: fixity, fixityY: fixity };
          const { at } = plateUnderPressure(plate, uniform);
          return at(plate.length / 2, plate.breadth / 2).w;
        });
        for (let i = 1; i < steps.length; i++) expect(steps[i]!).toBeLessThan(steps[i - 1]! * (1 + 1e-9));
      }),
      { numRuns: 25 },
    );
  });
  it('a long strip half fixed has half of its clamped end moment', () => {
    const strip: Plate = { ...square, length: 8, breadth: 1, fixityX: 0, fixityY: 0.5 };
    expect(Math.abs(plateUnderPressure(strip, uniform, 20).at(4, 0).My) / (1 / 12)).toBeCloseTo(0.5, 1);
  });
  it('turns with its axes', () => {
    const plate: Plate = {
      length: 1.4,
      breadth: 0.7,
      D11: 3,
      D12: 0.4,
      D22: 1,
      D66: 0.5,
      D16: 0.2,
      D26: 0.1,
      A44: 50,
      A55: 80,
      fixityX: 1,
      fixityY: 0.4,
    };
    const turned: Plate = {
      ...plate,
      length: 0.7,
      breadth: 1.4,
      D11: 1,
      D22: 3,
      D16: 0.1,
      D26: 0.2,
      A44: 80,
      A55: 50,
      fixityX: 0.4,
      fixityY: 1,
    };
    const [one, other] = [
      plateUnderPressure(plate, uniform).at(0.5, 0.2),
      plateUnderPressure(turned, uniform).at(0.2, 0.5),
    ];
    expect(other.w).toBeCloseTo(one.w, 9);
    expect(other.My).toBeCloseTo(one.Mx, 7);
    expect(other.Qx).toBeCloseTo(one.Qy, 4);
  });
  it('refuses stiffnesses that make no plate', () => {
    expect(() => plateUnderPressure({ ...square, D12: 2 }, uniform)).toThrow('no stable plate');
  });
});

describe('buckling', () => {
  /** Least over the half-waves m of (D11 p⁴ + 2 (D12 + 2 D66) p² q² + D22 q⁴)/p², p = mπ/a, q = π/b. */
  const closed = ({ length: a, breadth: b, D11, D12, D22, D66 }: Plate) =>
    Math.min(
      ...Array.from({ length: 160 }, (_, i) => {
        const [p, q] = [((i + 1) * Math.PI) / a, Math.PI / b];
        return (D11 * p ** 4 + 2 * (D12 + 2 * D66) * p * p * q * q + D22 * q ** 4) / (p * p);
      }),
    );
  const source = '(Timoshenko & Gere, ch. 9)';
  it(`of a simply supported plate follows the closed formula over the half-waves ${source}`, () => {
    fc.assert(
      fc.property(plates, fc.double({ min: 1, max: 8, noNaN: true }), (figures, times) => {
        const plate = made({ ...figures, length: times * figures.length });
        const ratio = plateBuckling(plate, 'uniaxialX').criticalLoad / closed(plate);
        // A long plate counts as one of the least favourable length.
        const eta = (plate.D12 + 2 * plate.D66) / Math.sqrt(plate.D11 * plate.D22);
        expect(ratio).toBeGreaterThan(1 - (9 / 8 + 8 / 9 - 2) / (2 + 2 * eta) - 1e-5);
        expect(ratio).toBeLessThan(1.001);
      }),
      { numRuns: 30 },
    );
  });
  it.each([
    ['five times as long, ten times as stiff across', { length: 1.93, breadth: 0.4, D11: 150, D22: 1500 }, 9],
    ['a strip between stringers', { length: 6, breadth: 0.5, D11: 1000, D22: 1000 }, 12],
    ['a strip, five times as stiff across', { length: 20, breadth: 0.5, D11: 200, D22: 1000 }, 60],
    ['loaded along its short sides', { length: 0.3, breadth: 2, D11: 1000, D22: 300 }, 1],
  ])('is not overstated where there are many waves: %s', (_, sides, waves) => {
    const plate = made({ ...sides, poisson: 0.1, twist: 0.2 });
    const { criticalLoad, halfWaves } = plateBuckling(plate, 'uniaxialX');
    expect(criticalLoad / closed(plate)).toBeLessThan(1.001);
    expect(criticalLoad / closed(plate)).toBeGreaterThan(0.995);
    expect(halfWaves).toEqual([waves, 1]);
  });
  it.each(['biaxial', 'shear'] as const)('of a longer plate is never more: %s', (load) => {
    const loads = [1, 2, 4, 8, 16].map((length) => plateBuckling({ ...square, length, breadth: 1 }, load).criticalLoad);
    for (let i = 1; i < loads.length; i++) expect(loads[i]).toBeLessThan(loads[i - 1]! * 1.005);
  });
  it('comes earlier with a soft core, later with clamped edges', () => {
    const base = plateBuckling(square, 'uniaxialX').criticalLoad;
    expect(plateBuckling({ ...square, A44: 50, A55: 50 }, 'uniaxialX').criticalLoad).toBeLessThan(base);
    expect(plateBuckling({ ...square, fixityX: 1, fixityY: 1 }, 'uniaxialX').criticalLoad).toBeGreaterThan(2 * base);
    expect(() => plateBuckling(square, 'biaxial', -1e6)).toThrow('No load of this kind');
  });
});

describe('a laminate as a plate', () => {
  const ply = { thickness: 0.001, E1: 4e10, E2: 1e10, nu12: 0.28, G12: 4e9 };
  it('an unsymmetric stack is softer than its D, a symmetric one is not', () => {
    const stacks = [
      [0, 90],
      [0, 90, 90, 0],
    ].map((angles) => angles.map((angleDeg) => ({ ...ply, angleDeg })));
    const [unsymmetric, symmetric] = stacks.map((plies) => ({
      plate: plateStiffness(plies, laminateStiffness(plies)),
      D: laminateStiffness(plies).D,
    }));
    expect(unsymmetric!.plate.D11).toBeLessThan(0.75 * unsymmetric!.D[0][0]);
    expect(symmetric!.plate.D11).toBeCloseTo(symmetric!.D[0][0], 6);
  });
});

describe('edge shear by virtual work', () => {
  const iso = { D11: 1, D12: 0.3, D22: 1, D66: 0.35 };
  const sandwich = { D11: 15938.0692168, D12: 3506.37522769, D22: 15938.0692168, D66: 6215.84699454 };
  const core = { A44: 816750, A55: 816750 };
  const middle = (plate: Plate, edge: 'x' | 'y', terms: number) =>
    Math.abs(edgeShear(plateUnderPressure(plate, { kind: 'uniform', pressure: 1 }, terms).solved, edge)(0.5));

  it("meets Navier's series for a simply supported sandwich, and half the load of a long clamped strip", () => {
    // 6780.5 and 5824.2 N/m under 20 kPa: the reference's series of 4,000 terms.
    const simple = { ...sandwich, ...core, length: 1.2, breadth: 0.8, fixityX: 0, fixityY: 0 };
    expect(middle(simple, 'y', 20) * 20_000).toBeCloseTo(6780.498, -1);
    expect(middle(simple, 'x', 20) / (5824.163 / 20_000)).toBeCloseTo(1, 3);
    const strip = { ...iso, length: 6, breadth: 1, fixityX: 1, fixityY: 1 };
    expect(middle(strip, 'y', 20)).toBeCloseTo(0.5, 2);
  });
  it.each([
    ['thin, square', { ...iso, length: 1, breadth: 1 }],
    ['thin, 1.5 : 1', { ...iso, length: 1.5, breadth: 1 }],
    ['sandwich', { ...sandwich, ...core, length: 1.2, breadth: 0.8 }],
    ['soft core', { ...sandwich, A44: 2e5, A55: 2e5, length: 0.5, breadth: 0.5 }],
    ['stiff core', { ...sandwich, A44: 5e6, A55: 5e6, length: 0.5, breadth: 0.5 }],
  ])('is within 0.2 %% at the usual terms of the contract, clamped: %s', (_, plate) => {
    for (const edge of ['x', 'y'] as const) {
      const at = (terms: number) => middle({ ...plate, fixityX: 1, fixityY: 1 }, edge, terms);
      expect(Math.abs(at(20) / at(30) - 1)).toBeLessThan(0.002);
      expect(Math.abs(at(16) / at(30) - 1)).toBeLessThan(0.002);
    }
  });
  it('holds up the whole load: both pairs of edges together', () => {
    const plate = { ...sandwich, ...core, length: 1.2, breadth: 0.8, fixityX: 1, fixityY: 1 };
    const { solved } = plateUnderPressure(plate, { kind: 'uniform', pressure: 1 }, 20);
    const [x, y] = [edgeShear(solved, 'x'), edgeShear(solved, 'y')];
    const STEPS = 400;
    const mean = (force: (share: number) => number) =>
      Array.from({ length: STEPS }, (__, i) => force((i + 0.5) / STEPS)).reduce((sum, f) => sum + f, 0) / STEPS;
    expect(-2 * (mean(x) * 0.8 + mean(y) * 1.2)).toBeCloseTo(0.96, 2);
  });
});
