// @vitest-environment happy-dom
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { formatReserve } from '@/core/quantity';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { choose, press, tick, went, Yard } from '../../tests/helpers/yard';
import { evaluateDetails } from '@/core/detail/kinds';
import { makeEvaluator, targetOf } from '@/core/evaluate';
import { boatWeight } from '@/core/weight';
import type { Revision } from '@/core/revision';
import { editBoat, readBoat } from '@/server/stores/boats';
import { CheckScreen } from './check/CheckScreen';
import { PackScreen } from './pack/PackScreen';
import { PanelScreen } from './panel/PanelScreen';
import { BoatFrame } from './shared/BoatFrame';
import { useEdit } from './shared/useEdit';
import { WeightsScreen } from './weights/WeightsScreen';
import { USUAL_YARD } from '../../tests/helpers/usualYard';

vi.mock('next/navigation', () => ({
  useSearchParams: () => new URLSearchParams(),
  usePathname: () => '/boats/x/check',
  useRouter: () => went,
}));

let yard: Yard;
beforeEach(async () => {
  yard = await Yard.open();
});
afterEach(() => yard.close());
const page = () => document.body.textContent!;
const numbersIn = (text: string) => [...text.matchAll(/\d+\.\d+|\d+/g)].map(([number]) => Number(number));
const column = (table: HTMLElement, head: RegExp) => {
  const heads = within(table).getAllByRole('columnheader');
  return heads.findIndex(({ textContent }) => head.test(textContent!));
};

describe('Check', () => {
  const zones = () => screen.getAllByRole('table')[0]!;
  it('holds every zone once, with the reserve of core and its verdict in words', async () => {
    const desk = await yard.show(await yard.boat(), <CheckScreen />);
    const evaluations = makeEvaluator()(desk.boat);
    for (const part of desk.boat.parts)
      for (const zone of part.zones) {
        const rows = within(zones())
          .getAllByRole('row')
          .filter(({ textContent }) => textContent!.includes(zone.name));
        expect(rows.length, zone.name).toBeGreaterThan(0);
        const { governing } = evaluations.get(zone.id)!;
        const said = formatReserve(governing!.reserveFactor);
        expect(rows.map(({ textContent }) => textContent).join(' '), zone.name).toContain(said);
      }
  });
  it('shows only what fails or is thin when asked, and says what was not checked either way', async () => {
    const desk = await yard.show(await yard.boat(), <CheckScreen />);
    const all = within(zones()).getAllByRole('row').length;
    tick('Only zones that fail or are thin');
    const some = within(zones()).getAllByRole('row').length;
    expect(some).toBeLessThan(all);
    expect(zones().textContent).toContain('Bottom forward');
    expect(zones().textContent).not.toContain('Wheelhouse sides');
    expect(page()).toContain('Not checked of zones:');
    expect(page()).toMatch(/Checked against: .*status unverified/);
    expect(page()).toContain(targetOf(desk.boat).toFixed(2));
  });
  it('has strength under a load that was typed, with its working, and says what of buckling it leaves', async () => {
    const id = await yard.boat((boat) => ({
      ...boat,
      parts: boat.parts.map((part) => ({
        ...part,
        zones: part.zones.map((zone) =>
          zone.name === 'Foredeck' ? { ...zone, load: { N: [-30e3, 0, 0], M: [0, 0, 0], V: 0 } } : zone,
        ),
      })),
    }));
    const desk = await yard.show(id, <CheckScreen />);
    const at = column(zones(), /Load typed under Analysis/);
    const row = within(zones())
      .getAllByRole('row')
      .find(({ textContent }) => textContent!.startsWith('Foredeck'))!;
    const zone = desk.boat.parts.flatMap((part) => part.zones).find(({ name }) => name === 'Foredeck')!;
    const check = makeEvaluator()(desk.boat)
      .get(zone.id)!
      .checks.find((one) => one.id === 'typedLoad')!;
    const cell = row.children[at] as HTMLElement;
    expect(cell.textContent).toContain(formatReserve(check.reserveFactor));
    fireEvent.click(within(cell).getByRole('button'));
    expect(await screen.findByText(/Local limits of the sandwich/)).toBeTruthy();
    expect(page()).toContain('Buckling of Foredeck under the load that is typed for it');
  });
  it('sorts by the reserve, least first, by a click on its head', async () => {
    await yard.show(await yard.boat(), <CheckScreen />);
    const at = column(zones(), /Least|Reserve/);
    fireEvent.click(within(within(zones()).getAllByRole('columnheader')[at]!).getByRole('button'));
    const cells = [...zones().querySelectorAll('tbody tr')].flatMap((row) => {
      const [number] = numbersIn(row.children[at]?.textContent ?? '');
      return number === undefined ? [] : [number];
    });
    expect(cells.length).toBeGreaterThan(10);
    const sorted = [...cells].sort((a, b) => a - b);
    expect([sorted, [...sorted].reverse()]).toContainEqual(cells);
  });
});

describe('Weights', () => {
  it('adds up: zones to the boat, as core has it, in kilograms and in pounds', async () => {
    const id = await yard.boat();
    const desk = await yard.show(id, <WeightsScreen yard={USUAL_YARD} />);
    const weight = boatWeight(desk.boat, makeEvaluator()(desk.boat), evaluateDetails(desk.boat));
    const table = screen.getByRole('table');
    expect(table.textContent).toContain(weight.mass.toFixed(1));
    const at = column(table, /^Mass/);
    const masses = [...table.querySelectorAll('tbody tr')]
      .filter((row) => row.querySelector('td.ps-4'))
      .map((row) => Number(row.children[at]!.textContent!.replace(/[^\d.]/g, '')));
    expect(masses.reduce((sum, mass) => sum + mass, 0)).toBeCloseTo(weight.mass, -0.5);
    yard.close();
    await yard.show(id, <WeightsScreen yard={USUAL_YARD} />, 'us');
    expect(screen.getByRole('table').textContent).toContain((weight.mass / 0.45359237).toFixed(1));
  });
  it('of a heavier core is more, and says by how much it is over', async () => {
    const id = await yard.boat((boat) => ({
      ...boat,
      parts: boat.parts.map((part) => ({
        ...part,
        layers: part.layers.map((layer) =>
          layer.thickness === null ? layer : { ...layer, thickness: Math.min(0.2, layer.thickness * 1.5) },
        ),
      })),
    }));
    await yard.show(id, <WeightsScreen yard={USUAL_YARD} />);
    const [over] = /(\d+\.\d) % over|over.*?(\d+\.\d) %/.exec(page())!.slice(1).filter(Boolean).map(Number);
    expect(over).toBeGreaterThan(3);
    expect(page()).toContain('Everything else that weighs stands under');
  });
});

describe('Panel', () => {
  it('sets the schools side by side, and says what it has no reference for', async () => {
    const desk = await yard.show(await yard.boat(), <PanelScreen />);
    const [zone] = desk.boat.parts[0]!.zones;
    const { governing } = makeEvaluator()(desk.boat).get(zone!.id)!;
    const schools = screen.getByRole('table', { name: 'Schools side by side' });
    expect(schools.textContent).toContain(formatReserve(governing!.reserveFactor));
    expect(schools.textContent).toContain('no reference chosen for this zone');
  });
  it('takes this zone as a reference, matches it exactly, holds it layer by layer, lets it go unused', async () => {
    const desk = await yard.show(await yard.boat(), <PanelScreen />);
    fireEvent.change(screen.getByLabelText('Name of the new reference'), { target: { value: 'As tested' } });
    press('Take this zone as it is now');
    const item = desk.boat.references.at(-1)!;
    const zone = () => desk.boat.parts[0]!.zones[0]!;
    expect(item).toMatchObject({ name: 'As tested' });
    expect(zone().match).toBe(item.id);
    const ratios = within(screen.getByRole('table', { name: new RegExp(`against ${item.name}`) }))
      .getAllByRole('row')
      .slice(1)
      .map((row) => numbersIn(row.lastElementChild!.textContent!)[0]);
    expect(ratios.length).toBeGreaterThan(2);
    expect(new Set(ratios)).toEqual(new Set([1]));
    choose('As specified, layer by layer', /^As tested/);
    expect(zone().specified).toBe(item.id);
    expect(page()).toContain('The pack "As specified" is not among');
    const before = desk.boat;
    press('Remove reference As tested');
    expect(screen.getByRole('alert').textContent!.length).toBeGreaterThan(10);
    expect(desk.boat).toBe(before);
    choose('As specified, layer by layer', 'nothing');
    choose('Must match, proved itself', 'nothing');
    press('Remove reference As tested');
    expect(desk.boat.references.map(({ id }) => id)).not.toContain(item.id);
    await desk.saved();
  });
  it('takes a reference from another boat with the materials it needs', async () => {
    await yard.boat((boat) => ({ ...boat, name: 'Older sister' }));
    const desk = await yard.show(await yard.boat(), <PanelScreen />);
    press('Take from another boat…');
    await waitFor(() => screen.getByLabelText('Other boat'));
    choose('Other boat', 'Older sister');
    await waitFor(() => screen.getByLabelText('Zone of the other boat'));
    choose('Zone of the other boat', /Bottom aft$/);
    expect(desk.boat.references.at(-1)!.name).toBe('Older sister, Bottom aft');
    await desk.saved();
  });
});

describe('Pack', () => {
  const point = { of: 'detail', name: 'Tow post', stands: 'fails', reserveFactor: 0.5479 } as const;
  const revision = {
    id: 'r',
    label: 'A',
    author: 'I. Hallin',
    note: 'For the quotation',
    issuedAt: '2026-11-02T08:00:00.000Z',
    open: { points: [point], answer: 'To be mended' },
  } as unknown as Revision;
  it('saves the revision that is chosen, in the units that are shown, and says that a draft is one', async () => {
    const id = await yard.boat();
    await yard.show(id, <PackScreen revisions={[revision]} />, 'us');
    const links = () => screen.getAllByRole('link').map((link) => link.getAttribute('href')!);
    expect(links().filter((href) => href.includes('format='))).toEqual(
      expect.arrayContaining([expect.stringMatching(/format=csv&units=us.*revision=A/) as string]),
    );
    // What was signed stands as it was signed; the draft as it is now, part by part.
    expect(page()).toContain('Tow post fails 0.54');
    expect(page()).toContain('Issued all the same: To be mended');
    choose('Print', 'Draft, not issued');
    expect(page()).toContain('a draft says DRAFT on every page');
    await waitFor(() => expect(page()).toContain('in all.'));
    const parts = within(screen.getByRole('table', { name: 'Parts in the print' }))
      .getAllByRole('row')
      .slice(1);
    expect(parts).toHaveLength(4);
    expect(parts[0]!.textContent).toMatch(/^Hull628754\.0✕0\.95fails$/);
    await waitFor(() =>
      expect(screen.getByRole('list', { name: 'Open points' }).textContent).toContain('Bottom forward'),
    );
    expect(links().filter((href) => href.includes('revision='))).toEqual([]);
  });
});

describe('the frame of a boat', () => {
  const framed = (
    <BoatFrame>
      <PackScreen revisions={[]} />
    </BoatFrame>
  );
  it('says in one line what the boat comes to, and takes back and does again by keys', async () => {
    const desk = await yard.show(await yard.boat(), framed);
    const standing = () => screen.getByTestId('standing').textContent!;
    expect(standing()).toContain('1 zone fails');
    await waitFor(() => expect(standing()).toMatch(/kg, \d+\.\d % over target/));
    const key = (letter: string, shiftKey = false) =>
      fireEvent.keyDown(document, { key: letter, ctrlKey: true, shiftKey });
    const start = desk.boat;
    key('z');
    expect(desk.boat).toBe(start);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Undo' }).disabled).toBe(true);
  });
  it('shows the difference when somebody else saved first, and puts ours on top of theirs', async () => {
    const id = await yard.boat();
    const desk = await yard.show(
      id,
      <>
        {framed}
        <OwnEdit />
      </>,
    );
    await editBoat(yard.context, id, 1, [
      { clientId: 'somebody', action: 'do', edits: [{ type: 'brief.set', patch: { loadedMass: 4000 } }] },
    ]);
    press('Heavier target');
    const dialog = await waitFor(() => screen.getByRole('dialog', { name: /Somebody else changed/ }));
    expect(dialog.textContent).toMatch(/loaded mass/i);
    press('Put my changes on top of theirs', dialog);
    await desk.saved();
    const { boat } = await readBoat(yard.context, id);
    expect(boat.brief).toMatchObject({ loadedMass: 4000, weightTarget: 700 });
  });
});

function OwnEdit() {
  const edit = useEdit();
  return (
    <button type="button" onClick={() => void edit({ type: 'brief.set', patch: { weightTarget: 700 } })}>
      Heavier target
    </button>
  );
}
