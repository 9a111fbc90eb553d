import { describe, expect, it } from 'vitest';
import { plateUnderPressure, type PlateLoad } from '.';

const [a, b, D, nu] = [1.2, 0.8, 1, 0.3];
const plate = {
  length: a,
  breadth: b,
  D11: D,
  D22: D,
  D12: nu * D,
  D66: ((1 - nu) / 2) * D,
  fixityX: 0,
  fixityY: 0,
};

/** Navier's double series of a simply supported plate under a load whose sine coefficients are given. */
function navier(coefficient: (m: number, n: number) => number, x: number, y: number) {
  let [w, Mx] = [0, 0];
  for (let m = 1; m <= 200; m++)
    for (let n = 1; n <= 200; n++) {
      const [p, q] = [(m * Math.PI) / a, (n * Math.PI) / b];
      const wmn = coefficient(m, n) / (D * (p * p + q * q) ** 2);
      const shape = Math.sin(p * x) * Math.sin(q * y);
      w += wmn * shape;
      Mx += D * (p * p + nu * q * q) * wmn * shape;
    }
  return { w, Mx };
}
/** ∫ weight(s) sin(k s) ds over a stretch round the middle, by many small steps. */
function over(size: number, middle: number, k: number, weight: (off: number) => number): number {
  const STEPS = 400;
  let sum = 0;
  for (let i = 0; i < STEPS; i++) {
    const off = ((i + 0.5) / STEPS - 0.5) * size;
    sum += (weight(off) * Math.sin(k * (middle + off)) * size) / STEPS;
  }
  return sum;
}
const [l, h] = [0.3, 0.2];
const across = new Map<number, number>();

describe('a plate under what a fitting brings into its middle', () => {
  it('deflects and bends under a patch as Navier says', () => {
    const X = new Map<number, number>();
    const once = (known: Map<number, number>, k: number, make: () => number) =>
      known.get(k) ?? known.set(k, make()).get(k)!;
    const coefficient = (m: number, n: number) =>
      (4 / (a * b)) *
      once(X, m, () => over(l, a / 2, (m * Math.PI) / a, () => 1)) *
      once(across, n, () => over(h, b / 2, (n * Math.PI) / b, () => 1));
    const load: PlateLoad = { kind: 'patch', pressure: 1, x: a / 2, y: b / 2, length: l, breadth: h };
    const { at } = plateUnderPressure(plate, load, 12);
    const series = navier(coefficient, a / 2, b / 2);
    expect(at(a / 2, b / 2).w / series.w).toBeCloseTo(1, 2);
    expect(at(a / 2, b / 2).Mx / series.Mx).toBeGreaterThan(0.95);
    expect(at(a / 2, b / 2).Mx / series.Mx).toBeLessThan(1.03);
  });
  it('turns under a moment as Navier says: straight pressure whose moment is p l² b / 6', () => {
    const moment = 5;
    const p = (6 * moment) / (l * l * h);
    const X = new Map<number, number>();
    const coefficient = (m: number, n: number) => {
      const along =
        X.get(m) ??
        X.set(
          m,
          over(l, a / 2, (m * Math.PI) / a, (off) => (2 * p * off) / l),
        ).get(m)!;
      const y =
        across.get(n) ??
        across
          .set(
            n,
            over(h, b / 2, (n * Math.PI) / b, () => 1),
          )
          .get(n)!;
      return (4 / (a * b)) * along * y;
    };
    const { at } = plateUnderPressure(plate, { kind: 'couple', moment, along: 'x', length: l, breadth: h }, 12);
    const place = a / 2 + l / 2;
    const series = navier(coefficient, place, b / 2);
    expect(at(place, b / 2).w / series.w).toBeCloseTo(1, 2);
    expect(at(a / 2 - l / 2, b / 2).w / series.w).toBeCloseTo(-1, 2);
    expect(at(a / 2, b / 2).w).toBeCloseTo(0, 9);
    // And across it, on the plate turned round.
    const turned = plateUnderPressure(
      { ...plate, length: b, breadth: a },
      { kind: 'couple', moment, along: 'y', length: h, breadth: l },
      12,
    );
    expect(turned.at(b / 2, place).w / at(place, b / 2).w).toBeCloseTo(1, 6);
  });
});
