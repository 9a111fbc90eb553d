// @vitest-environment happy-dom
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { choose, press, tick, type, went, Yard } from '../../../tests/helpers/yard';
import { GENERIC_MATERIALS, MATERIAL_KINDS, type MaterialKind } from '@/core/material';
import { readSetting } from '@/server/stores/settings';
import { listShelf } from '@/server/stores/shelf';
import { ShelfScreen } from './ShelfScreen';

vi.mock('next/navigation', () => ({
  useSearchParams: () => new URLSearchParams(),
  usePathname: () => '/shelf',
  useRouter: () => went,
}));

// There is no canvas here: charts are looked at in the browser tests.
vi.mock('react-chartjs-2', () => ({ Chart: () => null }));

let yard: Yard;
beforeEach(async () => {
  yard = await Yard.open();
  await yard.lay(<ShelfScreen initial={await listShelf(yard.context)} />);
});
afterEach(() => yard.close());

const show = (kind: MaterialKind) => press(new RegExp(`^${MATERIAL_KINDS[kind]}`));
const table = (kind: MaterialKind) => screen.getByRole('table', { name: MATERIAL_KINDS[kind] });
const names = (kind: MaterialKind) =>
  within(table(kind))
    .getAllByRole('row')
    .slice(1)
    .map((row) => row.querySelector('.reason-button')?.textContent ?? '');
const onShelf = async (name: string) =>
  (await listShelf(yard.context)).find(({ material }) => material.name === name)?.material;

describe('the Shelf', () => {
  it.each(Object.keys(MATERIAL_KINDS) as MaterialKind[])('lists every %s there is, each with its card', (kind) => {
    show(kind);
    const all = GENERIC_MATERIALS.filter((material) => material.kind === kind);
    expect(names(kind).sort()).toEqual(all.map(({ name }) => name).sort());
    press(all.at(-1)!.name, table(kind));
    const card = screen.getByTestId('material-card');
    expect(card.textContent).toContain(all.at(-1)!.name);
    expect(card.textContent).not.toMatch(/NaN|undefined|Infinity/);
  });
  it('keeps what the yard pays for a material, with its breaks, and takes it off the list', async () => {
    show('fabric');
    press(GENERIC_MATERIALS.find(({ id }) => id === 'bx45-600')!.name, table('fabric'));
    const card = screen.getByTestId('material-card');
    fireEvent.click(await within(card).findByText('Enter a price'));
    type('Supplier', 'Made-up Fabrics', card);
    choose('Price of', 'a metre off the roll', card);
    type('Price', '7.5', card);
    press('Add to price breaks', card);
    press('Keep this price', card);
    await within(card).findByText(/The yard pays 7\.50 EUR for a metre off the roll, Made-up Fabrics/);
    const { offers } = (await readSetting(yard.context, 'prices')).body;
    expect(offers).toMatchObject([{ material: 'bx45-600', by: 'length', price: 7.5, breaks: [{ from: 100 }] }]);
    press('Change the price', card);
    press('Take it off the list', card);
    await within(card).findByText(/no price of its own/);
    expect((await readSetting(yard.context, 'prices')).body.offers).toEqual([]);
  });
  it('keeps what lies in the store of a material, and takes no more of it than there is', async () => {
    fireEvent.click(screen.getByRole('button', { name: 'Chopped strand mat 300' }));
    const store = await screen.findByRole('region', { name: 'In the store: Chopped strand mat 300' });
    expect(store.textContent).toContain('Nothing of it lies in the store');
    press('Bring in', store);
    type('How much, m', '60', store);
    type('Lot', 'A 12', store);
    press('Book it in', store);
    fireEvent.click(await within(store).findByRole('button', { name: 'Roll A 12' }));
    expect(store.textContent).toContain('60.0 m left');
    type(/^Comes/, '-80', store);
    type('Why', 'cut', store);
    press('Book it', store);
    await waitFor(() => expect(store.textContent).toContain('has 60.00 m left: 80.00 cannot be taken'));
    type(/^Comes/, '-20', store);
    press('Book it', store);
    await waitFor(() => expect(store.textContent).toContain('40.0 m left'));
    press('Bring in', store);
    fireEvent.change(within(store).getByLabelText('Kind'), { target: { value: 'offcut' } });
    type(/^Across the cloth/, '600 mm', store);
    type(/^Along its warp/, '1.5 m', store);
    press('Book it in', store);
    await waitFor(() => expect(store.textContent).toMatch(/Offcut.*0\.600 m × 1\.500 m/));
  });
  it('is searched by words in any order, and by family', () => {
    show('fabric');
    const find = screen.getByLabelText('Find');
    fireEvent.change(find, { target: { value: '600 uni' } });
    expect(names('fabric').length).toBeGreaterThan(0);
    for (const name of names('fabric')) expect(name).toMatch(/uni/i);
    fireEvent.change(find, { target: { value: 'no such cloth' } });
    expect(table('fabric').textContent).toContain('Nothing matches.');
    fireEvent.change(find, { target: { value: '' } });
    const family = screen.getByLabelText<HTMLSelectElement>('Family');
    const all = names('fabric').length;
    fireEvent.change(family, { target: { value: family.options[1]!.value } });
    expect(names('fabric').length).toBeLessThan(all);
  });
  it('takes a copy of a material as the yard’s own, changes it, and drops it again', async () => {
    show('core');
    const [first] = GENERIC_MATERIALS.filter(({ kind }) => kind === 'core');
    press(first!.name, table('core'));
    press('New one from this', screen.getByTestId('material-card'));
    fireEvent.change(screen.getByLabelText(/^Name/), { target: { value: 'Estuary foam 80' } });
    press(/^Save/);
    // It is the same as another: saving again says that it is meant so.
    press(await waitFor(() => screen.getByRole('button', { name: 'It is right: save' }).textContent!));
    await waitFor(async () => expect(await onShelf('Estuary foam 80')).toBeDefined());
    await waitFor(() => expect(names('core')).toContain('Estuary foam 80'));
    const card = await waitFor(() => screen.getByTestId('material-card'));
    press('Remove', card);
    await waitFor(async () => expect(await onShelf('Estuary foam 80')).toBeUndefined());
    expect(await onShelf(first!.name)).toBeDefined();
  });
  it('puts two to four fabrics side by side, and the fifth takes the place of the first', () => {
    show('fabric');
    const five = names('fabric').slice(0, 5);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: /side by side/ }).disabled).toBe(true);
    for (const name of five) tick(`Compare ${name}`);
    press('Compare 4 side by side');
    const compared = screen.getByRole('table', { name: 'Fabrics compared' });
    const heads = within(compared)
      .getAllByRole('columnheader')
      .map(({ textContent }) => textContent!);
    expect(heads.join(' ')).not.toContain(five[0]!);
    expect(compared.textContent).toContain('Strength for its weight');
    expect(compared.textContent).not.toMatch(/NaN|undefined/);
  });
});

describe('a table of materials', () => {
  const give = (text: string, name = 'foams.csv') =>
    fireEvent.change(screen.getByLabelText('Table of materials'), {
      target: { files: [new File([text], name, { type: 'text/csv' })] },
    });
  const exported = async (kind: MaterialKind) => {
    const response = await fetch(`/api/shelf/export?kind=${kind}&format=csv`);
    return (await response.text()).split('\r\n');
  };
  const opened = () => waitFor(() => screen.getByLabelText('Table of materials'));
  beforeEach(async () => {
    show('core');
    press('From a table…');
    await opened();
  });
  it('that is empty, or no table, is refused in words', async () => {
    give('only heads');
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('no rows below its heads'));
    give('\u0000\u0001\u0002', 'photo.png');
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('neither text nor an XLSX file'));
  });
  it('is read row by row: what is there already, what is new, what cannot be; what is ticked is taken', async () => {
    const csv = await exported('core');
    const row = (start: string) => csv.find((line) => line.startsWith(start))!;
    const own = row('pvc-80').replace('pvc-80,Cross-linked PVC 80,PVC 80', ',Estuary foam 80,EF 80');
    const bad = row('pvc-130')
      .replace('pvc-130,Cross-linked PVC 130,PVC 130', ',Bad foam,BAD')
      .replace(',130,', ',80 g/cm3,');
    give([csv[0], row('pvc-60'), own, bad].join('\n'));
    const rows = await waitFor(() =>
      within(screen.getByRole('table', { name: 'Rows of the file' }))
        .getAllByRole('row')
        .slice(1),
    );
    expect(rows[0]!.textContent).toContain('on the Shelf already, the same');
    expect(rows[1]!.textContent).toContain('new');
    expect(rows[2]!.textContent).toContain('Density must be between');
    press('Take 1 material');
    await waitFor(async () => expect(await onShelf('Estuary foam 80')).toBeDefined());
    expect(await onShelf('Bad foam')).toBeUndefined();
    expect((await exported('core')).join('\n')).toContain('Estuary foam 80');
  });
  it('is asked for its columns where their heads say nothing', async () => {
    const csv = await exported('core');
    give([csv[0]!.replace('Name,', 'Wares,'), csv.find((line) => line.startsWith('pvc-60'))].join('\n'));
    const rows = await waitFor(() => screen.getByRole('table', { name: 'Rows of the file' }));
    expect(rows.textContent).toContain('Name: Name is missing');
    choose(/^Name/, 'Wares', screen.getByRole('dialog'));
    await waitFor(() =>
      expect(screen.getByRole('table', { name: 'Rows of the file' }).textContent).toContain('the same'),
    );
  });
  const LIST = [
    'Estuary Supplies, list of autumn',
    'Article;Construction;Weight (oz);Width (in);Price USD/lb',
    'Estuary mat;CSM powder;1,5;38;1,60',
    'Estuary roving;woven roving;24;38;1,80',
    'Estuary bias;biaxial;18;50;3,20',
  ].join('\n');
  const rowsShown = () =>
    within(screen.getByRole('table', { name: 'Rows of the file' }))
      .getAllByRole('row')
      .slice(1)
      .map(({ textContent }) => textContent!);
  it('of a supplier is shown as it will be, taken without its bad row, and read alike the next time', async () => {
    give(LIST, 'list.csv');
    await waitFor(() => expect(rowsShown()).toHaveLength(3));
    expect(screen.getByLabelText<HTMLSelectElement>('Kind of material').value).toBe('fabric');
    // 1.5 oz of mat are per square foot: 458 g/m²; 24 oz of roving per square yard: 814.
    expect(rowsShown()[0]).toContain('458');
    expect(rowsShown()[1]).toContain('814');
    expect(rowsShown()[2]).toContain('Which way do its fibres run?');
    choose('Unit of Dry weight', 'oz/yd²');
    expect(rowsShown()[0]).toContain('51');
    choose('Unit of Dry weight', 'oz (mat per ft², others per yd²)');
    const rate = screen.getByLabelText(/^One USD in the yard’s money/);
    fireEvent.change(rate, { target: { value: '0.9' } });
    fireEvent.blur(rate);
    press('Take 2 materials');
    await waitFor(async () => expect(await onShelf('Estuary roving')).toBeDefined());
    expect((await onShelf('Estuary roving')) as { price: { value: number } }).toMatchObject({
      price: { value: expect.closeTo((1.8 * 0.9) / 0.45359237, 3) as number, origin: 'dataSheet' },
      width: { value: 0.9652, origin: 'dataSheet' },
      lockingAngle: { origin: 'generic' },
    });
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    press('From a table…');
    await opened();
    give(LIST.replace('1,60', '1,70'), 'list.csv');
    await waitFor(() => expect(screen.getByRole('dialog').textContent).toContain('Read as the last list'));
    expect(screen.getByLabelText<HTMLInputElement>(/^One USD/).value).toBe('0.9');
    expect(rowsShown()[0]).toContain('takes the place of Estuary mat');
    expect(rowsShown()[1]).toContain('on the Shelf already, the same');
  });
});
