import { randomLcg, randomNormal } from 'd3-random';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { control, leak, outlier, posterior, sampleOf, stiffness, toleranceBound, toleranceFactor, welch } from '.';

const value = fc.double({ min: -1000, max: 1000, noNaN: true });
const values = (least: number, most = 20) => fc.array(value, { minLength: least, maxLength: most });
const spread = fc.double({ min: 0.1, max: 100, noNaN: true });
/** Figures that rounding alone does not tell apart. */
const scatters = (of: readonly number[]) => sampleOf(of).standardDeviation > 1e-3;

describe('one-sided tolerance factors', () => {
  it.each([
    [3, 0.9, 6.155],
    [5, 0.9, 3.407],
    [10, 0.9, 2.355],
    [20, 0.9, 1.926],
    [50, 0.9, 1.646],
    [3, 0.99, 10.553],
    [5, 0.99, 5.741],
    [10, 0.99, 3.981],
  ])('of %i values at %f with 95 %% confidence is %f (Odeh and Owen 1980)', (n, coverage, factor) => {
    expect(toleranceFactor(n, coverage, 0.95)).toBeCloseTo(factor, 2);
  });
  it('falls with every value more, down to the quantile itself, and rises with what is asked', () => {
    const factors = [2, 3, 4, 6, 10, 30, 200, 3000].map((n) => toleranceFactor(n));
    factors.slice(1).forEach((factor, i) => expect(factor).toBeLessThan(factors[i]!));
    expect(factors.at(-1)!).toBeGreaterThan(1.2816);
    expect(factors.at(-1)!).toBeLessThan(1.34);
    expect(toleranceFactor(5, 0.99)).toBeGreaterThan(toleranceFactor(5, 0.95));
    expect(toleranceFactor(5, 0.9, 0.99)).toBeGreaterThan(toleranceFactor(5, 0.9, 0.95));
  });
  it('gives a bound below which more than a tenth lies in no more than one sample of twenty', () => {
    const draw = randomNormal.source(randomLcg(0.84))(500, 40);
    const tenth = 500 - 1.28155 * 40;
    for (const n of [3, 5, 12]) {
      const samples = Array.from({ length: 2000 }, () => Array.from({ length: n }, draw));
      const above = samples.filter((sample) => toleranceBound(sample).bound > tenth).length / samples.length;
      // Three standard deviations of a share of 0.05 in 2000.
      expect(Math.abs(above - 0.05), `${n} values`).toBeLessThan(3 * Math.sqrt((0.05 * 0.95) / 2000));
    }
  });
  it('of one value, or of a share that says nothing, is refused', () => {
    expect(() => toleranceBound([3])).toThrow('Two values');
    expect(() => toleranceBound([3, 4], 0.2)).toThrow('coverage');
    expect(() => toleranceBound([3, 4], 0.9, 1)).toThrow('confidence');
  });
});

describe('what is known after readings', () => {
  it('lies between what was thought and what was read, and leaves less doubt with each', () => {
    fc.assert(
      fc.property(value, spread, values(1), spread, (mean, doubt, readings, scatter) => {
        const prior = { mean, standardDeviation: doubt };
        const after = posterior(prior, readings, scatter);
        const read = readings.reduce((sum, one) => sum + one, 0) / readings.length;
        const slack = 1e-9 * (1 + Math.abs(mean) + Math.abs(read));
        expect(after.mean).toBeGreaterThanOrEqual(Math.min(mean, read) - slack);
        expect(after.mean).toBeLessThanOrEqual(Math.max(mean, read) + slack);
        expect(after.standardDeviation).toBeLessThan(doubt);
        expect(posterior(prior, [...readings, read], scatter).standardDeviation).toBeLessThan(after.standardDeviation);
        expect(after.predictiveStandardDeviation).toBeGreaterThan(scatter);
      }),
    );
  });
  it('is the same whether readings come at once or one after the other, in whatever order', () => {
    fc.assert(
      fc.property(value, spread, values(2, 8), spread, (mean, doubt, readings, scatter) => {
        const prior = { mean, standardDeviation: doubt };
        const together = posterior(prior, readings, scatter);
        const oneByOne = [...readings].reverse().reduce((known, one) => posterior(known, [one], scatter), prior);
        expect(oneByOne.mean).toBeCloseTo(together.mean, 6);
        expect(oneByOne.standardDeviation).toBeCloseTo(together.standardDeviation, 9);
      }),
    );
  });
  it('without readings is what was thought; without doubt, or scatter, nothing is learned and it is refused', () => {
    expect(posterior({ mean: 3, standardDeviation: 2 }, [], 1)).toMatchObject({ mean: 3, standardDeviation: 2 });
    expect(() => posterior({ mean: 3, standardDeviation: 0 }, [1], 1)).toThrow('some doubt');
    expect(() => posterior({ mean: 3, standardDeviation: 1 }, [1], 0)).toThrow('more than 0');
  });
});

describe('outliers and limits of chance', () => {
  it('mark the same value in whatever unit, from whatever zero, in whatever order', () => {
    fc.assert(
      fc.property(values(3), spread, value, (of, factor, zero) => {
        fc.pre(scatters(of));
        const here = outlier(of);
        const there = outlier(of.map((one) => one * factor + zero));
        expect(there.statistic).toBeCloseTo(here.statistic, 5);
        if (Math.abs(here.statistic - here.critical) > 1e-4) expect(there.index).toBe(here.index);
        const back = outlier([...of].reverse());
        expect(back.statistic).toBeCloseTo(here.statistic, 9);
      }),
    );
  });
  it('mark nothing of values alike, and one in twenty of chance alone', () => {
    expect(outlier([4, 4, 4, 4]).index).toBeNull();
    const draw = randomNormal.source(randomLcg(0.56))();
    const marked = Array.from({ length: 3000 }, () => outlier(Array.from({ length: 8 }, draw)).index !== null);
    const share = marked.filter(Boolean).length / 3000;
    expect(Math.abs(share - 0.05)).toBeLessThan(3 * Math.sqrt((0.05 * 0.95) / 3000));
  });
  it('have the centre in their middle, and hold what does not move', () => {
    fc.assert(
      fc.property(values(2), (of) => {
        const { centre, lower, upper, outside } = control(of);
        expect((lower + upper) / 2).toBeCloseTo(centre, 6);
        expect(outside.every((i) => of[i]! < lower || of[i]! > upper)).toBe(true);
      }),
    );
    expect(control([5, 5, 5]).outside).toEqual([]);
    expect(control([5, 5.1, 4.9, 5, 5.1, 4.9, 5, 9]).outside).toEqual([7]);
  });
});

describe('two groups', () => {
  it('differ alike from either side and in whatever unit, and surely more when they are further apart', () => {
    fc.assert(
      fc.property(values(2, 8), values(2, 8), spread, (a, b, factor) => {
        fc.pre(scatters(a) && scatters(b));
        const here = welch(a, b);
        expect(welch(b, a)).toEqual({ difference: expect.closeTo(-here.difference, 9), chance: here.chance });
        const scaled = welch(
          a.map((one) => one * factor),
          b.map((one) => one * factor),
        );
        expect(scaled.chance).toBeCloseTo(here.chance, 5);
        const further = a.map((one) => one + Math.sign(here.difference || 1) * 50);
        expect(welch(further, b).chance).toBeLessThanOrEqual(here.chance + 1e-9);
      }),
    );
  });
});

describe('a line through readings', () => {
  it('that lie on it is found exactly, with no error, and within a window as without', () => {
    fc.assert(
      fc.property(spread, value, (slope, intercept) => {
        const points = [0, 1, 2, 3, 4, 5].map((d) => [intercept + slope * d, d] as const);
        const all = stiffness(points);
        expect(all.slope / slope).toBeCloseTo(1, 6);
        expect(all.standardError / slope).toBeCloseTo(0, 6);
        const part = stiffness(points, [points[1]![0] - 1e-9, points[4]![0] + 1e-9]);
        expect(part.slope / slope).toBeCloseTo(1, 6);
      }),
    );
  });
  it('needs three readings that move', () => {
    expect(() => stiffness([[1, 1]])).toThrow('Three readings');
    expect(() =>
      stiffness([
        [1, 2],
        [2, 2],
        [3, 2],
      ]),
    ).toThrow('must differ');
  });
});

describe('a leak', () => {
  it('is as great in a bag of twice the room that rises half as fast; warming alone is none', () => {
    const test = { volume: 0.02, pressureStart: 2000, pressureEnd: 2600, minutes: 10 };
    const large = leak({ ...test, volume: 0.04, pressureEnd: 2300 });
    expect(large.leakRate).toBeCloseTo(leak(test).leakRate, 12);
    const warmed = leak({
      ...test,
      pressureEnd: (2000 * 303.15) / 293.15,
      temperatureStartCelsius: 20,
      temperatureEndCelsius: 30,
    });
    expect(warmed.leakRate).toBeCloseTo(0, 12);
    expect(() => leak({ ...test, temperatureStartCelsius: 20 })).toThrow('at both ends');
  });
});
