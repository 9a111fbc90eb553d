import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
// @vitest-environment happy-dom
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { choose, press, shown, type, went, Yard } from '../../tests/helpers/yard';
import { boatToJson } from '@/core/document';
import { coefficientsOf, type StandardPack } from '@/core/standard';
import { unzipSync } from 'fflate';
import { listBackups } from '@/server/database/backup';
import { safekeeping } from '@/server/people/safekeeping';
import { dataFolder } from '@/server/database/open';
import { duplicateBoat, editBoat, listBoats, readBoat } from '@/server/stores/boats';
import { listChangeRequests } from '@/server/stores/changeRequests';
import { listPacks } from '@/server/stores/packs';
import { listRevisions } from '@/server/stores/revisions';
import { BoatsScreen } from './boats/BoatsScreen';
import { PacksScreen } from './packs/PacksScreen';
import { RevisionsScreen } from './revisions/RevisionsScreen';
import { SafekeepingScreen } from './safekeeping/SafekeepingScreen';

vi.mock('next/navigation', () => ({
  useSearchParams: () => new URLSearchParams(),
  usePathname: () => '/',
  useRouter: () => went,
}));

let yard: Yard;
beforeEach(async () => {
  yard = await Yard.open();
});
afterEach(() => yard.close());

const file = (name: string, text: string) => new File([text], name, { type: 'application/json' });
const give = (label: string, ...files: File[]) => fireEvent.change(screen.getByLabelText(label), { target: { files } });
const alert = () => waitFor(() => screen.getByRole('alert').textContent!);

describe('boats', () => {
  const open = async () => yard.lay(<BoatsScreen boats={await listBoats(yard.context)} />);
  it('are made by name and opened at the Brief; a name of spaces cannot be given', async () => {
    await open();
    const name = screen.getByLabelText('Name of the new boat');
    const create = screen.getByRole<HTMLButtonElement>('button', { name: 'Create' });
    fireEvent.change(name, { target: { value: '   ' } });
    expect(create.disabled).toBe(true);
    fireEvent.change(name, { target: { value: 'Teal 62' } });
    fireEvent.click(create);
    await waitFor(() => expect(went.push).toHaveBeenCalledOnce());
    const [made] = await listBoats(yard.context);
    expect(made!.name).toBe('Teal 62');
    expect(went.push).toHaveBeenCalledWith(`/boats/${made!.id}/brief`);
  });
  it('are duplicated as variants, put away and brought back', async () => {
    const id = await yard.boat();
    await open();
    press('Duplicate Merrow 84 as a variant');
    await waitFor(() => expect(went.push).toHaveBeenCalled());
    const variant = (await listBoats(yard.context)).find((boat) => boat.variantOf?.id === id)!;
    expect(variant.name).toBe('Merrow 84, variant');
    press('Archive Merrow 84');
    await waitFor(() => expect(went.refresh).toHaveBeenCalled());
    expect((await listBoats(yard.context)).find((boat) => boat.id === id)!.archived).toBe(true);
  });
  it('that are put away show when asked for; a list of many is searched', async () => {
    for (const name of ['Arrow', 'Bittern', 'Curlew', 'Dunlin', 'Eider', 'Fulmar'])
      await yard.boat((boat) => ({ ...boat, name }));
    const boats = await listBoats(yard.context);
    await yard.lay(<BoatsScreen boats={boats.map((boat) => ({ ...boat, archived: boat.name === 'Fulmar' }))} />);
    expect(screen.queryByText('Fulmar')).toBeNull();
    fireEvent.click(screen.getByLabelText('Show archived boats'));
    expect(screen.getByText('Fulmar')).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Find a boat'), { target: { value: 'curl' } });
    expect(screen.queryByText('Arrow')).toBeNull();
    expect(screen.getByText('Curlew')).toBeTruthy();
  });
  it('come in from documents; what is wrong is said with its field, and nothing comes in', async () => {
    const { boat } = await readBoat(yard.context, await yard.boat());
    const document = boatToJson(boat);
    await open();
    give('Boat document', file('broken.json', document.replace('"kind": "motor"', '"kind": "steam"')));
    expect(await alert()).toContain('Propulsion must be one of: motor, sail');
    expect(await listBoats(yard.context)).toHaveLength(1);
    give('Boat document', file('no.json', 'no boat'));
    await waitFor(async () => expect(await alert()).toMatch(/not JSON|not a boat/));
    give('Boat document', file('good.json', document));
    await waitFor(() => expect(went.push).toHaveBeenCalled());
    expect(await listBoats(yard.context)).toHaveLength(2);
  });
  it('that bring what no boat here has say what was left out', async () => {
    const { boat } = await readBoat(yard.context, await yard.boat());
    await open();
    const more = boatToJson(boat).replace('"name": "Merrow 84"', '"name": "Merrow 84", "colour": "red"');
    give('Boat document', file('more.json', more));
    expect(await alert()).toMatch(/colour.*left out/);
  });
});

describe('standards', () => {
  const open = async () => yard.lay(<PacksScreen initial={await listPacks(yard.context)} />);
  const own = async () => (await listPacks(yard.context)).find((pack) => pack.basedOn !== null) as StandardPack;
  it('that ship are copied, and only a copy changes; the change is marked and shown beside what shipped', async () => {
    await open();
    expect(screen.queryByRole('textbox', { name: /coefficient/i })).toBeNull();
    press('Make a copy');
    await shown('Copied: its coefficients can now be changed.');
    const [first] = coefficientsOf(await own());
    const entry = await waitFor(() => document.querySelector<HTMLInputElement>('input.coefficient')!);
    fireEvent.change(entry, { target: { value: 'a lot' } });
    fireEvent.blur(entry);
    expect(document.body.textContent).toContain('A number is needed.');
    expect(entry.value).toBe('a lot');
    fireEvent.change(entry, { target: { value: String(first!.value * 1.05) } });
    fireEvent.keyDown(entry, { key: 'Enter' });
    await shown(/is now/);
    await waitFor(async () => expect(coefficientsOf(await own())[0]!.value).toBeCloseTo(first!.value * 1.05, 9));
    expect(document.body.textContent).toContain('1 coefficient differs');
  });
  it('are signed for by name and what was checked; a change takes the sign-off away', async () => {
    await open();
    press('Make a copy');
    await shown('Copied: its coefficients can now be changed.');
    press('Sign off');
    await waitFor(() => expect(document.querySelector('.sign-off .invalid-feedback')).not.toBeNull());
    fireEvent.change(screen.getByLabelText('Signed by'), { target: { value: 'A. Survey' } });
    fireEvent.change(screen.getByLabelText('What was checked'), { target: { value: 'Pressures against the text' } });
    press('Sign off');
    await shown(/A\. Survey signed for/);
    expect((await own()).signOff).toMatchObject({ by: 'A. Survey', note: 'Pressures against the text' });
    type('Title of this copy', 'Method, as our yard reads it');
    await shown('Renamed.');
    expect(await own()).toMatchObject({ title: 'Method, as our yard reads it', signOff: null });
    press('Drop');
    await shown(/is dropped/);
    expect(await own()).toBeUndefined();
  });
  it('come in from elsewhere unsigned, and a broken one is refused', async () => {
    await open();
    give('Pack as JSON', file('bad.json', '{"id": "x"}'));
    expect((await alert()).length).toBeGreaterThan(10);
  });
});

describe('safekeeping', () => {
  const open = () => yard.lay(<SafekeepingScreen initial={safekeeping()} folder={dataFolder()} trouble={null} />);
  it('keeps a copy, brings it back, and what stood here before is kept as well', async () => {
    const id = await yard.boat();
    await open();
    press('Back up now');
    await shown(/^Kept as /);
    const { version } = await readBoat(yard.context, id);
    const edits = [{ type: 'brief.set' as const, patch: { weightTarget: 444 } }];
    await editBoat(yard.context, id, version, [{ clientId: 'after-copy', action: 'do', edits }]);
    const copies = screen.getByRole('table', { name: 'Copies' });
    await waitFor(() => expect(within(copies).getByText('Backed up by hand')).toBeTruthy());
    fireEvent.click(within(copies).getByRole('button', { name: /^Restore the copy/ }));
    await shown(/^Restored: 1 boats/);
    await waitFor(() => expect(within(copies).getByText('Stood here before a restore')).toBeTruthy());
  });
  it('keeps copies in a second place, an archive of everything, and who did what', async () => {
    await yard.boat();
    await open();
    const second = mkdtempSync(path.join(tmpdir(), 'keramos-second-'));
    const say = (folder: string) => {
      fireEvent.change(screen.getByLabelText('Folder of the second place'), { target: { value: folder } });
      press('Copy there too');
    };
    say(path.join(second, 'nowhere'));
    expect(await alert()).toMatch(/sees no folder/);
    say(dataFolder());
    await shown(/what takes one would take both/);
    say(second);
    await shown(/Last copied there/);
    press('Archive today’s state');
    await shown('Everything as it stands today is in one file.');
    press('Back up now');
    await shown(/^Kept as /);
    const there = readdirSync(path.join(second, 'keramos-copies'));
    expect(there.filter((name) => name.endsWith('.db'))).toHaveLength(1);
    const files = unzipSync(
      readFileSync(
        path.join(
          second,
          'keramos-copies',
          there.find((one) => one.endsWith('.zip'))!,
        ),
      ),
    );
    expect(Object.keys(files).filter((name) => name.startsWith('boats/'))).toHaveLength(1);
    expect(Buffer.from(files['keramos.db']!.subarray(0, 15)).toString()).toBe('SQLite format 3');
    await shown(/^made the archive keramos-/);
    // The disk is taken home.
    rmSync(second, { recursive: true });
    press('Archive today’s state');
    await shown(/Not reached/);
    press('No second place');
    await shown(/All copies are on this machine/);
  });
  it('refuses a file that is no copy, in words, and keeps nothing of it', async () => {
    await open();
    give('A copy from another machine', new File(['no database'], 'photo.db'));
    expect(await alert()).toMatch(/database|copy/i);
    expect(listBackups()).toEqual([]);
  });
});

describe('revisions', () => {
  const open = async (id: string) => {
    const [revisions, requests, boats] = [
      await listRevisions(yard.context, id),
      await listChangeRequests(yard.context, id),
      await listBoats(yard.context),
    ];
    return yard.show(id, <RevisionsScreen initial={revisions} requests={requests} boats={boats} />);
  };
  const sign = (by: string, why: string, labels: [string, string] = ['Issued by', 'What it is for']) => {
    fireEvent.change(screen.getByLabelText(labels[0]), { target: { value: by } });
    fireEvent.change(screen.getByLabelText(labels[1]), { target: { value: why } });
  };
  it('are issued, go to the floor, and change only by a request that somebody else decides', async () => {
    const id = await yard.boat();
    await open(id);
    press('Issue next revision');
    await shown('Say in a few words why');
    sign('I. Hallin', 'First schedule');
    press('Issue next revision');
    // One zone and the tow post fail, and nobody has signed for the pack: why all the same?
    expect(await alert()).toContain('say why it is issued all the same');
    const listed = await waitFor(() => screen.getByRole('list', { name: 'Open points' }).textContent!);
    expect(listed).toMatch(/✕ Tow post fails 0\.54✕ Bottom forward fails 0\.95.*unverified/);
    fireEvent.change(screen.getByLabelText('Why it is issued all the same'), {
      target: { value: 'For the quotation' },
    });
    press('Issue next revision');
    await waitFor(async () => expect(await listRevisions(yard.context, id)).toHaveLength(1));
    fireEvent.click(await waitFor(() => screen.getByRole('button', { name: 'To the floor' })));
    sign('B. Moor', 'Hull 7 starts', ['Done by', 'Why']);
    press('Put it on the floor');
    await shown(/The floor builds/);
    await shown(/issued with \d+ open: For the quotation/);

    await editBoat(yard.context, id, 1, [
      { clientId: 'heavier', action: 'do', edits: [{ type: 'brief.set', patch: { loadedMass: 3900 } }] },
    ]);
    cleanup();
    expect((await open(id)).boat.brief.loadedMass).toBe(3900);
    sign('I. Hallin', 'The owner wants more gear', ['Asked by', 'Reason for the change']);
    press('Ask for this change');
    await shown(/waits for a decision/);
    sign('I. Hallin', 'I think it is fine', ['Decided by', 'Why it is decided so']);
    press('Approve');
    expect(await alert()).toContain('Whoever asks for a change cannot');
    sign('B. Moor', 'Checked the bottom', ['Decided by', 'Why it is decided so']);
    press('Approve');
    await shown(/Approved by B\. Moor/);
    expect((await listChangeRequests(yard.context, id))[0]!.state).toBe('approved');
  });
  it('of any two boats are compared, and a variant says where it goes its own way', async () => {
    const id = await yard.boat();
    const { id: copy } = await duplicateBoat(yard.context, id, 'Merrow 84, heavy');
    await editBoat(yard.context, copy, 1, [
      { clientId: 'own-way', action: 'do', edits: [{ type: 'brief.set', patch: { loadedMass: 4100 } }] },
    ]);
    await open(copy);
    await shown(/except for this/);
    choose('From', 'Merrow 84');
    await shown(/loaded mass/i);
    press('Follow it no longer');
    await waitFor(() => expect(screen.queryByText(/except for this/)).toBeNull());
  });
  it('tell everything that was done, newest first', async () => {
    const id = await yard.boat();
    for (const [i, mass] of [3300, 3400].entries())
      await editBoat(yard.context, id, i + 1, [
        { clientId: `mass-${mass}`, action: 'do', edits: [{ type: 'brief.set', patch: { loadedMass: mass } }] },
      ]);
    await open(id);
    const details = screen.getByText('Everything that was done').closest('details')!;
    details.open = true;
    fireEvent(details, new Event('toggle'));
    const list = await waitFor(() => screen.getByRole('list', { name: 'What was done, newest first' }));
    await waitFor(() => expect(within(list).getAllByRole('listitem')).toHaveLength(2));
    expect(
      within(list)
        .getAllByRole('listitem')
        .map(({ textContent }) => textContent![0]),
    ).toEqual(['3', '2']);
  });
});
