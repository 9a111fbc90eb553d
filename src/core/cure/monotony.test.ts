import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { boatFromJson } from '../document';
import type { Resin } from '../material';
import { cureThrough, resinCure, USUAL_CURING, type AirStep, type ResinCure, type Slice } from '.';

const boat = boatFromJson(readFileSync('data/demo/brant-56.json', 'utf8'));
const resin = boat.materials.find((one): one is Resin => one.kind === 'resin' && one.id === boat.brief.resin)!;
const HOUR = 3600;

interface Case {
  /** m of laminate, of mould under it, of core over it; kg of resin in a m³ of laminate. */
  laminate: number;
  mould: number;
  core: number;
  share: number;
  /** W/(m·K) of the laminate. */
  conducts: number;
  /** °C; W/(m²·K). */
  air: number;
  loss: number;
  /** Times the pot life; times the heat of the cure. */
  potLife: number;
  heat: number;
}
const USUAL: Case = {
  ...{ laminate: 0.008, mould: 0.01, core: 0, share: 750, conducts: 0.3 },
  ...{ air: 22, loss: 8, potLife: 1, heat: 1 },
};

/** How a laminate hardens in a case: hottest, when it gels, degree after a day. */
function hardens(own: Case, hours = 30) {
  const usual = resinCure(resin, USUAL_CURING, own.potLife);
  const cure: ResinCure = { ...usual, family: { ...usual.family, heat: own.heat * usual.family.heat } };
  const slices: Slice[] = [
    { thickness: own.mould, density: 1700, specificHeat: 1100, conductivity: 0.25, resin: 0 },
    { thickness: own.laminate, density: 1600, specificHeat: 1200, conductivity: own.conducts, resin: own.share },
    ...(own.core > 0 ? [{ thickness: own.core, density: 80, specificHeat: 1400, conductivity: 0.035, resin: 0 }] : []),
  ];
  const air: AirStep[] = [
    { time: 0, celsius: own.air },
    { time: hours * HOUR, celsius: own.air },
  ];
  const course = cureThrough({ slices, cure, air, loss: own.loss, start: own.air });
  const gel = course.moments.find(({ degree }) => degree >= cure.family.gelDegree)?.time ?? Infinity;
  return { peak: course.peak.celsius, peakTime: course.peak.time, gel, degree: course.degree, course, cure };
}

/** Rounding of the steps in time. */
const HAIR = { kelvin: 0.3, share: 0.01 };

describe('what heats a laminate as it hardens', () => {
  it.each<[string, keyof Case, number[]]>([
    ['more of it in one go', 'laminate', [0.002, 0.004, 0.008, 0.016, 0.03]],
    ['more resin in it', 'share', [400, 600, 750, 900]],
    ['a warmer shop', 'air', [14, 18, 22, 26, 30]],
    ['more heat in the resin', 'heat', [0.5, 0.8, 1, 1.3]],
    ['a core over it, which keeps it warm', 'core', [0, 0.005, 0.02, 0.05]],
  ])('%s is never cooler', (_, key, values) => {
    const peaks = values.map((value) => hardens({ ...USUAL, [key]: value }).peak);
    peaks
      .slice(1)
      .forEach((peak, i) => expect(peak, `${key} ${values[i + 1]}`).toBeGreaterThan(peaks[i]! - HAIR.kelvin));
    expect(peaks.at(-1)!).toBeGreaterThan(peaks[0]! + 1);
  });
  it.each<[string, keyof Case, number[]]>([
    ['more air about it', 'loss', [0.5, 2, 8, 20, 60]],
    ['a slower hardener', 'potLife', [0.5, 1, 2, 4]],
    ['a laminate that leads heat off better', 'conducts', [0.1, 0.3, 1, 5]],
  ])('%s is never hotter', (_, key, values) => {
    const peaks = values.map((value) => hardens({ ...USUAL, laminate: 0.016, [key]: value }).peak);
    peaks.slice(1).forEach((peak, i) => expect(peak, `${key} ${values[i + 1]}`).toBeLessThan(peaks[i]! + HAIR.kelvin));
    expect(peaks.at(-1)!).toBeLessThan(peaks[0]! - 1);
  });
  it('is no hotter than with no heat lost at all, and no cooler than the air', () => {
    for (const laminate of [0.003, 0.01, 0.03])
      for (const air of [15, 25]) {
        const { peak, cure, course } = hardens({ ...USUAL, laminate, air });
        // All of the heat in the laminate alone: 1600 kg/m³ of 1200 J/(kg·K).
        const most = air + (USUAL.share * cure.family.heat) / (1600 * 1200);
        expect(peak).toBeLessThan(most + HAIR.kelvin);
        expect(peak).toBeGreaterThanOrEqual(air - 1e-6);
        for (const { coolest, hottest } of course.moments) expect(hottest).toBeGreaterThanOrEqual(coolest);
      }
  });
});

describe('when a laminate gels, and how far it cures', () => {
  it.each<[string, keyof Case, number[]]>([
    ['in a warmer shop', 'air', [12, 16, 20, 24, 28]],
    ['with a quicker hardener', 'potLife', [4, 2, 1, 0.5]],
  ])('%s: never later, and never less far', (_, key, values) => {
    const found = values.map((value) => hardens({ ...USUAL, [key]: value }));
    found.slice(1).forEach(({ gel, degree }, i) => {
      expect(gel, `${key} ${values[i + 1]}`).toBeLessThan(found[i]!.gel * (1 + HAIR.share));
      expect(degree, `${key} ${values[i + 1]}`).toBeGreaterThan(found[i]!.degree - HAIR.share);
    });
    expect(found.at(-1)!.gel).toBeLessThan(0.7 * found[0]!.gel);
  });
  it('a slower hardener is as much slower as its pot life is longer, where nothing heats up', () => {
    const cool = { ...USUAL, laminate: 0.001, loss: 100, share: 300 };
    const [once, twice] = [1, 2].map((potLife) => hardens({ ...cool, potLife }).gel);
    expect(twice! / once!).toBeGreaterThan(1.9);
    expect(twice! / once!).toBeLessThan(2.1);
  });
  it('goes on after its peak, and is never undone', () => {
    const { course, peakTime } = hardens({ ...USUAL, laminate: 0.016 });
    const at = (time: number) => course.moments.findLast((moment) => moment.time <= time)!;
    expect(course.degree).toBeGreaterThanOrEqual(at(peakTime).degree);
    course.moments.slice(1).forEach(({ degree, degreeMost }, i) => {
      expect(degree).toBeGreaterThanOrEqual(course.moments[i]!.degree - 1e-12);
      expect(degreeMost).toBeGreaterThanOrEqual(degree);
    });
  });
  it('in goes of half the thickness the second is no hotter than the whole at once', () => {
    const whole = hardens({ ...USUAL, laminate: 0.02 }).peak;
    // The first half is hard already, and lies under it.
    const { family, ...law } = hardens(USUAL).cure;
    const course = cureThrough({
      slices: [
        { thickness: 0.01, density: 1700, specificHeat: 1100, conductivity: 0.25, resin: 0 },
        { thickness: 0.01, density: 1600, specificHeat: 1200, conductivity: 0.3, resin: 0 },
        { thickness: 0.01, density: 1600, specificHeat: 1200, conductivity: 0.3, resin: USUAL.share },
      ],
      cure: { family, ...law },
      air: [
        { time: 0, celsius: USUAL.air },
        { time: 30 * HOUR, celsius: USUAL.air },
      ],
      loss: USUAL.loss,
      start: USUAL.air,
    });
    expect(course.peak.celsius).toBeLessThan(whole);
  });
});
