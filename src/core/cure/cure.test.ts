import { describe, expect, it } from 'vitest';
import { adiabaticRise, cureAtOneTemperature, cureRate, exothermCourse, potLifeByArrhenius, type Kinetics } from '.';
import { integrate } from './integrate';

const resin: Kinetics = { model: 'kamalSourour', A1: 4.5e6, E1: 65e3, A2: 1e7, E2: 58e3, m: 0.9, n: 1.6 };
const laminate = {
  kinetics: resin,
  resinWeightFraction: 0.4,
  reactionHeat: 35e4,
  specificHeat: 1250,
  arealMass: 8,
  heatTransfer: 12,
  startCelsius: 20,
  ambientCelsius: 20,
  duration: 36_000,
};

describe('a course in time', () => {
  it('falls like e^-t, and swings like a cosine, to nine figures', () => {
    const [decayed] = integrate((_, [y]) => [-y!], { from: 0, to: 3, start: [1], scales: [1] });
    expect(decayed).toBeCloseTo(Math.exp(-3), 8);
    const [swung] = integrate((_, [y, v]) => [v!, -y!], { from: 0, to: Math.PI, start: [1, 0], scales: [1, 1] });
    expect(swung).toBeCloseTo(-1, 8);
  });
});

describe('cure at one temperature', () => {
  it('reaches a degree at the time at which it has it', () => {
    const { timeTo } = cureAtOneTemperature({ kinetics: resin, celsius: 60, degrees: [0.2, 0.5, 0.9] });
    const { degreeAt } = cureAtOneTemperature({ kinetics: resin, celsius: 60, times: timeTo as number[] });
    degreeAt.forEach((degree, i) => expect(degree).toBeCloseTo([0.2, 0.5, 0.9][i]!, 6));
  });
  it('is quicker when it is warmer, never goes back, and never passes 1', () => {
    const at = (celsius: number) =>
      cureAtOneTemperature({ kinetics: resin, celsius, times: [600, 3600, 36_000, 3.6e6] }).degreeAt;
    const [cold, warm] = [at(20), at(40)];
    cold.forEach((degree, i) => expect(warm[i]!).toBeGreaterThan(degree));
    expect([...warm].sort((a, b) => a - b)).toEqual(warm);
    expect(warm.at(-1)!).toBeLessThanOrEqual(1);
  });
  it('slows where it turns to glass', () => {
    const free: Kinetics = { model: 'autocatalytic', A: 1e5, E: 6e4, m: 0.5, n: 1.5 };
    const held: Kinetics = { ...free, model: 'autocatalyticDiffusion', C: 40, alphaC0: -2.2, alphaCT: 0.009 };
    expect(cureRate(held, 0.3, 60) / cureRate(free, 0.3, 60)).toBeGreaterThan(0.9);
    expect(cureRate(held, 0.95, 60) / cureRate(free, 0.95, 60)).toBeLessThan(0.1);
  });
  it('says that a degree is not reached in ten years', () => {
    const { timeTo } = cureAtOneTemperature({ kinetics: resin, celsius: -80, degrees: [0.99] });
    expect(timeTo).toEqual([null]);
  });
});

describe('the heat of a laminate', () => {
  it('is nowhere more than with none lost, and comes to that where none is', () => {
    const most = 20 + adiabaticRise(laminate);
    const course = exothermCourse(laminate);
    expect(course.peakCelsius).toBeLessThan(most);
    expect(exothermCourse({ ...laminate, heatTransfer: 0 }).peakCelsius).toBeCloseTo(most, 1);
    expect(course.finalCelsius).toBeCloseTo(20, 0);
  });
  it('is hotter and sooner when it is thicker; a mould beside it cools it', () => {
    const [thin, thick] = [exothermCourse(laminate), exothermCourse({ ...laminate, arealMass: 40 })];
    expect(thick.peakCelsius).toBeGreaterThan(thin.peakCelsius + 20);
    expect(thick.peakTime).toBeLessThan(thin.peakTime);
    const cooled = exothermCourse({ ...laminate, arealMass: 40, sink: { massRatio: 1, specificHeat: 1000 } });
    expect(cooled.peakCelsius).toBeLessThan(thick.peakCelsius);
  });
});

describe('pot life by Arrhenius', () => {
  it('gives back what it was told, and refuses two of one temperature', () => {
    const points = [
      { celsius: 20, minutes: 35 },
      { celsius: 25, minutes: 22 },
    ] as const;
    for (const { celsius, minutes } of points)
      expect(potLifeByArrhenius([...points], celsius).minutes).toBeCloseTo(minutes, 9);
    expect(() => potLifeByArrhenius([points[0], { ...points[1], celsius: 20 }], 25)).toThrow(/different temperatures/);
  });
});
