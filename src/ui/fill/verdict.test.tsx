// @vitest-environment happy-dom
import { cleanup, render, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { merrow } from '../../../tests/helpers/merrow';
import { makeEvaluator } from '@/core/evaluate';
import { fillCase, USUAL_FILLING, WHAT_IFS, type FillCase, type WhatIf } from '@/core/fill';
import type { UnitSystem } from '@/core/quantity';
import type { Filled, WhatIfFound } from '@/workers/fill.worker';
import { UnitsProvider } from '../shared/units';
import { FillVerdict } from './FillVerdict';
import type { FillState } from './fillStore';
import { limitWord, marginWord, minutes } from './minutes';
import { WhatIfCard } from './WhatIfCard';
import { ZonesFilled } from './ZonesFilled';

// There is no canvas here: charts are looked at in the browser.
vi.mock('../shared/charts/Chart', () => ({ Chart: () => null }));
afterEach(cleanup);

const boat = merrow();
const plan = { ...boat.fillPlans[0]!, target: 3600 };
const own: FillCase = fillCase({ boat, plan, filling: USUAL_FILLING, evaluations: makeEvaluator()(boat) });

type Outcome = Filled['outcome'];
const OUTCOME: Outcome = {
  fillTime: 2400,
  wetTime: 3000,
  zones: [{ id: 'a', name: 'Bottom', front: 2400, wet: 3000, dry: 0 }] as Outcome['zones'],
  dry: [],
  unresolved: 0,
  area: 10,
  cell: 0.0004,
  margin: 2,
  opens: [],
  thicker: 0.08,
  halfLost: 0.05,
};
const filled = (outcome: Partial<Outcome>, rest: Partial<Filled> = {}): Filled =>
  ({
    outcome: { ...OUTCOME, ...outcome },
    problems: [],
    notes: [],
    life: 6000,
    mesh: { size: 0.05 },
    ...rest,
  }) as unknown as Filled;
const dryPlace = (area: number, trapped: boolean) => ({ area, trapped }) as Outcome['dry'][number];

const show = (units: UnitSystem, of: React.ReactElement) =>
  render(<UnitsProvider initial={units}>{of}</UnitsProvider>).container;
const verdict = (of: Filled | null, { fine = true, units = 'metric' as UnitSystem, filling = USUAL_FILLING } = {}) => {
  const page = show(units, <FillVerdict plan={plan} filling={filling} own={own} filled={of} fine={fine} />);
  const lines = [...page.querySelectorAll('li')].map((line) => line.textContent!);
  return { lines, words: page.textContent! };
};

describe('what a fill comes to', () => {
  it('is nothing before it was simulated, and says so', () => {
    const { lines, words } = verdict(null);
    expect(lines).toEqual([]);
    expect(words).toContain('Not simulated as it stands');
    expect(words).not.toMatch(/✓|What it comes to/);
  });
  it('in time and with pot life to spare, meets both, and says what was not looked at', () => {
    const { lines, words } = verdict(filled({}));
    expect(lines).toEqual([
      '✓ Wet through in 50 min, wanted in 60 min',
      `✓ Pot life left at the clamp 100 min: 2.0 times the fill, wanted ${USUAL_FILLING.margin.toFixed(1)}`,
    ]);
    expect(words).toMatch(/Not looked at: leaks, racing along edges and a late clamp/);
    expect(words).toContain('generic until you put in your own');
  });
  it('later than wanted is thin; exactly in time is in time', () => {
    expect(verdict(filled({ wetTime: 3601 })).lines[0]).toMatch(/^△ Wet through/);
    cleanup();
    expect(verdict(filled({ wetTime: 3600 })).lines[0]).toMatch(/^✓ Wet through/);
  });
  it('less pot life than wanted is thin, less than the fill is a part that would be lost', () => {
    expect(verdict(filled({ margin: USUAL_FILLING.margin - 0.01 })).lines[1]).toMatch(/^△ Pot life/);
    cleanup();
    const lost = verdict(filled({ margin: 0.99 })).lines[1]!;
    expect(lost).toMatch(/^✕ Pot life/);
    expect(lost).toContain('do not mix for it');
    cleanup();
    expect(verdict(filled({ margin: 1 })).lines[1]).not.toContain('do not mix');
  });
  it('with dry places says how many, how much, and why, and that it is not mixed for', () => {
    const one = verdict(filled({ dry: [dryPlace(0.02, true)], wetTime: null, margin: null })).lines;
    expect(one).toHaveLength(1);
    expect(one[0]).toMatch(/^✕ One place stays dry, 200\.00 cm² of this hand; 1 cut off from the vacuum: .*Do not mix/);
    cleanup();
    const two = verdict(filled({ dry: [dryPlace(0.02, false), dryPlace(0.03, false)], wetTime: null, margin: null }));
    expect(two.lines[0]).toMatch(/^✕ 2 places stay dry, 500\.00 cm² of this hand; the resin comes too late/);
    // What is dry says nothing of a time in which it were wet.
    expect(two.words).not.toContain('Wet through in');
  });
  it('never wet through, with no place that can be told, is lost all the same', () => {
    expect(verdict(filled({ wetTime: null, margin: null })).lines).toEqual([
      '✕ It is never wet through: this part would be lost. Do not mix for it.',
    ]);
  });
  it('a problem of the plan stands first, whatever the front does', () => {
    const { lines } = verdict(filled({}, { problems: ['A feed line lies off the part'] }));
    expect(lines[0]).toBe('✕ A feed line lies off the part');
  });
  it('a quick look and corners smaller than a cell are no clear word', () => {
    const { lines } = verdict(filled({ unresolved: 3 }), { fine: false });
    expect(lines.filter((line) => line.startsWith('△'))).toHaveLength(2);
    expect(lines.join()).toMatch(/3 corners smaller than a cell \(4\.00 cm²\)/);
    expect(lines.join()).toMatch(/narrower than 0\.100 m is not seen/);
  });
  it('speaks in the units of the reader', () => {
    const { words } = verdict(filled({ dry: [dryPlace(0.5, true)] }), { units: 'us', fine: false });
    expect(words).toContain('ft²');
    expect(words).not.toMatch(/\d (mm|m²|m)\b/);
  });
});

describe('zone by zone', () => {
  it('tells what stays dry of a zone that the front never passes, and nothing where it does', () => {
    const zones = [
      { id: 'a', name: 'Bottom', front: 2400, wet: 3000, dry: 0 },
      { id: 'b', name: 'Keel band', front: null, wet: null, dry: 0.12 },
    ] as Outcome['zones'];
    show('metric', <ZonesFilled filled={filled({ zones })} />);
    const [, bottom, keel] = within(screen.getByRole('table', { name: 'Zones as they fill' })).getAllByRole('row');
    expect([...bottom!.querySelectorAll('td')].map(({ textContent }) => textContent)).toEqual([
      '40 min',
      '50 min',
      'nothing',
    ]);
    expect([...keel!.querySelectorAll('td')].map(({ textContent }) => textContent)).toEqual(['–', '–', '✕ 0.12 m²']);
    expect(document.body.textContent).toContain('up to 8 % thicker');
    expect(document.body.textContent).toContain('springs back by 5 %');
  });
});

describe('what if it goes otherwise', () => {
  const found = (kind: WhatIf, rest: Partial<WhatIfFound>): WhatIfFound => ({
    kind,
    fillTime: 2000,
    wetTime: 2500,
    margin: 2.5,
    dry: 0,
    ...rest,
  });
  const table = (whatIfs: WhatIfFound[], celsius = 20) => {
    const state = { filled: filled({}), whatIfs, running: null } as unknown as FillState;
    const given = { ...plan, celsius };
    show(
      'metric',
      <WhatIfCard plan={given} filling={USUAL_FILLING} state={state} disabled={false} onRun={() => undefined} />,
    );
    return new Map(
      within(screen.getByRole('table', { name: 'What if' }))
        .getAllByRole('row')
        .slice(1)
        .map((row) => [
          row.querySelector('th')!.textContent!,
          [...row.querySelectorAll('td')].map((td) => td.textContent),
        ]),
    );
  };
  it('marks what no longer holds: too little pot life, a part that is never full', () => {
    const rows = table([
      found('hot', { margin: 0.8 }),
      found('cold', { margin: USUAL_FILLING.margin }),
      found('leak', { wetTime: null, margin: null, dry: 0.3 }),
    ]);
    const of = (kind: WhatIf) => [...rows].find(([name]) => name.startsWith(WHAT_IFS[kind]))![1];
    expect(of('hot')).toEqual(['42 min', '✕ 0.8', 'nothing']);
    expect(of('cold')[1]).toMatch(/^✓/);
    expect(of('leak')).toEqual(['✕ never', '✕', '0.30 m²']);
  });
  it('a shop that is hotter than it is called hot already is not taken as cooler', () => {
    const [name] = [...table([found('hot', {})], USUAL_FILLING.hotShop + 4).keys()];
    expect(name).toContain(`${USUAL_FILLING.hotShop + 4}`);
  });
});

describe('words of times and limits', () => {
  it('stand at the limit itself on the side that the number says', () => {
    expect([marginWord(0.999, 1.5), marginWord(1, 1.5), marginWord(1.499, 1.5), marginWord(1.5, 1.5)]).toEqual([
      'fails',
      'thin',
      'thin',
      'meets',
    ]);
    expect([limitWord(-0.1), limitWord(0), limitWord(9.9), limitWord(10)]).toEqual(['fails', 'thin', 'thin', 'meets']);
  });
  it('are minutes, hours where there are many, a dash where there are none', () => {
    expect([90, 599, 600, 17_999, 18_000, 90_000].map(minutes)).toEqual([
      '1.5 min',
      '10.0 min',
      '10 min',
      '300 min',
      '5.0 h',
      '25.0 h',
    ]);
    expect([null, Infinity, NaN].map(minutes)).toEqual(['–', '–', '–']);
  });
});
