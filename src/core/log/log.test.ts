import { randomLcg, randomNormal } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { Diary, planOf } from '../../../tests/helpers/builds';
import { brant } from '../../../tests/helpers/merrow';
import { stateOf, type BuildPlan, type BuildRecord, type ReadingKind } from '../build';
import { ratesSchema, USUAL_RATES } from '../cost';
import { PROCESSES, type Fabric, type Process } from '../material';
import { toleranceBound } from '../record';
import { resultsOf } from '../revision';
import type { KeptWeighIn } from '../weight';
import {
  boatBook,
  bookWithLearned,
  buildLog,
  causesOf,
  fibreShareOf,
  learn,
  learnRates,
  observationsOf,
  plannedOf,
  rateObservations,
  ratesWithLearned,
  withoutLearned,
  yardView,
  type LearnedForm,
  type LoggedBuild,
  type Observation,
} from '.';

const boat = brant();
const plan = planOf(boat);
const planned = plannedOf(boat);
const zone = planned.zones.find(({ id }) => id === 'bottom-aft')!;
const read = (diary: Diary, what: ReadingKind, value: number, zoneId = zone.id): BuildRecord =>
  diary.note('reading', { what, value, part: 'hull', zone: zoneId, skin: '', at: null, instrument: '', note: '' });
const weighIn = (mass: number, hull = '3'): KeptWeighIn => ({
  id: `w-${hull}`,
  hull,
  subject: 'hull',
  stage: 'bare',
  mass,
  scales: 0.5,
  day: '2026-11-30',
  note: '',
  corrects: null,
  void: false,
  author: 'T. Reed',
  at: '2026-11-30T08:00:00Z',
});

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
    const log = buildLog(stateOf(plan, diary.records), planned, [weighIn(150), weighIn(99, '4')]);
    const hull = log.parts.find(({ partId }) => partId === 'hull')!;
    expect(hull.mass.weighed!.mass).toBe(150);
    const [zoneLog] = hull.zones;
    expect(zoneLog).toMatchObject({ what: 'thickness', outlier: 5, planned: zone.thickness });
    expect(zoneLog!.mean).toBeCloseTo(values.reduce((a, b) => a + b, 0) / values.length, 12);
  });
  it('counts resin mixed and thrown away, and the last drop of the bag', () => {
    const lay = plan.steps.find(({ partId, kind, stay }) => partId === 'hull' && kind === 'lay' && stay === 'must')!;
    const diary = new Diary();
    diary.note('begun', { step: lay.id });
    const mix = { step: lay.id, resin: 3, hardener: 0.06, celsius: 19, life: 30, lots: '' };
    const first = diary.note('batch', mix);
    diary.note('batch', mix);
    diary.note('potEmpty', { batch: first.id, how: 'thrown away' });
    const { resin } = buildLog(stateOf(plan, diary.records), planned, []).parts.find(
      ({ partId }) => partId === 'hull',
    )!;
    expect(resin).toMatchObject({ mixed: 6.12, thrown: 3.06 });
  });
  it('by hand: a zone with less fibre than planned explains W_f (1/ψ − 1/ψ₀) A of what is too much', () => {
    const diary = new Diary();
    const share = zone.fibreShare * 0.9;
    read(diary, 'fibreShare', share);
    const more = zone.dryFibre * (1 / share - 1 / zone.fibreShare) * zone.area;
    const log = buildLog(stateOf(plan, diary.records), planned, [weighIn(planned.parts[0]!.mass + 10)]);
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
    const log = buildLog(stateOf(plan, diary.records), planned, []);
    expect(causesOf(log.parts[0]!)).toBeNull();
    const [own] = observationsOf({ boat: 'B', hull: '3', process: 'handLayUp' }, log);
    expect(own).toMatchObject({ ratio: 1, by: 'plugs' });
  });
});

describe('the yard over its hulls', () => {
  const hull = (number: string, mass: number): LoggedBuild => {
    const own: BuildPlan = { ...plan, hull: number };
    const state = stateOf(own, []);
    return { boat: 'Brant 56', hull: number, state, log: buildLog(state, planned, [weighIn(mass, number)]) };
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
    const view = yardView([{ boat: 'B', hull: '3', state, log: buildLog(state, planned, []) }]);
    expect(view.firstPass).toEqual({ passed: 1, done: 2 });
    expect(view.defects).toEqual([{ kind: 'wrinkle', name: 'wrinkle', number: 1, steps: [second!.name] }]);
  });
});

describe('learning', () => {
  const process: Process = 'handLayUp';
  const { scatter, fibreWeightFraction } = PROCESSES[process];
  const form: LearnedForm = 'woven';
  const spread = scatter / fibreWeightFraction.woven;
  const yard = (seed: number, boats: number): { truth: number; observations: Observation[] } => {
    const normal = randomNormal.source(randomLcg(seed / 1000));
    const truth = normal(1, spread)();
    // Every hull scatters by half of what is published from yard to yard, and is read to three percent.
    const one = normal(truth, Math.hypot(spread / 2, 0.03));
    const observations = Array.from({ length: boats }, (_, i): Observation => {
      return { process, form, ratio: one(), boat: 'B', hull: String(i), zone: 'Z', by: 'plugs' };
    });
    return { truth, observations };
  };
  it('of a simulated shop of 30 boats comes within its band of the truth nine times of ten', () => {
    const within = Array.from({ length: 100 }, (_, i) => {
      const { truth, observations } = yard(i + 1, 30);
      const [{ posterior }] = learn(observations) as [ReturnType<typeof learn>[number]];
      return Math.abs(posterior.mean - truth) <= 1.96 * posterior.standardDeviation;
    }).filter(Boolean).length;
    expect(within).toBeGreaterThanOrEqual(90);
  });
  it('with few readings trusts what is published, with many the readings', () => {
    const { observations } = yard(5, 30);
    const shifted = observations.map((one) => ({ ...one, ratio: 0.9 }));
    const of = (n: number) => learn(shifted.slice(0, n))[0]!.posterior.mean;
    expect(of(1)).toBeGreaterThan(0.92);
    expect(of(30)).toBeLessThan(0.905);
  });
  it('what to count on lies below nine parts in ten, 95 times of 100', () => {
    const covered = Array.from({ length: 200 }, (_, i) => {
      const { truth, observations } = yard(i + 1, 6);
      const { bound } = toleranceBound(observations.map(({ ratio }) => ratio));
      // 90 % of all hulls lie above truth − 1.2816 σ.
      return bound <= truth - 1.2816 * Math.hypot(spread / 2, 0.03);
    }).filter(Boolean).length;
    expect(covered).toBeGreaterThanOrEqual(183);
  });
  it('put to use changes the fabrics of that form alone, as tested by the yard, and is taken back whole', () => {
    const use = { process, form, factor: 0.95, n: 12, spread: 0.04 };
    const resin = boat.materials.find((one) => one.kind === 'resin')!;
    const changed = bookWithLearned(boat.materials, resin as never, use);
    const formsOf = (fabric: Fabric) => fabric.components.map((component) => component.form);
    boat.materials.forEach((before, i) => {
      const after = changed[i]!;
      if (before.kind !== 'fabric' || !formsOf(before).includes('woven')) return expect(after).toEqual(before);
      const own = (after as Fabric).components.find((component) => component.form === 'woven')!;
      expect(own.measured.at(-1)).toMatchObject({
        property: 'fibreWeightFraction',
        origin: 'yardTest',
        process,
        n: 12,
      });
      expect(withoutLearned(after as Fabric, use)).toEqual(before);
    });
    // Less fibre for the same cloth is more resin: the boat is heavier.
    const heavier = plannedOf({
      ...boat,
      materials: bookWithLearned(boat.materials, resin as never, { ...use, form: 'all' }),
    });
    expect(heavier.parts[0]!.mass).toBeGreaterThan(planned.parts[0]!.mass);
  });
});

describe('rates of the yard', () => {
  const process: Process = 'handLayUp';
  const one = (rate: 'hours' | 'resinWaste', ratio: number) => ({ rate, process, ratio, hull: '1', part: 'Hull' });
  it('are corrected by hours and resin that were written down, each part once', () => {
    const diary = new Diary();
    diary.note('reading', {
      what: 'hours',
      value: 60,
      part: 'hull',
      zone: '',
      skin: '',
      at: null,
      instrument: '',
      note: '',
    });
    const log = buildLog(stateOf(plan, diary.records), planned, []);
    const found = rateObservations({ hull: '3', process, hoursOf: (id) => (id === 'hull' ? 50 : 0) }, log);
    expect(found).toEqual([{ rate: 'hours', process, hull: '3', part: 'Hull', ratio: 1.2 }]);
  });
  it('move towards what was read, by hand: two of equal doubt and one reading go half way', () => {
    const rates = { ...USUAL_RATES, scatterHours: 0.2 };
    const [hours] = learnRates(rates, [one('hours', 1.4)]);
    expect(hours!.posterior.mean).toBeCloseTo(1.2, 12);
    const [resin] = learnRates(rates, [one('resinWaste', 1.5)]);
    expect(resin!.prior.mean).toBeCloseTo(1 + rates.processes.handLayUp.resinWaste, 12);
  });
  it('put to use scale the hours of that process alone, or set its waste of resin', () => {
    const slower = ratesWithLearned(USUAL_RATES, { rate: 'hours', process, value: 1.25 });
    expect(slower.processes.handLayUp.cut).toBeCloseTo(1.25 * USUAL_RATES.processes.handLayUp.cut, 4);
    expect(slower.processes.infusion).toEqual(USUAL_RATES.processes.infusion);
    expect(slower.processes.handLayUp.resinWaste).toBe(USUAL_RATES.processes.handLayUp.resinWaste);
    const wasteful = ratesWithLearned(USUAL_RATES, { rate: 'resinWaste', process, value: 1.3 });
    expect(wasteful.processes.handLayUp.resinWaste).toBeCloseTo(0.3, 9);
    expect(ratesSchema.safeParse(slower).success && ratesSchema.safeParse(wasteful).success).toBe(true);
  });
});

it('the book holds who laid what with which lot, what was settled and what was not', () => {
  const lay = plan.steps.find(({ pieces, stay }) => pieces.length > 1 && stay === 'must')!;
  const diary = new Diary();
  diary.note('begun', { step: lay.id });
  const code = lay.pieces[0]!;
  const piece = diary.note('piece', { step: lay.id, code, how: 'scanned', lot: 'B4471', batch: null });
  const second = { step: lay.id, code: lay.pieces[1]!, how: 'ticked', lot: '', batch: null };
  const wrong = diary.note('piece', second);
  diary.note('undone', { reason: 'not yet' }, wrong.id);
  const place = { part: 'hull', zone: 'bottom-aft', skin: 'x', at: [0.5, 0.5], step: null, note: '', photos: [] };
  diary.note('defect', { ...place, kind: 'void', size: 0.05 });
  const state = stateOf(plan, diary.records);
  const book = boatBook({
    boat,
    revision: {
      id: 'r',
      number: 1,
      label: 'A',
      hash: 'x',
      author: 'I. Hallin',
      note: 'first',
      issuedAt: '2026-11-01T08:00:00Z',
      engine: '1',
      state: 'stands',
      onFloor: true,
      open: null,
      events: [],
      results: resultsOf(boat),
    },
    hull: '3',
    begun: { by: 'M. Aske', at: '2026-11-02T06:00:00Z' },
    amendments: [],
    state,
    records: diary.records,
    log: buildLog(state, planned, []),
    now: '2026-11-30T08:00:00Z',
  });
  const own = book.parts.flatMap(({ steps }) => steps).find(({ laid }) => laid.length > 0)!;
  expect(own.laid).toEqual([
    expect.objectContaining({ lot: 'B4471', person: 'T. Reed', at: piece.at, cloth: state.pieces.get(code)!.cloth }),
  ]);
  expect(own.missing).toHaveLength(lay.pieces.length - 1);
  expect(book.takenBack).toEqual([
    expect.objectContaining({ reason: 'not yet', says: expect.stringContaining('laid') }),
  ]);
  expect(book.defects[0]).toMatchObject({ zone: 'Bottom aft', open: true, decided: null });
  expect(book.open.join('; ')).toMatch(/steps are not done.*A defect of Hull is not settled: void/);
  expect(book.zones).toHaveLength(boat.parts.reduce((sum, part) => sum + part.zones.length, 0));
});
