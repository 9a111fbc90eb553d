import { describe, expect, it } from 'vitest';
import type { FlatPoint } from '../../geometry';
import { runToEnd } from '../../job';
import { fillSimulation, type FillInput, type FillResult } from '..';

const CELLS = 500;
const BOX: FlatPoint[] = [
  [0, 0],
  [1.2, 0],
  [1.2, 0.6],
  [0, 0.6],
];
const BASE: FillInput = {
  outline: BOX,
  permeability: 2e-10,
  porosity: 0.5,
  thickness: 0.004,
  viscosity: 0.2,
  pressure: 90_000,
  inlets: [
    {
      line: [
        [0, 0],
        [0, 0.6],
      ],
    },
  ],
  cells: CELLS,
};
const fill = (more: Partial<FillInput> = {}): FillResult => runToEnd(fillSimulation({ ...BASE, ...more }));
const timeOf = (more: Partial<FillInput> = {}) => fill(more).fillTime!;
type Move = (point: FlatPoint) => FlatPoint;
const line = (points: FlatPoint[]) => ({ line: points });
/** The same plate and feed seen otherwise. */
const EDGE: FlatPoint[] = [
  [0, 0],
  [0, 0.6],
];
const moved = (move: Move): Partial<FillInput> => ({ outline: BOX.map(move), inlets: [line(EDGE.map(move))] });
const turnedBy = (degrees: number): Move => {
  const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return ([x, y]) => [c * x - s * y, s * x + c * y];
};
const near = (found: number, wanted: number, share: number) =>
  expect(Math.abs(found / wanted - 1), `${found} against ${wanted}`).toBeLessThan(share);

describe('a fill looked at otherwise', () => {
  const straight = timeOf();
  it('of a strip is φ μ L² / (2 K Δp): 0.5 · 0.2 · 1.2² / (2 · 2e-10 · 9e4) = 4 000 s', () => {
    near(straight, 4000, 0.01);
  });
  it.each<[string, Move]>([
    ['moved along', ([x, y]) => [x + 7, y - 3]],
    ['mirrored', ([x, y]) => [-x, y]],
    ['turned by 90°', turnedBy(90)],
    ['turned by 33°', turnedBy(33)],
  ])('%s takes as long', (_, move) => {
    near(timeOf(moved(move)), straight, 0.012);
  });
  it('the outline may begin at any corner, and run either way round', () => {
    near(timeOf({ outline: [...BOX.slice(2), ...BOX.slice(0, 2)] }), straight, 0.012);
    near(timeOf({ outline: [...BOX].reverse() }), straight, 0.012);
  });
  it('cloth that lets more along one way fills by what it lets through that way, turned with its picture', () => {
    const along = (angleDeg: number) => ({ permeability: { k1: 4e-10, k2: 1e-10, angleDeg } });
    near(timeOf(along(0)), straight / 2, 0.012);
    near(timeOf(along(90)), 2 * straight, 0.012);
    // Turned together with the plate, it is the same fill.
    near(timeOf({ ...moved(turnedBy(30)), ...along(30) }), straight / 2, 0.02);
  });
});

describe('what makes a fill longer, and by how much', () => {
  const straight = timeOf();
  it.each<[string, Partial<FillInput>, number]>([
    ['twice the viscosity', { viscosity: 0.4 }, 2],
    ['half the pressure', { pressure: 45_000 }, 2],
    ['half the permeability', { permeability: 1e-10 }, 2],
    ['a tenth more pores', { porosity: 0.55 }, 1.1],
    ['another thickness: not at all', { thickness: 0.009 }, 1],
  ])('%s', (_, more, times) => {
    near(timeOf(more), times * straight, 0.002);
  });
  it('twice as long takes four times, as broad as it may be', () => {
    const longer = { ...moved(([x, y]) => [2 * x, y]) };
    near(timeOf(longer), 4 * straight, 0.012);
    near(timeOf(moved(([x, y]) => [x, 3 * y])), straight, 0.012);
  });
  it('a resin that thickens is later, and the later the further it has to go', () => {
    const times = [0, 1e-5, 5e-5, 1e-4].map((viscosityRate) => timeOf({ viscosityRate }));
    times.slice(1).forEach((time, i) => expect(time).toBeGreaterThan(times[i]!));
    // −ln(1 − r t)/r of the time that it needs when it does not thicken.
    near(times[2]!, -Math.log1p(-5e-5 * straight) / 5e-5, 0.012);
    expect(fill({ viscosityRate: 4e-4 }).fillTime).toBeNull();
  });
  it('a slow stretch is never sooner than none, nor later than if all of it were slow', () => {
    const patch = {
      outline: [
        [0.5, 0],
        [0.8, 0],
        [0.8, 0.6],
        [0.5, 0.6],
      ] as FlatPoint[],
      porosity: 0.5,
      thickness: 0.004,
    };
    const slow = timeOf({ regions: [{ ...patch, permeability: 5e-11 }] });
    expect(slow).toBeGreaterThan(straight);
    expect(slow).toBeLessThan(4 * straight);
    const quick = timeOf({ regions: [{ ...patch, permeability: 2e-9 }] });
    expect(quick).toBeLessThan(straight);
  });
});

describe('one more line', () => {
  it('of feed is never later: from both ends a quarter of the time, each half of the resin', () => {
    const both = fill({
      inlets: [
        ...BASE.inlets,
        line([
          [1.2, 0],
          [1.2, 0.6],
        ]),
      ],
      vents: [{ at: [0.6, 0.3] }],
    });
    near(both.fillTime ?? NaN, timeOf() / 4, 0.06);
    const { through } = both.course.at(-1)!;
    near(through[0]!, through[1]!, 0.03);
  });
  it('opened later is never sooner than opened at once, nor later than never', () => {
    const second = line([
      [0.7, 0],
      [0.7, 0.6],
    ]);
    const at = (openAt: number) => timeOf({ inlets: [...BASE.inlets, { ...second, openAt }] });
    const times = [0, 300, 900, 2500].map(at);
    times.slice(1).forEach((time, i) => expect(time).toBeGreaterThanOrEqual(times[i]! * (1 - 1e-3)));
    expect(times.at(-1)!).toBeLessThanOrEqual(timeOf() * 1.01);
  });
  it('of feed in a corner alone is later than along the whole edge', () => {
    expect(timeOf({ inlets: [{ at: [0, 0], radius: 0.02 }] })).toBeGreaterThan(timeOf());
  });
});

describe('how much resin there is', () => {
  it('is what the pores hold: 1.2 · 0.6 · 0.004 · 0.5 = 1.44 litres, never more on the way', () => {
    const { resinVolume, course, filledFraction } = fill();
    near(resinVolume, 1.44e-3, 1e-3);
    expect(filledFraction).toBeCloseTo(1, 6);
    course.slice(1).forEach(({ volume, time }, i) => {
      expect(volume).toBeGreaterThanOrEqual(course[i]!.volume - 1e-12);
      expect(time).toBeGreaterThanOrEqual(course[i]!.time);
      expect(volume).toBeLessThanOrEqual(1.44e-3 * 1.001);
    });
  });
  it('of a plate with a hole is less by the hole, and all of it fills', () => {
    const hole: FlatPoint[] = [
      [0.5, 0.2],
      [0.7, 0.2],
      [0.7, 0.4],
      [0.5, 0.4],
    ];
    const found = fill({ holes: [hole] });
    near(found.resinVolume, (1.2 * 0.6 - 0.04) * 0.004 * 0.5, 2e-3);
    expect(found.fillTime!).toBeGreaterThan(timeOf() * 0.98);
    expect(found.trapped).toEqual([]);
  });
});
