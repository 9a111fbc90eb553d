import { describe, expect, it } from 'vitest';
import { Diary, planOf, why, work } from '../../../tests/helpers/builds';
import { brant } from '../../../tests/helpers/merrow';
import { bondWindow, stateOf, type BuildPlan, type Step } from '.';

/** Brant's build with a resin whose pot life halves every 10 °C. */
const usual = planOf(brant());
const potLife = [10, 20, 30].map((celsius) => ({ celsius, minutes: 30 * 2 ** ((20 - celsius) / 10) }));
const plan: BuildPlan = { ...usual, resin: { ...usual.resin, potLife } };
const named = (name: string): Step => plan.steps.find((step) => step.name === name && step.partId === 'hull')!;
const skin = named('Outer skin');

/** Up to the step before the outer skin, done in air of 19 °C. */
function before(): Diary {
  const diary = new Diary();
  for (const step of plan.steps.filter(({ partId }) => partId === 'hull')) {
    if (step.id === skin.id) return diary;
    work(plan, diary, step);
  }
  throw new Error('no outer skin');
}
const windowOf = (diary: Diary) => {
  const state = stateOf(plan, diary.records);
  return bondWindow(state, state.steps.get(skin.id)!);
};
/** Minutes that a window is open, from when it is in air of 19 °C. */
const minutes = (diary: Diary, from: number) => (windowOf(diary)!.until - from) / 60_000;
const start = windowOf(before())!.until - skin.within * 60_000;

describe('the window of a step on the one before it', () => {
  it('is as long as the yard says in air of 20 °C or less: cold does not lengthen it', () => {
    expect(windowOf(before())!.fastest).toBeNull();
    for (const celsius of [20, 8]) {
      const diary = before();
      diary.note('air', { celsius, humidity: 60 });
      expect(minutes(diary, start)).toBeCloseTo(skin.within, 6);
    }
  });

  it('is half as long where it is 10 °C warmer all the time, by hand', () => {
    const diary = before();
    diary.note('air', { celsius: 30, humidity: 60 });
    // The warmer of two readings counts between them: from the start on, for the reading came after it.
    expect(minutes(diary, start)).toBeCloseTo(skin.within / 2, 6);
    expect(windowOf(diary)!.fastest).toEqual({ times: 2, celsius: 30 });
  });

  it('is used up by what it was in between: 4 h at 30 °C and the rest at 20 °C', () => {
    const diary = before();
    diary.note('air', { celsius: 30, humidity: 60 });
    const read = start + 4 * 3600e3;
    diary.wait((read - Date.parse(diary.now)) / 60_000);
    diary.note('air', { celsius: 30, humidity: 60 });
    diary.note('air', { celsius: 20, humidity: 60 });
    // Up to a minute after those four hours the warmer of both counts: 241 min twice as fast.
    expect(minutes(diary, start)).toBeCloseTo(skin.within - 241, 6);
  });

  it('closes for whoever would begin, and says why sooner than the yard has it', () => {
    const asked = (celsius: number) => {
      const diary = before();
      diary.note('air', { celsius, humidity: 60 });
      diary.wait(skin.within * 0.6);
      diary.note('air', { celsius, humidity: 60 });
      diary.note('caution', { step: skin.id });
      return why(plan, diary, 'begun', { step: skin.id });
    };
    expect(asked(20)).toBeNull();
    expect(asked(30)).toMatch(/window after “Gelcoat” passed .* ago, in air of up to 30 °C: abrade/);
  });

  it('is none before the step before is done, nor of a step that has none', () => {
    const fresh = stateOf(plan, []);
    expect(bondWindow(fresh, fresh.steps.get(skin.id)!)).toBeNull();
    const state = stateOf(plan, before().records);
    const open = [...state.steps.values()].filter((own) => own.step.within === 0);
    expect(open.length).toBeGreaterThan(0);
    for (const own of open) expect(bondWindow(state, own)).toBeNull();
  });

  it('stays as the yard has it where the plan tells no pot life', () => {
    const diary = before();
    diary.note('air', { celsius: 35, humidity: 60 });
    const silent = stateOf({ ...plan, resin: { ...plan.resin, potLife: [] } }, diary.records);
    expect(bondWindow(silent, silent.steps.get(skin.id)!)).toEqual({
      until: expect.closeTo(start + skin.within * 60_000, 0),
      fastest: null,
    });
  });

  it('moves with every new reading of the air, never past what the yard has', () => {
    const [hot, cold] = [35, 5].map((celsius) => {
      const diary = before();
      diary.note('air', { celsius: 26, humidity: 60 });
      const once = windowOf(diary)!.until;
      diary.wait(60);
      diary.note('air', { celsius, humidity: 60 });
      return [once, windowOf(diary)!.until] as const;
    });
    expect(hot![1]).toBeLessThan(hot![0]);
    // Cold from then on slows it to the yard's own pace, not below it.
    expect(cold![1]).toBeGreaterThan(cold![0]);
    expect(cold![1]).toBeLessThan(start + skin.within * 60_000);
  });
});
