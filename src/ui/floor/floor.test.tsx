// @vitest-environment happy-dom
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { brant } from '../../../tests/helpers/merrow';
import { memoryKeeper, newDisk, type Disk } from '../../../tests/helpers/memoryKeeper';
import { choose, press, shown, type, went, Yard } from '../../../tests/helpers/yard';
import { boardOf } from '@/core/build';
import { buildForFloor } from '@/server/floor/floorBuild';
import { buildableBoats } from '@/server/floor/buildable';
import { createBoat, editBoat, readBoat } from '@/server/stores/boats';
import { listRecords } from '@/server/stores/buildRecords';
import { beginBuild, listBuilds, readBuild } from '@/server/stores/builds';
import { askForChange, decideChange } from '@/server/stores/changeRequests';
import { issueRevision } from '@/server/stores/revisions';
import { readSetting } from '@/server/stores/settings';
import { BoardScreen } from './BoardScreen';
import { FloorScreen } from './FloorScreen';

let disk: Disk;
vi.mock('./idbKeeper', async () => ({
  idbKeeper: new Proxy({}, { get: (_, key: string) => memoryKeeper(disk)[key as 'read'] }),
}));
vi.mock('./keepOpen', () => ({ keepOpen: async () => false }));
vi.mock('next/navigation', () => ({ usePathname: () => '/floor', useRouter: () => went }));

const begin = async ({ context }: Yard): Promise<string> => {
  const { id, version } = await createBoat(context, brant());
  await issueRevision(context, id, version, { author: 'I. Hallin', note: 'first', answer: 'as it is' });
  return id;
};
let yard: Yard;
let boatId: string;
beforeEach(async () => {
  window.localStorage.clear();
  window.localStorage.setItem('keramos.person', 'T. Reed');
  disk = newDisk();
  [yard, boatId] = await Yard.begun(begin);
});
afterEach(() => yard.close());

const board = async () =>
  yard.lay(
    <BoardScreen
      initial={boardOf(await listBuilds(yard.context), yard.context.now())}
      buildable={await buildableBoats(yard.context)}
      steps={await readSetting(yard.context, 'steps')}
      today="2026-11-30T08:00:00.000Z"
    />,
  );
const begun = async () => {
  await beginBuild(yard.context, boatId, { id: 'b-1', revision: 'A', hull: '1', parts: {} });
  return buildForFloor(yard.context, 'b-1');
};
const sent = async () => (await listRecords(yard.context, 'b-1')).records.map(({ kind }) => kind);

describe('the board', () => {
  it('begins a build of a revision, once a hull', async () => {
    await board();
    expect(screen.getByText(/No hull is being built/)).toBeTruthy();
    press('Begin a build');
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Begin the build' }).disabled).toBe(true);
    fireEvent.change(screen.getByLabelText('Hull number'), { target: { value: '7' } });
    fireEvent.change(screen.getByLabelText('Mould of Bulkheads'), { target: { value: 'Table 2' } });
    fireEvent.change(screen.getByLabelText(/^How often the mould of Bulkheads/), { target: { value: '9' } });
    press('Begin the build');
    await waitFor(() => expect(went.push).toHaveBeenCalled());
    const [build] = await listBuilds(yard.context);
    expect(build).toMatchObject({ hull: '7', revision: 'A' });
    expect(build!.state.plan.parts[0]).toMatchObject({ mould: '' });
    expect(build!.state.plan.parts.find(({ name }) => name === 'Bulkheads')).toMatchObject({ mould: 'Table 2' });
    // A seasoned mould wants fewer coats.
    expect(build!.state.plan.steps.find(({ kind, partId }) => kind === 'coats' && partId === 'bulkheads')!.coats).toBe(
      2,
    );
  });
  it('lets a hull go on by another revision, with what changes', async () => {
    await begun();
    const { boat, version } = await readBoat(yard.context, boatId);
    const [part] = boat.parts;
    const layer = part!.layers.at(-1)!;
    const edits = [{ type: 'layer.set' as const, partId: part!.id, layerId: layer.id, patch: { angleDeg: 30 } }];
    await editBoat(yard.context, boatId, version, [{ clientId: 'turned', action: 'do', edits }]);
    const [asked] = await askForChange(yard.context, boatId, version + 1, { askedBy: 'I. Hallin', reason: 'stiffer' });
    const decision = { approve: true, decidedBy: 'B. Moor', decision: 'checked' };
    await decideChange(yard.context, boatId, asked!.id, decision);
    const issue = { author: 'I. Hallin', note: 'second', answer: 'as it is' };
    await issueRevision(yard.context, boatId, version + 1, issue);
    await board();
    press('Another revision…');
    choose('Go on by revision', 'Revision B');
    await shown(/still to come/);
    expect(screen.getAllByText(/at 30° over .* instead of/).length).toBeGreaterThan(0);
    fireEvent.change(screen.getByLabelText('Why it goes on by this revision'), { target: { value: 'stiffer' } });
    press('Sign and go on by B');
    await waitFor(async () => expect((await readBuild(yard.context, 'b-1')).revision).toBe('B'));
    expect((await readBuild(yard.context, 'b-1')).amendments[0]).toMatchObject({
      from: 'A',
      to: 'B',
      reason: 'stiffer',
    });
  });
});

describe('a build on the floor', () => {
  const open = async () => yard.lay(<FloorScreen buildId="b-1" initial={await begun()} />);
  const card = (name: string) => within(screen.getByRole('article', { name }));
  const openStep = async (name: string) => {
    await waitFor(() => screen.getByRole('article', { name }));
    fireEvent.click(card(name).getByRole('button'));
  };
  it('goes through its first steps, and says what stands against the next', async () => {
    await open();
    await openStep('Bulkheads: Clean the mould');
    expect(screen.getByText(/Solvent vapour burns/)).toBeTruthy();
    expect(screen.getByText(/T. Reed has not read its caution/)).toBeTruthy();
    press('I have read it');
    await shown('✓ read by T. Reed');
    press('Begin');
    press('Begin now');
    await shown(/^Begun by T. Reed/);
    press('Step is done');
    fireEvent.change(screen.getByLabelText('What the next ones should know'), { target: { value: 'a scratch' } });
    press('Done');
    await shown(/Done by T. Reed.*a scratch/);
    press('← All steps');
    await openStep('Bulkheads: Release coats');
    press('Begin');
    press('Begin now');
    await shown(/0 of 6|of 6 coats on/);
    press('Coat 1 is on');
    await waitFor(() => screen.getByRole('button', { name: 'Coat 2 is on' }));
    press('Coat 2 is on');
    await shown(/The coat before wants 30 min more/);
    await waitFor(async () => expect(await sent()).toEqual(['caution', 'begun', 'done', 'begun', 'coat']));
    press('← All steps');
    press('All steps');
    await shown('Demould');
    press('Records');
    await shown(/put a coat on/);
  });
  it('keeps what is recorded while the server is away, and sends it once', async () => {
    await open();
    const reached = globalThis.fetch;
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('gone')));
    await waitFor(() => screen.getByText('Air not read yet'));
    press('Read the air');
    await waitFor(() => screen.getByLabelText(/Temperature at the mould/));
    type(/Temperature at the mould/, '19');
    fireEvent.change(screen.getByLabelText('Humidity, %'), { target: { value: '55' } });
    press('Keep the reading');
    await shown(/1 kept here, server away/);
    expect(await sent()).toEqual([]);
    vi.stubGlobal('fetch', reached);
    window.dispatchEvent(new Event('online'));
    await shown('✓ All sent');
    expect(await sent()).toEqual(['air']);
    expect(disk.records.size).toBe(1);
  });
  it('takes a defect on the picture, its decision and its repair', async () => {
    await open();
    press('Defects');
    press('△ Something is wrong');
    press('void or dry place');
    const map = (await waitFor(() => screen.getAllByRole('img', { name: /tap where the defect is/ })))[0]!;
    fireEvent.click(map, { clientX: 10, clientY: 10 });
    press('Record the defect');
    const first = await waitFor(() => screen.getByRole('article', { name: 'Defect 1' }));
    expect(first.textContent).toContain('△ open');
    press('Decide', first);
    fireEvent.change(screen.getByLabelText('Why, and how'), { target: { value: 'ground out' } });
    press('So it is decided');
    await waitFor(() => expect(first.textContent).toContain('repair: ground out'));
    press('Sign the repair', first);
    press('Sign the repair', screen.getByRole('dialog'));
    await waitFor(() => expect(screen.getByRole('article', { name: 'Defect 1' }).textContent).toContain('✓ closed'));
  });
});
