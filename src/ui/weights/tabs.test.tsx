// @vitest-environment happy-dom
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { USUAL_YARD } from '../../../tests/helpers/usualYard';
import { choose, press, type, went, Yard } from '../../../tests/helpers/yard';
import { USUAL_RATES } from '@/core/cost';
import type { Boat } from '@/core/document';
import { readSetting } from '@/server/stores/settings';
import { listWeighIns } from '@/server/stores/weighIns';
import { WeightsScreen } from './WeightsScreen';

// There is no canvas here: charts are looked at in the browser.
vi.mock('../shared/charts/Chart', () => ({ Chart: () => null }));
let view = 'aboard';
vi.mock('next/navigation', () => ({
  useSearchParams: () => new URLSearchParams(`view=${view}`),
  usePathname: () => '/boats/x/weights',
  useRouter: () => went,
}));

let yard: Yard;
beforeEach(async () => {
  window.sessionStorage.clear();
  yard = await Yard.open();
});
afterEach(() => yard.close());
const open = async (name: string, change?: (boat: Boat) => Boat) => {
  view = name;
  const desk = await yard.show(await yard.boat(change), <WeightsScreen yard={USUAL_YARD} />);
  await waitFor(() => expect(document.body.textContent).not.toContain('Opening…'));
  return desk;
};
const page = () => document.body.textContent ?? '';
const row = (table: string, name: string | RegExp) => {
  const found = [...screen.getByRole('table', { name: table }).querySelectorAll('tr')].find((one) =>
    typeof name === 'string' ? one.textContent?.includes(name) : name.test(one.textContent ?? ''),
  );
  if (!found) throw new Error(`${table} has no row ${String(name)}`);
  return found;
};
const numbers = (text: string | null) => (text?.match(/\d+(?:\.\d+)?/g) ?? []).map(Number);

describe('Everything aboard', () => {
  it('adds an item, changes it, copies it, takes it away, and takes that back', async () => {
    const desk = await open('aboard', (boat) => ({ ...boat, items: [] }));
    await press('Add an item');
    fireEvent.click(await screen.findByText('Engine and drive', { selector: '.dropdown-item' }));
    type('Name of the item', 'Diesel');
    type(/^Mass of one/, '420 kg');
    type(/^Above baseline/, '2 ft');
    choose('Known', 'weighed');
    await waitFor(() => expect(desk.boat.items[0]).toMatchObject({ name: 'Diesel', mass: 420, state: 'weighed' }));
    expect(desk.boat.items[0]!.z).toBeCloseTo(0.6096, 6);
    type('Number', '2.5');
    expect(page()).toContain('Number must be a whole number');
    await press('Copy it');
    expect(desk.boat.items.map(({ name }) => name)).toEqual(['Diesel', 'Diesel, another']);
    await press('Remove it');
    expect(desk.boat.items).toHaveLength(1);
    act(() => desk.undo());
    expect(desk.boat.items).toHaveLength(2);
    expect((await desk.saved()).items).toHaveLength(2);
  });
  it('weighs paint by its film over what it covers', async () => {
    const desk = await open('aboard');
    fireEvent.click(within(screen.getByRole('table', { name: 'Items' })).getByText('Antifouling and topsides'));
    const before = desk.boat.items.find(({ kind }) => kind === 'paint')!.mass;
    type(/^Dry film/, '0.5 mm');
    await press('Take it');
    const paint = () => desk.boat.items.find(({ kind }) => kind === 'paint')!;
    await waitFor(() => expect(paint().mass).not.toBe(before));
    const area = desk.boat.parts[0]!.zones.reduce((sum, z) => sum + (z.location === 'bottom' ? z.geometry.area : 0), 0);
    expect(paint().mass).toBeCloseTo(area * 0.75, 1);
  });
  it('refuses a mass that is none, and keeps what was there', async () => {
    const desk = await open('aboard');
    fireEvent.click(within(screen.getByRole('table', { name: 'Items' })).getByText('Diesel engine and gearbox'));
    type(/^Mass of one/, '-3');
    expect(page()).toContain('Mass of one must be between');
    expect(desk.boat.items[0]!.mass).toBe(520);
  });
  it('asks for what such a boat has, until it is added or said not to be in her', async () => {
    const desk = await open('aboard', (boat) => ({ ...boat, items: [], spaces: [] }));
    const list = () => screen.getByRole('list', { name: 'Not counted' });
    const before = within(list()).getAllByRole('listitem').length;
    expect(before).toBeGreaterThan(8);
    const of = (name: RegExp) =>
      within(list())
        .getAllByRole('listitem')
        .find(({ textContent }) => name.test(textContent ?? ''))!;
    fireEvent.click(within(of(/^People/)).getByText('Not in this boat'));
    expect(desk.boat.brief.absent).toEqual(['people']);
    fireEvent.click(within(of(/^Engine/)).getByText('Add'));
    expect(desk.boat.items).toHaveLength(1);
    expect(within(list()).getAllByRole('listitem')).toHaveLength(before - 2);
    fireEvent.click(screen.getByLabelText('Ask for people again'));
    expect(within(list()).getAllByRole('listitem')).toHaveLength(before - 1);
  });
  it('takes a pasted list over as one action: what is wrong is told and left', async () => {
    const desk = await open('aboard', (boat) => ({ ...boat, items: [] }));
    await press('Paste or import a list');
    fireEvent.change(await screen.findByLabelText(/Or paste rows/), {
      target: {
        value: 'Item;Weight (lb);LCG (ft);VCG (mm);Qty\nMast;44;10;2600;1\nThing;heavy;1;1;1\nBattery;84;7;400;3\n',
      },
    });
    await press('Read what was pasted');
    await screen.findByRole('table', { name: 'Rows of the list' });
    expect(page()).toContain('"heavy" is no mass of one');
    fireEvent.click(screen.getByRole('button', { name: 'Take 2 items' }));
    await waitFor(() => expect(desk.boat.items).toHaveLength(2));
    expect(desk.boat.items[0]).toMatchObject({ name: 'Mast', kind: 'rig', z: 2.6 });
    expect(desk.boat.items[0]!.mass).toBeCloseTo(19.96, 1);
    act(() => desk.undo());
    expect(desk.boat.items).toEqual([]);
  });
});

describe('How she floats', () => {
  it('says mass, trim and heel of each condition, and follows a weight that is moved', async () => {
    const desk = await open('floats');
    const full = (name: string | RegExp) => numbers(row('Loading conditions', name).textContent).at(-1)!;
    const draught = full(/^amidships/);
    expect(full(/^Mass/)).toBeGreaterThan(3000);
    choose(/by moment above the baseline/, /^Diesel engine/);
    type(/^Heavier by/, '400');
    expect(page()).toMatch(/The centre of the boat comes .*(higher|lower)/);
    await press('Put it there');
    await waitFor(() => expect(full(/^amidships/)).toBeGreaterThan(draught));
    expect(desk.boat.items[0]!.mass).toBe(920);
    act(() => desk.undo());
    await waitFor(() => expect(full(/^amidships/)).toBeCloseTo(draught, 6));
    expect(desk.boat.items[0]).toMatchObject({ mass: 520, z: 0.62 });
  });
  it('of stores that are half used up, weighs what was told once they are put there', async () => {
    const desk = await open('floats');
    choose('Loaded', 'Half load');
    choose(/by moment above the baseline/, /^Sampling gear/);
    type(/^Heavier by/, '40');
    type(/^Moved up/, '0');
    const told = Number(/she weighs ([\d.]+) kg/.exec(page())![1]);
    const half = () => Number(row('Loading conditions', /^Mass/).querySelectorAll('td')[2]!.textContent);
    expect(told).toBeCloseTo(half() + 40, 0);
    const before = desk.boat.items.find(({ name }) => name.startsWith('Sampling'))!.mass;
    await press('Put it there');
    await waitFor(() => expect(half()).toBeCloseTo(told, 0));
    // Half of them is aboard: all of them weigh twice as much more.
    expect(desk.boat.items.find(({ name }) => name.startsWith('Sampling'))!.mass).toBeCloseTo(before + 80, 6);
    await desk.saved();
  });
  it('tells of each direction which way the centre of the boat comes, and of none that it stays', async () => {
    await open('floats');
    choose(/by moment above the baseline/, /^Diesel engine/);
    for (const [field, forth, back] of [
      ['Moved up', 'higher', 'lower'],
      ['Moved forward', 'forward', 'aft'],
      ['Moved to starboard', 'to starboard', 'to port'],
    ] as const) {
      for (const other of ['Moved up', 'Moved forward', 'Moved to starboard']) type(new RegExp(`^${other}`), '0');
      expect(page()).toContain('comes to the same place');
      type(new RegExp(`^${field}`), '0.3');
      expect(page(), field).toMatch(new RegExp(`centre of the boat comes [\\d.]+ mm ${forth};`));
      type(new RegExp(`^${field}`), '-0.3');
      expect(page(), field).toMatch(new RegExp(`centre of the boat comes [\\d.]+ mm ${back};`));
    }
    type(/^Heavier by/, '-5000');
    expect(page()).toContain('Heavier by must be between');
  });
  it('floats deeper in fresh water, and heavier where cores are bedded in paste', async () => {
    const desk = await open('floats');
    const draught = () => numbers(row('Loading conditions', /^amidships/).textContent).at(-1)!;
    const salt = draught();
    choose('Water', 'fresh');
    await waitFor(() => expect(draught()).toBeGreaterThan(salt));
    expect(desk.boat.brief.water).toBe('fresh');
    yard.close();
    yard = await Yard.open();
    const other = await open('aboard');
    type(/^Paste under cores/, '1.2');
    await waitFor(() => expect(other.boat.brief.coreBond).toBe(1.2));
    expect(numbers(row('Everything that weighs', /^Core bonding/).textContent)[0]).toBeGreaterThan(30);
    type(/^Kerfs filled/, '80 %');
    expect(page()).toContain('Kerfs filled with resin must be between');
  });
  it('sets targets and says what meets and what misses them', async () => {
    const desk = await open('floats');
    type(/^Mass, light/, '2000');
    await waitFor(() => expect(desk.boat.brief.targets.displacement).toBe(2000));
    expect(screen.getByRole('list', { name: 'Against the targets' }).textContent).toMatch(/✕ misses Light/);
    type(/^Mass, light/, '9000');
    await waitFor(() =>
      expect(screen.getByRole('list', { name: 'Against the targets' }).textContent).toMatch(/✓ meets Light/),
    );
    type(/^Target of Hull/, '100');
    await waitFor(() => expect(desk.boat.parts[0]!.weightTarget).toBe(100));
    expect(page()).toMatch(/✕ misses Hull/);
  });
  it('says why it cannot: no shape, or too heavy to float', async () => {
    await open('floats', (boat) => ({ ...boat, hull: null }));
    expect(page()).toContain('The boat has no shape yet');
    yard.close();
    yard = await Yard.open();
    await open('floats', (boat) => ({ ...boat, items: [{ ...boat.items[0]!, mass: 90_000 }] }));
    expect(page()).toContain('She weighs more than her hull displaces');
  });
});

describe('Stage by stage', () => {
  it('keeps what stood on the scales, explains it, and takes it back as a record', async () => {
    const desk = await open('stages');
    choose('On the scales', 'Hull');
    type(/^Mass on the scales/, '385 kg');
    type('Note', 'heavy side');
    await press('Keep this weighing');
    const list = await screen.findByRole('list', { name: 'Weighings' });
    expect(list.textContent).toMatch(/Hull, bare mouldings: 385\.0 kg \(\+\d+\.\d kg against the plan\)/);
    expect(list.textContent).toMatch(/fibre fraction/);
    expect(await listWeighIns(yard.context, desk.id)).toHaveLength(1);
    fireEvent.click(within(list).getByText('Take back'));
    await screen.findByText(/Nothing was weighed yet/);
    const kept = await listWeighIns(yard.context, desk.id);
    expect(kept).toHaveLength(2);
    expect(kept.some((one) => one.corrects === kept.find((other) => !other.void)!.id)).toBe(true);
  });
  it('of a heavy hull expects a heavier boat', async () => {
    await open('stages');
    const fitted = () => numbers(row('Budget by stage', /^Fitted out/).textContent);
    const expected = () => fitted().at(-2)!;
    const before = expected();
    choose('On the scales', 'Hull');
    type(/^Mass on the scales/, '400 kg');
    await press('Keep this weighing');
    await screen.findByRole('list', { name: 'Weighings' });
    await waitFor(() => expect(expected()).toBeGreaterThan(before + 20));
  });
});

describe('Cost and hours', () => {
  it('counts a mould, keeps a price and rates for all boats, and moves with each', async () => {
    const desk = await open('cost');
    const total = () =>
      numbers(
        page()
          .match(/([\d,]+) EUR ±/)![1]!
          .replaceAll(',', ''),
      )[0]!;
    const bare = total();
    fireEvent.click(screen.getByLabelText('Count the mould of Hull'));
    type(/^Price of the mould of Hull/, '40000');
    type(/^Boats that share in the mould of Hull/, '2');
    await waitFor(() => expect(desk.boat.parts[0]!.mould).toEqual({ price: 40_000, boats: 2 }));
    await waitFor(() => expect(total()).toBeGreaterThan(bare + 15_000));
    choose('Add the price of', 'Stitched biaxial ±45, 600');
    type('Supplier', 'Made-up Fabrics');
    type('Price', '50');
    await press('Keep these prices');
    await waitFor(async () => expect((await readSetting(yard.context, 'prices')).body.offers).toHaveLength(1));
    expect(row('Materials as they are bought', 'Stitched biaxial ±45, 600').textContent).toContain('Made-up Fabrics');
    const dear = total();
    await press('Show and change them');
    type(/^An hour/, '76');
    await press('Keep these rates');
    await waitFor(async () => expect((await readSetting(yard.context, 'rates')).body.labour).toBe(76));
    await waitFor(() => expect(total()).toBeGreaterThan(dear + 20_000));
    expect(USUAL_RATES.labour).toBe(38);
  });
  it('says what another process would do to both', async () => {
    await open('cost');
    choose('By', 'Hand lay-up');
    expect(row('Another process', 'Resin that stays').textContent).toMatch(/\+\d/);
    expect(row('Another process', 'Consumables').textContent).toMatch(/−\d/);
  });
});

describe('Buoyancy and tanks', () => {
  it('adds a block of foam, which lifts her; a space upside down is refused in words', async () => {
    const desk = await open('spaces', (boat) => ({ ...boat, spaces: [] }));
    const lifted = () => numbers(page().match(/Lifted ([\d.]+) kg/)![1]!)[0]!;
    const before = lifted();
    await press('Add a space');
    fireEvent.click(await screen.findByText('Buoyancy foam', { selector: '.dropdown-item' }));
    await waitFor(() => expect(lifted()).toBeGreaterThan(before));
    type(/^Top/, '-1');
    expect(page()).toMatch(/"top" must lie beyond/);
    expect(desk.boat.spaces[0]!.top).toBe(0.4);
    await press('Remove it');
    expect(desk.boat.spaces).toEqual([]);
  });
  it('fills a room between bulkheads as a compartment', async () => {
    const desk = await open('spaces', (boat) => ({ ...boat, spaces: [] }));
    await press('Add a space');
    fireEvent.click(await screen.findByText(/^Between .* and the stem$/, { selector: '.dropdown-item' }));
    await waitFor(() => expect(desk.boat.spaces).toHaveLength(1));
    expect(desk.boat.spaces[0]).toMatchObject({ kind: 'compartment', inner: 0, outer: null });
    expect(desk.boat.spaces[0]!.from).toBeGreaterThan(5);
    expect(row('One space flooded', /^Between/).textContent).toMatch(/floats|under/);
  });
  it('counts a locker with a hatch only where it is taken for closed, and floods each in turn', async () => {
    await open('spaces');
    expect(row('What lifts her', 'Forepeak').textContent).toContain('not counted');
    fireEvent.click(screen.getByLabelText('Take hatches and plugs for closed'));
    await waitFor(() => expect(row('What lifts her', 'Forepeak').textContent).not.toContain('not counted'));
    expect(row('One space flooded', 'Forepeak').textContent).toMatch(/floats/);
  });
  it('gives a tank its soundings, and asks its bulkhead for the head where that is more', async () => {
    const desk = await open('spaces', (boat) => {
      const bulkhead = boat.parts.flatMap(({ zones }) => zones).find(({ region }) => region?.surface === 'section')!;
      const at = bulkhead.region?.surface === 'section' ? bulkhead.region.x : 0;
      return {
        ...boat,
        spaces: boat.spaces.map((space) => ({
          ...space,
          ...(space.kind === 'tank' && { from: at, to: at + 0.8, overflow: 6 }),
        })),
      } as Boat;
    });
    const soundings = screen.getByRole('table', { name: 'Soundings of Fuel' });
    expect(soundings.querySelectorAll('tbody tr')).toHaveLength(11);
    const walls = screen.getByRole('table', { name: 'Walls of Fuel' });
    expect(walls.textContent).toMatch(/kPa/);
    const ask = within(walls).queryAllByText('Ask the zone for it');
    expect(ask.length).toBeGreaterThan(0);
    fireEvent.click(ask[0]!);
    await waitFor(() =>
      expect(desk.boat.parts.flatMap(({ zones }) => zones).some(({ designPressure }) => designPressure !== null)).toBe(
        true,
      ),
    );
    const asked = desk.boat.parts.flatMap(({ zones }) => zones).find(({ designPressure }) => designPressure !== null)!;
    expect(asked.designPressure).toBeGreaterThan(50_000);
  });
  it('looks at the hull of a tank from inside, and says that no typed pressure does', async () => {
    await open('spaces', (boat) => ({
      ...boat,
      spaces: boat.spaces.map((space) =>
        space.kind === 'tank' ? { ...space, bottom: -1, inner: 0, outer: null, gap: 0 } : space,
      ),
    }));
    const walls = screen.getByRole('table', { name: 'Walls of Fuel' });
    const bottom = [...walls.querySelectorAll('tbody tr')].find((one) => /Bottom/.test(one.textContent!))!;
    expect(bottom.textContent).toMatch(/kPa.*[✓✕] [\d.]+.*from outside; the head from inside is looked at here alone/);
    expect(within(bottom as HTMLElement).queryByText('Ask the zone for it')).toBeNull();
  });
});
