// @vitest-environment happy-dom
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { choose, press, type, went, Yard } from '../../../tests/helpers/yard';
import { USUAL_CURING } from '@/core/cure';
import type { Boat } from '@/core/document';
import { USUAL_FILLING, WHAT_IFS, type WhatIf } from '@/core/fill';
import { USUAL_MIXING } from '@/core/kit';
import { listDropTests } from '@/server/stores/dropTests';
import { readSetting } from '@/server/stores/settings';
import { FillScreen, type FillSettings } from './FillScreen';

vi.mock('comlink', () => import('../../../tests/helpers/comlink'));
// There is no canvas here: charts are looked at in the browser.
vi.mock('../shared/charts/Chart', () => ({ Chart: () => null }));
vi.mock('../shared/saveFile', () => ({ saveFile: (...file: unknown[]) => saved.push(file) }));
const saved: unknown[][] = [];
let view = 'fill';
vi.mock('next/navigation', () => ({
  useSearchParams: () => new URLSearchParams(`view=${view}`),
  usePathname: () => '/boats/x/fill',
  useRouter: () => went,
}));

const SETTINGS: FillSettings = {
  filling: { body: USUAL_FILLING, version: 0, own: null },
  curing: { body: USUAL_CURING, version: 0, own: null },
  mixing: { body: USUAL_MIXING, version: 0, own: null },
};
const SLOW = { timeout: 120_000 };
let yard: Yard;
beforeEach(async () => {
  window.sessionStorage.clear();
  saved.length = 0;
  await import('@/workers/fill.worker');
  yard = await Yard.open();
});
afterEach(() => yard.close());

const open = async (name: string, boat: Boat) => {
  view = name;
  const id = await yard.boat(() => boat);
  const desk = await yard.show(id, <FillScreen settings={SETTINGS} />);
  await waitFor(() => expect(document.body.textContent).not.toMatch(/Opening…/), SLOW);
  return desk;
};
const page = () => document.body.textContent ?? '';
const rows = (table: string) => within(screen.getByRole('table', { name: table })).getAllByRole('row');
/** The small launch with one bulkhead to fill. */
const infused = (): Boat => {
  const boat = brant();
  return { ...boat, brief: { ...boat.brief, process: 'infusion' } };
};

describe('Fill', () => {
  it('proposes lines for a new plan, fills it, and says what it comes to', async () => {
    const desk = await open('fill', infused());
    choose('A new one for', 'Deck: Cockpit sole');
    press('Add a plan');
    const [plan] = desk.boat.fillPlans;
    expect(plan!.lines.filter(({ role }) => role === 'feed').length).toBeGreaterThan(0);
    expect(page()).toContain('Not simulated as it stands');
    press('Fill it');
    await waitFor(() => expect(page()).toMatch(/What it comes to|stays dry/), SLOW);
    await waitFor(() => expect(screen.queryByRole('button', { name: 'Stop' })).toBeNull(), SLOW);
    expect(page()).toContain('A quick look');
    expect(rows('Zones as they fill')).toHaveLength(2);
    expect(rows('Buckets').length).toBeGreaterThan(1);
    choose('What the picture shows', /per cent thicker/);

    // What if it goes otherwise: each kind, heat among them, which costs pot life though it fills sooner.
    press('Try each');
    await waitFor(() => expect(rows('What if')).toHaveLength(Object.keys(WHAT_IFS).length + 1), SLOW);
    const cells = (kind: WhatIf) =>
      within(rows('What if').find(({ textContent }) => textContent!.startsWith(WHAT_IFS[kind]))!)
        .getAllByRole('cell')
        .map(({ textContent }) => textContent!);
    const margin = (kind: WhatIf) => parseFloat(cells(kind)[1]!.replace(/^\D+/, ''));
    expect(page()).toContain(`${WHAT_IFS.hot}, ${USUAL_FILLING.hotShop}`);
    expect(margin('hot')).toBeLessThan(margin('cold'));
    for (const kind of Object.keys(WHAT_IFS) as WhatIf[])
      expect(cells(kind).join(' '), kind).not.toMatch(/NaN|undefined|-\d/);
    expect(document.querySelectorAll('.fill-iso').length).toBeGreaterThan(3);
    choose('What the picture shows', /minutes/);
    press('DXF');
    press('SVG 1:1');
    expect(saved.map(([name]) => name)).toEqual(['deck-cockpit-sole.dxf', 'deck-cockpit-sole.svg']);
    // Another temperature: what was found does not hold any more.
    type(/^Shop and resin/, '14');
    expect(page()).toContain('Not simulated as it stands');
  });
  it('lines are changed by figures, opened otherwise, taken out and brought back', async () => {
    const desk = await open('fill', merrow());
    const lines = () => desk.boat.fillPlans[0]!.lines;
    press('▶ Rail');
    choose('Its clamp opens', 'when the front has come by');
    expect(lines().find(({ id }) => id === 'rail')).toMatchObject({ opens: 'arrival' });
    const before = lines().length;
    press('Remove the line');
    expect(lines()).toHaveLength(before - 1);
    press('Lay lines for 60 min');
    expect(lines().at(-1)!.role).toBe('vent');
    press('Copy this plan');
    expect(desk.boat.fillPlans).toHaveLength(3);
    expect(rows('Plans side by side')).toHaveLength(4);
    fireEvent.click(screen.getByLabelText('Keel band'));
    expect(desk.boat.fillPlans.at(-1)!.bare).toEqual([{ zone: 'keel-band' }]);
    press('Remove it');
    expect(desk.boat.fillPlans).toHaveLength(2);
  });
  it('says why nothing can be filled', async () => {
    const boat = merrow();
    const bare = { ...boat, parts: boat.parts.map((part, i) => (i === 0 ? { ...part, layers: [] } : part)) };
    const desk = await open('fill', bare);
    expect(page()).toContain('nothing is laid in it that resin fills');
    expect(screen.getByRole('button', { name: 'Fill it' })).toHaveProperty('disabled', true);
    expect(desk.boat.fillPlans).toHaveLength(2);
  });
  it('keeps the yard’s own permeabilities', async () => {
    await open('fill', merrow());
    press('Show and change it');
    type(/^Sheet of .* 1$/, 'Peel ply, fine');
    type('Times as thick at its pot life', '5');
    press('Keep it');
    await waitFor(async () => expect((await readSetting(yard.context, 'filling')).body.thickening).toBe(5));
    expect((await readSetting(yard.context, 'filling')).body.stack[0]!.name).toBe('Peel ply, fine');
  });
});

describe('Bag and drop test', () => {
  it('refuses to have resin mixed until the last test has passed', async () => {
    const { id } = await open('bag', merrow());
    expect(rows('From the part to the bag')).toHaveLength(5);
    expect(page()).toContain('no batch may be mixed');
    const read = async (start: string, end: string) => {
      type(/^Under the bag at the start/, start);
      const field = screen.getAllByLabelText(/^At the end/)[0]!;
      fireEvent.change(field, { target: { value: end } });
      fireEvent.blur(field);
      await waitFor(() =>
        expect(screen.getByRole('button', { name: 'Keep this reading' })).toHaveProperty('disabled', false),
      );
      press('Keep this reading');
    };
    await read('2', '9');
    await waitFor(() => expect(page()).toContain('✕ not passed'));
    await read('2', '2.1');
    await waitFor(() => expect(page()).toContain('resin may be mixed'));
    expect(await listDropTests(yard.context, id)).toHaveLength(2);
    // One that is read after a minute proves nothing, however little it lost.
    type('Minutes between', '1');
    await read('2', '2');
    await waitFor(() => expect(page()).toMatch(/✕ not passed.*Read too soon/));
    fireEvent.click(screen.getAllByRole('button', { name: 'Take it back' })[0]!);
    await waitFor(() => expect(page()).toContain('resin may be mixed'));
    fireEvent.click(screen.getAllByRole('button', { name: 'Take it back' })[0]!);
    await waitFor(() => expect(page()).toContain('no batch may be mixed'));
    expect(await listDropTests(yard.context, id)).toHaveLength(5);
  });
});

describe('Cure', () => {
  it('shows each zone by the schedule; a step more makes it further, all are undone', async () => {
    const desk = await open('cure', brant());
    expect(rows('Zones as they cure').length).toBeGreaterThan(4);
    expect(page()).toMatch(/its two pot lives: an approximation/);
    expect(rows('What goes down together').length).toBeGreaterThan(4);
    const steps = () => desk.boat.curePlans[0]!.steps;
    const before = steps().length;
    press('Add to steps');
    expect(steps()).toHaveLength(before + 1);
    type(/^Mould bears/, '30');
    await waitFor(() => expect(page()).toMatch(/the mould comes to/));
    // The same card in a shop that is hotter, which is nearer its limits, and colder, which hardens less.
    await waitFor(() => expect(rows('In a hotter or colder shop')).toHaveLength(4));
    const [, planned, hot, cold] = rows('In a hotter or colder shop').map(({ textContent }) => textContent!);
    expect(planned).toContain('as planned');
    expect(hot).toContain(`${USUAL_CURING.hotShop} °C`);
    expect(cold).toContain(`${USUAL_CURING.coldShop} °C`);
    const hottest = (row: string) => Number(/([\d.]+) °C of/.exec(row)![1]);
    expect(hottest(hot!)).toBeGreaterThanOrEqual(hottest(cold!));
    press('Add a schedule');
    expect(desk.boat.curePlans).toHaveLength(2);
    press('Remove it');
    expect(desk.boat.curePlans).toHaveLength(1);
  });
});

describe('Hand, wet bag, prepreg', () => {
  it('tells what each needs of this boat', async () => {
    await open('hand', brant());
    for (const table of ['Hand lay-up', 'Wet bag', 'Prepreg']) expect(rows(table)).toHaveLength(4);
    expect(page()).toContain('as the Brief has it');
  });
});
