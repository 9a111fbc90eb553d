// @vitest-environment happy-dom
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { brant } from '../../../tests/helpers/merrow';
import { memoryKeeper, newDisk, type Disk } from '../../../tests/helpers/memoryKeeper';
import { choose, press, shown, tick, type, went, Yard } from '../../../tests/helpers/yard';
import { buildForFloor } from '@/server/floor/floorBuild';
import { readShop } from '@/server/floor/readShop';
import { createBoat } from '@/server/stores/boats';
import { listRecords } from '@/server/stores/buildRecords';
import { beginBuild } from '@/server/stores/builds';
import { issueRevision } from '@/server/stores/revisions';
import { readSetting } from '@/server/stores/settings';
import { listYardFacts } from '@/server/stores/yardFacts';
import { FloorScreen } from './FloorScreen';
import { ShopScreen } from './ShopScreen';

let disk: Disk;
vi.mock('./idbKeeper', async () => ({
  idbKeeper: new Proxy({}, { get: (_, key: string) => memoryKeeper(disk)[key as 'read'] }),
}));
vi.mock('./keepOpen', () => ({ keepOpen: async () => false }));
vi.mock('next/navigation', () => ({ usePathname: () => '/floor', useRouter: () => went }));
vi.mock('../shared/charts/Chart', () => ({
  Chart: ({ children }: { children: unknown }) => <div>{children as string}</div>,
}));

const begin = async ({ context }: Yard): Promise<void> => {
  const { id, version } = await createBoat(context, brant());
  await issueRevision(context, id, version, { author: 'I. Hallin', note: 'first', answer: 'as it is' });
  const parts = { hull: { mould: 'M1', team: '', begins: '', ends: '', pulls: 0 } };
  await beginBuild(context, id, { id: 'b-1', revision: 'A', hull: '1', parts });
};
let yard: Yard;
beforeEach(async () => {
  window.localStorage.clear();
  window.localStorage.setItem('keramos.person', 'T. Reed');
  disk = newDisk();
  [yard] = await Yard.begun(begin);
});
afterEach(() => yard.close());

const open = async () => yard.lay(<FloorScreen buildId="b-1" initial={await buildForFloor(yard.context, 'b-1')} />);
const kept = async () => (await listRecords(yard.context, 'b-1')).records;
const openStep = async (name: string) => {
  const card = await waitFor(() => screen.getByRole('article', { name }));
  fireEvent.click(within(card).getByRole('button'));
};

describe('on the floor', () => {
  it('a lesson is kept with what it is tied to, and stands there the next time', async () => {
    await open();
    await openStep('Hull: Clean the mould');
    press('◆ Lesson');
    fireEvent.change(screen.getByLabelText(/In a sentence/), { target: { value: 'The stem hides wax' } });
    tick('on every hull');
    press('Keep the lesson');
    await shown('◆ The stem hides wax');
    await waitFor(async () =>
      expect(await kept()).toMatchObject([{ body: { step: 'Clean the mould', kind: 'hull' } }]),
    );
    press('← All steps');
    await openStep('Deck: Clean the mould');
    expect(screen.queryByText('◆ The stem hides wax')).toBeNull();
  });
  it('a step that was begun by a tap too many is taken back, and the record stays', async () => {
    await open();
    await openStep('Hull: Clean the mould');
    press('I have read it');
    await shown('✓ read by T. Reed');
    press('Begin');
    press('Begin now');
    await shown(/^Begun by T. Reed/);
    press('It was not begun');
    fireEvent.change(screen.getByLabelText('Why'), { target: { value: 'wrong part' } });
    press('It was not begun', screen.getByRole('dialog'));
    await waitFor(() => screen.getByRole('button', { name: 'Begin' }));
    const kinds = async () => (await kept()).map(({ kind }) => kind);
    await waitFor(async () => expect(await kinds()).toEqual(['caution', 'begun', 'undone']));
  });
  it('a repair by its own laminate is checked by the server, decided and signed with what was found', async () => {
    await open();
    press('Defects');
    press('△ Something is wrong');
    press('void or dry place');
    const part = screen.getByLabelText('Part');
    fireEvent.change(part, { target: { value: 'hull' } });
    const map = (await waitFor(() => screen.getAllByRole('img', { name: /tap where the defect is/ })))[0]!;
    vi.spyOn(map, 'getBoundingClientRect').mockReturnValue({ left: 0, top: 0, width: 768, height: 368 } as DOMRect);
    // Somewhere on the skin: beside it no laminate is known.
    for (const clientY of [180, 120, 90, 240, 60]) {
      fireEvent.click(map, { clientX: 384, clientY });
      if (!screen.queryByText('beside the zones')) break;
    }
    press('Record the defect');
    const first = await waitFor(() => screen.getByRole('article', { name: 'Defect 1' }));
    press('Decide', first);
    tick(/by a laminate of its own/);
    type(/^Layers that come out/, '2');
    const found = await waitFor(() => screen.getByRole('region', { name: 'Check of the repair' }));
    expect(found.textContent).toMatch(/Not checked: fatigue of the joint/);
    expect(within(found).getByRole('table', { name: /Pieces/ }).textContent).toContain('over it');
    fireEvent.change(screen.getByLabelText('Why, and how'), { target: { value: 'ground out' } });
    press('So it is decided');
    await waitFor(async () =>
      expect((await kept()).at(-1)).toMatchObject({
        body: { what: 'repair', repair: { depth: 2 }, found: { says: expect.stringMatching(/reserve \d/) } },
      }),
    );
    await waitFor(() => expect(first.textContent).toMatch(/Its own laminate: \w+/));
  });
  it('pairs to both sides of a string say how the hull stands, the misread one is marked, and it is kept', async () => {
    await open();
    press('Line up');
    press('Another pair');
    press('Another pair');
    const fields = (label: RegExp) => screen.getAllByLabelText(label);
    const put = (field: HTMLElement, value: string) => {
      fireEvent.change(field, { target: { value } });
      fireEvent.blur(field);
    };
    [2000, 2000, 2000, 2000, 2000].forEach((value, i) => put(fields(/^To port/)[i]!, `${value} mm`));
    [2004, 2004, 2044, 2004, 2004].forEach((value, i) => put(fields(/^To starboard/)[i]!, `${value} mm`));
    await shown(/3 is doubtful and left out/);
    expect(screen.getAllByText(/2.0 mm|2 mm/).length).toBeGreaterThan(0);
    fireEvent.change(screen.getByLabelText('What is measured'), { target: { value: 'Hull in its cradle' } });
    press('Keep what was measured');
    await waitFor(() => screen.getByRole('article', { name: 'Hull in its cradle' }));
    await waitFor(async () => expect((await kept())[0]).toMatchObject({ kind: 'alignment' }));
  });
  it('the wedge of a fitting follows from rise over run', async () => {
    await open();
    press('Line up');
    const card = screen.getByRole('region', { name: 'Angle of a fitting' });
    const field = within(card).getByLabelText(/^Rises going to starboard/);
    fireEvent.change(field, { target: { value: '-30 mm' } });
    fireEvent.blur(field);
    await waitFor(() => expect(card.textContent).toMatch(/A wedge of 5\.7°, thick end to starboard/));
  });
});

describe('the shop', () => {
  const shop = async () =>
    yard.lay(
      <ShopScreen
        initial={await readShop(yard.context)}
        shop={await readSetting(yard.context, 'shop')}
        today="2026-11-30"
      />,
    );
  it('writes down what happened to a mould, and takes it back', async () => {
    await shop();
    expect(screen.getByRole('table', { name: 'Moulds' }).textContent).toContain('M1 named in a build only');
    const form = screen.getByRole('form', { name: 'Write down: Mould' });
    fireEvent.change(within(form).getByLabelText('Mould'), { target: { value: 'M1' } });
    choose('What happened: Mould', 'repaired');
    press('Write it down', form);
    await waitFor(() => within(form).getByRole('button', { name: 'Take it back' }));
    await waitFor(() => expect(screen.getByText(/mould M1: repaired/)).toBeTruthy());
    press('Take it back', form);
    await waitFor(() => expect(screen.getByText(/taken back/)).toBeTruthy());
    expect(await listYardFacts(yard.context)).toHaveLength(2);
  });
  it('says what a series comes to, and why it was not counted with hands', async () => {
    await shop();
    expect(screen.getByText(/mould (M1|Bulkheads|Deck) limits it/)).toBeTruthy();
    expect(screen.getByText(/Hands are not counted/)).toBeTruthy();
  });
  it('counts what is on the shelf, and refuses what is no amount', async () => {
    await shop();
    const form = screen.getByRole('form', { name: 'Write down: Consumable' });
    fireEvent.change(within(form).getByLabelText('Consumable'), { target: { value: 'Rollers' } });
    fireEvent.change(within(form).getByLabelText(/^On the shelf/), { target: { value: 'some' } });
    expect(within(form).getByRole<HTMLButtonElement>('button', { name: 'Write it down' }).disabled).toBe(true);
    fireEvent.change(within(form).getByLabelText(/^On the shelf/), { target: { value: '12' } });
    press('Write it down', form);
    await waitFor(() =>
      expect(screen.getByRole('table', { name: 'What is used up' }).textContent).toContain('12.0 on'),
    );
  });
});
