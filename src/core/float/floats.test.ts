import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { shapeOf } from '../document';
import { hullBody, spaceBody, slicesBetween } from './bodies';
import { floats, together, type FloatQuestion } from './floats';
import { immersed, immersedLumps, type Slice, type WaterPlane } from './immersed';

const LEVEL: WaterPlane = { height: 0.2, trim: 0, heel: 0 };
const box = (length: number, breadth: number, depth: number): Slice[] =>
  slicesBetween(0, length, () => [
    [
      [-breadth / 2, 0],
      [breadth / 2, 0],
      [breadth / 2, depth],
      [-breadth / 2, depth],
    ],
  ]);
const rests = (body: readonly Slice[], mass: number, centre: readonly [number, number, number], more = {}) => {
  const question: FloatQuestion = {
    under: (plane) => immersed(body, plane),
    mass,
    centre,
    waterDensity: 1000,
    start: LEVEL,
    ...more,
  };
  return floats(question);
};

describe('what lies under a plane', () => {
  it('of a box is length by breadth by draught, on an even keel and trimmed', () => {
    const { volume, moments, cut } = immersed(box(6, 2, 1), { height: 0.4, trim: 0, heel: 0 });
    expect(volume).toBeCloseTo(4.8, 10);
    expect(moments.map((one) => one / volume)).toEqual([3, 0, 0.2].map((one) => expect.closeTo(one, 10)));
    expect(cut).toMatchObject({ area: expect.closeTo(12, 10), yy: expect.closeTo((6 * 2 ** 3) / 12, 9) });
    // Trim of 0.1 over 6 m: the mean draught counts, the centre moves by L² t / 12 d.
    const trimmed = immersed(box(6, 2, 1), { height: 0.1, trim: 0.1, heel: 0 });
    expect(trimmed.volume).toBeCloseTo(6 * 2 * 0.4, 10);
    expect(trimmed.moments[0] / trimmed.volume).toBeCloseTo(3 + (36 * 0.1) / (12 * 0.4), 10);
  });
  it('of a wedge is half its box, its centre at a third of the draught from the water', () => {
    const wedge = slicesBetween(0, 5, () => [
      [
        [0, 0],
        [1, 1],
        [-1, 1],
      ],
    ]);
    const { volume, moments } = immersed(wedge, { height: 0.6, trim: 0, heel: 0 });
    expect(volume).toBeCloseTo(5 * 0.36, 10);
    expect(moments[2] / volume).toBeCloseTo(0.4, 10);
  });
  it('of a cylinder that lies half under is half of it, its centre at 4r/3π', () => {
    const round = slicesBetween(0, 4, () => [
      Array.from({ length: 720 }, (_, i) => [Math.sin((i * Math.PI) / 360), Math.cos((i * Math.PI) / 360)] as const),
    ]);
    const { volume, moments } = immersed(round, { height: 0, trim: 0, heel: 0 });
    expect(volume / (2 * Math.PI)).toBeCloseTo(1, 4);
    expect(moments[2] / volume / (-4 / (3 * Math.PI))).toBeCloseTo(1, 4);
  });
  it('of a paraboloid, sliced where it runs out to a point, is within 0.2 %', () => {
    // y = √(x z): half-breadth grows with the root of both; volume to draught T over L is 2·(2/3)²·(L T)^1.5.
    const outline = (x: number) => {
      const half = Array.from({ length: 200 }, (_, i) => (i / 199) ** 2).map((z) => [Math.sqrt(x * z), z] as const);
      return [[...half, ...half.map(([y, z]) => [-y, z] as const).reverse()]];
    };
    const { volume } = immersed(slicesBetween(0, 6, outline), { height: 0.5, trim: 0, heel: 0 });
    expect(volume / ((8 / 9) * 3 ** 1.5)).toBeCloseTo(1, 3);
  });
  it('of small pieces that share out a box is that of the box', () => {
    const lumps = Array.from({ length: 40 * 20 }, (_, i) => ({
      at: [((i % 40) + 0.5) * 0.15, 0, (Math.floor(i / 40) + 0.5) * 0.05] as const,
      volume: (6 * 2) / 800,
      size: 0.05,
    }));
    const under = immersedLumps(lumps, { height: 0.37, trim: 0, heel: 0 });
    expect(under.volume).toBeCloseTo(6 * 2 * 0.37, 6);
    expect(under.moments[2] / under.volume).toBeCloseTo(0.185, 6);
    expect(under.cut.area).toBeCloseTo(12, 6);
  });
  it('of a hull in forty pieces is within 0.02 % of two thousand, upright and heeled', () => {
    for (const boat of [merrow(), brant()]) {
      const shape = shapeOf(boat)!;
      const { hull } = shape;
      const outline = (x: number): Slice['outlines'] => {
        const half = hull.section(x).map(([, y, z]) => [y, z] as const);
        return [[...half, ...half.map(([y, z]) => [-y, z] as const).reverse()]];
      };
      const fine = slicesBetween(hull.aft, hull.bow, outline, 2000);
      for (const plane of [
        { height: hull.waterline, trim: 0, heel: 0 },
        { height: hull.waterline, trim: 0.03, heel: 0.2 },
      ]) {
        const [rough, exact] = [hullBody(shape), fine].map((body) => immersed(body, plane));
        expect(Math.abs(rough!.volume / exact!.volume - 1)).toBeLessThan(2e-4);
        expect(rough!.moments[0] / rough!.volume).toBeCloseTo(exact!.moments[0] / exact!.volume, 3);
      }
    }
  });
  it('volume grows with the plane by the area of its cut', () => {
    const body = hullBody(shapeOf(merrow())!);
    const plane = fc.record({
      height: fc.double({ min: 0.2, max: 0.9, noNaN: true }),
      trim: fc.double({ min: -0.05, max: 0.05, noNaN: true }),
      heel: fc.double({ min: -0.3, max: 0.3, noNaN: true }),
    });
    fc.assert(
      fc.property(plane, (at) => {
        const [under, over] = [-1e-4, 1e-4].map((dh) => immersed(body, { ...at, height: at.height + dh }));
        const { cut } = immersed(body, at);
        expect((over!.volume - under!.volume) / 2e-4 / cut.area).toBeCloseTo(1, 2);
      }),
      { numRuns: 30 },
    );
  });
});

describe('a body at rest', () => {
  it('box: draught by mass, and GM = B²/12d + d/2 − KG', () => {
    const found = rests(box(6, 2, 1), 3600, [3, 0, 0.35])!;
    expect(found.plane).toEqual({
      height: expect.closeTo(0.3, 8),
      trim: expect.closeTo(0, 8),
      heel: expect.closeTo(0, 8),
    });
    expect(found.gmAcross).toBeCloseTo(4 / (12 * 0.3) + 0.15 - 0.35, 8);
    expect(found.gmAlong).toBeCloseTo(36 / (12 * 0.3) + 0.15 - 0.35, 8);
    expect(found.stable).toBe(true);
  });
  it('box with its mass off the middle: heels by the wall-sided formula', () => {
    // y_G = 0.05: y_G cos φ = sin φ (GM + BM tan² φ / 2) about the centre line.
    const found = rests(box(6, 2, 2), 6000, [3, 0.05, 0.4])!;
    const [bm, gm] = [4 / (12 * 0.5), 4 / (12 * 0.5) + 0.25 - 0.4];
    const tan = found.plane.heel;
    expect(tan * (gm + (bm * tan * tan) / 2)).toBeCloseTo(0.05, 7);
  });
  it('log too high in the water to stand upright says that it does not come back', () => {
    expect(rests(box(6, 1, 3), 3000, [3, 0, 2])!.stable).toBe(false);
  });
  it('heavier than all it displaces goes under', () => {
    expect(rests(box(6, 2, 1), 12_100, [3, 0, 0.5])).toBeNull();
  });
  it('moved by a mass at an arm trims by the moment over the mass and GM along', () => {
    const found = rests(box(10, 2, 2), 10_000, [5 - 0.01, 0, 0.5])!;
    expect(found.plane.trim / (-0.01 / found.gmAlong)).toBeCloseTo(1, 3);
  });
  it('of several bodies is that of one, when they are its pieces', () => {
    const whole = rests(box(6, 2, 1), 3600, [2.8, 0.02, 0.35])!;
    const pieces = [box(6, 2, 1).slice(0, 60), box(6, 2, 1).slice(60)];
    const parts = together(pieces.map((piece) => (plane: WaterPlane) => immersed(piece, plane)));
    const apart = rests([], 3600, [2.8, 0.02, 0.35], { under: parts })!;
    expect(apart.plane.height).toBeCloseTo(whole.plane.height, 8);
    expect(apart.plane.heel).toBeCloseTo(whole.plane.heel, 8);
  });
  it('the launch at its loaded mass: what it displaces weighs as much, plumb under its centre', () => {
    const boat = merrow();
    const body = hullBody(shapeOf(boat)!);
    fc.assert(
      fc.property(
        fc.double({ min: 0.7, max: 1.3, noNaN: true }),
        fc.double({ min: -0.3, max: 0.3, noNaN: true }),
        fc.double({ min: -0.08, max: 0.08, noNaN: true }),
        (share, dx, y) => {
          const mass = share * boat.brief.loadedMass;
          const centre = [3.2 + dx, y, 0.75] as const;
          const found = rests(body, mass, centre)!;
          expect(found.volume * 1000).toBeCloseTo(mass, 3);
          const [bx, by, bz] = found.centreOfBuoyancy;
          expect(bx - centre[0] + found.plane.trim * (bz - centre[2])).toBeCloseTo(0, 6);
          expect(by - centre[1] + found.plane.heel * (bz - centre[2])).toBeCloseTo(0, 6);
        },
      ),
      { numRuns: 20 },
    );
  });
});

describe('a space in the boat', () => {
  const shape = shapeOf(merrow())!;
  const whole = { from: -5, to: 20, bottom: -5, top: 0.9, inner: 0, outer: null, hand: 'both', gap: 0 } as const;
  const volume = (bounds: Parameters<typeof spaceBody>[1]) =>
    immersed(spaceBody(shape, bounds), { height: 50, trim: 0, heel: 0 }).volume;
  it('that is the whole boat under a level has the volume of the hull under it', () => {
    const hull = immersed(hullBody(shape), { height: 0.9, trim: 0, heel: 0 }).volume;
    expect(volume(whole) / hull).toBeCloseTo(1, 2);
  });
  it('halves add up, by length, height, breadth and hand', () => {
    const parts: [object, object][] = [
      [{ to: 4 }, { from: 4 }],
      [{ top: 0.5 }, { bottom: 0.5 }],
      [{ outer: 0.6 }, { inner: 0.6 }],
      [{ hand: 'port' }, { hand: 'starboard' }],
    ];
    for (const [a, b] of parts)
      expect((volume({ ...whole, ...a }) + volume({ ...whole, ...b })) / volume(whole)).toBeCloseTo(1, 2);
  });
  it('kept off the skin holds less by about the skin times the gap, and nothing outside the boat', () => {
    const box = { ...whole, from: 2, to: 4, top: 0.6 };
    const [full, inner] = [volume(box), volume({ ...box, gap: 0.02 })];
    expect(inner).toBeLessThan(full);
    expect((full - inner) / full).toBeLessThan(0.12);
    expect(spaceBody(shape, { ...whole, from: 30, to: 31 })).toEqual([]);
    expect(volume({ ...whole, inner: 3 })).toBe(0);
  });
});
