import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { KeramosError } from '../error';
import {
  CRITERIA,
  laminateFailure,
  laminateResponse,
  laminateStiffness,
  progressiveFailure,
  strainCompatibility,
  thermalResponse,
  transverseShear,
  type Criterion,
  type Load,
  type Ply,
  type Vector3,
} from '.';

const ply = fc.record({
  thickness: fc.double({ min: 1e-4, max: 2e-3, noNaN: true }),
  angleDeg: fc.integer({ min: -90, max: 90 }),
  E1: fc.double({ min: 2e10, max: 1.5e11, noNaN: true }),
  E2: fc.double({ min: 3e9, max: 1.5e10, noNaN: true }),
  nu12: fc.double({ min: 0.2, max: 0.35, noNaN: true }),
  G12: fc.double({ min: 2e9, max: 6e9, noNaN: true }),
});
const stack = fc.array(ply, { minLength: 1, maxLength: 8 });
const triple = fc.tuple(
  ...([0, 0, 0].map(() => fc.double({ min: -1e5, max: 1e5, noNaN: true })) as [
    fc.Arbitrary<number>,
    fc.Arbitrary<number>,
    fc.Arbitrary<number>,
  ]),
);
const flat = (matrix: readonly (readonly number[])[]) => matrix.flat();
/** Same numbers to a share of the greatest of them. */
function same(a: readonly number[], b: readonly number[], share = 1e-9): void {
  const scale = Math.max(...a.map(Math.abs), ...b.map(Math.abs), 1e-300);
  a.forEach((value, i) => expect(Math.abs(value - b[i]!)).toBeLessThan(share * scale));
}
/** Resultants seen from axes turned by the angle: tensor components transform with the double angle. */
function turned([x, y, xy]: Vector3, angleDeg: number): Vector3 {
  const [c, s] = [Math.cos((angleDeg * Math.PI) / 180), Math.sin((angleDeg * Math.PI) / 180)];
  return [
    c * c * x + s * s * y + 2 * c * s * xy,
    s * s * x + c * c * y - 2 * c * s * xy,
    c * s * (y - x) + (c * c - s * s) * xy,
  ];
}

describe('classical lamination theory, properties', () => {
  it('is unchanged by splitting a layer into identical sublayers', () => {
    fc.assert(
      fc.property(stack, fc.nat(), fc.integer({ min: 2, max: 5 }), (plies, pick, parts) => {
        const at = pick % plies.length;
        const split = plies.flatMap((p, i): Ply[] =>
          i === at ? Array.from({ length: parts }, () => ({ ...p, thickness: p.thickness / parts })) : [p],
        );
        const [one, other] = [laminateStiffness(plies), laminateStiffness(split)];
        same(flat(one.A), flat(other.A));
        same(
          [...flat(one.B), ...flat(one.A).map((a) => a * one.thickness)],
          [...flat(other.B), ...flat(other.A).map((a) => a * other.thickness)],
        );
        same(flat(one.D), flat(other.D));
      }),
    );
  });
  it('turns with its load: ply stresses in material axes stay', () => {
    fc.assert(
      fc.property(stack, triple, triple, fc.integer({ min: -180, max: 180 }), (plies, N, M, angle) => {
        const load: Load = { N, M };
        const other = laminateResponse(
          plies.map((p) => ({ ...p, angleDeg: p.angleDeg + angle })),
          { N: turned(N, -angle), M: turned(M, -angle) },
        );
        const one = laminateResponse(plies, load);
        same(
          one.plies.flatMap(({ bottom, top }) => [...bottom.materialStress, ...top.materialStress]),
          other.plies.flatMap(({ bottom, top }) => [...bottom.materialStress, ...top.materialStress]),
          1e-8,
        );
      }),
    );
  });
  it(
    'has no coupling when the stack is symmetric, and the mirrored ' + 'hand changes only the signs of its shear terms',
    () => {
      fc.assert(
        fc.property(stack, (half) => {
          const symmetric = laminateStiffness([...half, ...half.toReversed()]);
          expect(symmetric.symmetric).toBe(true);
          const one = laminateStiffness(half);
          const mirrored = laminateStiffness(half.map((p) => ({ ...p, angleDeg: -p.angleDeg })));
          for (const matrix of ['A', 'D'] as const) {
            const sign = [1, 1, -1, 1, 1, -1, -1, -1, 1];
            same(
              flat(one[matrix]),
              flat(mirrored[matrix]).map((value, i) => value * sign[i]!),
            );
          }
        }),
      );
    },
  );
  it('balances the applied resultants with its ply stresses', () => {
    fc.assert(
      fc.property(stack, triple, (plies, N) => {
        const { plies: faces } = laminateResponse(plies, { N });
        const sum = [0, 1, 2].map((i) =>
          faces.reduce(
            (total, { bottom, top }, k) => total + ((bottom.stress[i]! + top.stress[i]!) / 2) * plies[k]!.thickness,
            0,
          ),
        );
        same(sum, [...N], 1e-6);
      }),
    );
  });
});

const strength = { Xt: 8e8, Xc: 5e8, Yt: 4e7, Yc: 1.2e8, S: 6e7 };
const criteria = Object.keys(CRITERIA) as Criterion[];

describe('failure, properties', () => {
  const strong = stack.map((plies) => plies.map((p): Ply => ({ ...p, strength })));
  it('is unchanged by splitting a layer, and turns with its load, by every criterion', () => {
    fc.assert(
      fc.property(
        strong,
        triple,
        triple,
        fc.integer({ min: -180, max: 180 }),
        fc.constantFrom(...criteria),
        (plies, N, M, angle, criterion) => {
          fc.pre(Math.hypot(...N) > 1);
          const one = laminateFailure(plies, { N, M }, criterion).reserveFactor;
          const split = plies.flatMap((p): Ply[] => [
            { ...p, thickness: p.thickness / 2 },
            { ...p, thickness: p.thickness / 2 },
          ]);
          expect(laminateFailure(split, { N, M }, criterion).reserveFactor / one).toBeCloseTo(1, 7);
          const rotated = plies.map((p) => ({ ...p, angleDeg: p.angleDeg + angle }));
          expect(
            laminateFailure(rotated, { N: turned(N, -angle), M: turned(M, -angle) }, criterion).reserveFactor / one,
          ).toBeCloseTo(1, 6);
        },
      ),
    );
  });
  it('comes at the load it says: the load times its reserve factor has a reserve of 1', () => {
    fc.assert(
      fc.property(strong, triple, triple, fc.constantFrom(...criteria), (plies, N, M, criterion) => {
        fc.pre(Math.hypot(...N) > 1);
        const { reserveFactor } = laminateFailure(plies, { N, M }, criterion);
        const scaled: Load = {
          N: N.map((n) => n * reserveFactor) as Vector3,
          M: M.map((m) => m * reserveFactor) as Vector3,
        };
        expect(laminateFailure(plies, scaled, criterion).reserveFactor).toBeCloseTo(1, 7);
        const { firstPly, lastPly } = progressiveFailure(plies, { N, M }, criterion);
        expect(firstPly / reserveFactor).toBeCloseTo(1, 9);
        expect(lastPly).toBeGreaterThanOrEqual(firstPly);
      }),
      { numRuns: 60 },
    );
  });
  it('names what is missing: strengths, plies, stiffness', () => {
    const bare: Ply = { thickness: 0.001, angleDeg: 0, E1: 4e10, E2: 1e10, nu12: 0.3, G12: 4e9 };
    expect(() => laminateFailure([bare], { N: [1, 0, 0] }, 'maxStress')).toThrow('No ply of this stack has strengths');
    expect(() => laminateStiffness([bare], undefined, new Set([0]))).toThrow('no stiffness');
  });
});

describe('temperature, shear, strain compatibility', () => {
  it('a stack of one expansion grows freely: no stress, no curvature', () => {
    fc.assert(
      fc.property(stack, (plies) => {
        const {
          strain,
          curvature,
          plies: states,
        } = thermalResponse(
          plies.map((p) => ({ ...p, alpha1: 1e-5, alpha2: 1e-5 })),
          { temperatureChange: -50 },
        );
        same(strain, [-5e-4, -5e-4, 0], 1e-6);
        curvature.forEach((kappa) => expect(Math.abs(kappa)).toBeLessThan(1e-9));
        states.forEach(({ top }) => top.stress.forEach((sigma) => expect(Math.abs(sigma)).toBeLessThan(50)));
      }),
    );
  });
  it('a sandwich shears in its core, a solid by five sixths', () => {
    const skin: Ply = { thickness: 0.002, angleDeg: 0, E1: 2e10, E2: 2e10, nu12: 0.2, G12: 5e9, G23: 5e9 };
    const core: Ply = {
      thickness: 0.02,
      angleDeg: 0,
      E1: 8e7,
      E2: 8e7,
      nu12: 0.3,
      G12: 2.7e7,
      G13: 2.7e7,
      G23: 2.7e7,
      role: 'core',
    };
    expect(transverseShear([skin, core, skin]).A55).toBeCloseTo((2.7e7 * 0.022 ** 2) / 0.02, 3);
    expect(transverseShear([skin]).A44).toBeCloseTo((5 / 6) * 5e9 * 0.002, 0);
  });
  it('the honest capacity is never above the sum of the parts, and equals it when all stretch alike', () => {
    const member = fc.record({
      name: fc.constant('m'),
      E: fc.double({ min: 1e9, max: 2e11, noNaN: true }),
      area: fc.double({ min: 1e-5, max: 1e-2, noNaN: true }),
      failureStrain: fc.double({ min: 0.002, max: 0.05, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(member, { minLength: 1, maxLength: 6 }), (members) => {
        const { honestCapacity, naiveSum, shares } = strainCompatibility(members);
        expect(honestCapacity).toBeLessThanOrEqual(naiveSum * (1 + 1e-12));
        expect(shares.reduce((a, b) => a + b)).toBeCloseTo(1, 9);
        const alike = strainCompatibility(members.map((m) => ({ ...m, failureStrain: 0.02 })));
        expect(alike.honestCapacity / alike.naiveSum).toBeCloseTo(1, 9);
      }),
    );
  });
});

describe('stacks without stiffness', () => {
  const good: Ply = { thickness: 0.001, angleDeg: 0, E1: 4e10, E2: 1e10, nu12: 0.3, G12: 4e9, name: 'BX' };
  it.each([
    [[], 'plies'],
    [[good, { ...good, thickness: 0 }], 'plies.1.thickness'],
    [[{ ...good, nu12: 1, E2: 5e10 }], 'plies.0.nu12'],
  ] as [Ply[], string][])('names the layer at fault', (plies, path) => {
    expect(() => laminateStiffness(plies)).toThrow(expect.objectContaining({ path }) as KeramosError);
  });
});
