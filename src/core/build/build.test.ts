import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Diary, planOf, why, work } from '../../../tests/helpers/builds';
import { brant, merrow } from '../../../tests/helpers/merrow';
import {
  amendPlan,
  blockedReaches,
  buildRecordSchema,
  isFinished,
  layerStages,
  stateOf,
  stepsAtHand,
  toLay,
  USUAL_STEPS,
  whyNot,
  type BuildPlan,
  type BuildRecord,
  type Step,
} from '.';

const plans = [planOf(brant()), planOf(merrow())] as const;
const [small, large] = plans;
const stepOf = (plan: BuildPlan, name: string, part: string | null = 'hull'): Step =>
  plan.steps.find((step) => step.name === name && step.partId === part)!;
describe('the plan of a build', () => {
  it.each(plans)('has every piece and every layer of $boat in one step, none twice', (plan) => {
    const boat = plan === small ? brant() : merrow();
    const laid = plan.steps.flatMap(({ pieces }) => pieces);
    expect([...laid].sort()).toEqual(plan.pieces.map(({ code }) => code).sort());
    for (const part of boat.parts) {
      const layers = plan.steps.filter(({ partId }) => partId === part.id).flatMap((step) => step.layers);
      expect([...layers].sort((a, b) => a - b)).toEqual(part.layers.map((_, i) => i + 1));
    }
  });
  it.each(plans)('lays the layers of $boat from the mould outward', (plan) => {
    for (const { id } of plan.parts) {
      const own = plan.steps.filter(({ partId }) => partId === id).flatMap(({ layers }) => layers);
      expect(own).toEqual([...own].sort((a, b) => a - b));
    }
  });
  it('leaves nothing out where no step of the yard names a layer', () => {
    const steps = { ...USUAL_STEPS, steps: USUAL_STEPS.steps.filter(({ kind }) => kind !== 'lay') };
    const plan = planOf(brant(), steps);
    expect(plan.steps.flatMap(({ pieces }) => pieces)).toHaveLength(small.pieces.length);
    expect(plan.steps.find(({ pieces }) => pieces.length > 0)?.name).toMatch(/no step of the yard names/);
  });
  it('has fewer coats on a mould that is seasoned', () => {
    expect(stepOf(small, 'Release coats').coats).toBe(USUAL_STEPS.coatsNew);
  });
  it('is not made where it would close what must still be reached', () => {
    const [close, reach] = [
      { name: 'Deck on', closes: ['inside'], reaches: [] },
      { name: 'Wiring', closes: [], reaches: ['inside'] },
    ];
    expect(blockedReaches([reach!, close!])).toEqual([]);
    expect(blockedReaches([close!, reach!])[0]).toMatch(/Wiring needs inside, which Deck on closes/);
    const deck = USUAL_STEPS.steps.findIndex(({ name }) => name === 'Deck onto hull');
    const turned = [USUAL_STEPS.steps[deck]!, ...USUAL_STEPS.steps.filter((_, i) => i !== deck)];
    expect(() => planOf(brant(), { ...USUAL_STEPS, steps: turned })).toThrow(/order that cannot be built/);
  });
  it('never lets a stage begin again: a coating inside is laid with the inner skin', () => {
    const boat = brant();
    const [hull] = boat.parts;
    const coat = hull!.layers[0]!;
    const twice = { ...hull!, layers: [...hull!.layers, { ...coat, id: 'inside' }] };
    expect(layerStages(boat, twice).at(-1)).toBe('innerSkin');
  });
});

describe('a build gone through as it should be', () => {
  it.each(plans)('of $boat is finished without a clash', (plan) => {
    const diary = new Diary();
    for (const step of plan.steps) work(plan, diary, step);
    const state = stateOf(plan, diary.records);
    expect(state.clashes).toEqual([]);
    expect([...state.steps.values()].every(isFinished)).toBe(true);
    expect(stepsAtHand(state)).toEqual([]);
    for (const record of diary.records) expect(buildRecordSchema.safeParse(record).error).toBeUndefined();
  });
});

describe('what is refused at the mould', () => {
  const until = (plan: BuildPlan, name: string, part: string | null = 'hull') => {
    const diary = new Diary();
    const last = stepOf(plan, name, part);
    for (const step of plan.steps.filter(({ partId }) => partId === last.partId)) {
      if (step.id === last.id) break;
      work(plan, diary, step);
    }
    return { diary, step: last };
  };
  const ready = (plan: BuildPlan, name: string) => {
    const { diary, step } = until(plan, name);
    diary.note('air', { celsius: 19, humidity: 60 });
    if (step.caution !== '') diary.note('caution', { step: step.id });
    return { diary, step };
  };
  it('is a step before the one that comes first, or before that is signed', () => {
    const diary = new Diary();
    const [first, second] = [stepOf(small, 'Clean the mould'), stepOf(small, 'Release coats')];
    expect(why(small, diary, 'begun', { step: second.id })).toMatch(/Clean the mould” comes first/);
    expect(why(small, diary, 'begun', { step: first.id })).toMatch(/has not read its caution/);
    diary.note('caution', { step: first.id });
    expect(whyNot(stateOf(small, diary.records), new Diary('S. Other').make('begun', { step: first.id }))).toMatch(
      /S. Other has not read/,
    );
    expect(why(small, diary, 'begun', { step: first.id })).toBeNull();
    const { diary: masked, step: gelcoat } = until(small, 'Gelcoat');
    const unsigned = masked.records.filter(({ kind }) => kind !== 'signed');
    expect(whyNot(stateOf(small, unsigned), masked.make('begun', { step: gelcoat.id }))).toMatch(
      /not signed by the lead/,
    );
  });
  it('is a coat before the one under it has flashed, and the next step before all are on', () => {
    const { diary, step } = ready(small, 'Release coats');
    diary.note('begun', { step: step.id });
    diary.note('coat', { step: step.id, celsius: 19 });
    expect(why(small, diary, 'coat', { step: step.id, celsius: 19 })).toMatch(/wants 29 min more/);
    diary.wait(step.wait);
    expect(why(small, diary, 'coat', { step: step.id, celsius: 19 })).toBeNull();
    expect(why(small, diary, 'done', { step: step.id, note: '' })).toBe('1 of 6 coats are on');
  });
  it('is a wrong label, with what is wanted', () => {
    const { diary, step } = ready(small, 'Outer skin');
    diary.note('begun', { step: step.id });
    diary.note('batch', { step: step.id, resin: 3, hardener: 0.05, celsius: 19, life: 30, lots: '' });
    const lay = (code: string) =>
      why(small, diary, 'piece', { step: step.id, code, how: 'scanned', lot: '', batch: null });
    const [first] = toLay(stateOf(small, diary.records), stateOf(small, diary.records).steps.get(step.id)!);
    expect(lay('scribble')).toContain(`wanted is ${first!.name}`);
    expect(lay(first!.code.replace('hull 3', 'hull 2'))).toMatch(/This label is of Brant 56, hull 2, not of/);
    expect(lay(stepOf(small, 'Inner skin').pieces[0]!)).toMatch(/is not laid in “Outer skin”/);
    expect(lay(first!.code)).toBeNull();
    diary.note('piece', { step: step.id, code: first!.code, how: 'scanned', lot: '', batch: null });
    expect(lay(first!.code)).toMatch(/lies already: T. Reed laid it/);
  });
  it('is a piece before one that comes under it', () => {
    const { diary, step } = ready(small, 'Outer skin');
    diary.note('begun', { step: step.id });
    diary.note('batch', { step: step.id, resin: 3, hardener: 0.05, celsius: 19, life: 30, lots: '' });
    const pieces = step.pieces.map((code) => small.pieces.find((one) => one.code === code)!);
    const over = pieces.find(
      ({ layerNumber, zones, hand }) =>
        layerNumber > pieces[0]!.layerNumber && zones.includes(pieces[0]!.zones[0]!) && hand === pieces[0]!.hand,
    )!;
    const body = { step: step.id, code: over.code, how: 'ticked', lot: '', batch: null };
    expect(why(small, diary, 'piece', body)).toMatch(/comes under it and does not lie yet/);
  });
  it('is laying wet without a pot, or from one past its life', () => {
    const { diary, step } = ready(small, 'Outer skin');
    diary.note('begun', { step: step.id });
    const body = { step: step.id, code: step.pieces[0]!, how: 'ticked', lot: '', batch: null };
    expect(why(small, diary, 'piece', body)).toMatch(/No pot is open/);
    const pot = diary.note('batch', { step: step.id, resin: 3, hardener: 0.05, celsius: 19, life: 30, lots: '' });
    expect(why(small, diary, 'piece', body)).toBeNull();
    diary.wait(45);
    expect(why(small, diary, 'piece', body)).toMatch(/past its life/);
    expect(
      why(small, diary, 'batch', { step: step.id, resin: 3, hardener: 0, celsius: 19, life: 30, lots: '' }),
    ).toMatch(/thrown away/);
    diary.note('potEmpty', { batch: pot.id, how: 'thrown away' });
    const mix = (resin: number) => ({ step: step.id, resin, hardener: 0.1, celsius: 19, life: 30, lots: '' });
    expect(why(small, diary, 'batch', mix(20))).toMatch(/heats itself: at most 6\.?0* kg/);
    expect(why(small, diary, 'batch', mix(6))).toBeNull();
  });
  it('is resin before the bag has held, and the end of a fill with a clamp shut', () => {
    const { diary, step } = ready(large, 'Drop test');
    diary.note('begun', { step: step.id });
    const leaks = { step: step.id, start: 2000, end: 9000, minutes: 30, startCelsius: null, endCelsius: null };
    expect(why(large, diary, 'done', { step: step.id, note: '' })).toMatch(/no drop test/);
    diary.note('drop', leaks);
    expect(why(large, diary, 'done', { step: step.id, note: '' })).toMatch(/lost too much/);
    diary.note('drop', { ...leaks, start: 90_000, end: 90_010 });
    expect(why(large, diary, 'done', { step: step.id, note: '' })).toMatch(/too little vacuum/);
    const fill = stepOf(large, 'Fill');
    expect(why(large, diary, 'begun', { step: fill.id })).toMatch(/Drop test” comes first/);
    const mix = { step: fill.id, resin: 30, hardener: 0.5, celsius: 19, life: 50, lots: '' };
    expect(why(large, diary, 'batch', mix)).toMatch(/was not begun/);
    expect(why(large, diary, 'drop', { ...leaks, start: 9000, end: 2000 })).toMatch(/does not fall/);
    diary.note('drop', { ...leaks, end: 2050 });
    diary.note('done', { step: step.id, note: '' });
    diary.note('signed', { step: step.id, note: '' });
    diary.note('air', { celsius: 19, humidity: 60 });
    diary.note('caution', { step: fill.id });
    diary.note('begun', { step: fill.id });
    expect(why(large, diary, 'done', { step: fill.id, note: '' })).toMatch(/was not opened/);
  });
  it('is a bond past its window that nobody has prepared, peel ply alone not counted', () => {
    const { diary, step } = until(small, 'Outer skin');
    diary.wait(step.within + 10);
    diary.note('air', { celsius: 19, humidity: 60 });
    diary.note('caution', { step: step.id });
    expect(why(small, diary, 'begun', { step: step.id })).toMatch(/window after “Gelcoat” passed .*abrade/);
    diary.note('prepared', { step: step.id, how: 'peelPly' });
    expect(why(small, diary, 'begun', { step: step.id })).toMatch(/abrade/);
    diary.note('prepared', { step: step.id, how: 'abrade' });
    expect(why(small, diary, 'begun', { step: step.id })).toBeNull();
  });
  it('is that bond as well where the last pot was empty long before somebody said that the step was done', () => {
    const { diary, step } = until(small, 'Gelcoat');
    const skin = stepOf(small, 'Outer skin');
    const told = (minutes: number) => {
      const own = new Diary();
      own.records.push(...diary.records);
      own.wait((Date.parse(diary.now) - Date.parse(own.now)) / 60_000);
      own.note('begun', { step: step.id });
      const pot = own.note('batch', { step: step.id, resin: 3, hardener: 0.05, celsius: 19, life: 30, lots: '' });
      own.note('potEmpty', { batch: pot.id, how: 'used' });
      // Forgotten, and said at last just before the skin is begun.
      own.wait(minutes);
      own.note('done', { step: step.id, note: '' });
      own.note('air', { celsius: 19, humidity: 60 });
      own.note('caution', { step: skin.id });
      return own;
    };
    const late = told(skin.within + 10);
    expect(why(small, late, 'begun', { step: skin.id })).toMatch(/window after “Gelcoat” passed .*abrade/);
    late.note('prepared', { step: skin.id, how: 'abrade' });
    expect(why(small, late, 'begun', { step: skin.id })).toBeNull();
    expect(why(small, told(skin.within - 10), 'begun', { step: skin.id })).toBeNull();
  });
  it.each([
    [12, 60, /12 °C is colder than 16 °C/],
    [31, 60, /warmer/],
    [19, 95, /95 % humidity/],
  ])('is wet work at %s °C and %s %%, until somebody decides', (celsius, humidity, says) => {
    const { diary, step } = until(small, 'Outer skin');
    diary.note('caution', { step: step.id });
    diary.note('prepared', { step: step.id, how: 'abrade' });
    diary.wait(USUAL_STEPS.climateLasts + 1);
    expect(why(small, diary, 'begun', { step: step.id })).toMatch(/Read temperature and humidity first/);
    diary.note('air', { celsius, humidity });
    expect(why(small, diary, 'begun', { step: step.id })).toMatch(says);
    diary.note('released', { step: step.id, reason: 'slow hardener, tent' });
    expect(why(small, diary, 'begun', { step: step.id })).toBeNull();
  });
  it('is what closes the boat while something must still be reached', () => {
    const diary = new Diary();
    for (const step of small.steps.filter(({ partId }) => partId !== null)) work(small, diary, step);
    const deck = stepOf(small, 'Deck onto hull', null);
    for (const step of small.steps.filter(({ partId }) => partId === null)) {
      if (step.id === deck.id) break;
      work(small, diary, step);
    }
    diary.note('air', { celsius: 19, humidity: 60 });
    diary.note('caution', { step: deck.id });
    diary.note('prepared', { step: deck.id, how: 'abrade' });
    expect(why(small, diary, 'begun', { step: deck.id })).toBeNull();
    // Somebody takes back that the wiring was done.
    const wiring = stepOf(small, 'Tanks, pipes and wiring below', null);
    const done = diary.records.find(({ kind, body }) => kind === 'done' && 'step' in body && body.step === wiring.id)!;
    diary.note('undone', { reason: 'a pipe leaks' }, done.id);
    expect(why(small, diary, 'begun', { step: deck.id })).toMatch(/closes inside of the hull.*Tanks, pipes and wiring/);
  });
  it('is going on over an open defect; decided and mended it goes on', () => {
    const { diary, step } = ready(small, 'Outer skin');
    const place = { part: 'hull', step: null, zone: '', skin: 'hull', at: [0.5, 0.5], size: 0.1, note: '', photos: [] };
    const defect = diary.note('defect', { ...place, kind: 'void' });
    diary.note('prepared', { step: step.id, how: 'abrade' });
    const begin = () => why(small, diary, 'begun', { step: step.id });
    expect(begin()).toMatch(/A defect of Hull is not decided: void/);
    expect(why(small, diary, 'repaired', { defect: defect.id, note: '' })).toMatch(/Nobody has decided/);
    diary.note('disposed', { defect: defect.id, what: 'repair', reason: 'grind out and fill' });
    expect(begin()).toMatch(/not repaired/);
    diary.note('repaired', { defect: defect.id, note: 'two layers' });
    expect(begin()).toBeNull();
    // Elsewhere nothing waits for it.
    const other = diary.note('defect', { ...place, part: 'deck', kind: 'wrinkle' });
    expect(begin()).toBeNull();
    diary.note('disposed', { defect: other.id, what: 'use', reason: 'outside the flange' });
    expect([...stateOf(small, diary.records).defects.values()].some(({ open }) => open)).toBe(false);
  });
});

describe('records', () => {
  const diary = new Diary();
  for (const step of small.steps.slice(0, 6)) work(small, diary, step);
  const told = (records: readonly BuildRecord[]) => {
    const { steps, clashes, defects } = stateOf(small, records);
    return JSON.stringify([
      [...steps.values()].map(({ begun, done, signed, laid, coats }) => [
        begun?.id,
        done?.id,
        signed?.id,
        [...laid.keys()],
        coats.length,
      ]),
      clashes.map(({ record, why: says }) => [record.id, says]),
      [...defects.keys()],
    ]);
  };
  it('come to the same in any order, and however often they come', () => {
    const straight = told(diary.records);
    fc.assert(
      fc.property(
        fc.shuffledSubarray(diary.records, { minLength: diary.records.length }),
        fc.array(fc.integer({ min: 0, max: diary.records.length - 1 }), { maxLength: 40 }),
        (shuffled, again) => {
          expect(told([...shuffled, ...again.map((i) => diary.records[i]!)])).toBe(straight);
        },
      ),
      { numRuns: 60 },
    );
  });
  it('taken back count no more, and stay; taking back is itself taken back', () => {
    const own = [...diary.records];
    const last = own.findLast(({ kind }) => kind === 'piece')!;
    const back = { ...last, id: 'back', kind: 'undone', corrects: last.id, body: { reason: 'torn' } } as BuildRecord;
    const again = { ...back, id: 'again', corrects: 'back', body: { reason: 'not torn' } } as BuildRecord;
    const later = (record: BuildRecord, minutes: number) => {
      return { ...record, at: new Date(Date.parse(record.at) + minutes * 60_000).toISOString() };
    };
    const laid = (records: BuildRecord[]) =>
      [...stateOf(small, records).steps.values()].reduce((sum, step) => sum + step.laid.size, 0);
    const all = laid(own);
    expect(laid([...own, later(back, 1)])).toBe(all - 1);
    expect(laid([...own, later(back, 1), later(again, 2)])).toBe(all);
  });
  it('of two tablets that lay the same piece are both kept, and the second is shown', () => {
    const piece = diary.records.find(({ kind }) => kind === 'piece')!;
    const twin = { ...piece, id: 'twin', device: 'tablet-2', person: 'S. Other' } as BuildRecord;
    const { clashes } = stateOf(small, [
      ...diary.records,
      { ...twin, at: diary.records[diary.records.length - 1]!.at },
    ]);
    expect(clashes.map(({ record }) => record.id)).toContain('twin');
  });
});

describe('going on by another revision', () => {
  it('keeps what lies, names what changes and what comes too late, and asks for what is new', () => {
    const diary = new Diary();
    const outer = stepOf(small, 'Outer skin');
    const before = small.steps.slice(0, small.steps.findIndex(({ id }) => id === outer.id) + 1);
    for (const step of before) work(small, diary, step);
    const boat = brant();
    const hull = boat.parts.find(({ id }) => id === 'hull')!;
    const stages = layerStages(boat, hull);
    const change = (stage: string) => stages.lastIndexOf(stage as (typeof stages)[number]);
    const layers = hull.layers.map((layer, i) =>
      i === change('outerSkin') || i === change('innerSkin') ? { ...layer, angleDeg: 33 } : layer,
    );
    const next = planOf({ ...boat, parts: boat.parts.map((part) => (part === hull ? { ...hull, layers } : part)) });
    const state = stateOf(small, diary.records);
    const { plan, changes } = amendPlan(state, { ...next, revision: 'B' });
    expect(changes.some(({ late }) => late)).toBe(true);
    expect(changes.some(({ late, says }) => !late && says.includes('33°'))).toBe(true);
    const after = stateOf(plan, diary.records);
    expect(after.clashes).toEqual([]);
    expect(isFinished(after.steps.get(outer.id)!)).toBe(true);
    for (const [id, { laid }] of state.steps) expect(after.steps.get(id)?.laid.size).toBe(laid.size);
    const rest = new Diary();
    rest.records.push(...diary.records);
    rest.wait(60 * 24 * 30);
    for (const step of plan.steps)
      if (!isFinished(stateOf(plan, rest.records).steps.get(step.id)!)) work(plan, rest, step);
    expect(stateOf(plan, rest.records).clashes).toEqual([]);
  });
  it('changes nothing where nothing differs', () => {
    expect(amendPlan(stateOf(small, []), { ...small, revision: 'B' }).changes).toEqual([]);
  });
});
