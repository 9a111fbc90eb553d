import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { boatFromJson, newCurePlan, type CurePlan } from '../document';
import { makeEvaluator } from '../evaluate';
import type { Resin } from '../material';
import {
  airAt,
  airOf,
  cureAtOneTemperature,
  cureThrough,
  exothermCourse,
  glassTransition,
  resinCure,
  shotsOf,
  slicesOf,
  thickestShot,
  USUAL_CURING,
  zoneCure,
  type ResinCure,
  type Slice,
} from '.';

const brant = boatFromJson(readFileSync('data/demo/brant-56.json', 'utf8'));
const evaluations = makeEvaluator()(brant);
const resin = brant.materials.find((one): one is Resin => one.kind === 'resin' && one.id === brant.brief.resin)!;
const cure = resinCure(resin, USUAL_CURING);
/** A laminate that stops for nothing, so that closed forms hold. */
const free: ResinCure = { ...cure, vitrify: 1e4 };
const slice = (thickness: number): Slice => ({
  thickness,
  density: 1600,
  specificHeat: 1200,
  conductivity: 0.3,
  resin: 800,
});
const still = (celsius: number, hours: number) => [
  { time: 0, celsius },
  { time: hours * 3600, celsius },
];

describe('a resin’s law from two pot lives', () => {
  it('gels a laminate at the stated multiple of the pot life, at 15 and at 25 °C', () => {
    for (const [celsius, pot] of [
      [15, resin.potLife15.value],
      [25, resin.potLife25.value],
    ] as const) {
      const { gelDegree, gelOverPot } = cure.family;
      const { timeTo } = cureAtOneTemperature({ kinetics: cure.kinetics, celsius, degrees: [gelDegree] });
      expect(timeTo[0]! / (gelOverPot * pot)).toBeCloseTo(1, 3);
    }
    expect(cure.origin).toBe('potLives');
  });
  it('is the resin’s own where it has one, and a slower hardener slows it', () => {
    const law = { A1: 10, E1: 4e4, A2: 2e5, E2: 5e4, m: 1, n: 1.5, heat: 3.5e5, tgFull: 95, source: 'sheet' };
    expect(resinCure({ ...resin, cure: law }, USUAL_CURING)).toMatchObject({
      origin: 'law',
      tgFull: 95,
      source: 'sheet',
    });
    const at = (own: ResinCure) =>
      cureAtOneTemperature({ kinetics: own.kinetics, celsius: 20, degrees: [0.3] }).timeTo[0]!;
    expect(at(resinCure(resin, USUAL_CURING, 2)) / at(cure)).toBeCloseTo(2, 6);
  });
  it('has a glass transition from that of the liquid to that of the whole cure, rising all the way', () => {
    expect(glassTransition(cure, 0)).toBeCloseTo(cure.family.tgStart, 9);
    expect(glassTransition(cure, 1)).toBeCloseTo(cure.tgFull, 9);
    for (let a = 0.1; a <= 1; a += 0.1)
      expect(glassTransition(cure, a)).toBeGreaterThan(glassTransition(cure, a - 0.1));
  });
  it('refuses a family that the yard does not have', () => {
    expect(() => resinCure(resin, { ...USUAL_CURING, families: [] })).toThrow(/not in the yard's list/);
  });
});

describe('heat and cure through a thickness', () => {
  it('with no heat lost rises by heat over what is warmed: 800 · 320 000 / (1600 · 1200) = 133 K', () => {
    const course = cureThrough({ slices: [slice(0.004)], cure: free, air: still(25, 40), loss: 0, start: 25 });
    const rise = (800 * cure.family.heat) / (1600 * 1200);
    expect(Math.abs((course.peak.celsius - 25) / rise - 1)).toBeLessThan(0.01);
    expect(course.degree).toBeGreaterThan(0.99);
  });
  it('of a thin laminate is as its lumped course', () => {
    const lumped = exothermCourse({
      kinetics: free.kinetics,
      resinWeightFraction: 0.5,
      reactionHeat: cure.family.heat,
      specificHeat: 1200,
      arealMass: 1600 * 0.003,
      // Both faces.
      heatTransfer: 2 / (1 / 8 + 0.0005 / 0.3),
      startCelsius: 25,
      ambientCelsius: 25,
      duration: 36_000,
    });
    const course = cureThrough({ slices: [slice(0.003)], cure: free, air: still(25, 10), loss: 8, start: 25 });
    expect(Math.abs((course.peak.celsius - 25) / (lumped.peakCelsius - 25) - 1)).toBeLessThan(0.05);
    expect(Math.abs(course.peak.time / lumped.peakTime - 1)).toBeLessThan(0.05);
  });
  it('is hotter when it is thicker, and inside is hotter than at the faces', () => {
    const peaks = [0.003, 0.008, 0.02].map((thickness) => {
      const course = cureThrough({ slices: [slice(thickness)], cure, air: still(22, 24), loss: 8, start: 22 });
      for (const { hottest, surface, mould } of course.moments) {
        expect(hottest).toBeGreaterThanOrEqual(Math.max(surface, mould) - 1e-9);
      }
      return course.peak.celsius;
    });
    expect(peaks[1]!).toBeGreaterThan(peaks[0]!);
    expect(peaks[2]!).toBeGreaterThan(peaks[1]!);
  });
  it('never cures backwards, and stops where it turns to glass in the cold', () => {
    const cold = cureThrough({ slices: [slice(0.003)], cure, air: still(15, 200), loss: 8, start: 15 });
    cold.moments.slice(1).forEach(({ degree }, i) => expect(degree).toBeGreaterThanOrEqual(cold.moments[i]!.degree));
    expect(cold.degree).toBeLessThan(0.95);
    const warm = cureThrough({ slices: [slice(0.003)], cure, air: still(60, 50), loss: 8, start: 15 });
    expect(warm.degree).toBeGreaterThan(cold.degree);
  });
});

describe('a schedule', () => {
  it('ramps by degrees an hour and holds: worked by hand', () => {
    const steps = [
      { rate: 10, to: 40, hold: 3600 },
      { rate: 20, to: 20, hold: 0 },
    ];
    const air = airOf({ start: 20, steps });
    expect(air.map(({ time }) => time / 3600)).toEqual([0, 2, 3, 4, 4]);
    expect(airAt(air, 3600)).toBe(30);
    expect(airAt(air, 9000)).toBe(40);
    expect(airAt(air, 1e9)).toBe(20);
  });
});

describe('a zone by a schedule', () => {
  const zone = brant.parts[0]!.zones.find(({ id }) => id === 'keel-band')!;
  const evaluation = evaluations.get(zone.id)!;
  const at = (celsius: number, more: Partial<CurePlan> = {}) => {
    const steps = [{ rate: 10, to: celsius, hold: 2 * 86_400 }];
    return newCurePlan({ id: 'c', name: 'C', part: 'hull', start: celsius, steps, ...more });
  };
  const by = (plan: CurePlan) => zoneCure(evaluation, { zone, plan, cure, curing: USUAL_CURING, bagged: false })!;
  it('gels, loses its tack and is demoulded in this order, later in the cold', () => {
    for (const celsius of [14, 20, 25]) {
      const { gel, tackEnds, demould } = by(at(celsius));
      expect(gel!).toBeLessThan(tackEnds!);
      expect(gel!).toBeLessThan(demould!);
    }
    expect(by(at(14)).gel!).toBeGreaterThan(by(at(25)).gel!);
  });
  it('in goes stays cooler than all at once; every layer is in one of them', () => {
    const [whole, parted] = [by(at(25)), by(at(25, { shot: 0.003 }))];
    const peak = (found: typeof whole) => Math.max(...found.shots.map((shot) => shot.peak));
    expect(parted.shots.length).toBeGreaterThan(2);
    expect(peak(parted)).toBeLessThan(peak(whole));
    const { layers } = evaluation;
    const goes = shotsOf(layers, 0.003);
    expect(goes[0]!.from).toBe(0);
    expect(goes.at(-1)!.to).toBe(layers.length);
    goes.slice(1).forEach(({ from }, i) => expect(from).toBe(goes[i]!.to));
  });
  it('tells what is too hot, and how much may go down at once instead', () => {
    const low = { ...cure, family: { ...cure.family, most: 60 } };
    const given = { zone, plan: at(25), cure: low, curing: USUAL_CURING, bagged: false };
    const found = zoneCure(evaluation, given)!;
    const [laminate] = found.limits;
    expect(laminate!.hottest).toBeGreaterThan(60);
    const { most, allAtOnce } = thickestShot(evaluation, given);
    expect(allAtOnce).toBe(false);
    const parted = zoneCure(evaluation, { ...given, plan: { ...given.plan, shot: most } })!;
    expect(parted.limits[0]!.hottest).toBeLessThanOrEqual(60);
  });
  it('finds a core that gives way in an oven', () => {
    const transom = brant.parts[0]!.zones.find(({ id }) => id === 'transom')!;
    const plan = at(20, { place: 'oven', steps: [{ rate: 40, to: 130, hold: 7200 }], mouldLimit: 200, bagLimit: 100 });
    const own = { zone: transom, plan, cure, curing: USUAL_CURING, bagged: true };
    const { limits } = zoneCure(evaluations.get('transom')!, own)!;
    const broken = limits.filter(({ limit, hottest }) => hottest > limit).map(({ what }) => what);
    expect(broken).toContain('core');
    expect(broken).toContain('bag');
  });
  it('slices are as thick as what is laid, on the mould', () => {
    const { slices } = slicesOf(evaluation.layers, { mould: 0.01 });
    const laid = evaluation.layers.reduce((sum, one) => sum + one.thickness, 0);
    expect(slices.reduce((sum, one) => sum + one.thickness, 0)).toBeCloseTo(laid + 0.01, 9);
  });
});
