import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fitLine, fittingAngle, lineUp, type MeasuredPair } from '.';

const pair = (x: number, own: Partial<MeasuredPair>): MeasuredPair => ({
  name: `at ${x}`,
  x,
  port: null,
  starboard: null,
  portHeight: null,
  starboardHeight: null,
  ...own,
});

describe('a line through measured points', () => {
  it('by hand: (0, 1), (1, 3), (2, 2) has slope 0.5 about (1, 2)', () => {
    const line = fitLine(
      [
        [0, 1],
        [1, 3],
        [2, 2],
      ],
      1,
    );
    expect(line.slope).toBeCloseTo(0.5, 12);
    expect(line.offset).toBeCloseTo(1.5, 12);
    expect(line.residuals).toEqual([-0.5, 1, -0.5]);
    // Three points are too few to call one of them doubtful.
    expect(line.doubtful).toEqual([]);
  });
  it('leaves out the one that the others do not bear out, and no other', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.05, max: 0.05, noNaN: true }),
        fc.double({ min: -0.02, max: 0.02, noNaN: true }),
        fc.integer({ min: 0, max: 7 }),
        (offset, slope, wrong) => {
          const points = Array.from({ length: 8 }, (_, i): [number, number] => [i, offset + slope * i]);
          points[wrong]![1] += 0.03;
          const line = fitLine(points, 0.001);
          expect(line.doubtful).toEqual([wrong]);
          expect(line.slope).toBeCloseTo(slope, 9);
        },
      ),
    );
  });
  it('takes readings that scatter as a tape does for what they are', () => {
    const noise = [0.4, -0.7, 0.2, 0.9, -0.5, -0.1, 0.3, -0.6].map((mm) => mm / 1000);
    expect(
      fitLine(
        noise.map((y, i): [number, number] => [i, y]),
        0.001,
      ).doubtful,
    ).toEqual([]);
  });
  it('wants two places', () => {
    expect(() =>
      fitLine(
        [
          [1, 0],
          [1, 0.1],
        ],
        0.001,
      ),
    ).toThrow('two places');
  });
});

describe('how a hull stands', () => {
  it('finds its centreline beside the string, and how it is turned', () => {
    // The middle lies 4 mm to starboard, and 2 mm a metre more going forward.
    const pairs = [0, 1, 2, 3].map((x) => {
      const middle = 0.004 + 0.002 * x;
      return pair(x, { port: 1 - middle, starboard: 1 + middle });
    });
    const { centreline } = lineUp({ pairs, diagonals: [], tape: 0.001 });
    expect(centreline!.offset).toBeCloseTo(0.004, 9);
    expect(centreline!.turnDeg).toBeCloseTo(0.1146, 4);
  });
  it('finds lean where the string begins and twist along it', () => {
    const rad = Math.PI / 180;
    const pairs = [0, 2, 4].map((x) => {
      const lean = 1 + 0.25 * x;
      return pair(x, { port: 1, starboard: 1, portHeight: 2 * Math.tan(lean * rad), starboardHeight: 0 });
    });
    const { lean } = lineUp({ pairs, diagonals: [], tape: 0.001 });
    expect(lean!.leanDeg).toBeCloseTo(1, 9);
    expect(lean!.twistDegPerMetre).toBeCloseTo(0.25, 9);
  });
  it('says which diagonals no tape explains', () => {
    const pairs = [pair(0, { port: 1, starboard: 1 }), pair(1, { port: 1, starboard: 1 })];
    const diagonals = [
      { name: 'fore', one: 3.002, other: 3 },
      { name: 'aft', one: 3.012, other: 3 },
    ];
    expect(lineUp({ pairs, diagonals, tape: 0.001 }).diagonals.map(({ doubtful }) => doubtful)).toEqual([false, true]);
  });
  it('says what is missing, and makes nothing up', () => {
    const found = lineUp({ pairs: [pair(0, { port: 1 })], diagonals: [], tape: 0.001 });
    expect(found).toMatchObject({ centreline: null, lean: null });
    expect(found.missing).toHaveLength(2);
  });
});

describe('the wedge under a fitting', () => {
  const flat = { rise: 0, run: 1 };
  it('by hand: a deck that falls 50 mm in a metre to starboard wants 2.86°, thick to starboard', () => {
    const wedge = fittingAngle({ forward: flat, starboard: { rise: -0.05, run: 1 }, leanDeg: 0, trimDeg: 0 });
    expect(wedge.wedgeDeg).toBeCloseTo((Math.atan(0.05) * 180) / Math.PI, 9);
    expect(wedge.thickEndDeg).toBeCloseTo(90, 9);
  });
  it('of two slopes is that of the plane', () => {
    const slopes = { forward: { rise: 3, run: 10 }, starboard: { rise: 4, run: 10 } };
    const wedge = fittingAngle({ ...slopes, leanDeg: 0, trimDeg: 0 });
    expect(Math.tan((wedge.wedgeDeg * Math.PI) / 180)).toBeCloseTo(0.5, 9);
    expect(wedge.thickEndDeg).toBeCloseTo(-126.8699, 4);
  });
  it('takes off what the boat leans and trims in the shop', () => {
    const down = Math.tan(-Math.PI / 90);
    const up = Math.tan(Math.PI / 180);
    const leaning = { forward: { rise: up, run: 1 }, starboard: { rise: down, run: 1 } };
    // It leans 2° to starboard and stands 1° bow up: the surface is level on the boat.
    expect(fittingAngle({ ...leaning, leanDeg: 2, trimDeg: 1 }).wedgeDeg).toBeCloseTo(0, 9);
  });
  it('wants a run', () => {
    expect(() => fittingAngle({ forward: flat, starboard: { rise: 1, run: 0 }, leanDeg: 0, trimDeg: 0 })).toThrow(
      'run',
    );
  });
});
