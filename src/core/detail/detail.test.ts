import { describe, expect, it } from 'vitest';
import {
  actingLoad,
  boltGroupShear,
  boltGroupTension,
  boltJoint,
  boltStrength,
  lapJoint,
  loadCaseSchema,
  pullThrough,
  scarfJoint,
  strapOffAxis,
  strapPair,
  tabbingShear,
  threadEngagement,
  type LoadCase,
  lapPeel,
  openedFillet,
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
    // Where nothing gives but a micrometre a newton: 0.98 mm at rest, √(1 + 1020) and one times its weight.
    [{ kind: 'person', mass: 100, drop: 0.5, stop: null }, 980.665 * (1 + Math.sqrt(1 + 1 / 980.665e-6))],
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
    const nowhere = load(given, { how: 'ratio', forward: 0, outboard: 0, up: 0 });
    expect(() => actingLoad(nowhere)).toThrow('points nowhere');
    expect(() => actingLoad(load(given))).not.toThrow();
  });
  it('gives its arm to what stands at its foot', () => {
    expect(actingLoad(load({ kind: 'rail', force: 1500, height: 0.6 })).arm).toBe(0.6);
  });
});

describe('a lap that is peeled', () => {
  const given = {
    load: 1e5,
    overlap: 0.05,
    adherend: { E: 15e9, thickness: 0.005 },
    adhesive: { G: 4e8, thickness: 0.003 },
  };
  it('bends by k P (t + ta)/2, and k falls from 1 to 0.26 as it turns into the load', () => {
    // u c = 5 √(3 · 0.91 · 20 MPa / 30 GPa) = 0.2133; tanh 0.2101; k = 1 / (1 + 2.828 · 0.2101).
    expect(lapPeel(given).factor).toBeCloseTo(0.6272, 3);
    expect(lapPeel(given).moment).toBeCloseTo((0.6272 * 1e5 * 0.008) / 2, -1);
    expect(lapPeel({ ...given, load: 1e-3 }).factor).toBeCloseTo(1, 3);
    expect(lapPeel({ ...given, load: 1e9 }).factor).toBeCloseTo(1 / (1 + 2 * Math.SQRT2), 3);
  });
  it('peels as a beam on the bond line does, solved step by step', () => {
    const { moment, peel } = lapPeel(given);
    // Two adherends part by w: D w'''' = -2 (Ea/ta) w, w'' D = M and w''' D = V at the end, nothing far in.
    const D = (15e9 * 0.005 ** 3) / 12 / 0.91;
    const k = (2 * 2.8 * 4e8) / 0.003;
    const V = moment * Math.sqrt(1e5 / D);
    const [n, h] = [1500, 0.00002];
    // Central differences on n points, two ghosts outside the loaded end: a band of five, by elimination.
    const rows = Array.from({ length: n + 2 }, () => new Float64Array(n + 3));
    const at = (row: Float64Array, i: number, value: number) => {
      if (i >= 0 && i < n + 2) row[i]! += value;
    };
    rows[0]!.set([1, -2, 1], 0);
    const shift = 1;
    const momentRow = rows[0]!;
    momentRow.fill(0);
    [1, -2, 1].forEach((c, j) => at(momentRow, shift + j - 1, c));
    momentRow[n + 2] = (moment * h ** 2) / D;
    for (let i = 0; i < n; i++) {
      const row = rows[i + 1]!;
      [1, -4, 6, -4, 1].forEach((c, j) => at(row, shift + i + j - 2, c));
      at(row, shift + i, (k * h ** 4) / D);
      // The ghost two outside, from the shear at the end: w(-2) = w(2) - 2 w(1) + 2 w(-1) + 2 h³ V / D.
      if (i === 0) {
        at(row, shift + 2, 1);
        at(row, shift + 1, -2);
        at(row, shift - 1, 2);
        row[n + 2]! += (2 * h ** 3 * V) / D;
      }
    }
    const last = rows[n + 1]!;
    at(last, n + 1, 1);
    for (let p = 0; p < n + 2; p++) {
      let best = p;
      for (let i = p; i < Math.min(n + 2, p + 5); i++) if (Math.abs(rows[i]![p]!) > Math.abs(rows[best]![p]!)) best = i;
      [rows[p], rows[best]] = [rows[best]!, rows[p]!];
      for (let i = p + 1; i < Math.min(n + 2, p + 5); i++) {
        const f = rows[i]![p]! / rows[p]![p]!;
        if (f !== 0) for (let j = p; j < n + 3; j++) rows[i]![j]! -= f * rows[p]![j]!;
      }
    }
    const w = new Float64Array(n + 2);
    for (let i = n + 1; i >= 0; i--) {
      let sum = rows[i]![n + 2]!;
      for (let j = i + 1; j < n + 2; j++) sum -= rows[i]![j]! * w[j]!;
      w[i] = sum / rows[i]![i]!;
    }
    expect(((k / 2) * w[shift]!) / peel).toBeGreaterThan(0.97);
    expect(((k / 2) * w[shift]!) / peel).toBeLessThan(1.03);
  });
  it('is refused shorter than it is thick', () => {
    expect(() => lapPeel({ ...given, overlap: 0.004 })).toThrow('longer than what it joins is thick');
  });
});

it('a tab opened over its fillet is pulled apart by 3 M / 2 R t: 20 N·m a metre on 15 mm and 4 mm are 0.5 MPa', () => {
  expect(openedFillet({ moment: 20, radius: 0.015, thickness: 0.004 })).toBeCloseTo(500e3, 6);
});
