import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runToEnd } from '../job';
import {
  arrivalAt,
  clockTime,
  fillSimulation,
  flowTime,
  lineFillTime,
  radialFillTime,
  seriesFill,
  type FillInput,
} from '.';

const resin = { permeability: 3e-10, porosity: 0.5, thickness: 0.004, viscosity: 0.2, pressure: 9e4 };
const strip = (length: number, width = 0.3): FillInput => ({
  ...resin,
  outline: [[0, 0], [length, 0], [length, width], [0, width]], // prettier-ignore
  inlets: [{ line: [[0, 0], [0, width]] }], // prettier-ignore
  cells: 1500,
});
const simulate = (input: FillInput) => runToEnd(fillSimulation(input));

describe('closed forms of filling', () => {
  it('a straight front: φ μ L² / (2 K Δp), worked by hand', () => {
    // 0.5 · 0.2 · 0.36 / (2 · 3e-10 · 9e4) = 666.7 s
    expect(lineFillTime({ ...resin, length: 0.6 })).toBeCloseTo(666.667, 2);
  });
  it('segments alike are one segment; a slow one first is worse than last', () => {
    const [slow, fast] = [
      { length: 0.3, permeability: 1e-10, porosity: 0.5 },
      { length: 0.3, permeability: 1e-9, porosity: 0.5 },
    ];
    const time = (segments: (typeof slow)[]) => seriesFill({ ...resin, segments }).fillTime!;
    expect(time([fast, fast])).toBeCloseTo(lineFillTime({ ...resin, permeability: 1e-9, length: 0.6 }), 6);
    expect(time([slow, fast])).toBeGreaterThan(time([fast, slow]));
  });
  it('a resin that thickens: the clock runs ahead of the flow, and never past 1 / rate', () => {
    for (const seconds of [1, 100, 1000]) expect(clockTime(flowTime(seconds, 1e-3), 1e-3)).toBeCloseTo(seconds, 6);
    expect(flowTime(1e9, 1e-3)).toBeCloseTo(1000, 6);
    expect(clockTime(1000, 1e-3)).toBe(Infinity);
  });
});

describe('a simulated fill', () => {
  it('of a strip, a disc and two segments comes within 1 % of the closed forms', () => {
    const line = simulate(strip(0.6));
    expect(Math.abs(line.fillTime! / lineFillTime({ ...resin, length: 0.6 }) - 1)).toBeLessThan(0.01);
    const half = arrivalAt(line, [0.3, 0.15])!;
    expect(Math.abs(half / lineFillTime({ ...resin, length: 0.3 }) - 1)).toBeLessThan(0.02);
    const disc = Array.from({ length: 96 }, (_, i): [number, number] => [
      0.4 * Math.cos((Math.PI * i) / 48),
      0.4 * Math.sin((Math.PI * i) / 48),
    ]);
    const round = simulate({ ...resin, outline: disc, inlets: [{ at: [0, 0], radius: 0.02 }], cells: 4000 });
    const closed = radialFillTime({ ...resin, radius: 0.4, inletRadius: 0.02 });
    expect(Math.abs(round.fillTime! / closed - 1)).toBeLessThan(0.01);
    const slow = { permeability: 1e-10, porosity: 0.45, thickness: 0.004 };
    const two = simulate({
      ...strip(0.6),
      regions: [{ ...slow, outline: [[0.3, 0], [0.6, 0], [0.6, 0.3], [0.3, 0.3]] }], // prettier-ignore
    });
    const segments = [{ ...resin, length: 0.3 }, { ...slow, length: 0.3 }]; // prettier-ignore
    expect(Math.abs(two.fillTime! / seriesFill({ ...resin, segments }).fillTime! - 1)).toBeLessThan(0.01);
  });
  it('changes its fill time by less than 1 % for cells of half the size', () => {
    const ell: FillInput = {
      ...resin,
      outline: [[0, 0], [0.6, 0], [0.6, 0.25], [0.25, 0.25], [0.25, 0.6], [0, 0.6]], // prettier-ignore
      inlets: [{ line: [[0, 0.2], [0, 0], [0.2, 0]] }], // prettier-ignore
      cells: 3000,
    };
    const [coarse, fine] = [simulate(ell), simulate({ ...ell, cells: 12_000 })];
    expect(Math.abs(coarse.fillTime! / fine.fillTime! - 1)).toBeLessThan(0.01);
  });
  it('holds exactly as much as flowed in: its pores, wherever the inlets are', () => {
    fc.assert(
      fc.property(
        fc.record({
          x: fc.double({ min: 0.1, max: 0.5, noNaN: true }),
          y: fc.double({ min: 0.05, max: 0.25, noNaN: true }),
          k2: fc.double({ min: 5e-11, max: 3e-10, noNaN: true }),
          angleDeg: fc.double({ min: 0, max: 180, noNaN: true }),
        }),
        ({ x, y, k2, angleDeg }) => {
          const found = simulate({
            ...strip(0.6),
            permeability: { k1: 3e-10, k2, angleDeg },
            inlets: [{ at: [x, y], radius: 0.02 }],
            cells: 700,
          });
          // 0.6 · 0.3 m of 4 mm, half of it pores.
          expect(Math.abs(found.resinVolume / 3.6e-4 - 1)).toBeLessThan(1e-3);
          expect(found.filledFraction).toBeGreaterThan(1 - 1e-6);
          for (const s of found.saturation) expect(s).toBeLessThanOrEqual(1);
        },
      ),
      { seed: 4, numRuns: 12 },
    );
  });
  it('says what came through each inlet: together what is in the pores but those of the lines themselves', () => {
    const both: FillInput = {
      ...strip(0.6),
      inlets: [{ line: [[0, 0], [0, 0.3]] }, { line: [[0.4, 0], [0.4, 0.3]], openAt: 60 }], // prettier-ignore
      cells: 6000,
    };
    const { course, resinVolume } = simulate(both);
    const through = course.at(-1)!.through;
    const sum = through[0]! + through[1]!;
    expect(sum / resinVolume).toBeGreaterThan(0.96);
    expect(sum / resinVolume).toBeLessThanOrEqual(1 + 1e-6);
    // The second feeds both ways, and further.
    expect(through[1]!).toBeGreaterThan(through[0]!);
    const one = simulate(strip(0.6));
    expect(one.course.at(-1)!.through[0]! / one.resinVolume).toBeGreaterThan(0.96);
  });
  it('never goes back; twice the pressure fills it in half the time', () => {
    const found = simulate(strip(0.6));
    found.course.slice(1).forEach(({ volume }, i) => expect(volume).toBeGreaterThanOrEqual(found.course[i]!.volume));
    const harder = simulate({ ...strip(0.6), pressure: 1.8e5 });
    expect(harder.fillTime! / found.fillTime!).toBeCloseTo(0.5, 3);
  });
  it('traps what no vent draws from, and says where; with the vent there it fills', () => {
    const both: FillInput = { ...strip(0.6), inlets: [{ line: [[0.3, 0], [0.3, 0.3]] }] }; // prettier-ignore
    const cut = simulate({ ...both, vents: [{ at: [0.6, 0.15] }] });
    expect(cut.fillTime).toBeNull();
    expect(cut.trapped).toHaveLength(1);
    expect(cut.trapped[0]!.at[0]).toBeLessThan(0.3);
    expect(Math.abs(cut.trapped[0]!.area / 0.09 - 1)).toBeLessThan(0.06);
    const open = simulate({ ...both, vents: [{ at: [0.6, 0.15] }, { at: [0, 0.15] }] });
    expect(open.trapped).toEqual([]);
    expect(open.fillTime).not.toBeNull();
  });
  it('opens a second line later: never sooner than with both open, never later than with one', () => {
    const one = strip(0.6);
    const second = { line: [[0.3, 0], [0.3, 0.3]] as [number, number][] }; // prettier-ignore
    const time = (inlets: FillInput['inlets']) => simulate({ ...one, inlets }).fillTime!;
    const [alone, both] = [time(one.inlets), time([...one.inlets, second])];
    const later = time([...one.inlets, { ...second, openAt: 200 }]);
    expect(both).toBeLessThan(later);
    expect(later).toBeLessThan(alone);
    // At 200 s the front has come to 0.329 m; from the line at 0.3 m it then goes from 0.029 to 0.3 m:
    // φ μ (0.3² − 0.029²) / (2 K Δp) = 165 s more. Worked by hand.
    expect(Math.abs(later / 365 - 1)).toBeLessThan(0.01);
  });
  it('stops where a resin has thickened, or the time is up', () => {
    const never = simulate({ ...strip(0.96), viscosityRate: 5e-3 });
    expect(never.fillTime).toBeNull();
    expect(never.filledFraction).toBeLessThan(1);
    // At a quarter of its time it is half full; nodes on the line are full at once, which a finer net has less of.
    const short = simulate({ ...strip(0.6), maximumTime: 166.67, cells: 6000 });
    expect(short.fillTime).toBeNull();
    expect(Math.abs(short.filledFraction - 0.5)).toBeLessThan(0.006);
    expect(arrivalAt(short, [0.55, 0.15])).toBeNull();
  });
  it('climbs against its own weight as the closed form says, and stands where that holds it', () => {
    // φ dL/dt = (K/μ) (Δp/L − ρ g), integrated: φ μ / (K ρ g) · (Δp/(ρ g) · ln(1 / (1 − ρ g L/Δp)) − L).
    const [density, long] = [1100, 3];
    const weight = density * 9.80665;
    const head = resin.pressure / weight;
    const { porosity, viscosity, permeability } = resin;
    const closed = ((porosity * viscosity) / (permeability * weight)) * (head * Math.log(1 / (1 - long / head)) - long);
    const up: FillInput = { ...strip(long), density, lift: (x, y) => [y, 0, x] };
    const found = simulate(up).fillTime!;
    expect(Math.abs(found / closed - 1)).toBeLessThan(0.02);
    expect(closed / lineFillTime({ ...resin, length: long })).toBeGreaterThan(1.2);
    const down = simulate({ ...up, lift: (x, y) => [y, 0, -x] }).fillTime!;
    expect(down).toBeLessThan(lineFillTime({ ...resin, length: long }));
    // 9 m of resin hang on 92 kPa at most: 10 m never fill.
    const high = simulate({ ...up, ...strip(10), maximumTime: 2e7 });
    expect(high.fillTime).toBeNull();
    expect(high.filledFraction).toBeGreaterThan((head / 10) * 0.97);
    expect(high.filledFraction).toBeLessThan((head / 10) * 1.02);
  });
  it('on a bent skin takes as long as on the same skin laid flat, whatever picture it is drawn on', () => {
    const flat = simulate(strip(0.6)).fillTime!;
    const bent: FillInput = { ...strip(0.6), lift: (x, y) => [0.2 * Math.sin(x / 0.2), y, 0.2 * Math.cos(x / 0.2)] };
    expect(Math.abs(simulate(bent).fillTime! / flat - 1)).toBeLessThan(0.01);
    // A picture that is drawn at half the length; cloth that lets through three times as well along it.
    const k = { k1: 9e-10, k2: 3e-10, angleDeg: 0 };
    const short: FillInput = { ...strip(0.3), permeability: k, lift: (x, y) => [2 * x, y, 0] };
    expect(Math.abs(simulate(short).fillTime! / (flat / 3) - 1)).toBeLessThan(0.01);
  });
  it('opens a line when all of it is wet, and says when that was', () => {
    const one = strip(0.6);
    const line = [[0.3, 0], [0.3, 0.3]] as [number, number][]; // prettier-ignore
    const onTime = simulate({ ...one, inlets: [...one.inlets, { line, onArrival: { delay: 0 } }] });
    const arrives = lineFillTime({ ...resin, length: 0.3 });
    // When a step of the march has passed it: never sooner.
    expect(onTime.opened[1]! / arrives).toBeGreaterThan(0.99);
    expect(onTime.opened[1]! / arrives).toBeLessThan(1.2);
    // From then on it is a strip of half the length: twice as quick over all.
    expect(onTime.fillTime! / (2 * arrives)).toBeGreaterThan(0.99);
    expect(onTime.fillTime! / (2 * arrives)).toBeLessThan(1.09);
    const late = simulate({ ...one, inlets: [...one.inlets, { line, onArrival: { delay: 200 } }] });
    expect(late.opened[1]! - onTime.opened[1]!).toBeCloseTo(200, 3);
    expect(late.fillTime!).toBeGreaterThan(onTime.fillTime!);
    expect(late.fillTime!).toBeLessThan(onTime.fillTime! + 201);
  });
});
