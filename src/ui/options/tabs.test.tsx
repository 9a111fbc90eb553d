// @vitest-environment happy-dom
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { press, went, Yard } from '../../../tests/helpers/yard';
import { zoneOf } from '../../../tests/helpers/merrow';
import { applyEdits } from '@/core/edit';
import type { Boat } from '@/core/document';
import { makeEvaluator, targetOf } from '@/core/evaluate';
import { GENERIC_MATERIALS, type Process } from '@/core/material';
import { USUAL_HABITS, type HabitsOfYard } from '@/core/option';
import { reaches } from '@/core/quantity';
import { OptionsScreen } from './OptionsScreen';

vi.mock('comlink', () => import('../../../tests/helpers/comlink'));
// There is no canvas here: charts are looked at in the browser.
vi.mock('../shared/charts/Chart', () => ({ Chart: () => null }));
let view = 'propose';
vi.mock('next/navigation', () => ({
  useSearchParams: () => new URLSearchParams(`zone=side-fwd&view=${view}`),
  usePathname: () => '/boats/x/options',
  useRouter: () => went,
}));

const HABITS = (Object.keys(USUAL_HABITS) as Process[]).map((process): HabitsOfYard => {
  return { process, habits: USUAL_HABITS[process], version: 0, own: null };
});

let yard: Yard;
beforeEach(async () => {
  window.sessionStorage.clear();
  await import('@/workers/proof.worker');
  await import('@/workers/options.worker');
  yard = await Yard.open();
});
afterEach(() => yard.close());

const open = async (name: string, boat?: (from: Boat) => Boat) => {
  view = name;
  return yard.show(await yard.boat(boat), <OptionsScreen shelf={GENERIC_MATERIALS} habits={HABITS} />);
};
const SLOW = { timeout: 180_000 };
const layIt = async () => {
  const lay = await screen.findByRole<HTMLButtonElement>('button', { name: 'Lay it so' }, SLOW);
  await waitFor(() => expect(lay.disabled).toBe(false), SLOW);
  fireEvent.click(lay);
};

describe('a first proposal', () => {
  const bare = (boat: Boat) =>
    applyEdits(
      boat,
      boat.parts.flatMap(({ layers }) => layers.map(({ id }) => ({ type: 'layer.remove' as const, layerId: id }))),
    ).boat;
  it('lays a boat of which nothing is laid, as one action that is saved', async () => {
    const desk = await open('propose', bare);
    fireEvent.click(await screen.findByRole('button', { name: 'Propose a schedule' }, SLOW));
    await screen.findByRole('table', { name: 'Layers of Hull, before and after' }, SLOW);
    expect(document.body.textContent).toMatch(/Best found [\d.]+ kg; proven bound [\d.]+ kg/);
    await layIt();
    const laid = await desk.saved();
    for (const { governing } of makeEvaluator()(laid).values())
      expect(reaches(governing!.reserveFactor, targetOf(laid))).toBe(true);
  });
  it('keeps the habits of the yard, and says why they cannot be kept', async () => {
    await open('propose');
    fireEvent.click(await screen.findByRole('button', { name: 'Habits of the yard' }, SLOW));
    fireEvent.click(screen.getByLabelText('Both skins alike'));
    press('Keep these habits');
    await screen.findByText(/of the yard/, { selector: 'span' }, SLOW);
    press('Back to the usual ones');
    await screen.findByText(/the usual ones/, { selector: 'span' }, SLOW);
    for (const box of within(
      screen.getByRole('group', { name: 'Thicknesses of the core' }),
    ).getAllByRole<HTMLInputElement>('checkbox'))
      if (box.checked) fireEvent.click(box);
    press('Keep these habits');
    await screen.findByText(/Give at least one thickness/, undefined, SLOW);
  });
});

describe('looking for better', () => {
  it('asks for a fabric, finds a lighter hull with its bound, and lays it', async () => {
    const desk = await open('better');
    await screen.findByText('What may be laid, and what stays', undefined, SLOW);
    const fabrics = within(screen.getByRole('group', { name: 'Fabrics', hidden: true }));
    for (const box of fabrics.getAllByRole<HTMLInputElement>('checkbox', { hidden: true }))
      if (box.checked) fireEvent.click(box);
    expect(screen.getByRole('alert').textContent).toContain('No fabric may be laid');
    fireEvent.click(fabrics.getByLabelText('Stitched biaxial ±45, 600'));
    fireEvent.click(fabrics.getByLabelText('Stitched biaxial 0/90, 600'));
    press('Look for it');
    await screen.findByText(/^Hull, the lightest: 342\.0 kg → /, undefined, SLOW);
    await layIt();
    const laid = await desk.saved();
    expect(laid.parts[0]!.layers.slice(0, 2).map(({ material }) => material)).toEqual(['gelcoat-iso', 'csm-300']);
  });
});

describe('why not less', () => {
  it('names the check that each lighter stack fails', async () => {
    await open('less');
    const table = await screen.findByRole('table', { name: 'Lighter stacks and what each fails by' }, SLOW);
    expect(table.textContent).toMatch(/take it out/);
    expect(table.textContent).toMatch(/✕ (Inner skin|Panel stiffness|Outer skin|Core in shear|Ply by ply)/);
  });
});

describe('a whole part in other fibres', () => {
  it('is told family by family, and one of them is laid', async () => {
    const desk = await open('otherwise');
    fireEvent.click(await screen.findByRole('button', { name: 'The whole of Hull in other fibres' }, SLOW));
    const table = await screen.findByRole('table', { name: 'The whole of Hull in other fibres' }, SLOW);
    const carbon = within(table)
      .getAllByRole('button')
      .find(({ textContent }) => textContent?.startsWith('Carbon on '))!;
    fireEvent.click(carbon);
    const lay = await screen.findAllByRole<HTMLButtonElement>('button', { name: 'Lay it so' }, SLOW);
    await waitFor(() => expect(lay[0]!.disabled).toBe(false), SLOW);
    fireEvent.click(lay[0]!);
    const { parts, materials } = await desk.saved();
    const used = new Set(parts[0]!.layers.map(({ material }) => material));
    expect([...used].some((id) => id.startsWith('carbon-'))).toBe(true);
    expect(materials.some((one) => one.kind === 'fibre' && one.family === 'carbon')).toBe(true);
  });
});

describe('a zone on a bonded liner', () => {
  it('is told rib by rib, and one is laid: skin, ribs and their bond', async () => {
    const desk = await open('otherwise');
    fireEvent.click(
      await screen.findByRole('button', { name: 'Side forward as a single skin on a bonded liner' }, SLOW),
    );
    const table = await screen.findByRole('table', { name: 'Side forward on a bonded liner' }, SLOW);
    fireEvent.click(within(table).getAllByRole('button', { name: /ribs? along/ })[0]!);
    await layIt();
    const laid = await desk.saved();
    const [part, zone] = zoneOf(laid, 'Side forward');
    const bond = laid.details.find(({ kind, zone: on }) => kind === 'liner' && on === zone.id);
    expect(bond).toBeDefined();
    const section = laid.sections.find(({ name }) => name.startsWith('Liner rib'))!;
    expect(laid.supports.filter((one) => one.section === section.id).length).toBeGreaterThan(0);
    const cores = new Set(laid.materials.filter(({ kind }) => kind === 'core').map(({ id }) => id));
    expect(part.layers.some(({ zones, material }) => zones.includes(zone.id) && cores.has(material))).toBe(false);
    expect(reaches(makeEvaluator()(laid).get(zone.id)!.governing!.reserveFactor, targetOf(laid))).toBe(true);
    desk.undo();
    expect(desk.boat.supports.some((one) => one.section === section.id)).toBe(false);
  });
});

describe('side by side', () => {
  it('sets another boat beside it, zone by zone, and explains the way to it', async () => {
    const lighter = (boat: Boat) => {
      const [part] = zoneOf(boat, 'Side forward');
      return applyEdits(boat, [{ type: 'layer.remove', layerId: part.layers[2]!.id }]).boat;
    };
    await yard.boat(lighter);
    const own = await yard.boat();
    view = 'beside';
    await yard.show(own, <OptionsScreen shelf={GENERIC_MATERIALS} habits={HABITS} />);
    const add = await screen.findByLabelText<HTMLSelectElement>('Set beside it', undefined, SLOW);
    await waitFor(() => expect(add.options.length).toBeGreaterThan(1), SLOW);
    fireEvent.change(add, { target: { value: add.options[1]!.value } });
    const table = await screen.findByRole('table', { name: 'Schedules side by side' }, SLOW);
    await waitFor(() => expect(within(table).getAllByRole('columnheader')).toHaveLength(3), SLOW);
    expect(table.textContent).toContain('Centre above the base');
    fireEvent.click(screen.getByRole('button', { name: /^Ledger to/ }));
    const ledger = await screen.findByRole('table', { name: 'Ledger of changes' }, SLOW);
    const rows = within(ledger).getAllByRole('row');
    expect(rows).toHaveLength(3);
    expect(rows[1]!.textContent).toMatch(/^Hull: BX45 600 goes−\d/);
    expect(rows[2]!.textContent).toMatch(/^Together−\d/);
  });
});

describe('an existing part', () => {
  it('is read at places, kept, told what it may be, and taken over', async () => {
    const desk = await open('survey');
    fireEvent.click(await screen.findByRole('button', { name: 'Add a reading' }, SLOW));
    const type = (label: string, value: string) => {
      const field = screen.getByLabelText(label);
      fireEvent.change(field, { target: { value } });
      fireEvent.blur(field);
    };
    type('thickness of reading 1', '4.2');
    type('layers of reading 1', '4');
    fireEvent.click(screen.getByLabelText('Stitched biaxial ±45, 600'));
    fireEvent.click(screen.getByLabelText('Chopped strand mat 300'));
    press('What may it be?');
    const table = await screen.findByRole('table', { name: 'Laminates that it may be' }, SLOW);
    fireEvent.click(within(table).getAllByRole('button')[0]!);
    await layIt();
    const [part, zone] = zoneOf(await desk.saved(), 'Side forward');
    const laid = part.layers.filter(({ zones }) => zones.includes(zone.id)).map(({ material }) => material);
    expect(laid[0]).toBe('gelcoat-iso');
    expect(laid.length).toBeGreaterThan(2);
    for (const material of laid.slice(1)) expect(['csm-300', 'bx45-600']).toContain(material);
  });
});
