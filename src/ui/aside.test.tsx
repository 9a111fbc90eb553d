// @vitest-environment happy-dom
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import type { Boat } from '@/core/document';
import { formatReserve } from '@/core/quantity';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { choose, press, type, went, Yard } from '../../tests/helpers/yard';
import { analysePanel, analyseZone, panelBuckling } from '@/core/evaluate';
import { KNOCK_DOWNS, GENERIC_MATERIALS } from '@/core/material';
import { CRITERIA, type Criterion } from '@/core/laminate';
import { effectOf } from '@/core/option';
import { editBoat } from '@/server/stores/boats';
import { issueRevision, listRevisions } from '@/server/stores/revisions';
import { merrow } from '../../tests/helpers/merrow';
import { AnalysisScreen } from './analysis/AnalysisScreen';
import { CheckScreen } from './check/CheckScreen';
import { LayupScreen } from './layup/LayupScreen';
import { PanelScreen } from './panel/PanelScreen';
import { RevisionsScreen } from './revisions/RevisionsScreen';

vi.mock('comlink', () => import('../../tests/helpers/comlink'));
vi.mock('next/navigation', () => ({
  useSearchParams: () => new URLSearchParams(),
  usePathname: () => '/boats/x/analysis',
  useRouter: () => went,
}));
// There is no canvas here: charts are looked at in the browser tests.
vi.mock('react-chartjs-2', () => ({ Chart: () => null }));

let yard: Yard;
beforeEach(async () => {
  await import('@/workers/proof.worker');
  yard = await Yard.open();
});
afterEach(() => yard.close());
const page = () => document.body.textContent!;

describe('Analysis', () => {
  const first = () => waitFor(() => screen.getByTestId('first-ply').textContent!);
  const open = async () => {
    const desk = await yard.show(await yard.boat(), <AnalysisScreen />);
    const [part] = desk.boat.parts;
    return {
      desk,
      of: (criterion: Criterion) => analyseZone(desk.boat, desk.boat.parts[0]!, part!.zones[0]!, criterion),
    };
  };
  it('says which ply fails first and by what, as core has it, for every criterion', async () => {
    const { of } = await open();
    for (const [criterion, words] of Object.entries(CRITERIA)) {
      choose('Failure criterion', words);
      const { failure, layerOf } = of(criterion as Criterion);
      await waitFor(async () => {
        const said = await first();
        expect(said, criterion).toContain(formatReserve(failure.reserveFactor));
        expect(said, criterion).toContain(`layer ${layerOf[failure.ply]! + 1}.`);
      });
    }
    expect(screen.getByRole('table', { name: 'First and last ply by criterion' }).textContent).not.toMatch(
      /NaN|undefined/,
    );
  });
  it('answers for a load that is given, and goes back to that of the pressure', async () => {
    const { desk } = await open();
    const before = await first();
    type(/^M across/, '-2000');
    expect(desk.boat.parts[0]!.zones[0]!.load!.M).toContain(-2000);
    await waitFor(async () => expect(await first()).not.toBe(before));
    expect(page()).toContain('given');
    await desk.saved();
    press('Back to the pressure');
    await waitFor(async () => expect(await first()).toBe(before));
    expect(desk.boat.parts[0]!.zones[0]!.load).toBeNull();
  });
  it('stands on design values, each knock-down on and off with its count', async () => {
    const { desk } = await open();
    await first();
    press('Design values');
    const applied = () => Number(/(\d+) of \d+ knock-downs are applied/.exec(page())![1]);
    for (const id of Object.keys(KNOCK_DOWNS)) {
      const was = desk.boat.brief.knockDowns[id as keyof typeof desk.boat.brief.knockDowns];
      const count = applied();
      fireEvent.click(document.getElementById(`knock-down-${id}`)!);
      expect(desk.boat.brief.knockDowns[id as keyof typeof desk.boat.brief.knockDowns], id).toBe(!was);
      expect(applied(), id).toBe(count + (was ? -1 : 1));
    }
    await desk.saved();
    // Both are on by now: what is left of the core's shear strength, and why.
    const core = within(screen.getByRole('table', { name: 'Cores' })).getAllByRole('row')[1]!.textContent;
    expect(core).toMatch(/Shear strength.*hot × 0\.\d+, fatigue × 0\.45/);
  });
  it('shows stiffness by direction and whether the fibres work together', async () => {
    await open();
    await first();
    press('Stiffness');
    expect(page()).toMatch(/GPa/);
    press('Do the fibres work together?');
    expect(page()).toContain('of the strengths simply added up');
    expect(page()).not.toMatch(/NaN|undefined|Infinity/);
  });
});

describe('a bulkhead with a heavy skin', () => {
  const heavy = (boat: Boat): Boat => ({
    ...boat,
    parts: boat.parts.map((part) => {
      if (part.name !== 'Bulkheads') return part;
      const last = part.layers.at(-1)!;
      const again = [1, 2, 3].map((n) => ({ ...last, id: `again-${n}` }));
      return { ...part, layers: [...part.layers, ...again] };
    }),
  });
  const at = (boat: Boat) => {
    const part = boat.parts.find(({ name }) => name === 'Bulkheads')!;
    return [boat, part, part.zones[0]!] as const;
  };
  it('pressed in its plane by a typed load says before which panel buckles, and what that leaves out', async () => {
    const desk = await yard.show(await yard.boat(), <AnalysisScreen />);
    const [, part, zone] = at(desk.boat);
    choose('Zone', new RegExp(zone.name));
    await waitFor(() => expect(page()).toContain('buckling; fasteners, joints'));
    expect(screen.queryByTestId('buckling')).toBeNull();
    type(/^N along/, '-40');
    const now = desk.boat.parts.find(({ id }) => id === part.id)!.zones[0]!;
    expect(now.load!.N).toEqual([-40e3, 0, 0]);
    const { reserveFactor, panel } = panelBuckling(desk.boat, part, now, now.load!.N)!;
    const said = await screen.findByTestId('buckling');
    expect(said.textContent).toContain(formatReserve(reserveFactor));
    if (panel) expect(said.textContent).toContain(panel);
    expect(page()).toContain('initial waves of the panel');
    await desk.saved();
  });
  it('is shown under the face that leaves less in Analysis and in Panel, and both say which', async () => {
    const id = await yard.boat(heavy);
    const desk = await yard.show(id, <AnalysisScreen />);
    const [, , zone] = at(desk.boat);
    choose('Zone', new RegExp(zone.name));
    const { failure, loadSource } = analyseZone(...at(desk.boat), 'maxStrain');
    await waitFor(() =>
      expect(screen.getByTestId('first-ply').textContent).toContain(formatReserve(failure.reserveFactor)),
    );
    const from = /from the inner face, which leaves less/;
    expect(from.test(page())).toBe(loadSource === 'pressureInside');
    expect(page()).toContain('Not checked here: the middle of the panel');
    cleanup();
    await yard.show(id, <PanelScreen />);
    choose('Zone', new RegExp(zone.name));
    const { reserves } = analysePanel(...at(desk.boat), { criterion: 'tsaiWu', terms: 16 });
    const inside = reserves.filter(({ governs }) => governs.endsWith('pressed from the inner face'));
    const schools = screen.getByRole('table', { name: 'Schools side by side' });
    await waitFor(() => expect(within(schools).getAllByText(/By analysis/)).toHaveLength(reserves.length));
    expect(within(schools).queryAllByText(/pressed from the inner face/).length).toBeGreaterThanOrEqual(inside.length);
    // One of them stands on either face: with unequal skins both cannot be worst from outside.
    expect(inside.length + (loadSource === 'pressureInside' ? 1 : 0)).toBeGreaterThan(0);
  });
});

describe('the panel by analysis', () => {
  it('stands beside the rule, with what governs and where', async () => {
    const desk = await yard.show(await yard.boat(), <PanelScreen />);
    const [part] = desk.boat.parts;
    const { governing, reserves, buckling } = analysePanel(desk.boat, part!, part!.zones[0]!, {
      criterion: 'tsaiWu',
      terms: 16,
    });
    const schools = screen.getByRole('table', { name: 'Schools side by side' });
    await waitFor(() => expect(within(schools).getAllByText(/By analysis/)).toHaveLength(reserves.length));
    const row = within(schools)
      .getAllByRole('row')
      .find(({ className }) => className.includes('fw-semibold'))!;
    expect(row.textContent).toContain(governing.name.toLowerCase());
    expect(row.textContent).toContain(governing.where);
    if (buckling) expect(page()).toContain('Pressed in its plane the panel would buckle at');
  });
  it('of looser edges bends more, at once', async () => {
    const desk = await yard.show(await yard.boat(), <PanelScreen />);
    const deepest = () =>
      Number(/(\d+\.\d+) mm/.exec(document.querySelector('.layup svg')!.closest('.card')!.textContent!)?.[1]);
    await waitFor(() => expect(deepest()).toBeGreaterThan(0));
    const before = deepest();
    type(/^Fixity|^Edges/, '0');
    await waitFor(() => expect(deepest()).toBeGreaterThan(before));
    await desk.saved();
  });
});

describe('what each layer buys', () => {
  it('is shown for trial, dropped, tried again and kept, and the boat is as it was until then', async () => {
    const desk = await yard.show(await yard.boat(), <LayupScreen shelf={[...GENERIC_MATERIALS]} />);
    const start = desk.boat;
    press('What each layer buys');
    const table = await waitFor(() => screen.getByRole('table', { name: 'What each layer of Bottom forward buys' }));
    const turn = await waitFor(() => within(table).getByRole('button', { name: '4, TX 900: turn to 90°' }));
    fireEvent.click(turn);
    expect(page()).toContain('Shown for trial');
    expect(screen.getByTestId('margins-moved').textContent).toContain('The boat would weigh');
    expect(desk.boat).toBe(start);
    press('Drop it');
    expect(page()).not.toContain('Shown for trial');
    fireEvent.click(within(table).getByRole('button', { name: '4, TX 900: turn to 90°' }));
    fireEvent.keyDown(within(table).getByRole('button', { name: '4, TX 900: turn to 90°' }), { key: 'Enter' });
    await waitFor(() => expect(desk.boat.parts[0]!.layers[3]!.angleDeg).toBe(90));
    await desk.saved();
    desk.undo();
    expect(desk.boat).toEqual(start);
  });
  it('is put in order by what is wanted: the lightest first are the lightest', async () => {
    await yard.show(await yard.boat(), <LayupScreen shelf={[...GENERIC_MATERIALS]} />);
    press('What each layer buys');
    const table = await waitFor(() => screen.getByRole('table', { name: 'What each layer of Bottom forward buys' }));
    await waitFor(() => expect(within(table).getAllByRole('row').length).toBeGreaterThan(5));
    const masses = () =>
      within(table)
        .getAllByRole('row')
        .slice(1)
        .map((row) => Number(row.children[1]?.textContent?.replace('−', '-')));
    fireEvent.change(screen.getByLabelText('Order of the changes'), { target: { value: 'lightest' } });
    const found = masses().filter(Number.isFinite);
    expect(found).toEqual([...found].sort((a, b) => a - b));
  });
});

describe('a material swapped', () => {
  it('shows kilograms and every margin first, and is one action of the history', async () => {
    const desk = await yard.show(await yard.boat(), <LayupScreen shelf={[...GENERIC_MATERIALS]} />);
    const start = desk.boat;
    fireEvent.keyDown(document.body, { key: 'k', ctrlKey: true });
    fireEvent.change(await waitFor(() => screen.getByLabelText('Find a command')), { target: { value: 'swap a mat' } });
    fireEvent.keyDown(screen.getByLabelText('Find a command'), { key: 'Enter' });
    await waitFor(() => choose('Take out', /PVC 80/));
    const swap = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Swap it' });
    expect(swap().disabled).toBe(true);
    choose('Lay in its place', /SAN 85/);
    const effect = await waitFor(() => screen.getByTestId('effect').textContent!);
    expect(effect).toMatch(/The boat: 676\.2 kg → 6\d\d\.\d kg \(\+\d+\.\d kg\)/);
    expect(effect).toMatch(/\d+ margins move, \d+ to below 1\.10/);
    expect(desk.boat).toBe(start);
    await waitFor(() => expect(swap().disabled).toBe(false));
    press('Swap it');
    expect(desk.boat.parts.flatMap(({ layers }) => layers).some(({ material }) => material === 'pvc-80')).toBe(false);
    expect(desk.last).toBe('swapped Cross-linked PVC 80 for SAN 85 in the whole boat');
    await desk.saved();
    desk.undo();
    expect(desk.boat).toEqual(start);
  });
});

describe('a difference between a revision and the draft', () => {
  it('shows what it comes to, kilograms and margins, beside what was changed', async () => {
    const id = await yard.boat();
    await issueRevision(yard.context, id, 1, { author: 'I. Hallin', note: 'First', answer: 'As quoted' });
    const layer = merrow().parts[0]!.layers[3]!;
    await editBoat(yard.context, id, 1, [
      { clientId: 'turned', action: 'do', edits: [{ type: 'layer.set', layerId: layer.id, patch: { angleDeg: 90 } }] },
    ]);
    const revisions = await listRevisions(yard.context, id);
    await yard.show(id, <RevisionsScreen initial={revisions} requests={[]} boats={[]} />);
    await waitFor(() => expect(page()).toContain('0° → 90°'));
    const effect = await waitFor(() => screen.getByTestId('effect').textContent!);
    const { mass, changes } = effectOf(merrow(), await yard.stored(id));
    expect(mass.after).toBeCloseTo(mass.before, 6);
    expect(effect).toContain(`${changes.length} margins move`);
    expect(effect).toContain('Both by the engine of today');
    expect(effect).toContain(changes[0]!.name);
  });
});

describe('the bands of Check', () => {
  it('come for every zone, and say how many draws they stand on', async () => {
    const desk = await yard.show(await yard.boat(), <CheckScreen />);
    await waitFor(() => expect(page()).not.toContain('being drawn…'));
    expect(page()).toMatch(/\d+ draws of fibre fraction, strengths and core, seed \d+/);
    for (const zone of desk.boat.parts.flatMap(({ zones }) => zones)) expect(page()).toContain(zone.name);
    expect(page()).not.toMatch(/NaN|undefined|Infinity/);
  });
});

describe('Check', () => {
  const open = async (change?: (boat: Boat) => Boat) => {
    const desk = await yard.show(await yard.boat(change), <CheckScreen />);
    await waitFor(() => expect(page()).not.toContain('being drawn…'));
    return desk;
  };
  const loaded = (loadedMass: number) => (boat: Boat) => ({ ...boat, brief: { ...boat.brief, loadedMass } });
  it('says how much she weighs where her pressures are reckoned by less, and nothing where they are not', async () => {
    const desk = await open();
    const [, weighs, proven] = (await waitFor(() =>
      /She weighs ([\d.]+) kg in full load.*stands on the ([\d.]+) kg/.exec(page())!,
    ))!;
    expect(Number(proven)).toBe(desk.boat.brief.loadedMass);
    expect(Number(weighs)).toBeGreaterThan(Number(proven));
    expect(screen.getByRole('link', { name: 'Weights' }).getAttribute('href')).toContain(`/boats/${desk.id}/weights`);
    yard.close();
    yard = await Yard.open();
    await open(loaded(Math.ceil(Number(weighs)) + 1));
    expect(page()).not.toContain('in full load by what is counted');
  });
  it('names the tank whose head is not among the checks of the zones that close it', async () => {
    const walled = (boat: Boat): Boat => ({
      ...boat,
      spaces: boat.spaces.map((space) => (space.kind === 'tank' ? { ...space, outer: null, gap: 0 } : space)),
    });
    await open();
    expect(page()).not.toContain('The head of');
    yard.close();
    yard = await Yard.open();
    await open(walled);
    expect(page()).toMatch(/Not checked of zones:.*The head of Fuel, which presses it from inside/);
  });
  it('shows on demand only what fails or is thin, and all of it again', async () => {
    const desk = await open();
    const names = desk.boat.parts.flatMap(({ zones }) => zones.map(({ name }) => name));
    const listed = () => {
      const [table] = screen.getAllByRole('table');
      return names.filter((name) => within(table!).queryAllByText(name).length > 0);
    };
    expect(listed()).toEqual(names);
    fireEvent.click(screen.getByLabelText('Only zones that fail or are thin'));
    await waitFor(() => expect(listed().length).toBeLessThan(names.length));
    expect(listed()).toContain('Bottom forward');
    fireEvent.click(screen.getByLabelText('Only zones that fail or are thin'));
    await waitFor(() => expect(listed()).toEqual(names));
  });
  const framesTo = (upTo: 'notSaid' | 'deckEdge') => (boat: Boat) => ({
    ...boat,
    supports: boat.supports.map((one) => (one.kind === 'frame' ? { ...one, upTo } : one)),
  });
  it('says of the side that its frames are taken to run up to the deck edge, as long as nobody says so', async () => {
    await open(framesTo('notSaid'));
    expect(page()).toMatch(/Panels of the side if Frame aft, .* ended at the chine/);
  });
  it('says no such thing of frames that are said to run up', async () => {
    await open(framesTo('deckEdge'));
    expect(page()).not.toContain('ended at the chine');
  });
});
