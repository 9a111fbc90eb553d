import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Stage } from '../document';
import { budgetOf, chanceOver, standing, weighInSchema, WHOLE_BOAT, type Mass, type WeighIn } from '.';

const mass = (id: string, group: string, stage: Stage, kilograms: number, scatter: Partial<Mass['scatter']>): Mass => ({
  id,
  name: id,
  group,
  groupName: group,
  of: 'zone',
  mass: kilograms,
  centre: [0, 0, 0],
  inertia: [0, 0, 0],
  scatter: { fibre: 0, core: 0, film: 0, own: 0, ...scatter },
  stage,
  aboard: { light: 1, half: 1, full: 1 },
  volume: 0,
  places: [],
});
const masses = [
  mass('bottom', 'hull', 'bare', 100, { fibre: 4, own: 1 }),
  mass('side', 'hull', 'bare', 80, { fibre: 3, own: 1 }),
  mass('top', 'deck', 'bare', 60, { fibre: 3, own: 2 }),
  mass('engine', 'items', 'fitted', 200, { own: 10 }),
];
const weighed = (more: Partial<WeighIn>): WeighIn => ({
  id: 'w1',
  hull: '',
  subject: WHOLE_BOAT,
  stage: 'bare',
  mass: 240,
  scales: 0.5,
  day: '2026-11-01',
  note: '',
  corrects: null,
  void: false,
  ...more,
});
const stageOf = (budget: ReturnType<typeof budgetOf>, stage: Stage) =>
  budget.stages.find((one) => one.stage === stage)!;

describe('the budget by stage', () => {
  it('is as planned while nothing was weighed', () => {
    const budget = budgetOf(masses, []);
    expect(budget.stages.map(({ planned }) => planned.mass)).toEqual([240, 240, 440, 440]);
    for (const { planned, forecast } of budget.stages) expect(forecast).toEqual(planned);
    // By hand: fibre adds to 10, own 1, 1, 2 and 10 square to 106.
    expect(stageOf(budget, 'fitted').planned.standardDeviation).toBeCloseTo(Math.sqrt(100 + 106), 9);
  });
  it('of a heavy hull expects a heavy deck: by hand', () => {
    // Hull: fibre 7, own √2, scales 1: variance 52. 6 kg over: fibre z = 7·6/52, and so the deck 3 z over.
    const budget = budgetOf(masses, [weighed({ subject: 'hull', mass: 186, scales: 1 })]);
    const z = (7 * 6) / 52;
    const hull = 180 + 7 * z + (2 * 6) / 52;
    expect(stageOf(budget, 'bare').forecast.mass).toBeCloseTo(hull + 60 + 3 * z, 9);
    const [explained] = budget.explained;
    expect(explained).toMatchObject({ planned: 180, difference: 6 });
    expect(explained!.causes[0]).toMatchObject({ cause: 'fibre', mass: expect.closeTo(7 * z, 9) });
    expect(explained!.causes.reduce((sum, cause) => sum + cause.mass, 0)).toBeCloseTo(6, 9);
    expect(explained!.surprise).toBeCloseTo(6 / Math.sqrt(52), 9);
  });
  it('takes the scales at their word where they are exact, and says nothing new of the engine', () => {
    const budget = budgetOf(masses, [weighed({ mass: 250, scales: 0 })]);
    expect(stageOf(budget, 'bare').forecast.mass).toBeCloseTo(250, 3);
    expect(stageOf(budget, 'bare').forecast.standardDeviation).toBeLessThan(0.02);
    expect(stageOf(budget, 'fitted').forecast.mass).toBeCloseTo(450, 3);
    expect(stageOf(budget, 'fitted').forecast.standardDeviation).toBeCloseTo(10, 2);
    expect(stageOf(budget, 'bare').weighed).toMatchObject({ mass: 250 });
  });
  it('never knows less after weighing, whatever is weighed in whatever order', () => {
    const one = fc.record({
      subject: fc.constantFrom(WHOLE_BOAT, 'hull', 'deck'),
      stage: fc.constantFrom<Stage>('bare', 'bonded', 'fitted', 'loaded'),
      mass: fc.double({ min: 50, max: 500, noNaN: true }),
      scales: fc.double({ min: 0.1, max: 20, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(one, { minLength: 1, maxLength: 5 }), (given) => {
        const all = given.map((more, i) => weighed({ ...more, id: `w${i}` }));
        const budget = budgetOf(masses, all);
        for (const { planned, forecast } of budget.stages) {
          expect(forecast.standardDeviation).toBeLessThanOrEqual(planned.standardDeviation + 1e-6);
          expect(Number.isFinite(forecast.mass)).toBe(true);
        }
        const back = budgetOf(masses, [...all].reverse());
        expect(stageOf(back, 'loaded').forecast.mass).toBeCloseTo(stageOf(budget, 'loaded').forecast.mass, 4);
      }),
      { numRuns: 60 },
    );
  });
  it('of a weighing that was corrected or taken back stays none', () => {
    const all = [weighed({}), weighed({ id: 'w2', mass: 246, corrects: 'w1' }), weighed({ id: 'w3', stage: 'fitted' })];
    expect(standing(all).map(({ id }) => id)).toEqual(['w2', 'w3']);
    const taken = [...all, weighed({ id: 'w4', corrects: 'w2', void: true })];
    expect(standing(taken).map(({ id }) => id)).toEqual(['w3']);
  });
  it('refuses what no scales show', () => {
    for (const bad of [{ mass: 0 }, { mass: -3 }, { day: 'yesterday' }, { stage: 'sunk' }, { scales: -1 }])
      expect(weighInSchema.safeParse({ ...weighed({}), ...bad }).success).toBe(false);
    expect(weighInSchema.parse(weighed({}))).toEqual(weighed({}));
  });
});

describe('the chance of coming out over a limit', () => {
  it.each([
    [0, 0.5],
    [1, 0.158655],
    [1.644854, 0.05],
    [-1, 0.841345],
  ])('at %f standard deviations is %f', (z, chance) => {
    const forecast = { mass: 100, standardDeviation: 5, p05: 0, p95: 0 };
    expect(chanceOver(forecast, 100 + 5 * z)).toBeCloseTo(chance, 5);
  });
  it('of a figure without scatter is yes or no', () => {
    expect(chanceOver({ mass: 5, standardDeviation: 0, p05: 5, p95: 5 }, 4)).toBe(1);
    expect(chanceOver({ mass: 5, standardDeviation: 0, p05: 5, p95: 5 }, 6)).toBe(0);
  });
});
