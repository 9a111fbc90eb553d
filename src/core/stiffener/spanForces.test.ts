import { Matrix, solve } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { spanForces, type HeldEnds, uniformBeam } from '.';

const PIECES = 60;

/** A span of unit length and stiffness as beam elements: its greatest moments, shear and sag under its loads. */
function byElements(
  held: HeldEnds,
  { w = 0, F = 0, M = 0, at = 30 }: { w?: number; F?: number; M?: number; at?: number },
) {
  const h = 1 / PIECES;
  const size = 2 * (PIECES + 1);
  const K = Matrix.zeros(size, size);
  const loads = Matrix.zeros(size, 1);
  const k = [
    [12, 6 * h, -12, 6 * h],
    [6 * h, 4 * h * h, -6 * h, 2 * h * h],
    [-12, -6 * h, 12, -6 * h],
    [6 * h, 2 * h * h, -6 * h, 4 * h * h],
  ].map((row) => row.map((value) => value / h ** 3));
  const alike = [(w * h) / 2, (w * h * h) / 12, (w * h) / 2, (-w * h * h) / 12];
  for (let i = 0; i < PIECES; i++)
    for (let a = 0; a < 4; a++) {
      loads.set(2 * i + a, 0, loads.get(2 * i + a, 0) + alike[a]!);
      for (let b = 0; b < 4; b++) K.set(2 * i + a, 2 * i + b, K.get(2 * i + a, 2 * i + b) + k[a]![b]!);
    }
  loads.set(2 * at, 0, loads.get(2 * at, 0) + F);
  loads.set(2 * at + 1, 0, loads.get(2 * at + 1, 0) + M);
  const fixed = { both: [0, 1, size - 2, size - 1], one: [0, size - 2, size - 1], none: [0, size - 2] }[held];
  const free = Array.from({ length: size }, (_, i) => i).filter((i) => !fixed.includes(i));
  const found = solve(K.selection(free, free), loads.selection(free, [0]));
  const u = new Array<number>(size).fill(0);
  free.forEach((at_, i) => (u[at_] = found.get(i, 0)));
  // Of each element the shear force and moment at both its ends.
  const ends = Array.from({ length: PIECES }, (_, i) =>
    k.map((row, a) => row.reduce((sum, value, b) => sum + value * u[2 * i + b]!, 0) - alike[a]!),
  );
  const inner = ends.flatMap(([, left, , right], i) => [
    ...(i > 0 ? [left!] : []),
    ...(i < PIECES - 1 ? [right!] : []),
  ]);
  const most = (values: readonly number[]) => Math.max(...values.map(Math.abs));
  return {
    end: held === 'none' ? 0 : most([ends[0]![1]!, ends.at(-1)![3]!]),
    middle: most(inner),
    shear: most(ends.flatMap(([left, , right]) => [left!, right!])),
    sag: most(u.filter((_, i) => i % 2 === 0)),
  };
}
const HELD: HeldEnds[] = ['both', 'one', 'none'];
const places = Array.from({ length: PIECES + 1 }, (_, i) => i);

describe('a span and what stands on it', () => {
  it('under a uniform load is the beam of the tables', () => {
    for (const [held, ends] of [
      ['both', 'fixed'],
      ['one', 'propped'],
      ['none', 'simple'],
    ] as const) {
      const own = spanForces({ length: 1.2, held, uniform: 4000 });
      const beam = uniformBeam({ length: 1.2, load: 4000, EI: 1, ends });
      expect(own.end).toBeCloseTo(beam.momentEnd, 6);
      // With one end free the greatest moment lies nearer that end: 9/128, against 1/16 in the middle.
      expect(own.middle / beam.momentMid).toBeCloseTo(held === 'one' ? 9 / 8 : 1, 3);
      expect(own.shear).toBeCloseTo(beam.shearEnd, 6);
      expect(own.sag / beam.deflection).toBeGreaterThan(1 - 1e-9);
      expect(own.sag / beam.deflection).toBeLessThan(1.02);
    }
  });

  it('bears one force wherever it stands, and no more than a fiftieth over the worst place', () => {
    for (const held of HELD) {
      const own = spanForces({ length: 1, held, uniform: 0, force: 1 });
      const all = places.slice(1, -1).map((at) => byElements(held, { F: 1, at }));
      for (const key of ['end', 'middle', 'shear', 'sag'] as const) {
        const worst = Math.max(...all.map((one) => one[key]));
        // Held at both ends a force near one of them bends the element beside it as it bends the end.
        const limit = key === 'middle' && held !== 'none' ? Math.max(own.end, own.middle) : own[key];
        expect(limit, `${held}, ${key}`).toBeGreaterThanOrEqual(worst * (1 - 1e-3));
        if (key !== 'middle') expect(own[key], `${held}, ${key}`).toBeLessThan(worst * 1.02 + 1e-9);
      }
    }
  });

  it('bends under a force in its middle by F l/8 where it is held, F l/4 where it is free', () => {
    expect(byElements('both', { F: 1 }).middle).toBeCloseTo(
      spanForces({ length: 1, held: 'both', uniform: 0, force: 1 }).middle,
      6,
    );
    expect(byElements('none', { F: 1 }).middle).toBeCloseTo(
      spanForces({ length: 1, held: 'none', uniform: 0, force: 1 }).middle,
      6,
    );
    // 0.366 of the way from the end that is free to turn.
    expect(byElements('one', { F: 1, at: 22 }).middle).toBeCloseTo(
      spanForces({ length: 1, held: 'one', uniform: 0, force: 1 }).middle,
      4,
    );
  });

  it('bears one moment wherever it stands', () => {
    for (const held of HELD) {
      const own = spanForces({ length: 1, held, uniform: 0, moment: 1 });
      const all = places.slice(1, -1).map((at) => byElements(held, { M: 1, at }));
      for (const key of ['end', 'middle', 'shear', 'sag'] as const)
        expect(own[key], `${held}, ${key}`).toBeGreaterThanOrEqual(
          Math.max(...all.map((one) => one[key])) * (1 - 1e-3),
        );
      expect(own.sag, held).toBeLessThan(Math.max(...all.map(({ sag }) => sag)) * 1.1);
    }
  });

  it('adds up what stands on it, and wants a length', () => {
    const of = (load: object) => spanForces({ length: 2, held: 'both', uniform: 0, ...load });
    const all = of({ uniform: 30, force: 5, moment: 2 });
    for (const key of ['end', 'middle', 'shear', 'sag'] as const)
      expect(all[key]).toBeCloseTo(of({ uniform: 30 })[key] + of({ force: 5 })[key] + of({ moment: 2 })[key], 12);
    expect(() => spanForces({ length: 0, held: 'both', uniform: 1 })).toThrow('needs a length');
  });
});
