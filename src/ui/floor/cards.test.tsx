// @vitest-environment happy-dom
import { act, cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { button, enter, field, Page, press, words } from '../../../tests/helpers/asked';
import { Diary, planOf, work } from '../../../tests/helpers/builds';
import { merrow } from '../../../tests/helpers/merrow';
import { lifeInPot, stateOf, type BuildRecord, type DatedLot, type StepState } from '@/core/build';
import type { InstrumentsNow } from '@/core/instrument';
import { AirCard } from './AirCard';
import { BagPart } from './BagPart';
import { BatchAsk } from './BatchAsk';
import { CoatsPart } from './CoatsPart';
import { MixAtScale } from './MixAtScale';
import { PotBar } from './PotBar';
import { WindowLine } from './WindowLine';

/** What stands on the floor, the time there, and what was noted; the test says what becomes of a note. */
const floor = vi.hoisted(() => ({
  state: null as unknown,
  now: 0,
  noted: [] as { kind: string; body: Record<string, unknown> }[],
  refusal: null as string | null,
  beeps: [] as number[],
  dated: [] as DatedLot[],
}));
vi.mock('./useFloor', () => ({
  useFloor: () => ({
    state: floor.state,
    build: { dated: floor.dated },
    person: 'T. Reed',
    note: async (kind: string, body: Record<string, unknown>) => {
      floor.noted.push({ kind, body });
      return floor.refusal;
    },
  }),
}));
vi.mock('./useNow', async (real) => ({ ...(await real<object>()), useNow: () => floor.now }));
vi.mock('./beep', () => ({ beep: (times: number) => floor.beeps.push(times) }));
vi.mock('next/navigation', () => ({ useRouter: () => ({ push: () => undefined }) }));

const plan = planOf(merrow());
const page = new Page();
let diary: Diary;
let channels: InstrumentsNow['channels'];
beforeEach(() => {
  page.begin();
  diary = new Diary();
  channels = [];
  Object.assign(floor, { noted: [], refusal: null, beeps: [], dated: [], now: Date.parse(diary.now) });
  page.answer = () => ({ listening: null, trouble: null, unknown: { times: 0, why: '' }, channels });
  floor.state = stateOf(plan, []);
});
afterEach(() => page.end());

const stepOf = (kind: StepState['step']['kind']) => plan.steps.find((step) => step.kind === kind)!;
/** The step as it stands after all that was written down. */
function standing(id: string, records: readonly BuildRecord[] = diary.records): StepState {
  const state = stateOf(plan, records);
  floor.state = state;
  return state.steps.get(id)!;
}
const scale = (value: number, more: Partial<InstrumentsNow['channels'][number]> = {}) => ({
  key: 'mix|mass',
  id: 'mix-1',
  name: 'Mixing scale',
  quantity: 'mass' as const,
  state: 'steady' as const,
  value,
  ageMs: 100,
  why: '',
  passed: 0,
  refused: null,
  due: null,
  isOverdue: false,
  ...more,
});
/** The scale reads another figure; the page asks for it each second. */
async function reads(value: number, more: Parameters<typeof scale>[1] = {}) {
  channels = [scale(value, more)];
  const asked = page.asked.length;
  await waitFor(() => expect(page.asked.length).toBeGreaterThan(asked), { timeout: 5000 });
  await act(() => Promise.resolve());
}

describe('mixing at the scale', () => {
  const open = () => {
    const onMixed = vi.fn<(resin: number, hardener: number) => void>();
    page.show(<MixAtScale target={3} share={0.02} onMixed={onMixed} />);
    return onMixed;
  };
  it('is not there without a mixing scale', async () => {
    open();
    await page.last('GET');
    expect(screen.queryByLabelText('On the mixing scale')).toBeNull();
  });
  it('goes from the empty bucket by resin to hardener, and takes what was really poured', async () => {
    channels = [scale(0.62)];
    const onMixed = open();
    await screen.findByText(/Mixing scale/);
    expect(words()).toContain('Mixing scale: 0.62 kg');
    press('Empty bucket stands on it');
    // The bucket is taken off: an empty one is nothing.
    expect(words()).toContain('Mixing scale: 0.00 kg');
    expect(button('That is the resin').disabled).toBe(true);
    await reads(0.62 + 2.4);
    expect(words()).toContain('Resin: 0.60 kg more.');
    await reads(0.62 + 3.02);
    await waitFor(() => expect(button('That is the resin').disabled).toBe(false));
    press('That is the resin');
    expect(button('Take both').disabled).toBe(true);
    // Grams: what is rounded to a tenth of a kilogram cannot be poured by.
    expect(words()).toContain('Hardener: 60 g more');
    expect(screen.getByRole('status').textContent).toContain('Too little hardener yet');
    await reads(0.62 + 3.02 + 0.06);
    await waitFor(() => expect(button('Take both').disabled).toBe(false));
    press('Take both');
    const [resin, hardener] = onMixed.mock.calls[0]!;
    expect([resin, hardener]).toEqual([expect.closeTo(3.02, 9), expect.closeTo(0.06, 9)]);
  });
  it('stops a batch with too much hardener, and says what to do with the bucket', async () => {
    channels = [scale(0.6)];
    const onMixed = open();
    await screen.findByText(/Mixing scale/);
    press('Empty bucket stands on it');
    await reads(3.6);
    await waitFor(() => expect(button('That is the resin').disabled).toBe(false));
    press('That is the resin');
    await reads(3.6 + 0.09);
    await waitFor(() => expect(words()).toContain('STOP: too much hardener'));
    expect(words()).toContain('set the bucket outside, it may heat itself up');
    expect(button('Take both').disabled).toBe(true);
    expect(onMixed).not.toHaveBeenCalled();
  });
  it('takes nothing of a scale that is not steady, or whose calibration ended', async () => {
    channels = [scale(0.6, { state: 'moving', why: 'it is not steady' })];
    open();
    await screen.findByText(/it is not steady/);
    expect(button('Empty bucket stands on it').disabled).toBe(true);
    await reads(0.6, { isOverdue: true, due: '2026-10-01' });
    await waitFor(() => expect(words()).toContain('its calibration ended on 2026-10-01'));
    expect(button('Empty bucket stands on it').disabled).toBe(true);
  });
});

describe('a batch that is mixed', () => {
  const step = stepOf('lay');
  it('has the life of the pot at the temperature of the shop, and a can may say otherwise', async () => {
    diary.note('air', { celsius: 24, humidity: 50 });
    standing(step.id);
    const onLeave = vi.fn();
    page.show(<BatchAsk step={step} onLeave={onLeave} />);
    const placeholder = () => Number(field('Life in the pot, min').placeholder);
    expect(placeholder()).toBeCloseTo(lifeInPot(plan, 24), 1);
    enter(/^Resin and shop/, '35');
    // Hotter than the plan knows: shorter than at its hottest.
    expect(placeholder()).toBeLessThan(plan.resin.potLife.at(-1)!.minutes);
    enter('Life in the pot, min', '12,5');
    enter('Lots of the cans', 'R-118');
    press('It is mixed now');
    await waitFor(() => expect(onLeave).toHaveBeenCalled());
    expect(floor.noted).toEqual([
      { kind: 'batch', body: expect.objectContaining({ step: step.id, celsius: 35, life: 12.5, lots: 'R-118' }) },
    ]);
  });
  it.each(['0', '-3', 'long'])('is not kept with a life of "%s"', (life) => {
    page.show(<BatchAsk step={step} onLeave={vi.fn()} />);
    enter('Life in the pot, min', life);
    expect(button('It is mixed now').disabled).toBe(true);
  });
  it('of an adhesive is not stopped by the share of the laminating resin, and says what it was judged by', () => {
    const bond = { ...stepOf('bond') };
    page.show(<BatchAsk step={bond} onLeave={() => undefined} />);
    enter(/^Hardener/, '300');
    expect(screen.getByRole('alert').textContent).toMatch(/567 % too much hardener for the laminating resin/);
    expect(words()).not.toContain('STOP');
  });
  it('with a life much longer than the plan has it is questioned, a shorter one is not', () => {
    page.show(<BatchAsk step={step} onLeave={vi.fn()} />);
    const life = Number(field('Life in the pot, min').placeholder);
    enter('Life in the pot, min', String(Math.round(2 * life)));
    expect(screen.getByRole('alert').textContent).toContain(
      `Longer than the plan has it at this temperature, ${life} min`,
    );
    for (const shorter of [life / 2, 1.1 * life]) {
      enter('Life in the pot, min', shorter.toFixed(1));
      expect(screen.queryByRole('alert')).toBeNull();
    }
    // A warmer shop has a shorter one.
    enter(/^Resin and shop/, '34');
    expect(screen.getByRole('alert').textContent).toContain('Longer than the plan has it');
  });
  it('of cans past their day says so before it is mixed, and is still theirs to decide', async () => {
    const polyester = { material: 'Isophthalic polyester', lot: 'R-12' };
    floor.dated = [
      { ...polyester, expires: '2020-10-31' },
      { ...polyester, lot: 'R-13', expires: '2999-10-31' },
    ];
    page.show(<BatchAsk step={stepOf('fill')} onLeave={() => undefined} />);
    fireEvent.change(field('Lots of the cans'), { target: { value: 'R-13' } });
    expect(screen.queryByText(/past its day/)).toBeNull();
    fireEvent.change(field('Lots of the cans'), { target: { value: 'R-13, r-12' } });
    expect(screen.getByRole('alert').textContent).toMatch(
      /✕ Lot R-12, Isophthalic polyester, is past its day, 31 Oct 2020: put it aside/,
    );
    press('It is mixed now');
    await waitFor(() => expect(floor.noted).toHaveLength(1));
    expect(floor.noted[0]!.body).toMatchObject({ lots: 'R-13, r-12' });
  });
  it.each([
    ['67.5', /✕ STOP: 50 % too much hardener\. Do not use it/],
    ['22.5', /✕ 50 % too little hardener: it may never cure\. It wants 45 g in all/],
  ])('with %s g of hardener instead of 45 says so at once, and is still theirs to note', async (grams, said) => {
    expect(plan.resin.share).toBe(0.015);
    page.show(<BatchAsk step={step} onLeave={() => undefined} />);
    expect(words()).toContain('The plan has 45 g of it to 3.00 kg of resin');
    enter(/^Hardener/, '45');
    expect(screen.queryByRole('alert')).toBeNull();
    enter(/^Hardener/, grams);
    expect(screen.getByRole('alert').textContent).toMatch(said);
    press('It is mixed now');
    await waitFor(() => expect(floor.noted).toHaveLength(1));
    expect(floor.noted[0]!.body).toMatchObject({ resin: 3, hardener: Number(grams) / 1000 });
  });
  it('that is refused stays open with the reason', async () => {
    const onLeave = vi.fn();
    floor.refusal = 'More than one pot may hold';
    page.show(<BatchAsk step={step} onLeave={onLeave} />);
    press('It is mixed now');
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('More than one pot may hold'));
    expect(onLeave).not.toHaveBeenCalled();
  });
});

describe('the pots that are open', () => {
  const step = stepOf('lay');
  const mixed = (life: number) =>
    diary.note('batch', { step: step.id, resin: 2, hardener: 0.04, celsius: 20, life, lots: '' });
  /** So many minutes after the batch was mixed. */
  const at = (batch: BuildRecord, minutes: number) => {
    floor.now = Date.parse(batch.at) + minutes * 60_000;
  };
  it('count down in words and colour, and sound once before the end and again and again after it', () => {
    const batch = mixed(20);
    for (const [minutes, time, word, beeps] of [
      [1, '19:00', 'left in the pot', []],
      [17, '3:00', '△ nearly over', [1]],
      [20.5, '−0:30', '✕ past its life', [3]],
    ] as const) {
      page.end();
      page.begin();
      floor.beeps = [];
      at(batch, minutes);
      page.show(<PotBar own={standing(step.id)} />);
      const pot = screen.getByRole('timer', { name: 'Pot of 2.00 kg' });
      expect(pot.textContent).toContain(`${time}${word}`);
      expect(floor.beeps, word).toEqual(beeps);
    }
  });
  it('each has its own end; one that is emptied is gone, another may be mixed', async () => {
    const [first] = [mixed(20), mixed(40)];
    at(first!, 5);
    page.show(<PotBar own={standing(step.id)} />);
    const pots = screen.getAllByRole('timer');
    expect(pots.map((pot) => pot.textContent!.slice(0, 5))).toEqual(['15:00', '36:00']);
    fireEvent.click(within(pots[0]!).getByRole('button', { name: 'Thrown away' }));
    await waitFor(() =>
      expect(floor.noted).toEqual([{ kind: 'potEmpty', body: { batch: first!.id, how: 'thrown away' } }]),
    );
    expect(button('Another batch is mixed').disabled).toBe(false);
    page.end();
    page.begin();
    diary.note('potEmpty', { batch: first!.id, how: 'used' });
    page.show(<PotBar own={standing(step.id)} />);
    expect(screen.getAllByRole('timer')).toHaveLength(1);
  });
});

describe('coats', () => {
  const step = plan.steps.find(({ coats }) => coats > 1)!;
  it('are counted one after the other, with the time that each has to flash', async () => {
    const coat = diary.note('coat', { step: step.id, celsius: 20 });
    floor.now = Date.parse(coat.at) + 60_000;
    page.show(<CoatsPart own={standing(step.id)} />);
    expect(words()).toContain(`1 of ${step.coats} coats on`);
    if (step.wait > 1) expect(screen.getByRole('timer').textContent).toContain('The next one in');
    floor.refusal = 'It flashes until 06:20';
    press('Coat 2 is on');
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('It flashes until 06:20'));
    expect(floor.noted[0]).toMatchObject({ kind: 'coat', body: { step: step.id, celsius: null } });
  });
  it('that are all on ask for no more', () => {
    for (let i = 0; i < step.coats; i++) diary.wait(step.wait).note('coat', { step: step.id, celsius: 20 });
    floor.now = Date.parse(diary.now) + 2 * step.wait * 60_000;
    page.show(<CoatsPart own={standing(step.id)} />);
    expect(words()).toContain('All are on.');
    expect(screen.queryByRole('button')).toBeNull();
  });
});

describe('the air of the shop', () => {
  it('is asked for first, then shown with what the resin bears, and marked when it is old or unfit', () => {
    page.show(<AirCard />);
    expect(words()).toContain('Air not read yet');
    for (const [celsius, humidity, minutes, said] of [
      [20, 50, 1, /^20 °C, 50 %/],
      [4, 50, 1, /△ 4 °C/],
      [20, 99, 1, /△ 20 °C, 99 %/],
      [20, 50, plan.climateLasts + 5, /△ too old/],
    ] as const) {
      page.end();
      page.begin();
      diary = new Diary();
      const air = diary.note('air', { celsius, humidity });
      standing(plan.steps[0]!.id);
      floor.now = Date.parse(air.at) + minutes * 60_000;
      page.show(<AirCard />);
      expect(screen.getByLabelText('Air in the shop').textContent, String(said)).toMatch(said);
    }
  });
  it('is typed with a comma or taken from instruments, and refused where it cannot be', async () => {
    page.show(<AirCard />);
    press('Read the air');
    enter(/^Temperature at the mould/, '19');
    for (const wrong of ['', '101', '-1', 'damp']) {
      enter('Humidity, %', wrong);
      expect(button('Keep the reading').disabled, wrong).toBe(true);
    }
    enter('Humidity, %', '54,5');
    press('Keep the reading');
    await waitFor(() => expect(floor.noted).toEqual([{ kind: 'air', body: { celsius: 19, humidity: 54.5 } }]));
  });
});

describe('the window of a step on the one before it', () => {
  const hull = plan.steps.filter(({ partId }) => partId === 'hull');
  const step = hull.find(({ within }) => within > 0)!;
  const shown = () => screen.queryByText(/Begin by/)?.textContent ?? null;
  it('says until when it is open and what comes after that, sooner in warm air', () => {
    for (const one of hull.slice(0, hull.indexOf(step))) work(plan, diary, one);
    const open = standing(step.id);
    floor.now = Date.parse(diary.now);
    page.show(<WindowLine own={open} />);
    expect(shown()).toMatch(/Begin by .*, in \d.*\. Later than that: abrade and wipe first\.$/);
    const usual = shown();
    cleanup();
    diary.note('air', { celsius: 29, humidity: 50 });
    page.show(<WindowLine own={standing(step.id)} />, { units: 'us' });
    expect(shown()).not.toEqual(usual);
    expect(shown()).toMatch(/△ In air of up to 84 °F it closes [12]\.\d times as fast as at 68 °F\./);
  });
  it('is silent once it has passed, or the step is begun', () => {
    for (const one of hull.slice(0, hull.indexOf(step))) work(plan, diary, one);
    floor.now = Date.parse(diary.now) + (step.within + 60) * 60_000;
    page.show(<WindowLine own={standing(step.id)} />);
    expect(shown()).toBeNull();
    floor.now = Date.parse(diary.now);
    diary.note('begun', { step: step.id });
    page.show(<WindowLine own={standing(step.id)} />);
    expect(shown()).toBeNull();
  });
});

describe('the drop test of a bag', () => {
  const step = { ...plan.steps[0]!, kind: 'bag' as const };
  const own = (start: number, end: number): StepState => ({
    ...standing(plan.steps[0]!.id),
    step,
    drops: [
      diary.note('drop', { step: step.id, start, end, minutes: 10, startCelsius: null, endCelsius: null }),
    ] as StepState['drops'],
  });
  it.each([
    [1500, 1520, '✓ The bag holds'],
    [1500, 30_000, '✕ It loses too much'],
    [90_000, 90_020, '✕ Too little vacuum to tell: pump it down, test again'],
  ])('from %i to %i Pa: %s', (start, end, said) => {
    page.show(<BagPart own={own(start, end)} />);
    expect(words()).toContain(said);
  });
  it('that was read after a minute says how long to wait', () => {
    const { drops, ...rest } = own(1500, 1501);
    const short = drops.map((one) => ({ ...one, body: { ...one.body, minutes: 1 } }));
    page.show(<BagPart own={{ ...rest, drops: short }} />);
    expect(words()).toContain(`✕ Read too soon: wait ${plan.drop.dropMinutes} min, read again`);
  });
  it('wants both readings, and the time between them', async () => {
    page.show(<BagPart own={{ ...standing(plan.steps[0]!.id), step, drops: [] }} />);
    expect(words()).toContain('Not tested yet');
    press('Test the bag');
    enter(/^Under the bag at the start/, '2 kPa');
    expect(button('Keep the test').disabled).toBe(true);
    enter(/^Under the bag at the end/, '2.1 kPa');
    enter('Minutes between', '0');
    expect(button('Keep the test').disabled).toBe(true);
    enter('Minutes between', '15');
    press('Keep the test');
    await waitFor(() =>
      expect(floor.noted[0]?.body).toMatchObject({ step: step.id, start: 2000, end: 2100, minutes: 15 }),
    );
  });
});
