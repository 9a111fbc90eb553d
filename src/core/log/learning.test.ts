import { randomLcg, randomNormal } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { boat, plan, laidWith, planned, zone, read } from '../../../tests/helpers/logged';
import { Diary } from '../../../tests/helpers/builds';
import { isWet, stateOf } from '../build';
import { ratesSchema, USUAL_RATES } from '../cost';
import { makeEvaluator } from '../evaluate';
import { layFabric } from '../laminate';
import { CHARACTERISTIC_K, PROCESSES, type Core, type Fabric, type Material, type Process } from '../material';
import { toleranceBound } from '../record';
import { resultsOf } from '../revision';
import { predictTrial, type Trial } from '../trial';
import {
  boatBook,
  bookWithLearned,
  GAINS_NOTHING,
  buildLog,
  learn,
  learnCloth,
  learnRates,
  observationOfCloth,
  observationsOf,
  observationsOfTrial,
  plannedOf,
  rateObservations,
  ratesBefore,
  ratesTakenBack,
  ratesWithLearned,
  taughtBy,
  withBefore,
  type LearnedForm,
  type LearnedUse,
  type Observation,
} from '.';

const read1 = (own: Partial<Observation>): Observation => ({
  property: 'fibreShare',
  process: 'handLayUp',
  form: 'woven',
  material: '',
  resin: '',
  ratio: 1,
  of: 'hull 1',
  where: 'Z',
  by: 'plugs',
  team: '',
  on: '2026-11-30',
  ...own,
});
const used = (own: Partial<LearnedUse>): LearnedUse => ({
  property: 'fibreShare',
  process: 'handLayUp',
  form: 'woven',
  material: '',
  resin: '',
  factor: 0.95,
  n: 12,
  spread: 0.04,
  was: [],
  ...own,
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
      return read1({ process, form, ratio: one(), of: `hull ${i}` });
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
  const put = (...to: LearnedUse[]) => bookWithLearned(boat.materials, { from: [], to });
  const fabric = (materials: readonly Material[], id: string) =>
    materials.find((one): one is Fabric => one.kind === 'fabric' && one.id === id)!;
  const cloth = boat.materials.find(
    (one): one is Fabric => one.kind === 'fabric' && one.components.some((component) => component.form === 'woven'),
  )!;
  const figures = (materials: readonly Material[]) =>
    Object.fromEntries(
      fabric(materials, cloth.id)
        .components.find((component) => component.form === 'woven')!
        .measured.map(({ property, value, spread: scattered }) => [property, { value, scattered }]),
    );
  it('put to use changes the fabrics of that form alone, as tested by the yard, and is taken back whole', () => {
    const use = used({});
    const changed = put(use);
    const formsOf = (one: Fabric) => one.components.map((component) => component.form);
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
    });
    expect(bookWithLearned(changed, { from: [use], to: [] })).toEqual(boat.materials);
    // Less fibre for the same cloth is more resin: the boat is heavier.
    const heavier = plannedOf({ ...boat, materials: put(used({ form: 'all' })) });
    expect(heavier.parts[0]!.mass).toBeGreaterThan(planned.parts[0]!.mass);
    // And its hulls go on teaching against what is published, not against what is in use.
    expect(heavier.zones.map(({ published }) => published)).toEqual(planned.zones.map(({ fibreShare }) => fibreShare));
  });
  it('a ply that is thicker than its fibre and resin carries no more: E t stays', () => {
    const usual = layFabric(cloth, laidWith)[0]!;
    const thick = layFabric(fabric(put(used({ property: 'thickness', factor: 1.1 })), cloth.id), laidWith)[0]!;
    expect(thick.thickness).toBeCloseTo(1.1 * usual.thickness, 7);
    expect(thick.plies[0]!.E1 * thick.thickness).toBeCloseTo(usual.plies[0]!.E1 * usual.thickness, -3);
    expect(thick.plies[0]!.strength!.Xt).toBeCloseTo(usual.plies[0]!.strength!.Xt / 1.1, -4);
  });
  it('thicker without fibre is shown and not used, thinner is used', () => {
    const of = (...ratios: number[]) => learn(ratios.map((ratio) => read1({ property: 'thickness', ratio })))[0]!;
    expect(of(1.05, 1.06)).toMatchObject({ use: null, why: GAINS_NOTHING });
    expect(of(0.95, 0.96).use!.factor).toBeLessThan(1);
  });
  it('stiffer than published proves no strength; less stiff takes strength with it', () => {
    const usual = layFabric(cloth, laidWith)[0]!.plies[0]!;
    const of = (factor: number) => figures(put(used({ property: 'stiffness', factor })));
    expect(of(1.2)['E1']!.value / usual.E1).toBeCloseTo(1.2, 3);
    expect(of(1.2)['Xt']!.value / usual.strength!.Xt).toBeCloseTo(1, 3);
    expect(of(0.8)['Xt']!.value / usual.strength!.Xt).toBeCloseTo(0.8, 3);
    // And how far strengths scatter is not said by stiffness.
    expect(of(1.2)['Xt']!.scattered).toBeNull();
  });
  it('one cloth goes by its own readings, the others of its form by theirs; the order does not matter', () => {
    const all = used({ form: 'all', factor: 0.9 });
    const own = used({ material: cloth.id, factor: 0.97 });
    const other = boat.materials.find((one): one is Fabric => one.kind === 'fabric' && one.id !== cloth.id)!;
    const shareOf = (materials: readonly Material[], id: string) => fabric(materials, id).components[0]!.measured[0]!;
    expect(put(all, own)).toEqual(put(own, all));
    expect(shareOf(put(all, own), cloth.id).value).toBe(shareOf(put(own), cloth.id).value);
    expect(shareOf(put(all, own), other.id).value).toBe(shareOf(put(all), other.id).value);
    expect(bookWithLearned(put(all, own), { from: [all, own], to: [all] })).toEqual(put(all));
  });
  it('a test that was typed goes before what was learned, and stays when that is taken back', () => {
    const typed = { property: 'Xt', value: 3e8, origin: 'yardTest', n: 6, spread: 0.07, process } as const;
    const materials = boat.materials.map((one) =>
      one.id === cloth.id
        ? { ...cloth, components: cloth.components.map((part) => ({ ...part, measured: [...part.measured, typed] })) }
        : one,
    );
    const use = used({ property: 'strength', form: 'all', factor: 0.8, n: 5 });
    const changed = bookWithLearned(materials, { from: [], to: [use] });
    const own = fabric(changed, cloth.id).components[0]!.measured;
    expect(own.filter(({ property }) => property === 'Xt')).toEqual([typed]);
    expect(own.find(({ property }) => property === 'Xc')).toMatchObject({ n: 5 });
    expect(bookWithLearned(changed, { from: [use], to: [] })).toEqual(materials);
  });
  it('a strength by few samples is used so that its characteristic value is what nine parts in ten exceed', () => {
    const ratios = [0.95, 1.02, 0.9, 0.98];
    const strength = ratios.map((ratio) => read1({ property: 'strength', ratio }));
    expect(learn(strength.slice(0, 2))[0]).toMatchObject({ use: null, why: expect.stringContaining('3 readings') });
    const [{ use, bound }] = learn(strength) as [ReturnType<typeof learn>[number]];
    expect(bound).toBeCloseTo(toleranceBound(ratios).bound, 12);
    expect(use!.factor * (1 - CHARACTERISTIC_K * use!.spread)).toBeCloseTo(bound!, 9);
    // Never more than what the samples bore themselves.
    expect(use!.factor).toBeLessThanOrEqual(0.9625);
    const [weak] = learn([0.9, 1.4, 0.5].map((ratio) => read1({ property: 'strength', ratio })));
    expect(weak!.use?.spread ?? 1).toBeGreaterThan(0.4);
  });
  it('dry weights and core figures change on the Shelf, and go back unless somebody changed them since', () => {
    const core = boat.materials.find((one): one is Core => one.kind === 'core')!;
    const uses = [
      used({ property: 'arealWeight', material: cloth.id, factor: 1.05 }),
      used({ property: 'coreStrength', material: core.id, factor: 0.8 }),
    ].map((use) => withBefore(use, boat.materials));
    const changed = put(...uses);
    const coreOf = (materials: readonly Material[]) => materials.find((one): one is Core => one.id === core.id)!;
    expect(fabric(changed, cloth.id).components[0]!.arealWeight).toMatchObject({
      value: expect.closeTo(1.05 * cloth.components[0]!.arealWeight.value, 4),
      origin: 'yardTest',
    });
    expect(coreOf(changed).shearStrength.value).toBeCloseTo(0.8 * core.shearStrength.value, 0);
    expect(bookWithLearned(changed, { from: uses, to: [] })).toEqual(boat.materials);
    const typed = changed.map((one) =>
      one.id === core.id ? { ...coreOf(changed), shearStrength: { value: 9e5, origin: 'dataSheet' as const } } : one,
    );
    expect(coreOf(bookWithLearned(typed, { from: uses, to: [] })).shearStrength.value).toBe(9e5);
  });
  it.each(['strength', 'coreStrength'] as const)('a worse %s raises the reserve of no zone', (property) => {
    const core = boat.materials.find((one): one is Core => one.kind === 'core')!;
    const material = property === 'coreStrength' ? core.id : '';
    const worse = used({ property, form: 'all', material, factor: 0.85, spread: 0.12 });
    const reserves = (materials: readonly Material[]) =>
      [...makeEvaluator()({ ...boat, materials: [...materials] })].map(
        ([id, { governing }]) => [id, governing?.reserveFactor ?? Infinity] as const,
      );
    const before = new Map(reserves(boat.materials));
    const after = reserves(put(worse));
    expect([...before.values()].some(Number.isFinite)).toBe(true);
    for (const [id, reserve] of after) expect(reserve, id).toBeLessThanOrEqual(before.get(id)! * (1 + 1e-9));
  });
  it('plugs and thickness together tell voids from resin', () => {
    const diary = new Diary();
    read(diary, 'fibreShare', zone.fibreShare);
    read(diary, 'thickness', zone.filled + 1.06 * (zone.thickness - zone.filled));
    const log = buildLog(stateOf(plan, diary.records), planned, { weighIns: [] });
    const found = observationsOf({ hull: '3', process, resin: 'r' }, log);
    expect(found.map(({ property }) => property)).toEqual(['fibreShare', 'thickness']);
    expect(found[0]!.ratio).toBeCloseTo(1, 6);
    expect(found[1]!.ratio).toBeCloseTo(1.06, 4);
  });
  it('teams and seasons are told apart where there is enough of each, and not before', () => {
    const own = [0.9, 0.91, 0.9, 1.05, 1.04, 1.06].map((ratio, i) =>
      read1({ ratio, team: i < 3 ? 'North' : 'South', on: i < 3 ? '2026-01-10' : '2026-07-10', material: 'wr-300' }),
    );
    const [{ slices }] = learn(own) as [ReturnType<typeof learn>[number]];
    expect(slices.map(({ by, name, n }) => [by, name, n])).toEqual([
      ['cloth', 'wr-300', 6],
      ['team', 'North', 3],
      ['team', 'South', 3],
      ['season', 'October to March', 3],
      ['season', 'April to September', 3],
    ]);
    expect(slices[1]!.chance).toBeLessThan(0.01);
    expect(learn(own.slice(0, 5))[0]!.slices.map(({ by }) => by)).toEqual(['cloth']);
    const all = learn(own)[0]!;
    expect(learnCloth(all, 'wr-300')).toMatchObject({ material: 'wr-300', use: { material: 'wr-300', n: 6 } });
    expect(learnCloth(all, 'none')).toBeNull();
  });
});

describe('what a sample teaches', () => {
  const cloth = boat.materials.find((one): one is Fabric => one.kind === 'fabric')!;
  const sheet: Trial = {
    boat: 'b',
    series: 'Coupons',
    name: 'A',
    layers: Array.from({ length: 6 }, () => ({ material: cloth.id, angleDeg: 0, thickness: null })),
    test: 'tension',
    span: 0.15,
    width: 0.025,
    arealWeight: null,
    points: [],
    window: null,
    breaks: [],
    target: 1000,
    mostDeflection: null,
    on: '2026-11-30',
    note: '',
  };
  const expected = predictTrial(boat, sheet);
  const line = (stiffness: number, most: number): Trial['points'] =>
    Array.from({ length: 21 }, (_, i) => [(most * i) / 20, (most * i) / 20 / stiffness]);
  it('a coupon that is stiffer and weaker than expected, by the factors that it was made with', () => {
    const last = expected.failure;
    const trial: Trial = {
      ...sheet,
      points: line(1.07 * expected.stiffness, 0.9 * last),
      breaks: [{ kind: 'tension', load: 0.9 * last, where: '' }],
    };
    const found = observationsOfTrial(boat, trial);
    expect(found.map(({ property }) => property)).toEqual(['strength', 'stiffness']);
    expect(found[0]!.ratio).toBeCloseTo(0.9, 9);
    expect(found[1]!.ratio).toBeCloseTo(1.07, 6);
    expect(found[0]).toMatchObject({ process: boat.brief.process, material: cloth.id, of: 'Coupons', where: 'A' });
    // A crack that came earlier yet counts.
    const first = expected.firstCrack;
    const cracked = { ...trial, breaks: [...trial.breaks, { kind: 'crack' as const, load: 0.5 * first, where: '' }] };
    expect(observationsOfTrial(boat, cracked)[0]!.ratio).toBeCloseTo(0.5, 9);
  });
  it('a short sandwich whose core sheared speaks of the core; what slipped speaks of nothing', () => {
    const core = boat.materials.find((one) => one.kind === 'core')!;
    const skins = sheet.layers.slice(0, 2);
    const beam: Trial = {
      ...sheet,
      layers: [...skins, { material: core.id, angleDeg: 0, thickness: 0.02 }, ...skins],
      test: 'three',
      span: 0.2,
      width: 0.075,
    };
    const should = predictTrial(boat, beam);
    const shear = should.ways.find(({ how }) => how === 'shear')!;
    expect(should.give.shear + should.give.bending).toBeCloseTo(1 / should.stiffness, 15);
    const broken = (kind: 'shear' | 'support') => ({
      ...beam,
      points: [],
      breaks: [{ kind, load: 1.2 * shear.load, where: '' }],
    });
    expect(observationsOfTrial(boat, broken('shear'))).toMatchObject([
      { property: 'coreStrength', material: core.id, ratio: expect.closeTo(1.2, 9) },
    ]);
    expect(observationsOfTrial(boat, broken('support'))).toEqual([]);
    expect(taughtBy({ ...boat, materials: [] }, beam)).toEqual([]);
  });
  it('cloth on the scales is held against the Shelf with its binder', () => {
    const dry = cloth.components.reduce((sum, one) => sum + one.arealWeight.value, 0) + cloth.bindingWeight.value;
    const weighed = { material: cloth.id, lot: 'B1', area: 2, mass: 2.2 * dry, on: '2026-11-30' };
    expect(observationOfCloth(boat.materials, weighed)).toMatchObject([
      { property: 'arealWeight', ratio: expect.closeTo(1.1, 9), where: 'lot B1' },
    ]);
    expect(observationOfCloth([], weighed)).toEqual([]);
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
    const found = () => {
      const log = buildLog(stateOf(plan, diary.records), planned, { weighIns: [] });
      return rateObservations({ hull: '3', process, hoursOf: (id) => (id === 'hull' ? 50 : 0) }, log);
    };
    // Half a hull says nothing of the whole.
    expect(found()).toEqual([]);
    const wet = plan.steps.filter((step) => step.partId === 'hull' && isWet(step));
    for (const step of wet) {
      diary.note('begun', { step: step.id });
      diary.note('done', { step: step.id, note: '' });
    }
    const hours = { rate: 'hours', process, hull: '3', part: 'Hull', ratio: 1.2 };
    expect(found()).toEqual([hours]);
    const { resin } = planned.parts.find(({ id }) => id === 'hull')!;
    const mix = { step: wet[0]!.id, hardener: 0, celsius: 19, life: 30, lots: '' };
    // Less than what stays in it was not all that was mixed.
    diary.note('batch', { ...mix, resin: 0.5 * resin });
    expect(found()).toEqual([hours]);
    diary.note('batch', { ...mix, resin: 0.7 * resin });
    expect(found()).toEqual([hours, { ...hours, rate: 'resinWaste', ratio: expect.closeTo(1.2, 9) }]);
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
    const use = { rate: 'hours', process, value: 1.25 } as const;
    const was = ratesBefore(USUAL_RATES, use);
    expect(ratesTakenBack(slower, { ...use, was })).toEqual(USUAL_RATES);
    // What somebody changed since stays as it is.
    const retyped = {
      ...slower,
      processes: { ...slower.processes, handLayUp: { ...slower.processes.handLayUp, cut: 9 } },
    };
    expect(ratesTakenBack(retyped, { ...use, was }).processes.handLayUp).toEqual({
      ...USUAL_RATES.processes.handLayUp,
      cut: 9,
    });
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
    log: buildLog(state, planned, { weighIns: [] }),
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
