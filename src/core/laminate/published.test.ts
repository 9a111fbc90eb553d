import { describe, expect, it } from 'vitest';
import {
  inPlaneCompliance,
  laminateFailure,
  laminateResponse,
  laminateStiffness,
  polarModulus,
  progressiveFailure,
  reducedStiffness,
  smearedConstants,
  thermalResponse,
  transformedStiffness,
  transverseShear,
  type Ply,
} from '.';

/** Glass and epoxy as in many a textbook, 38.6 · 8.27 · 4.14 GPa; SI. */
const GLASS: Omit<Ply, 'thickness' | 'angleDeg'> = { E1: 38.6e9, E2: 8.27e9, nu12: 0.26, G12: 4.14e9 };
/** Carbon and epoxy, 181 · 10.3 · 7.17 GPa. */
const CARBON: Omit<Ply, 'thickness' | 'angleDeg'> = { E1: 181e9, E2: 10.3e9, nu12: 0.28, G12: 7.17e9 };
const STRENGTH = { Xt: 1062e6, Xc: 610e6, Yt: 31e6, Yc: 118e6, S: 72e6 };
const stackOf = (of: Omit<Ply, 'thickness' | 'angleDeg'>, angles: readonly number[], thickness = 0.25e-3): Ply[] =>
  angles.map((angleDeg) => ({ ...of, thickness, angleDeg }));
const near = (found: number, wanted: number, share = 1e-9) =>
  expect(Math.abs(found - wanted), `${found} against ${wanted}`).toBeLessThanOrEqual(share * Math.abs(wanted) + 1e-30);

describe('stiffness of stacks in closed form (Jones, ch. 4)', () => {
  const Q = reducedStiffness(GLASS);
  const t = 2 * 0.25e-3;
  it('a cross-ply of two: B11 = t² (Q22 − Q11)/8 = −B22, and bends like their mean', () => {
    const { A, B, D } = laminateStiffness(stackOf(GLASS, [0, 90]));
    near(A[0]![0]!, (t * (Q[0]![0]! + Q[1]![1]!)) / 2);
    near(B[0]![0]!, (t ** 2 * (Q[1]![1]! - Q[0]![0]!)) / 8);
    near(B[1]![1]!, -B[0]![0]!);
    near(D[0]![0]!, (t ** 3 * (Q[0]![0]! + Q[1]![1]!)) / 24);
    for (const coupling of [A[0]![2]!, B[0]![2]!, B[0]![1]!, D[0]![2]!]) expect(Math.abs(coupling)).toBeLessThan(1e-6);
  });
  it.each([15, 30, 45, 60])(
    'two plies at −%d° and as much the other way twist when pulled: B16 = t² Q16/4',
    (angle) => {
      const { A, B, D } = laminateStiffness(stackOf(GLASS, [-angle, angle]));
      const turned = transformedStiffness({ ...GLASS, thickness: 1, angleDeg: angle });
      near(B[0]![2]!, (t ** 2 * turned[0]![2]!) / 4);
      near(B[1]![2]!, (t ** 2 * turned[1]![2]!) / 4);
      near(A[0]![0]!, t * turned[0]![0]!);
      // Nor does it stretch under shear, or twist when bent.
      expect(Math.abs(A[0]![2]!) / A[0]![0]!).toBeLessThan(1e-12);
      expect(Math.abs(D[0]![2]!) / D[0]![0]!).toBeLessThan(1e-12);
    },
  );
  it('turned plies by the invariants of Tsai and Pagano: Q11 = U1 + U2 cos 2θ + U3 cos 4θ', () => {
    const [[q11, q12], [, q22], [, , q66]] = Q as unknown as [[number, number], [number, number], [0, 0, number]];
    const [U1, U2, U3] = [
      (3 * q11 + 3 * q22 + 2 * q12 + 4 * q66) / 8,
      (q11 - q22) / 2,
      (q11 + q22 - 2 * q12 - 4 * q66) / 8,
    ];
    const [U4, U5] = [(q11 + q22 + 6 * q12 - 4 * q66) / 8, (q11 + q22 - 2 * q12 + 4 * q66) / 8];
    for (let angle = -90; angle <= 90; angle += 7.5) {
      const [c2, c4] = [2, 4].map((k) => Math.cos((k * angle * Math.PI) / 180)) as [number, number];
      const [s2, s4] = [2, 4].map((k) => Math.sin((k * angle * Math.PI) / 180)) as [number, number];
      const found = transformedStiffness({ ...GLASS, thickness: 1, angleDeg: angle });
      near(found[0]![0]!, U1 + U2 * c2 + U3 * c4, 1e-12);
      near(found[1]![1]!, U1 - U2 * c2 + U3 * c4, 1e-12);
      near(found[0]![1]!, U4 - U3 * c4, 1e-12);
      near(found[2]![2]!, U5 - U3 * c4, 1e-12);
      expect(Math.abs(found[0]![2]! - (U2 * s2) / 2 - U3 * s4) / U1).toBeLessThan(1e-12);
    }
  });
  it.each([
    [3, [0, 60, -60]],
    [4, [0, 45, -45, 90]],
    [5, [0, 36, 72, 108, 144]],
  ])('%d directions, evenly spread, are alike in the plane: E = (U1² − U4²)/U1, G = (U1 − U4)/2', (_, angles) => {
    const [[q11, q12], [, q22], [, , q66]] = Q as unknown as [[number, number], [number, number], [0, 0, number]];
    const U1 = (3 * q11 + 3 * q22 + 2 * q12 + 4 * q66) / 8;
    const U4 = (q11 + q22 + 6 * q12 - 4 * q66) / 8;
    const { A, thickness } = laminateStiffness(stackOf(GLASS, [...angles, ...[...angles].reverse()]));
    for (const { modulus } of polarModulus(inPlaneCompliance(A), thickness, 15))
      near(modulus, (U1 ** 2 - U4 ** 2) / U1);
    near(A[2]![2]! / thickness, (U1 - U4) / 2);
  });
});

describe('stacks that warm (Timoshenko 1925; Jones, ch. 4)', () => {
  it.each([
    [1, 1],
    [0.4, 2],
    [3, 0.25],
  ])('two metals, thicknesses 1 to %d and moduli 1 to %d, bend as a bimetal does', (m, n) => {
    const [nu, thick] = [0.3, 1e-3];
    const metal = (E: number, alpha: number, thickness: number): Ply => {
      return { thickness, angleDeg: 0, E1: E, E2: E, nu12: nu, G12: E / (2 * (1 + nu)), alpha1: alpha, alpha2: alpha };
    };
    const [E, a1, a2] = [70e9, 12e-6, 23e-6];
    // The lower one is m times as thick and n times as stiff.
    const plies = [metal(n * E, a2, m * thick), metal(E, a1, thick)];
    const { curvature } = thermalResponse(plies, { temperatureChange: 80 });
    const h = (1 + m) * thick;
    const closed =
      (6 * (a2 - a1) * 80 * (1 + m) ** 2) / (h * (3 * (1 + m) ** 2 + (1 + m * n) * (m ** 2 + 1 / (m * n))));
    // Alike both ways; positive curvature is hollow on the side that is last laid, so that the longer face is outside.
    near(Math.abs(curvature[0]), closed, 1e-9);
    near(curvature[0], curvature[1], 1e-9);
    expect(Math.abs(curvature[2])).toBeLessThan(1e-12);
  });
  it('a symmetric cross-ply expands by (α1 (Q11 + Q12) + α2 (Q22 + Q12)) / (Q11 + Q22 + 2 Q12), and stays flat', () => {
    const [alpha1, alpha2] = [0.02e-6, 22.5e-6];
    const plies = stackOf({ ...CARBON, alpha1, alpha2 }, [0, 90, 90, 0]);
    const [[q11, q12], [, q22]] = reducedStiffness(plies[0]!) as unknown as [[number, number], [number, number]];
    const { strain, curvature, plies: states } = thermalResponse(plies, { temperatureChange: -100 });
    const alpha = (alpha1 * (q11 + q12) + alpha2 * (q22 + q12)) / (q11 + q22 + 2 * q12);
    near(strain[0], -100 * alpha);
    near(strain[1], -100 * alpha);
    expect(Math.max(...curvature.map(Math.abs))).toBeLessThan(1e-9);
    // Cooled, the matrix is pulled and the fibres are pressed by as much.
    const [s1, s2] = states[0]!.top.materialStress;
    expect(s2).toBeGreaterThan(0);
    near(s1, -s2, 1e-9);
  });
  it('swells by water as it does by warmth: the same numbers in the place of the others', () => {
    const warm = thermalResponse(stackOf({ ...GLASS, alpha1: 6e-6, alpha2: 25e-6 }, [0, 90, 30]), {
      temperatureChange: 1,
    });
    const wet = thermalResponse(stackOf({ ...GLASS, beta1: 6e-6, beta2: 25e-6 }, [0, 90, 30]), {
      temperatureChange: 0,
      moistureChange: 1,
    });
    wet.strain.forEach((value, i) => near(value, warm.strain[i]!));
    wet.curvature.forEach((value, i) => near(value, warm.curvature[i]!));
  });
});

describe('a ply pulled off its axis (Jones, ch. 2; Daniel & Ishai, ch. 6)', () => {
  const { Xt, Xc, Yt, Yc, S } = STRENGTH;
  const at = (angleDeg: number, sense: 1 | -1, criterion: Parameters<typeof laminateFailure>[2]) => {
    const plies: Ply[] = [{ ...GLASS, strength: STRENGTH, thickness: 1e-3, angleDeg }];
    const { reserveFactor, mode } = laminateFailure(plies, { N: [sense * 1e3, 0, 0] }, criterion);
    return { stress: reserveFactor * 1e6, mode };
  };
  const angles = [0, 2, 5, 10, 20, 30, 45, 60, 75, 90];
  const squares = (angle: number) => {
    const [c, s] = [Math.cos((angle * Math.PI) / 180) ** 2, Math.sin((angle * Math.PI) / 180) ** 2];
    return [c, s] as const;
  };
  it.each([1, -1] as const)('Tsai–Hill: 1/σ² = c⁴/X² + (1/S² − 1/X²) c² s² + s⁴/Y², sense %d', (sense) => {
    const [X, Y] = sense > 0 ? [Xt, Yt] : [Xc, Yc];
    for (const angle of angles) {
      const [c, s] = squares(angle);
      const inverse = c ** 2 / X ** 2 + (1 / S ** 2 - 1 / X ** 2) * c * s + s ** 2 / Y ** 2;
      near(at(angle, sense, 'tsaiHill').stress, 1 / Math.sqrt(inverse), 1e-9);
    }
  });
  it.each([1, -1] as const)('greatest stress: the least of X/c², Y/s², S/sc, each with its mode, sense %d', (sense) => {
    const [X, Y] = sense > 0 ? [Xt, Yt] : [Xc, Yc];
    const modes = sense > 0 ? ['fibreTension', 'matrixTension'] : ['fibreCompression', 'matrixCompression'];
    for (const angle of angles) {
      const [c, s] = squares(angle);
      const limits = [X / c, Y / s, S / Math.sqrt(c * s)];
      const { stress, mode } = at(angle, sense, 'maxStress');
      near(stress, Math.min(...limits), 1e-9);
      expect(mode, `${angle}°`).toBe([...modes, 'shear'][limits.indexOf(Math.min(...limits))]);
    }
  });
  it('Tsai–Wu: the root of a σ² + b σ = 1 with F12* = −½, pulled and pressed', () => {
    const F = { 1: 1 / Xt - 1 / Xc, 2: 1 / Yt - 1 / Yc, 11: 1 / (Xt * Xc), 22: 1 / (Yt * Yc), 66: 1 / S ** 2 };
    const F12 = -0.5 * Math.sqrt(F[11] * F[22]);
    for (const angle of angles) {
      const [c, s] = squares(angle);
      const a = F[11] * c ** 2 + F[22] * s ** 2 + (F[66] + 2 * F12) * c * s;
      const b = F[1] * c + F[2] * s;
      const root = Math.sqrt(b ** 2 + 4 * a);
      near(at(angle, 1, 'tsaiWu').stress, (-b + root) / (2 * a), 1e-9);
      near(at(angle, -1, 'tsaiWu').stress, (b + root) / (2 * a), 1e-9);
    }
  });
  it('Hashin: fibre and matrix apart, and both of one curve where they meet', () => {
    for (const angle of angles) {
      const [c, s] = squares(angle);
      const shear = (c * s) / S ** 2;
      const fibre = 1 / Math.sqrt(c ** 2 / Xt ** 2 + shear);
      const matrix = 1 / Math.sqrt(s ** 2 / Yt ** 2 + shear);
      near(at(angle, 1, 'hashin').stress, Math.min(fibre, matrix), 1e-9);
    }
  });
  it('along and across fails at the strength of that direction by every criterion', () => {
    for (const criterion of ['maxStress', 'tsaiHill', 'tsaiWu', 'hashin'] as const) {
      near(at(0, 1, criterion).stress, Xt, 1e-9);
      near(at(0, -1, criterion).stress, Xc, 1e-9);
      near(at(90, 1, criterion).stress, Yt, 1e-9);
      near(at(90, -1, criterion).stress, Yc, 1e-9);
    }
  });
  it('by greatest strain, pressed along its fibres, splits across them where Poisson’s share does so first', () => {
    near(at(0, 1, 'maxStrain').stress, Xt, 1e-9);
    near(at(90, 1, 'maxStrain').stress, Yt, 1e-9);
    const split = (GLASS.E1 * Yt) / GLASS.E2 / GLASS.nu12;
    expect(split).toBeLessThan(Xc);
    near(at(0, -1, 'maxStrain').stress, split, 1e-9);
    expect(at(0, -1, 'maxStrain').mode).toBe('matrixTension');
  });
});

describe('a cross-ply pulled to the end (Jones, ch. 4.5, by hand)', () => {
  const plies = stackOf({ ...GLASS, strength: STRENGTH }, [0, 90, 90, 0]);
  const [[q11, q12], [, q22]] = reducedStiffness(plies[0]!) as unknown as [[number, number], [number, number]];
  const mean = (q11 + q22) / 2;
  /** Strain along for a mean stress, and the stress across the fibres of the 90° plies. */
  const strainFor = (stress: number) => (stress * mean) / (mean ** 2 - q12 ** 2);
  it('cracks first in its 90° plies, where their stress across comes to Yt', () => {
    const { plies: states } = laminateResponse(plies, { N: [1e5, 0, 0] });
    const e = strainFor(1e8);
    // The 90° ply sees e along x across its fibres, and −(q12/mean) e along them.
    near(states[1]!.top.materialStress[1], q22 * e - ((q12 * q12) / mean) * e, 1e-9);
    const first = laminateFailure(plies, { N: [1e5, 0, 0] }, 'maxStress');
    expect([1, 2]).toContain(first.ply);
    expect(first.mode).toBe('matrixTension');
    near(first.reserveFactor, STRENGTH.Yt / states[1]!.top.materialStress[1], 1e-9);
  });
  it('and ends when the fibres along do, which then bear all of it: Xt over half of the thickness', () => {
    const { firstPly, lastPly, sequence } = progressiveFailure(plies, { N: [1e5, 0, 0] }, 'maxStress');
    near(lastPly, (STRENGTH.Xt * 0.5e-3) / 1e5, 1e-6);
    expect(sequence.map(({ plies: failed }) => failed)).toEqual([
      [1, 2],
      [0, 3],
    ]);
    near(firstPly, sequence[0]!.reserveFactor);
  });
});

describe('transverse shear (Allen; Whitney, ch. 8)', () => {
  const skin = { ...GLASS, thickness: 2e-3, angleDeg: 0 };
  const core: Ply = {
    E1: 75e6,
    E2: 75e6,
    nu12: 0.3,
    G12: 28e6,
    G13: 28e6,
    G23: 20e6,
    thickness: 0.02,
    angleDeg: 0,
    role: 'core',
  };
  it('of a sandwich is G d²/c each way, turned with its core', () => {
    const { A55, A44 } = transverseShear([skin, core, skin]);
    near(A55, (28e6 * 0.022 ** 2) / 0.02);
    near(A44, (20e6 * 0.022 ** 2) / 0.02);
    const turned = transverseShear([skin, { ...core, angleDeg: 90 }, skin]);
    near(turned.A55, A44);
    near(turned.A44, A55);
  });
  it('of two cores is that of springs one behind the other, never more than either would give alone', () => {
    const soft = { ...core, thickness: 0.01, G13: 10e6 };
    const both = transverseShear([skin, { ...core, thickness: 0.01 }, soft, skin]);
    near(both.A55, 0.022 ** 2 / (0.01 / 28e6 + 0.01 / 10e6));
    expect(both.A55).toBeLessThan(transverseShear([skin, core, skin]).A55);
  });
  it('of a solid is five sixths of its shear moduli', () => {
    near(transverseShear([skin, skin]).A55, (5 / 6) * 4.14e9 * 4e-3);
  });
});

describe('fabrics as plies smeared together (Jones, ch. 4)', () => {
  it('of equal warp and weft are as stiff as the cross-ply they are, whatever lies on top', () => {
    const { A, thickness } = laminateStiffness(stackOf(GLASS, [0, 90, 90, 0]));
    const [a11, a12] = [A[0]![0]! / thickness, A[0]![1]! / thickness];
    for (const angles of [
      [0, 90],
      [90, 0],
    ]) {
      const { Ex, Ey, nuxy, shearCoupling } = smearedConstants(stackOf(GLASS, angles));
      near(Ex, (a11 ** 2 - a12 ** 2) / a11, 1e-9);
      near(Ey, Ex, 1e-9);
      near(nuxy, a12 / a11, 1e-9);
      expect(Math.abs(shearCoupling)).toBeLessThan(1e-12);
    }
  });
  it('of a diagonal pair have the shear stiffness of the cross-ply’s pull: G45 = (Q11 + Q22 − 2 Q12)/4', () => {
    const [[q11, q12], [, q22]] = reducedStiffness(stackOf(GLASS, [0])[0]!) as unknown as [
      [number, number],
      [0, number],
    ];
    near(smearedConstants(stackOf(GLASS, [45, -45])).Gxy, (q11 + q22 - 2 * q12) / 4, 1e-9);
  });
});
