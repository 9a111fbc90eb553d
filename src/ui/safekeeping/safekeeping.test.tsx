// @vitest-environment happy-dom
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { button, enter, field, Page, press, refusing, words } from '../../../tests/helpers/asked';
import type { Role } from '@/core/people';
import { NOBODY, type SessionState } from '../shared/who';
import { SafekeepingScreen, type Safekeeping } from './SafekeepingScreen';

vi.mock('next/navigation', () => ({ usePathname: () => '/safekeeping', useRouter: () => ({ push: () => undefined }) }));

const copy = (name: string, at: string) => ({ name, at, bytes: 3_400_000 });
const kept: Safekeeping = {
  backups: [
    copy('keramos-20261129-060000-daily.db', '2026-11-29T06:00:00.000Z'),
    copy('keramos-20261128-060000-put-aside.db', '2026-11-28T06:00:00.000Z'),
  ],
  archives: [],
  place: { folder: null, reached: null, problem: null },
  happenings: [],
};
const page = new Page();
let now: Safekeeping;
beforeEach(() => {
  page.begin();
  now = kept;
  page.answer = ({ method }) => (method === 'GET' ? now : {});
});
afterEach(() => page.end());

const as = (role: Role): SessionState => ({
  ...NOBODY,
  accounts: true,
  who: { id: 'i', name: 'I. Hallin', roles: [role] },
});
const open = (who: SessionState = NOBODY, trouble: string | null = null) =>
  page.show(<SafekeepingScreen initial={now} folder="/srv/keramos" trouble={trouble} />, { as: who });
const told = () => screen.getByRole('status').textContent;

describe('copies', () => {
  it('say when and why they were made, and how large they are', () => {
    open();
    const rows = within(screen.getByRole('table', { name: 'Copies' }))
      .getAllByRole('row')
      .slice(1);
    expect(rows.map(({ textContent }) => textContent)).toEqual([
      expect.stringMatching(/^29 Nov 2026, 06:00Copy of the day3\.2 MB/),
      expect.stringMatching(/^28 Nov 2026, 06:00Stood here before a restore3\.2 MB/),
    ]);
    expect(words()).toContain('They are in /srv/keramos/backups: on the same disk.');
  });
  it('one is made now, and stands in the list', async () => {
    open();
    page.answer = ({ method }) => (method === 'POST' ? copy('keramos-20261130-120000-asked.db', '') : now);
    now = { ...kept, backups: [copy('keramos-20261130-120000-asked.db', '2026-11-30T12:00:00.000Z')] };
    press('Back up now');
    await waitFor(() => expect(told()).toContain('Kept as keramos-20261130-120000-asked.db.'));
    await waitFor(() => expect(words()).toContain('Backed up by hand'));
  });
  it('one is restored: what came back is counted, and the way back is said', async () => {
    open();
    page.answer = ({ method }) => (method === 'POST' ? { boats: 4, revisions: 9, aside: 'x-put-aside.db' } : now);
    press(/^Restore the copy of 2026-11-29/);
    expect((await page.last('POST')).body).toEqual({ name: 'keramos-20261129-060000-daily.db' });
    await waitFor(() => expect(told()).toContain('Restored: 4 boats, 9 revisions. What stood here before is kept'));
    // As a new page: what stood on this one was of another database.
    expect(screen.getByRole('link', { name: 'To the boats' }).getAttribute('href')).toBe('/');
  });
  it('one that is not whole is refused in words, and nothing is said to be done', async () => {
    open();
    page.answer = ({ method }) => (method === 'POST' ? refusing(422, 'Boat Tern in it does not read') : now);
    press(/^Restore the copy of 2026-11-28/);
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('Boat Tern in it does not read'));
    expect(screen.queryByRole('status')).toBeNull();
  });
  it('one of another machine is looked at and kept, and is not in use yet', async () => {
    open();
    page.answer = ({ method }) => (method === 'POST' ? { ...kept.backups[0]!, boats: 12 } : now);
    fireEvent.change(screen.getByLabelText('A copy from another machine'), {
      target: { files: [new File(['SQLite format 3'], 'yard.db')] },
    });
    await waitFor(() => expect(told()).toMatch(/12 boats\. It is not in use until you restore it\./));
  });
  it('are all there is where the database cannot be used', () => {
    open(NOBODY, 'Its pages are damaged; the newest copy is of 29 November.');
    expect(words()).toContain('✕ The database cannot be used');
    expect(screen.queryByRole('button', { name: 'Back up now' })).toBeNull();
    expect(screen.queryByRole('heading', { name: 'A second place' })).toBeNull();
    expect(button(/^Restore the copy of 2026-11-29/).disabled).toBe(false);
  });
  it('belong to whoever keeps the accounts: others are told whom to ask', () => {
    now = { ...kept, backups: [] };
    open(as('designer'));
    expect(words()).toContain('ask the yard manager');
    expect(button('Back up now').disabled).toBe(true);
    expect(words()).not.toContain('Who did what');
    expect(page.asked).toEqual([]);
  });
});

describe('a second place', () => {
  it('is named, and what the server says against it stays beside what was typed', async () => {
    open();
    expect(words()).toContain('△ All copies are on this machine');
    expect(button('Copy there too').disabled).toBe(true);
    enter('Folder of the second place', ' /mnt/office ');
    page.answer = ({ method }) => (method === 'PUT' ? refusing(400, '/mnt/office is not a folder') : now);
    press('Copy there too');
    expect((await page.last('PUT')).body).toEqual({ folder: '/mnt/office' });
    await waitFor(() => expect(words()).toContain('/mnt/office is not a folder'));
    expect(field('Folder of the second place').value).toBe(' /mnt/office ');
    now = { ...kept, place: { folder: '/mnt/office', reached: '2026-11-30T12:00:00.000Z', problem: null } };
    page.answer = () => now;
    press('Copy there too');
    await waitFor(() => expect(words()).toContain('✓ Last copied there 30 Nov 2026, 12:00.'));
  });
  it('that is not reached says so, and since when; it is left again', async () => {
    now = { ...kept, place: { folder: '/mnt/office', reached: '2026-11-20T12:00:00.000Z', problem: 'no such folder' } };
    open(as('manager'));
    expect(words()).toMatch(/✕ Not reached, no such folder\.\s+Last copied there 20 Nov 2026, 12:00\./);
    press('No second place');
    expect((await page.last('PUT')).body).toEqual({ folder: null });
  });
});

describe('archives and the log of what was done', () => {
  it('an archive is made when it is asked for, and said', async () => {
    open();
    expect(words()).toContain('No archive yet. The first is made at the new year.');
    now = { ...kept, archives: [copy('keramos-2026.zip', '2026-11-30T12:00:00.000Z')] };
    press('Archive today’s state');
    expect((await page.last('POST')).url).toBe('/api/safekeeping/archive');
    await waitFor(() => expect(words()).toContain('Everything as it stands today is in one file.'));
    const save = await screen.findByRole('link', { name: 'Save keramos-2026.zip to this computer' });
    expect(save.getAttribute('href')).toBe('/api/safekeeping/keramos-2026.zip');
  });
  it('who did what stands for whoever keeps the accounts', () => {
    now = { ...kept, happenings: [{ at: '2026-11-29T07:00:00.000Z', who: 'I. Hallin', what: 'restored a copy' }] };
    open(as('manager'));
    const table = screen.getByRole('table', { name: 'Who did what to accounts and copies' });
    expect(within(table).getAllByRole('row')[1]!.textContent).toBe('29 Nov 2026, 07:00I. Hallinrestored a copy');
  });
});
