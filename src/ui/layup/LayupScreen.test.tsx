// @vitest-environment happy-dom
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { formatReserve } from '@/core/quantity';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { choose, press, shown, type, went, Yard, type Desk } from '../../../tests/helpers/yard';
import { GENERIC_MATERIALS } from '@/core/material';
import { linesOfPart } from '@/core/lines';
import { makeEvaluator } from '@/core/evaluate';
import { editBoat } from '@/server/stores/boats';
import { LayupScreen } from './LayupScreen';

vi.mock('next/navigation', () => ({
  useSearchParams: () => new URLSearchParams(),
  usePathname: () => '/boats/x/layup',
  useRouter: () => went,
}));

let yard: Yard;
let desk: Desk;
const screenOf = () => <LayupScreen shelf={[...GENERIC_MATERIALS]} />;
beforeEach(async () => {
  yard = await Yard.open();
  desk = await yard.show(await yard.boat(), screenOf());
});
afterEach(() => yard.close());

const grid = () => screen.getByRole('grid');
const hull = () => desk.boat.parts[0]!;
/** Put the cursor on a layer's angle and press keys there. */
function at(number: number, ...keys: (string | { key: string; [flag: string]: unknown })[]) {
  const row = grid().querySelectorAll('.layer-row')[number - 1]!;
  const cell = row.querySelector('[data-column="1"]')!;
  fireEvent.pointerDown(cell);
  fireEvent.mouseDown(cell);
  fireEvent.click(cell);
  for (const key of keys) fireEvent.keyDown(grid(), typeof key === 'string' ? { key } : key);
}
const codeOf = (id: string) => {
  const material = desk.boat.materials.find((one) => one.id === id)!;
  return 'code' in material ? material.code : material.name;
};

describe('the grid', () => {
  it('turns, copies, moves and removes the layer of the cursor, each to be taken back', async () => {
    const start = hull().layers;
    at(4, 't');
    expect(hull().layers[3]!.angleDeg).toBe(45);
    at(4, 'd');
    expect(hull().layers).toHaveLength(start.length + 1);
    at(5, { key: 'Delete' });
    expect(hull().layers).toHaveLength(start.length);
    at(4, { key: 'ArrowDown', altKey: true });
    expect(hull().layers[4]!.id).toBe(start[3]!.id);
    await desk.saved();
    for (let i = 0; i < 4; i++) desk.undo();
    expect(hull().layers).toEqual(start);
  });
  it('shows under every zone the reserve that core computes, and what governs in the panel beside', () => {
    const evaluations = makeEvaluator()(desk.boat);
    const [zone] = hull().zones;
    const governing = evaluations.get(zone!.id)!.governing!;
    const foot = grid().querySelector('tfoot')!.textContent!;
    expect(foot).toContain(formatReserve(governing.reserveFactor));
    expect(screen.getByTestId('zone-panel').textContent).toContain(formatReserve(governing.reserveFactor));
  });
  it('takes an angle typed into the bar, refuses one beyond a half turn, and a thickness for a core', async () => {
    at(4);
    const angle = () => screen.getByLabelText<HTMLInputElement>('Angle of the layer in degrees');
    type('Angle of the layer in degrees', '-30');
    expect(hull().layers[3]!.angleDeg).toBe(-30);
    fireEvent.change(angle(), { target: { value: '270' } });
    fireEvent.keyDown(angle(), { key: 'Enter' });
    expect(screen.getByRole('alert').textContent).toContain('Angle must be between −180° and 180°');
    fireEvent.keyDown(angle(), { key: 'Escape' });
    at(14);
    type(/^Thickness of the layer/, '1 in');
    expect(hull().layers[13]!.thickness).toBeCloseTo(0.0254, 6);
    await desk.saved();
  });
  it('adds a layer of the Shelf by a fragment of its name, and brings its material into the boat', async () => {
    const count = hull().layers.length;
    at(3, 'n');
    const find = await waitFor(() => screen.getByRole('combobox', { name: /^Find a fabric/ }));
    fireEvent.change(find, { target: { value: 'quad 800' } });
    fireEvent.keyDown(find, { key: 'Enter' });
    await waitFor(() => expect(hull().layers).toHaveLength(count + 1));
    expect(codeOf(hull().layers[3]!.material)).toBe('QX 800');
    await desk.saved();
  });
  it('finds every command by a word, with its key, and says why one cannot be done', async () => {
    at(4, { key: 'k', ctrlKey: true });
    fireEvent.keyDown(document.body, { key: 'k', ctrlKey: true });
    const find = await waitFor(() => screen.getByRole('combobox', { name: 'Find a command' }));
    fireEvent.change(find, { target: { value: 'turn' } });
    const options = screen.getAllByRole('option').map(({ textContent }) => textContent!);
    expect(options.join(' ')).toMatch(/45°/);
    fireEvent.change(find, { target: { value: 'no such thing' } });
    expect(screen.queryAllByRole('option')).toHaveLength(0);
  });
});

describe('a part', () => {
  it('in two hands is never silently odd', async () => {
    press(/^1 off/);
    const dialog = await waitFor(() => screen.getByRole('dialog'));
    choose('Made', /^in two hands/, dialog);
    const number = within(dialog).getByLabelText<HTMLInputElement>(/^Number-off/);
    expect(number.value).toBe('2');
    fireEvent.change(number, { target: { value: '3' } });
    press('Take it', dialog);
    expect(within(dialog).getByRole('alert').textContent).toContain('would leave one hand short');
    fireEvent.change(within(dialog).getByLabelText(/why is one hand short/), {
      target: { value: 'one spare to port' },
    });
    press('Take it', dialog);
    await waitFor(() => expect(hull()).toMatchObject({ hands: 'two', number: 3, oddNote: 'one spare to port' }));
    await desk.saved();
  });
});

describe('lines between zones', () => {
  const evaluated = () => linesOfPart(desk.boat, hull(), makeEvaluator()(desk.boat));
  beforeEach(async () => {
    press('Section and lines');
    await shown(/Lines between the zones|to mend/);
  });
  it('are listed with what is to mend, and laid out in one step that one undo takes back', async () => {
    const table = screen.getByRole('table', { name: 'Lines between the zones of Hull' });
    expect(within(table).getAllByRole('row').length).toBe(evaluated().length + 1);
    const before = desk.boat;
    expect(within(table).getAllByText(/to mend/).length).toBeGreaterThan(0);
    press(/Lay out all drop-offs/);
    expect(within(table).queryByText(/to mend/)).toBeNull();
    await desk.saved();
    desk.undo();
    expect(desk.boat).toEqual(before);
  });
  it('lap over the keel by as much as is typed', async () => {
    press('Keel, Keel band', screen.getByRole('table', { name: 'Lines between the zones of Hull' }));
    choose('Layers that cover both', /lap/);
    type(/^Lap mm/, '150');
    expect(JSON.stringify(hull().joins)).toContain('0.15');
    await desk.saved();
  });
});

describe('laminates', () => {
  it('of another boat are taken over with their materials, laid, and follow no further', async () => {
    const other = await yard.boat((boat) => ({ ...boat, name: 'Other' }));
    const layers = hull()
      .layers.slice(2, 5)
      .map(({ material, angleDeg, thickness, role }) => ({ material, angleDeg, thickness, role }));
    const item = { id: 'lam-1', name: 'Chine patch', note: '', layers };
    await editBoat(yard.context, other, 1, [
      { clientId: 'keeps-laminate', action: 'do', edits: [{ type: 'reference.add', item, index: 0 }] },
    ]);
    press('Laminates');
    const theirs = await waitFor(() => screen.getByRole('table', { name: 'Laminates of other boats' }));
    expect(theirs.textContent).toContain('Chine patch');
    press('Take it over', theirs);
    const ours = await waitFor(() => screen.getByRole('table', { name: 'Laminates of this boat' }));
    expect(ours.textContent).toContain('nowhere in this boat');
    const count = hull().layers.length;
    press(/^Lay in/, within(ours).getByText('Chine patch').closest('tr')!);
    expect(hull().layers).toHaveLength(count + layers.length);
    expect(hull().groups.at(-1)).toMatchObject({ laminate: 'lam-1' });
    await desk.saved();
  });
});

describe('several layers at once', () => {
  const shiftDown = { key: 'ArrowDown', shiftKey: true };
  const ask = (value: string) => {
    const box = document.getElementById('ask') as HTMLInputElement;
    fireEvent.change(box, { target: { value } });
    fireEvent.submit(box.closest('form')!);
  };
  it('are grouped under a name, repeated, and kept as a laminate that follows its change', async () => {
    const start = hull().layers.length;
    at(3, shiftDown, 'g');
    ask('Chine patch');
    expect(hull().groups.at(-1)).toMatchObject({ name: 'Chine patch' });
    expect(hull().layers.filter(({ group }) => group === hull().groups.at(-1)!.id)).toHaveLength(2);
    at(3, 'r');
    ask('3');
    expect(hull().layers).toHaveLength(start + 4);
    at(3, 'k');
    ask('Chine laminate');
    const laminate = desk.boat.references.at(-1)!;
    expect(laminate.name).toBe('Chine laminate');
    expect(hull().groups.some((group) => group.laminate === laminate.id)).toBe(true);
    await desk.saved();
    while (desk.last !== '') desk.undo();
    expect(hull().layers).toHaveLength(start);
    expect(hull().groups.some((group) => group.laminate === laminate.id)).toBe(false);
  });
  it('refuse a repeat that is no number, and keep the question open', () => {
    at(3, shiftDown, 'g');
    ask('Chine patch');
    at(3, 'r');
    const before = desk.boat;
    ask('many');
    expect(screen.getByRole('alert').textContent!.length).toBeGreaterThan(3);
    expect(document.getElementById('ask')).not.toBeNull();
    expect(desk.boat).toBe(before);
    fireEvent.keyDown(document.getElementById('ask')!, { key: 'Escape' });
    expect(document.getElementById('ask')).toBeNull();
  });
  it('are turned, mirrored and removed together, in one action each', async () => {
    const angles = () => [3, 4].map((i) => hull().layers[i]!.angleDeg);
    const before = angles();
    at(4, shiftDown, 't');
    expect(angles()).not.toEqual(before);
    desk.undo();
    expect(angles()).toEqual(before);
    at(4, shiftDown, { key: 'Delete' });
    expect(hull().layers).toHaveLength(26);
    desk.undo();
    expect(angles()).toEqual(before);
    await desk.saved();
  });
  it('are only tried where a trial is asked for: shown, told of, dropped and kept', async () => {
    const before = desk.boat;
    at(4, 'p', 't');
    expect(document.body.textContent).toContain('Shown for trial');
    expect(desk.boat).toBe(before);
    at(4, { key: 'Escape' });
    expect(document.body.textContent).not.toContain('Shown for trial');
    at(4, 't');
    press(/^Keep/);
    expect(hull().layers[3]!.angleDeg).toBe(45);
    await desk.saved();
  });
});

describe('a caution', () => {
  it('is accepted by name and reason, stays on record with the day, and is withdrawn', async () => {
    fireEvent.click(screen.getByRole('columnheader', { name: 'Transom' }));
    press(/^Cautions/);
    const caution = await waitFor(() => screen.getByTestId('caution-core-without-bleeder'));
    const accept = () => within(caution).getAllByRole('button', { name: 'Accept with a note' });
    const open = accept().length;
    fireEvent.click(accept()[0]!);
    const by = await waitFor(() => within(caution).getByLabelText('Accepted by'));
    press('Sign and accept', caution);
    await shown('Say in a few words why');
    expect(desk.boat.acceptances).toEqual([]);
    fireEvent.change(by, { target: { value: 'I. Hallin' } });
    fireEvent.change(within(caution).getByLabelText('Why it is accepted'), {
      target: { value: 'Drilled on a 30 mm grid before bedding' },
    });
    press('Sign and accept', caution);
    await waitFor(() => expect(desk.boat.acceptances).toHaveLength(1));
    expect(desk.boat.acceptances[0]).toMatchObject({ by: 'I. Hallin', rule: 'core-without-bleeder' });
    await waitFor(() => expect(accept()).toHaveLength(open - 1));
    await desk.saved();
    press('Withdraw', caution);
    expect(desk.boat.acceptances).toEqual([]);
  });
});

describe('the mouse on a zone’s cell', () => {
  it('covers and uncovers with two clicks in a row; one on the cell that one stands on does nothing', async () => {
    const first = () => document.querySelector('.layer-row')!.querySelectorAll('.zone-cell')[0]!;
    const covered = () => desk.boat.parts[0]!.layers[0]!.zones.length;
    const before = covered();
    const click = () => {
      fireEvent.pointerDown(first());
      fireEvent.click(first());
    };
    click();
    click();
    click();
    expect(covered()).toBe(before);
    fireEvent.doubleClick(first());
    expect(covered()).toBe(before - 1);
    click();
    fireEvent.doubleClick(first());
    expect(covered()).toBe(before);
    await desk.saved();
  });
});
