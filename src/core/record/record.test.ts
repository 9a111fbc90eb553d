import { describe, expect, it } from 'vitest';
import { proofResult, proofWords, readCurve, sayPoint, welch } from '.';

describe('a proof pull', () => {
  const pull = (loads: number[], own: object = {}) =>
    proofResult({
      points: loads.map((load): [number, number] => [load, load / 1e6]),
      set: 0,
      load: 1000,
      stop: 1000,
      ...own,
    });
  const steps = Array.from({ length: 11 }, (_, i) => 100 * i);
  it('passes where the load was reached, it came back, and nothing let go', () => {
    expect(pull(steps)).toMatchObject({ failures: [], notChecked: [], reached: 1000, beyondStop: false });
  });
  it('is asked for no more than the stop load, and says where it went beyond', () => {
    expect(pull(steps, { load: 5000 }).failures).toEqual([]);
    expect(pull(steps, { load: 5000 }).notChecked.join()).toMatch(
      /5000.* that were asked for: it was to stop below them/,
    );
    expect(pull([...steps, 1100]).beyondStop).toBe(true);
    expect(pull(steps.slice(0, 9)).failures).toEqual(['the load was not reached']);
  });
  it('is told as no more than it reached where it stopped below what was asked for', () => {
    expect(proofWords({ passed: true, load: 6000, reached: 4000 })).toBe('passed, to less than was asked for');
    expect(proofWords({ passed: true, load: 6000, reached: 6000 })).toBe('passed');
    expect(proofWords({ passed: false, load: 6000, reached: 6000 })).toBe('not passed');
  });
  it('fails where it stays bent, softens, or the load falls back on the way up', () => {
    expect(pull(steps, { set: 0.0003 }).failures.join()).toContain('stayed bent');
    const soft = steps.map((load): [number, number] => [load, (load + (load > 500 ? load - 500 : 0)) / 1e6]);
    expect(pull([], { points: soft }).failures.join()).toContain('softened');
    expect(pull([...steps.slice(0, 7), 400, 500, ...steps.slice(7)]).failures.join()).toContain('fell back');
  });
  it('says that softening was not looked at with too few readings', () => {
    expect(pull([0, 1000]).notChecked.join()).toContain('softening');
    expect(() => pull([0])).toThrow('above no load');
  });
});

describe('a curve that is pasted', () => {
  it('reads tabs, semicolons, blanks and commas, under a head, in the units of the reader', () => {
    for (const text of ['load;bend\n1;2', '1\t2', '1 2', '1,2'])
      expect(readCurve(text, 'metric')).toEqual([[1000, expect.closeTo(0.002, 12)]]);
    expect(readCurve('0,5;0,12', 'metric')[0]![0]).toBeCloseTo(500, 9);
    expect(() => readCurve('1;2\n1;x', 'metric')).toThrow('Line 2');
  });
  it('is said so that it reads back', () => {
    const point: [number, number] = [1234.5, 0.00678];
    for (const units of ['metric', 'us'] as const) {
      const [back] = readCurve(sayPoint(point, units), units);
      back!.forEach((value, i) => expect(value / point[i]!).toBeCloseTo(1, 6));
    }
  });
});

describe('two groups', () => {
  it('by hand: 1, 2, 3 against 2, 3, 4 lie 1 apart with t 1.2247 and 4 degrees of freedom', () => {
    expect(welch([1, 2, 3], [2, 3, 4]).difference).toBe(-1);
    expect(welch([1, 2, 3], [2, 3, 4]).chance).toBeCloseTo(0.28786, 4);
  });
  it('without scatter differ surely or not at all', () => {
    expect(welch([1, 1], [1, 1]).chance).toBe(1);
    expect(welch([1, 1], [2, 2]).chance).toBe(0);
    expect(() => welch([1], [1, 2])).toThrow();
  });
});
