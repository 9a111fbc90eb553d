import { describe, expect, it } from 'vitest';
import {
  actingLoad,
  boltGroupShear,
  boltGroupTension,
  boltJoint,
  boltStrength,
  lapJoint,
  loadCaseSchema,
  loadProblem,
  pullThrough,
  scarfJoint,
  strapOffAxis,
  strapPair,
  tabbingShear,
  threadEngagement,
  type LoadCase,
} from '.';

const joint = {
  load: 8000,
  boltDiameter: 0.012,
  boltCount: 1,
  width: 0.06,
  edgeDistance: 0.015,
  thickness: 0.008,
  bearingStrength: 250e6,
  tensionStrength: 180e6,
  shearStrength: 70e6,
};

describe('bolts', () => {
  it('fail by what is weakest, and impossible geometry is refused with its figures', () => {
    expect(boltJoint(joint).governs).toBe('shearOut');
    expect(boltJoint({ ...joint, edgeDistance: 0.1 }).governs).toBe('bearing');
    expect(() => boltJoint({ ...joint, edgeDistance: 0.011 })).toThrow('less than one bolt diameter of 12 mm');
    expect(() => boltJoint({ ...joint, boltCount: 5 })).toThrow('leave nothing of a width');
  });
  it('share a force, and a moment by their distance', () => {
    const square = [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ] as const;
    expect(boltGroupShear(square, [400, 0], [0, 0]).resultants).toEqual([100, 100, 100, 100]);
    const turned = boltGroupShear(square, [0, 0.001], [1e6, 0]);
    expect(turned.max).toBeCloseTo(1000 / (4 * Math.SQRT2), 1);
    expect(boltGroupTension(square, 400, [0, 0]).tensions).toEqual([100, 100, 100, 100]);
    expect(boltGroupTension(square, 0, [0, 40]).tensions).toEqual([-10, 10, 10, -10]);
    expect(() => boltGroupShear([[0, 0]], [0, 1], [1, 0])).toThrow('in one place');
    expect(() =>
      boltGroupTension(
        [
          [0, 0],
          [1, 0],
        ],
        0,
        [10, 0],
      ),
    ).toThrow('in one line');
    expect(() => boltGroupShear([], [0, 1], [0, 0])).toThrow('at least one bolt');
  });
  it('hold by section, thread and washer', () => {
    expect(boltStrength({ diameter: 0.01, yieldStrength: 210e6, tension: 1000, shear: 0 })).toBeCloseTo(
      (0.78 * Math.PI * 0.01 ** 2 * 210e6) / 4 / 1000,
      9,
    );
    expect(boltStrength({ diameter: 0.01, yieldStrength: 210e6, tension: 0, shear: 0 })).toBe(Infinity);
    expect(threadEngagement({ diameter: 0.01, length: 0.01, shearStrength: 120e6 })).toBeCloseTo(18850, 0);
    expect(
      pullThrough({
        load: 1000,
        washerDiameter: 0.03,
        thickness: 0.01,
        shearStrength: 55e6,
        compressiveStrength: 1e6,
        holeDiameter: 0.01,
      }).governs,
    ).toBe('crushing');
    expect(() =>
      pullThrough({ load: 1, washerDiameter: 0.01, thickness: 0.01, shearStrength: 1, holeDiameter: 0.01 }),
    ).toThrow('nothing bears');
  });
});

describe('bonds and straps', () => {
  it('a lap of equal adherends peaks at both ends alike, a long one no more with more length', () => {
    const one = { E: 16e9, thickness: 0.004 };
    const lap = (overlap: number) =>
      lapJoint({ load: 2e5, overlap, adherends: [one, one], adhesive: { G: 9e8, thickness: 5e-4 } });
    expect(lap(0.2).peakAt).toBe(0);
    expect(lap(5).peakShear).toBeCloseTo(lap(0.4).peakShear, 0);
    expect(lap(0.001).peakShear / lap(0.001).averageShear).toBeCloseTo(1, 1);
  });
  it('straps spread to both sides carry more each, and none at right angles', () => {
    const strap = { load: 1000, angleDeg: 60, count: 2, thickness: 0.001, strength: 1e8, safetyFactor: 2 };
    expect(strapPair(strap).forceEach).toBeCloseTo(1000, 9);
    expect(strapPair(strap).widthEach).toBeCloseTo(0.02, 9);
    expect(() => strapPair({ ...strap, angleDeg: 86 })).toThrow('carries nothing along it');
  });
  it('a strap loses strength with every degree off its load', () => {
    const ply = { Xt: 1.6e9, Xc: 1e9, Yt: 45e6, Yc: 180e6, S: 70e6 };
    expect(strapOffAxis(ply, 0, 'tsaiHill')).toBeCloseTo(1.6e9, 0);
    const strengths = [0, 2, 5, 10, 20].map((angle) => strapOffAxis(ply, angle, 'tsaiHill'));
    for (const [i, next] of strengths.slice(1).entries()) expect(next).toBeLessThan(strengths[i]!);
    expect(strapOffAxis(ply, 90, 'maxStress')).toBeCloseTo(45e6, 0);
  });
  it('a gentler scarf carries less shear', () => {
    expect(scarfJoint({ stress: 1e8, ratio: 12 }).shear).toBeCloseTo(8.276e6, -4);
    expect(scarfJoint({ stress: 1e8, ratio: 1 })).toEqual({
      shear: expect.closeTo(5e7, 0),
      tension: expect.closeTo(5e7, 0),
    });
    expect(tabbingShear({ load: 45000, length: 1.2, overlap: 0.075, strips: 2 })).toBe(250000);
  });
});

describe('load cases', () => {
  const load = (
    cause: LoadCase['cause'],
    direction: LoadCase['direction'] = { how: 'angle', bearingDeg: 0, upDeg: 0 },
  ): LoadCase => loadCaseSchema.parse({ id: 'l', name: 'Load', cause, direction, factor: 2, source: 'test' });
  it.each([
    [{ kind: 'given', force: 5000 }, 5000],
    [{ kind: 'wire', breakingLoad: 14000, share: 0.8 }, 11200],
    [{ kind: 'rightingMoment', moment: 3000, halfBeam: 1.5, share: 0.6 }, 1200],
    [{ kind: 'rudder', area: 0.2, speedKnots: 10, coefficient: 1, arm: 0.3 }, 0.5 * 1025 * 5.14444 ** 2 * 0.2],
    [{ kind: 'tow', pull: 6000, dynamic: 2 }, 12000],
    [{ kind: 'mooring', breakingLoad: 20000, share: 0.5 }, 10000],
    [
      { kind: 'lifting', mass: 1000, points: 4, dynamic: 1.5, slingDeg: 60, uneven: 1.2 },
      (1000 * 9.80665 * 1.5 * 1.2) / (4 * 0.5),
    ],
    [{ kind: 'thrust', thrust: 3000, mass: 0, dynamic: 2 }, 3000],
    [{ kind: 'rail', force: 1500, height: 0.6 }, 1500],
    [{ kind: 'grounding', mass: 1000, deceleration: 2, share: 0.5 }, 9806.65],
    // A spring that stops 100 kg from 0.5 m within 0.05 m pushes twice the mean force.
    [{ kind: 'person', mass: 100, drop: 0.5, stop: 0.05 }, 2 * 100 * 9.80665 * 11],
  ] as [LoadCase['cause'], number][])('%j acts with %d N', (cause, force) => {
    const steps: number[] = [];
    const acting = actingLoad(load(cause), ({ value }) => steps.push(value));
    expect(acting.force).toBeCloseTo(force, 4);
    expect(steps).toEqual([acting.force]);
    expect(Math.hypot(...acting.vector)).toBeCloseTo(force, 4);
  });
  it('takes its direction as angles or as so much forward, outboard and up', () => {
    const given = { kind: 'given', force: 100 } as const;
    const [x, y, z] = actingLoad(load(given, { how: 'angle', bearingDeg: 90, upDeg: 30 })).vector;
    expect([x, y, z].map((value) => Number(value.toFixed(6)))).toEqual([
      0,
      Number((100 * Math.cos(Math.PI / 6)).toFixed(6)),
      50,
    ]);
    expect(actingLoad(load(given, { how: 'ratio', forward: 3, outboard: 0, up: 4 })).vector).toEqual([60, 0, 80]);
    expect(loadProblem(load(given, { how: 'ratio', forward: 0, outboard: 0, up: 0 }))).toContain('points nowhere');
    expect(loadProblem(load(given))).toBeNull();
  });
  it('gives its arm to what stands at its foot', () => {
    expect(actingLoad(load({ kind: 'rail', force: 1500, height: 0.6 })).arm).toBe(0.6);
  });
});
