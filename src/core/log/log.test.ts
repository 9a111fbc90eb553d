import { describe, expect, it } from 'vitest';
import { Diary } from '../../../tests/helpers/builds';
import { boat, plan, planned, zone, read, weighIn } from '../../../tests/helpers/logged';
import { stateOf, type BuildPlan } from '../build';
import { USUAL_CURING } from '../cure';
import {
  furthestOff,
  plannedCure,
  buildLog,
  causesOf,
  fibreShareOf,
  observationsOf,
  yardView,
  type ResinLimits,
  type LoggedBuild,
} from '.';

describe('fibre share by thickness', () => {
  it('by hand: 1 kg/m² of fibre at 2540 and 1 kg/m² of resin at 1200 are 1.227 mm', () => {
    const own = { ...zone, filled: 0, dryFibre: 1, fibreDensity: 2540, resinDensity: 1200 };
    expect(fibreShareOf(own, 1 / 2540 + 1 / 1200)).toBeCloseTo(0.5, 12);
  });
  it('of the planned thickness is the planned share, in every zone of the boat', () => {
    for (const one of planned.zones) expect(fibreShareOf(one, one.thickness)).toBeCloseTo(one.fibreShare, 6);
  });
  it('thinner than its own fibre is a misreading', () => {
    expect(() => fibreShareOf(zone, 0.001)).toThrow('a layer is missing, or misread');
  });
});

describe('the log of a hull', () => {
  it('puts what was read beside what was planned; the outlier is marked and stays in the mean', () => {
    const diary = new Diary();
    const values = [6.4, 6.5, 6.45, 6.42, 6.48, 9.9].map((mm) => mm / 1000);
    for (const value of values) read(diary, 'thickness', value);
    const log = buildLog(stateOf(plan, diary.records), planned, { weighIns: [weighIn(150), weighIn(99, '4')] });
    const hull = log.parts.find(({ partId }) => partId === 'hull')!;
    expect(hull.mass.weighed!.mass).toBe(150);
    const [zoneLog] = hull.zones;
    expect(zoneLog).toMatchObject({ what: 'thickness', outlier: 5, planned: zone.thickness });
    expect(zoneLog!.mean).toBeCloseTo(values.reduce((a, b) => a + b, 0) / values.length, 12);
  });
  it('by hand: limits are two scatters of the fibre share, hardness and heat by the resin; beyond is counted', () => {
    const diary = new Diary();
    const { fibreShare, scatter, dryFibre, resinDensity, fibreDensity, filled } = zone;
    const thickness = (share: number) => filled + dryFibre / fibreDensity + (dryFibre * (1 / share - 1)) / resinDensity;
    for (const value of [zone.thickness, 1.3 * zone.thickness]) read(diary, 'thickness', value);
    for (const value of [28, 40, 42]) read(diary, 'hardness', value);
    read(diary, 'temperature', 90);
    read(diary, 'gap', 0.002);
    const of = (resin: ResinLimits | null) => {
      const log = buildLog(stateOf(plan, diary.records), planned, { weighIns: [], resin });
      return Object.fromEntries(log.parts[0]!.zones.map(({ what, limits, outside }) => [what, { limits, outside }]));
    };
    const own = of({ hardness: 35, most: 80 });
    expect(own['thickness']!.limits[0]).toBeCloseTo(thickness(fibreShare + 2 * scatter), 12);
    expect(own['thickness']!.limits[1]).toBeCloseTo(thickness(fibreShare - 2 * scatter), 12);
    expect(own['thickness']!.outside).toBe(1);
    expect(own['hardness']).toEqual({ limits: [35, null], outside: 1 });
    expect(own['temperature']).toEqual({ limits: [null, 80], outside: 1 });
    expect(own['gap']).toEqual({ limits: [null, null], outside: 0 });
    expect(of(null)['hardness']).toEqual({ limits: [null, null], outside: 0 });
  });
  it('counts resin mixed and thrown away, and the last drop of the bag', () => {
    const lay = plan.steps.find(({ partId, kind, stay }) => partId === 'hull' && kind === 'lay' && stay === 'must')!;
    const diary = new Diary();
    diary.note('begun', { step: lay.id });
    const mix = { step: lay.id, resin: 3, hardener: 0.06, celsius: 19, life: 30, lots: '' };
    const first = diary.note('batch', mix);
    diary.note('batch', mix);
    diary.note('potEmpty', { batch: first.id, how: 'thrown away' });
    const { resin } = buildLog(stateOf(plan, diary.records), planned, { weighIns: [] }).parts.find(
      ({ partId }) => partId === 'hull',
    )!;
    expect(resin).toMatchObject({ mixed: 6.12, thrown: 3.06 });
  });
  it('by hand: a zone with less fibre than planned explains W_f (1/ψ − 1/ψ₀) A of what is too much', () => {
    const diary = new Diary();
    const share = zone.fibreShare * 0.9;
    read(diary, 'fibreShare', share);
    const more = zone.dryFibre * (1 / share - 1 / zone.fibreShare) * zone.area;
    const log = buildLog(stateOf(plan, diary.records), planned, { weighIns: [weighIn(planned.parts[0]!.mass + 10)] });
    const causes = causesOf(log.parts[0]!)!;
    expect(causes.over).toBeCloseTo(10, 9);
    expect(causes.causes).toHaveLength(1);
    expect(causes.causes[0]!.mass).toBeCloseTo(more, 9);
    expect(causes.causes[0]!.says).toMatch(/Bottom aft reads a fibre share of 0\.\d+ against 0\.\d+ \(by plugs\)/);
    expect(causes.unexplained).toBeCloseTo(10 - more, 9);
  });
  it('explains nothing of what was not weighed, and believes plugs before thickness', () => {
    const diary = new Diary();
    read(diary, 'thickness', zone.thickness * 1.2);
    read(diary, 'fibreShare', zone.fibreShare);
    const log = buildLog(stateOf(plan, diary.records), planned, { weighIns: [] });
    expect(causesOf(log.parts[0]!)).toBeNull();
    const [own] = observationsOf({ hull: '3', process: 'handLayUp', resin: 'r' }, log);
    expect(own).toMatchObject({ ratio: 1, by: 'plugs' });
  });
});

describe('the yard over its hulls', () => {
  const hull = (number: string, mass: number): LoggedBuild => {
    const own: BuildPlan = { ...plan, hull: number };
    const state = stateOf(own, []);
    return {
      boat: 'Brant 56',
      hull: number,
      state,
      log: buildLog(state, planned, { weighIns: [weighIn(mass, number)] }),
    };
  };
  const target = planned.parts[0]!.mass;
  it('has limits of chance from three hulls on, and marks what lies beyond', () => {
    const two = yardView([hull('1', target), hull('2', target * 1.01)]);
    expect(two.series[0]).toMatchObject({ limits: null, target: 1 });
    const masses = [1, 1.01, 0.995, 1.005, 1, 1.008, 1.2].map((ratio) => ratio * target);
    const { series } = yardView(masses.map((mass, i) => hull(String(i + 1), mass)));
    const weighed = series.find(({ name }) => name === 'Hull: weighed over planned')!;
    expect(weighed.outlier).toBe(6);
    expect(weighed.points).toHaveLength(7);
  });
  it('counts the steps that passed the first time, and defects by kind with where they were found', () => {
    const [first, second] = plan.steps;
    const diary = new Diary();
    for (const step of [first!, second!]) {
      diary.note('begun', { step: step.id });
      diary.note('done', { step: step.id, note: '' });
    }
    const place = { part: 'hull', zone: '', skin: 'x', at: [0.5, 0.5], size: 0.05, note: '', photos: [] };
    diary.note('defect', { ...place, step: second!.id, kind: 'wrinkle' });
    const state = stateOf(plan, diary.records);
    const view = yardView([{ boat: 'B', hull: '3', state, log: buildLog(state, planned, { weighIns: [] }) }]);
    expect(view.firstPass).toEqual({ passed: 1, done: 2 });
    expect(view.defects).toEqual([{ kind: 'wrinkle', name: 'wrinkle', number: 1, steps: [second!.name] }]);
  });
});

describe('a cure beside its plan', () => {
  const state = stateOf(plan, []);
  it('runs through the zone that heats itself up most, by the part’s own schedule', () => {
    const found = plannedCure(boat, 'hull', { curing: USUAL_CURING, state })!;
    expect(found).toMatchObject({ plan: 'Hull in a cold shop', from: null });
    expect(found.moments[0]).toMatchObject({ time: 0, air: 12 });
    expect(plannedCure(boat, 'nobody', { curing: USUAL_CURING, state })).toBeNull();
  });
  it('is furthest off where it is, above the hottest or below the coolest; what lies between is not off', () => {
    const moment = (time: number) => ({ time, air: 20, hottest: 30 + time / 100, coolest: 25 });
    const made = { plan: 'P', zone: 'Z', from: 0, moments: [moment(0), moment(1000)] };
    const at = (seconds: number, least: number, most = least) => ({ from: seconds * 1000, least, most });
    expect(furthestOff(made, 0, [at(500, 30), at(500, 36)])).toEqual({ off: 1, time: 500 });
    expect(furthestOff(made, 0, [at(500, 36), at(600, 22)])).toEqual({ off: -3, time: 600 });
    expect(furthestOff(made, 0, [at(500, 28)])).toEqual({ off: 0, time: 500 });
    expect(furthestOff(made, 0, [at(2000, 90)])).toBeNull();
  });
});
