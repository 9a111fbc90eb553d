// @vitest-environment happy-dom
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { button, enter, field, Page, press, refusing, words } from '../../../tests/helpers/asked';
import { issued } from '../../../tests/helpers/issued';
import { merrow } from '../../../tests/helpers/merrow';
import { applyEdits, difference } from '@/core/edit';
import type { ActionPage, ChangeRequest, Revision, VariantStanding } from '@/core/revision';
import { RevisionsScreen } from './RevisionsScreen';

vi.mock('next/navigation', () => ({
  usePathname: () => '/boats/b/revisions',
  useRouter: () => ({ push: () => undefined, refresh: () => undefined }),
}));

const boat = merrow();
const revision = issued;
const layer = boat.parts[0]!.layers[3]!;
const turned = applyEdits(boat, [{ type: 'layer.set', layerId: layer.id, patch: { angleDeg: 30 } }]).boat;
const request: ChangeRequest = {
  id: 'c-1',
  against: 'A',
  version: 7,
  reason: 'The side prints through',
  changes: difference(boat, turned),
  askedBy: 'I. Hallin',
  askedAt: '2026-11-28T08:00:00.000Z',
  state: 'open',
  decidedBy: null,
  decidedAt: null,
  decision: null,
};

const page = new Page();
let standing: { revisions: Revision[]; changes: ChangeRequest[]; variant: VariantStanding | null; links: object[] };
let history: Record<string, ActionPage>;
beforeEach(() => {
  page.begin();
  localStorage.clear();
  sessionStorage.clear();
  standing = { revisions: [revision], changes: [], variant: null, links: [] };
  history = {};
  page.answer = ({ method, url }) => {
    if (method !== 'GET') return {};
    const what = url.replace('/api/boats/b/', '');
    if (what.startsWith('history')) return history[what];
    if (what === 'revisions/A') return { boat: turned };
    return what in standing ? standing[what as keyof typeof standing] : {};
  };
});
afterEach(() => page.end());
const open = () =>
  page.show(<RevisionsScreen initial={standing.revisions} requests={standing.changes} boats={[]} />, { boat });
const sign = (by: string, who: string, why: string, reason: string) => {
  enter(by, who);
  enter(why, reason);
};

describe('a draft that nobody put a name to', () => {
  beforeEach(() => void (standing.revisions = []));
  it('is issued for the version that is on the page, with the answer to what is open', async () => {
    open();
    expect(words()).toContain('No revision is on the floor: nothing should be laid yet.');
    await waitFor(() => expect(words()).toMatch(/It would be issued with/));
    enter('Why it is issued all the same', 'Tow post is backed on the plug');
    sign('Issued by', 'I. Hallin', 'What it is for', 'For the plug');
    press('Issue next revision');
    const { url, body } = await page.last('POST');
    expect([url, body]).toEqual([
      '/api/boats/b/revisions',
      { baseVersion: 7, author: 'I. Hallin', note: 'For the plug', answer: 'Tow post is backed on the plug' },
    ]);
  });
  it('asks for a name and a reason in words first', async () => {
    open();
    sign('Issued by', 'I', 'What it is for', '');
    press('Issue next revision');
    await waitFor(() => expect(words()).toContain('Give a name of at least 2 characters'));
    expect(words()).toContain('Say in a few words why');
    expect(page.sent('POST')).toEqual([]);
  });
  it('a refusal is said and what was typed stays', async () => {
    open();
    sign('Issued by', 'I. Hallin', 'What it is for', 'For the plug');
    const before = page.answer;
    page.answer = (asked) =>
      asked.method === 'POST' ? refusing(409, 'The draft has moved on: look again') : before(asked);
    press('Issue next revision');
    await waitFor(() => expect(words()).toContain('The draft has moved on: look again'));
    expect(field('What it is for').value).toBe('For the plug');
  });
});

describe('an issued revision', () => {
  it('goes to the floor, and is withdrawn, with a name and a reason', async () => {
    open();
    const row = () => within(screen.getByRole('table', { name: 'Issued revisions' })).getAllByRole('row')[1]!;
    expect(row().textContent).toContain('A c0ffee');
    for (const [act, kind, asked] of [
      ['To the floor', 'floor', 'put it on the floor'],
      ['Withdraw', 'withdrawn', 'withdraw it for good'],
    ] as const) {
      fireEvent.click(within(row()).getByRole('button', { name: act }));
      expect(words()).toContain(`Revision A: ${asked}`);
      const form = within(document.querySelector<HTMLElement>('.preview-bar')!);
      const [by, why] = form.getAllByRole('textbox');
      fireEvent.change(by!, { target: { value: 'B. Moor' } });
      fireEvent.change(why!, { target: { value: 'The mould is free' } });
      fireEvent.click(form.getAllByRole('button')[0]!);
      await waitFor(() =>
        expect(page.sent('PATCH').at(-1)?.body).toEqual({
          label: 'A',
          kind,
          author: 'B. Moor',
          note: 'The mould is free',
        }),
      );
    }
  });
  it('says what it was issued with, what was done with it, and which the floor builds', () => {
    standing.revisions = [
      { ...revision, id: 'r-b', number: 2, label: 'B' },
      {
        ...revision,
        state: 'superseded',
        onFloor: true,
        open: { points: [{ of: 'detail', name: 'Tow post', stands: 'fails', reserveFactor: 0.54 }], answer: 'Backed' },
        events: [{ kind: 'floor', author: 'B. Moor', note: 'Mould free', at: '2026-11-21T06:00:00.000Z' }],
      },
    ];
    open();
    expect(screen.getByTestId('floor').textContent).toBe(
      'The floor builds revision A△ superseded: put the one that stands on the floor',
    );
    expect(words()).toContain('△ issued with 1 open: Backed');
    expect(screen.getByTitle('Tow post fails 0.54').textContent).toContain('Backed');
    expect(words()).toMatch(/put on the floor by B\. Moor, .*: Mould free/);
  });
});

describe('a change to what was issued', () => {
  it('is asked for, for the draft as it is', async () => {
    open();
    expect(screen.queryByRole('button', { name: 'Issue next revision' })).toBeNull();
    sign('Asked by', 'I. Hallin', 'Reason for the change', 'The side prints through');
    press('Ask for this change');
    expect((await page.last('POST')).body).toEqual({
      baseVersion: 7,
      askedBy: 'I. Hallin',
      reason: 'The side prints through',
    });
  });
  it('shows every change it asks for, and is decided once', async () => {
    standing.changes = [request];
    open();
    expect(button('Ask for this change').disabled).toBe(true);
    expect(words()).toContain('This draft is asked for already');
    expect(words()).toMatch(
      /waits for a decision To revision A: The side prints through asked by I\. Hallin, .*1 change/,
    );
    expect(words()).toMatch(/30°/);
    sign('Decided by', 'B. Moor', 'Why it is decided so', 'Seen on the plug');
    press('Refuse');
    expect((await page.last('PATCH')).body).toEqual({
      id: 'c-1',
      approve: false,
      decidedBy: 'B. Moor',
      decision: 'Seen on the plug',
    });
  });
  it('that was approved lets this draft be issued, and no other', () => {
    const approved: ChangeRequest = { ...request, state: 'approved', decidedBy: 'B. Moor', decision: 'Seen' };
    standing.changes = [{ ...approved, decidedAt: '2026-11-29T08:00:00.000Z' }];
    open();
    expect(words()).toMatch(/Approved by B\. Moor, .*: Seen/);
    expect(button('Issue next revision').disabled).toBe(false);
    page.end();
    page.begin();
    standing.changes = standing.changes.map((one) => ({ ...one, version: 6 }));
    open();
    expect(words()).toContain('the draft has moved on since: ask again');
    expect(screen.queryByRole('button', { name: 'Issue next revision' })).toBeNull();
  });
});

describe('the difference between two states', () => {
  it('from the revision that stands to the draft comes by itself', async () => {
    open();
    const card = screen.getByRole('heading', { name: 'Difference' }).closest<HTMLElement>('.card')!;
    await waitFor(() => expect(card.textContent).toContain('Angle: 30° → 0°'));
    fireEvent.change(screen.getByLabelText('From'), { target: { value: 'draft' } });
    await waitFor(() => expect(card.textContent).toContain('Choose two states to compare.'));
  });
  it('one that cannot be had is said', async () => {
    const before = page.answer;
    page.answer = (asked) =>
      asked.url.endsWith('revisions/A') ? refusing(410, 'Revision A does not read') : before(asked);
    open();
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('Revision A does not read'));
  });
});

describe('a variant', () => {
  const variant: VariantStanding = {
    parent: { id: 'p', name: 'Merrow 80' },
    departures: request.changes,
    problem: null,
  };
  it('says where it goes its own way, why it cannot follow, and follows no longer when it is let go', async () => {
    standing.variant = { ...variant, problem: 'the layer it turns is gone' };
    open();
    await waitFor(() => expect(words()).toContain('Follows Merrow 80, except for this'), { timeout: 5000 });
    expect(words()).toContain('Its last changes could not be followed: the layer it turns is gone');
    press('Follow it no longer');
    expect((await page.last('DELETE')).url).toBe('/api/boats/b/variant');
  });
});

describe('a link for a reader', () => {
  const link = { id: 'l-1', label: 'A', reader: 'Surveyor', author: 'I. Hallin', at: '2026-11-20T08:00:00.000Z' };
  it('is made for one revision and so many days, shown once, and withdrawn', async () => {
    open();
    expect(button('Make a link').disabled).toBe(true);
    enter('For whom', 'Surveyor');
    fireEvent.change(screen.getByLabelText('Days the link opens for'), { target: { value: '7' } });
    standing.links = [{ ...link, endsAt: '2099-01-01T00:00:00.000Z', withdrawnAt: null, seen: 3 }];
    const before = page.answer;
    page.answer = (asked) => (asked.method === 'POST' ? { secret: 's3cret' } : before(asked));
    press('Make a link');
    expect((await page.last('POST')).body).toEqual({ label: 'A', reader: 'Surveyor', days: 7 });
    await waitFor(() => expect(screen.getByText(/\/read\/s3cret$/).tagName).toBe('CODE'));
    const row = await screen.findByRole('row', { name: /^Surveyor/ });
    fireEvent.click(within(row).getByRole('button', { name: 'Withdraw the link of Surveyor' }));
    expect((await page.last('DELETE')).url).toBe('/api/boats/b/links/l-1');
    await waitFor(() => expect(screen.queryByText(/\/read\/s3cret$/)).toBeNull());
  });
  it('that has run out or was withdrawn says so, and cannot be withdrawn again', async () => {
    standing.links = [
      { ...link, endsAt: '2026-11-27T00:00:00.000Z', withdrawnAt: null, seen: 0 },
      { ...link, id: 'l-2', reader: 'Owner', endsAt: '2099-01-01T00:00:00.000Z', withdrawnAt: '2026-11-21', seen: 1 },
    ];
    open();
    expect((await screen.findByRole('row', { name: /^Surveyor/ })).textContent).toMatch(/run out$/);
    expect(screen.getByRole('row', { name: /^Owner/ }).textContent).toMatch(/withdrawn$/);
  });
});

describe('everything that was done', () => {
  const action = { version: 7, action: 'do', description: 'Turned layer 4 to 30°', author: 'I. Hallin' } as const;
  it('is leafed through when it is asked for, older actions after newer ones, down to the days', async () => {
    const at = '2026-11-28T08:00:00.000Z';
    history['history'] = {
      actions: [
        { ...action, at },
        { ...action, version: 6, action: 'undo', author: '', at },
      ],
      more: true,
      days: [],
    };
    history['history?before=6'] = {
      actions: [{ ...action, version: 5, description: 'Laid layer 4', at }],
      more: false,
      days: [{ day: '2026-11-01', version: 4 }],
    };
    open();
    expect(page.asked.some(({ url }) => url.includes('history'))).toBe(false);
    const panel = screen.getByText('Everything that was done').closest('details')!;
    panel.open = true;
    fireEvent(panel, new Event('toggle'));
    const list = screen.getByRole('list', { name: 'What was done, newest first' });
    await waitFor(() => expect(within(list).getAllByRole('listitem')).toHaveLength(2));
    expect(list.textContent).toMatch(/7Turned layer 4 to 30°I\. Hallin.*6took back: Turned.*nobody said who/);
    press('Older');
    await waitFor(() => expect(within(list).getAllByRole('listitem')).toHaveLength(4));
    expect(list.textContent).toContain('4As it stood at the end of 2026-11-01');
    expect(screen.queryByRole('button', { name: 'Older' })).toBeNull();
  });
});
