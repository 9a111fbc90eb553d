import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Diary, planOf } from '../../../tests/helpers/builds';
import { brant } from '../../../tests/helpers/merrow';
import { stateOf, type BuildPlan, type StepKind } from '../build';
import {
  consumption,
  mayNotWork,
  messyWork,
  mouldStates,
  mouldTurn,
  seriesRate,
  shopSchema,
  shopState,
  standingFacts,
  toolLives,
  USUAL_SHOP,
  yardFactSchema,
  type YardFact,
} from '.';

const plan: BuildPlan = {
  ...planOf(brant()),
  parts: planOf(brant()).parts.map((part) => ({ ...part, mould: part.id === 'hull' ? 'M1' : '' })),
};
const steps = plan.steps.filter(({ partId }) => partId === 'hull');
let made = 0;
const fact = (kind: YardFact['kind'], body: object, more: Partial<YardFact> = {}): YardFact =>
  ({
    id: `f${made++}`,
    corrects: null,
    void: false,
    kind,
    body: { on: '2026-11-01', note: '', ...body },
    ...more,
  }) as YardFact;
const week = { shift: 8, days: 5 };

describe('a turn of a mould', () => {
  const step = (own: object) => ({
    name: 'Step',
    kind: 'task' as StepKind,
    minutes: 0,
    wait: 0,
    coats: 0,
    stay: 'may' as const,
    people: 1,
    ...own,
  });
  const days = (...own: object[]) => mouldTurn(own.map(step), { places: 4, week }).days;
  it('by hand: six hours, a night to cure, two hours the next morning', () => {
    // 7:00 to 13:00, sixteen hours until 5:00, from 7:00 on two hours: 26 h in all.
    expect(days({ minutes: 360 }, { kind: 'cure', minutes: 960 }, { minutes: 120 })).toBeCloseTo(26 / 24, 9);
  });
  it('carries on the next day where it may, and waits for the morning where it must not be interrupted', () => {
    const first = { minutes: 300 };
    expect(days(first, { minutes: 300 })).toBeCloseTo((24 + 2) / 24, 9);
    expect(days(first, { minutes: 300, stay: 'must' })).toBeCloseTo((24 + 5) / 24, 9);
  });
  it('does nothing over the weekend but cure', () => {
    // Five days of eight hours, then Monday.
    expect(days({ minutes: 5 * 480 }, { minutes: 60 })).toBeCloseTo((7 * 24 + 1) / 24, 9);
  });
  it('counts the flash time of every coat', () => {
    expect(days({ kind: 'coats', minutes: 60, coats: 4, wait: 30 })).toBeCloseTo(3 / 24, 9);
  });
  it('takes longer where more would work than fit in, and ends with the part out', () => {
    const turn = mouldTurn(
      [
        step({ name: 'Lay', minutes: 120, people: 6 }),
        step({ kind: 'demould', minutes: 60 }),
        step({ name: 'Trim', minutes: 600 }),
      ],
      { places: 3, week },
    );
    expect(turn).toMatchObject({ minutes: 300, hours: 13, narrow: [{ step: 'Lay', people: 6, places: 3 }] });
  });
  it('of a real hull is days, not minutes', () => {
    const turn = mouldTurn(steps, { places: 4, week });
    expect(turn.days).toBeGreaterThan(2);
    expect(turn.days).toBeLessThan(30);
  });
});

describe('what a series comes to', () => {
  it('is held by the slowest mould', () => {
    const rate = seriesRate({
      moulds: [
        { name: 'hull', days: 7 },
        { name: 'deck', days: 14 },
      ],
      work: {},
      people: [],
    });
    expect(rate).toMatchObject({ perWeek: 0.5, limit: 'mould deck' });
  });
  it('by hand: two who may laminate, one of them alone may fill', () => {
    const work = { lay: 60, fill: 20 };
    const people = [
      { name: 'A', hours: 40, may: ['lay', 'fill'] as StepKind[] },
      { name: 'B', hours: 40, may: ['lay'] as StepKind[] },
    ];
    // Both together: 80 h for 80 h of work, one hull a week; filling alone would allow two.
    expect(seriesRate({ moulds: [], work, people }).byHands).toMatchObject({ perWeek: 1 });
    const alone = [people[0]!, { ...people[1]!, may: ['fill'] as StepKind[] }];
    // Now A alone lays.
    expect(seriesRate({ moulds: [], work, people: alone }).byHands).toMatchObject({
      kinds: ['lay'],
      perWeek: 40 / 60,
    });
  });
  it('never exceeds what a sharing out of hours attains, and attains it', () => {
    const kinds: StepKind[] = ['lay', 'fill', 'bond'];
    const hours = fc.integer({ min: 1, max: 40 });
    const person = fc.record({
      name: fc.constant('P'),
      hours,
      may: fc.subarray(kinds, { minLength: 1 }),
    });
    fc.assert(
      fc.property(fc.array(person, { minLength: 1, maxLength: 4 }), hours, hours, hours, (people, lay, fill, bond) => {
        const work: Partial<Record<StepKind, number>> = { lay, fill, bond };
        const { perWeek } = seriesRate({ moulds: [], work, people });
        expect(mostBySharing(people, work)).toBeCloseTo(perWeek!, 4);
      }),
      { numRuns: 60 },
    );
  });
});

/** The same by bisection on a flow of hours, found by augmenting paths. */
function mostBySharing(
  people: readonly { hours: number; may: readonly StepKind[] }[],
  work: Partial<Record<StepKind, number>>,
): number {
  const kinds = Object.keys(work) as StepKind[];
  const feasible = (rate: number) => {
    const given = people.map(() => kinds.map(() => 0));
    for (const [k, kind] of kinds.entries()) {
      let left = rate * work[kind]!;
      const seen = () => new Set<number>();
      const pull = (target: number, amount: number, visited: Set<number>): number => {
        let got = 0;
        for (const [p, person] of people.entries()) {
          if (got >= amount - 1e-9 || visited.has(p) || !person.may.includes(kinds[target]!)) continue;
          visited.add(p);
          const free = person.hours - given[p]!.reduce((a, b) => a + b, 0);
          const take = Math.min(Math.max(0, free), amount - got);
          given[p]![target]! += take;
          got += take;
          for (const [other] of kinds.entries()) {
            if (other === target || got >= amount - 1e-9) continue;
            const swap = pull(other, Math.min(given[p]![other]!, amount - got), visited);
            given[p]![other]! -= swap;
            given[p]![target]! += swap;
            got += swap;
          }
        }
        return got;
      };
      for (let i = 0; i < 60 && left > 1e-9; i++) {
        const got = pull(k, left, seen());
        if (got <= 1e-12) break;
        left -= got;
      }
      if (left > 1e-6) return false;
    }
    return true;
  };
  let [low, high] = [0, 1000];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (feasible(middle)) low = middle;
    else high = middle;
  }
  return low;
}

describe('moulds', () => {
  const built = () => {
    const diary = new Diary();
    const coats = steps.find(({ kind }) => kind === 'coats')!;
    diary.note('begun', { step: coats.id });
    for (let i = 0; i < 3; i++) diary.note('coat', { step: coats.id, celsius: null });
    return { diary, coats };
  };
  const mould = { name: 'M1', pullsBefore: 10, serviceEvery: 12, places: 4, note: '' };
  it('hold what was begun in them, and count its coats', () => {
    const { diary } = built();
    expect(mouldStates([mould], [], [stateOf(plan, diary.records)])).toMatchObject([
      { name: 'M1', pulls: 10, coats: 3, left: 2, holds: 'Brant 56, hull 3: Hull', isUnlisted: false },
    ]);
  });
  it('are free again when the part is out, and a pull nearer to their service', () => {
    const { diary } = built();
    const out = steps.find(({ kind }) => kind === 'demould')!;
    diary.note('begun', { step: out.id });
    diary.note('done', { step: out.id, note: '' });
    const state = stateOf(plan, diary.records);
    expect(mouldStates([mould], [], [state])[0]).toMatchObject({ pulls: 11, left: 1, holds: null });
    const serviced = fact('mould', { mould: 'm1', what: 'serviced', count: 1, on: '2026-12-01' });
    expect(mouldStates([mould], [serviced], [state])[0]).toMatchObject({ pulls: 11, sinceService: 0, left: 12 });
  });
  it('begin their coats anew after a strip-down', () => {
    const { diary } = built();
    const stripped = fact('mould', { mould: 'M1', what: 'stripped', count: 1, on: '2026-11-20' });
    const more = fact('mould', { mould: 'M1', what: 'coats', count: 5, on: '2026-11-21' });
    expect(mouldStates([mould], [stripped, more], [stateOf(plan, diary.records)])[0]).toMatchObject({ coats: 5 });
  });
  it('that only a build names are shown all the same', () => {
    expect(mouldStates([], [], [stateOf(plan, [])])).toMatchObject([{ name: 'M1', isUnlisted: true, left: null }]);
  });
});

describe('what is written down of the shop', () => {
  it('stands until it is corrected or taken back', () => {
    const [first, other] = [fact('tool', { tool: 'Saw', what: 'begun' }), fact('tool', { tool: 'Saw', what: 'ended' })];
    const back = { ...first, id: 'back', corrects: first.id, void: true };
    expect(standingFacts([first, other, back]).map(({ id }) => id)).toEqual([other.id]);
  });
  it('is read by its kind', () => {
    expect(yardFactSchema.safeParse(fact('mould', { mould: 'M1', what: 'pulled', count: 1 })).success).toBe(true);
    expect(yardFactSchema.safeParse(fact('mould', { mould: 'M1', what: 'painted', count: 1 })).success).toBe(false);
    expect(yardFactSchema.safeParse(fact('tool', { tool: 'Saw', what: 'begun', on: 'soon' })).success).toBe(false);
  });
  it('tells how long tools last: 30 and 50 days before, so the one of today until 40 days from its first use', () => {
    const use = (on: string, what: string) => fact('tool', { tool: 'Knife', what, on });
    const facts = [
      use('2026-01-01', 'begun'),
      use('2026-01-31', 'ended'),
      use('2026-02-01', 'begun'),
      use('2026-02-10', 'mended'),
      use('2026-03-23', 'ended'),
      use('2026-04-01', 'begun'),
    ];
    expect(toolLives(facts)).toEqual([
      { tool: 'Knife', since: '2026-04-01', mended: 0, lasted: [30, 50], mean: 40, dueOn: '2026-05-11' },
    ]);
  });
});

describe('what is used up', () => {
  const rollers = { name: 'Rollers', unit: 'pieces', amount: 2, per: 'coat', of: 'any', keep: 0 } as const;
  it('counts from the last count on, and what the plans still want', () => {
    const diary = new Diary();
    const coats = steps.find(({ kind }) => kind === 'coats')!;
    diary.note('begun', { step: coats.id });
    diary.note('coat', { step: coats.id, celsius: null });
    const own: BuildPlan = { ...plan, steps: [coats] };
    const counted = fact('counted', { consumable: 'Rollers', amount: 20, on: '2026-11-01' });
    const [found] = consumption([rollers], [counted], [stateOf(own, diary.records)]);
    expect(found).toMatchObject({ used: 2, left: 18, wanted: 2 * (coats.coats - 1), order: false });
    const late = fact('counted', { consumable: 'Rollers', amount: 3, on: '2026-11-30' });
    expect(consumption([rollers], [late], [stateOf(own, diary.records)])[0]).toMatchObject({ used: 0, order: true });
  });
  it('goes by cloth laid and by resin mixed', () => {
    const lay = steps.find(({ pieces, stay }) => pieces.length > 1 && stay === 'must')!;
    const diary = new Diary();
    diary.note('begun', { step: lay.id });
    diary.note('batch', { step: lay.id, resin: 3, hardener: 0.05, celsius: 19, life: 30, lots: '' });
    const code = lay.pieces[0]!;
    diary.note('piece', { step: lay.id, code, how: 'ticked', lot: '', batch: null });
    const own: BuildPlan = { ...plan, steps: [lay] };
    const state = stateOf(own, diary.records);
    const [along, across] = state.pieces.get(code)!.size;
    const area = consumption([{ ...rollers, per: 'area', amount: 1 }], [], [state])[0]!;
    expect(area.used).toBeCloseTo(along * across, 9);
    expect(area.left).toBeNull();
    expect(consumption([{ ...rollers, per: 'resin' }], [], [state])[0]!.used).toBe(6);
    expect(consumption([{ ...rollers, per: 'step', of: 'bag' }], [], [state])[0]).toMatchObject({ used: 0, wanted: 0 });
  });
});

describe('work', () => {
  const work = [{ kind: 'fill' as const, people: 'T. Reed, S. Oake' }];
  it('that some are named for is only theirs; the rest is for everybody', () => {
    expect(mayNotWork(work, { kind: 'fill', person: 's. oake ' })).toBeNull();
    expect(mayNotWork(work, { kind: 'fill', person: 'A. Nother' })).toBe('Filling is done only by T. Reed, S. Oake');
    expect(mayNotWork(work, { kind: 'lay', person: 'A. Nother' })).toBeNull();
  });
  it('that is dusty is gathered, and says what stands open', () => {
    const trim = steps.findIndex(({ mess }) => mess === 'dust');
    const own: BuildPlan = { ...plan, steps: steps.slice(trim - 1, trim + 1) };
    const { steps: messy } = messyWork([stateOf(own, [])]);
    expect(messy).toMatchObject([{ step: 'Trim', part: 'Hull', ready: false }]);
    const wet = steps.find(({ stay, kind }) => stay === 'must' && kind === 'lay')!;
    const diary = new Diary();
    diary.note('begun', { step: wet.id });
    expect(messyWork([stateOf({ ...plan, steps: [wet] }, diary.records)]).open).toHaveLength(1);
  });
});

it('is a shop by its own description, and is told whole', () => {
  expect(shopSchema.parse(USUAL_SHOP)).toEqual(USUAL_SHOP);
  const built = { boatId: 'b', state: stateOf(plan, []), closedAt: null };
  const told = shopState({ ...USUAL_SHOP, people: [{ name: 'A', hours: 40 }] }, [], [built]);
  expect(told.series).toHaveLength(1);
  expect(told.series[0]!.rate.byHands!.capacity).toBe(40);
  expect(told.series[0]!.turns.find(({ part }) => part === 'Hull')!.mould).toBe('M1');
});
