// @vitest-environment happy-dom
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Person } from '@/core/people';
import { button, enter, field, Page, press, refusing, words } from '../../../tests/helpers/asked';
import { api } from '../shared/api';
import { NOBODY, type SessionState } from '../shared/who';
import { PeopleScreen } from './PeopleScreen';
import { SignInScreen } from './SignInScreen';

const went = vi.hoisted(() => ({ push: vi.fn(), replace: vi.fn() }));
vi.mock('next/navigation', () => ({ usePathname: () => '/people', useRouter: () => went }));
vi.mock('../floor/keepPass', () => ({ keepPass: async () => undefined }));

const account: Person = {
  id: 'ines',
  name: 'I. Hallin',
  login: 'ines',
  roles: ['manager', 'designer'],
  left: false,
  hasPin: false,
  hasBadge: false,
  createdAt: '2026-11-01T08:00:00.000Z',
  seenAt: '2026-11-30T08:00:00.000Z',
};
const laminator: Person = { ...account, id: 'bo', name: 'B. Moor', login: 'bo', roles: ['laminator'], seenAt: null };
const session = (who: Person, more: Partial<SessionState> = {}): SessionState => ({
  ...NOBODY,
  accounts: true,
  who: { id: who.id, name: who.name, roles: who.roles },
  ...more,
});
const page = new Page();
let people: Person[];
beforeEach(() => {
  page.begin();
  went.push.mockClear();
  went.replace.mockClear();
  people = [account, laminator];
  page.answer = ({ method, url }) => {
    if (method !== 'GET') return {};
    if (url === '/api/people') return people;
    return url === '/api/tablets' ? [] : session(account);
  };
});
afterEach(() => page.end());

const open = (as: SessionState) => page.show(<PeopleScreen initial={{ people, tablets: [] }} />, { as });
const row = (name: string) => screen.getByRole('row', { name: new RegExp(name) });

describe('a yard without accounts', () => {
  it('says what the first account closes, and makes it with the rights to make the others', async () => {
    open(NOBODY);
    expect(words()).toContain('whoever sits at this machine may do everything');
    expect(screen.queryByRole('table', { name: 'People' })).toBeNull();
    enter('Name', 'I. Hallin');
    enter('Signs in as', 'Ines');
    enter('Password', 'four words do well');
    press('Make the first account');
    const { url, body } = await page.last('POST');
    expect([url, body]).toEqual([
      '/api/people',
      { name: 'I. Hallin', login: 'ines', password: 'four words do well', roles: ['manager', 'designer'] },
    ]);
  });
  it.each([
    ['Name', 'I', 'at least 2 characters'],
    ['Signs in as', 'two words', 'small letters, figures, dots or dashes'],
    ['Password', 'short', 'at least 10 characters'],
  ])('says at %s what is wrong with "%s" before anything is sent', async (label, typed, said) => {
    open(NOBODY);
    enter(label, typed);
    await waitFor(() => expect(words()).toContain(said));
    press('Make the first account');
    await waitFor(() => expect(field(label).classList).toContain('is-invalid'));
    expect(page.sent('POST')).toEqual([]);
  });
});

describe('the people of a yard', () => {
  it('stand with their roles, how they sign in on a tablet, and when they last did', () => {
    people[0] = { ...account, hasPin: true, hasBadge: true };
    people[1] = { ...laminator, left: true };
    open(session(account));
    expect(row('I. Hallin').textContent).toMatch(/I\. Hallin you inesmanager, designerPIN, badge30 Nov/);
    expect(row('B. Moor').textContent).toMatch(/B\. Moor +leftbolaminator–never/);
  });
  it('a name that is taken is said at its field, and what was typed stays', async () => {
    open(session(account));
    press('Add somebody');
    page.answer = () => refusing(400, 'Somebody signs in as bo already', 'login');
    enter('Name', 'Bo Lind');
    enter('Signs in as', 'bo');
    enter('Password', 'four words do well');
    press('Make the account');
    await waitFor(() => expect(words()).toContain('Somebody signs in as bo already'));
    expect(field('Signs in as').classList).toContain('is-invalid');
    expect([field('Name').value, field('Password').value]).toEqual(['Bo Lind', 'four words do well']);
  });
  it('one of them is another thing from now on: told once, and only what changed is sent', async () => {
    open(session(account));
    fireEvent.click(within(row('B. Moor')).getByRole('button'));
    expect(button('Keep these roles').disabled).toBe(true);
    fireEvent.click(screen.getByLabelText(/^Laminating lead/));
    fireEvent.click(screen.getByLabelText(/^Laminator/));
    press('Keep these roles');
    const { url, body } = await page.last('PATCH');
    expect([url, body]).toEqual(['/api/people/bo', { change: { roles: ['lead'] } }]);
    await waitFor(() => expect(screen.getByRole('status').textContent).toContain('Roles of B. Moor changed.'));
  });
  it('nobody is left without a role', () => {
    open(session(account));
    fireEvent.click(within(row('B. Moor')).getByRole('button'));
    fireEvent.click(screen.getByLabelText(/^Laminator/));
    expect(button('Keep these roles').disabled).toBe(true);
  });
  it('a refusal is said at the account, and its fields stay', async () => {
    open(session(account));
    fireEvent.click(within(row('B. Moor')).getByRole('button'));
    page.answer = () => refusing(400, 'PIN: 1234 is tried first by everybody');
    enter('New PIN, for tablets', '12a34');
    press('Set PIN');
    const { body } = await page.last('PATCH');
    expect(body).toEqual({ change: { pin: '1234' } });
    await waitFor(() => expect(words()).toContain('1234 is tried first by everybody'));
    expect(field('New PIN, for tablets').value).toBe('1234');
  });
  it('one who leaves stays on the records, and may come back', async () => {
    open(session(account));
    fireEvent.click(within(row('B. Moor')).getByRole('button'));
    people[1] = { ...laminator, left: true };
    press('Has left the yard');
    expect((await page.last('PATCH')).body).toEqual({ change: { left: true } });
    await waitFor(() => expect(words()).toContain('the records stay'));
    expect(button('Back in the yard').disabled).toBe(false);
    expect(button('Make a badge').disabled).toBe(true);
  });
  it('a badge is shown this once, to be printed', async () => {
    open(session(account));
    fireEvent.click(within(row('B. Moor')).getByRole('button'));
    page.answer = ({ method }) => (method === 'POST' ? { svg: '<svg xmlns="http://www.w3.org/2000/svg"/>' } : people);
    press('Make a badge');
    const picture = await screen.findByRole<HTMLImageElement>('img', { name: 'Code on the badge of B. Moor' });
    expect(decodeURIComponent(picture.src)).toContain('<svg');
    expect(button('Print').disabled).toBe(false);
    expect((await page.last('POST')).url).toBe('/api/people/bo/badge');
  });
});

describe('an account of one’s own', () => {
  it('changes its password against the old one, and signs in with the new', async () => {
    open(session(laminator));
    expect(within(row('I. Hallin')).queryByRole('button')).toBeNull();
    fireEvent.click(within(row('B. Moor')).getByRole('button'));
    expect(screen.queryByText('Keep these roles')).toBeNull();
    enter('New password', 'another four words');
    expect(button('Set password').disabled).toBe(true);
    enter('Your password now', 'four words do well');
    press('Set password');
    expect((await page.last('PATCH')).body).toEqual({
      change: { password: 'another four words' },
      old: 'four words do well',
    });
    await waitFor(() => expect(went.push).toHaveBeenCalledWith('/sign-in?to=/people'));
  });
  it('ends its sessions everywhere', async () => {
    open(session(laminator));
    fireEvent.click(within(row('B. Moor')).getByRole('button'));
    press('Sign me out everywhere');
    expect((await page.last('DELETE')).url).toBe('/api/people/bo/sessions');
  });
});

describe('tablets', () => {
  const tablet = { id: 't-1', name: 'Mould hall', author: 'I. Hallin', at: '2026-11-02T07:00:00.000Z' };
  it('one is enrolled where it is held, and withdrawn from anywhere', async () => {
    open(session(account));
    expect(button('Enrol the device I hold').disabled).toBe(true);
    enter('Name of this tablet', 'Mould hall');
    page.answer = ({ method, url }) => {
      if (method === 'POST') return session(account, { tablet: { id: 't-1', name: 'Mould hall' } });
      return url === '/api/tablets' ? [{ ...tablet, withdrawnAt: null }] : people;
    };
    press('Enrol the device I hold');
    expect((await page.last('POST')).body).toEqual({ name: 'Mould hall' });
    await waitFor(() => expect(row('Mould hall').textContent).toContain('this one'));
    // One that is enrolled is not enrolled again.
    expect(screen.queryByRole('button', { name: 'Enrol the device I hold' })).toBeNull();
    page.answer = ({ url }) =>
      url === '/api/tablets' ? [{ ...tablet, withdrawnAt: '2026-11-30T07:00:00.000Z' }] : session(account);
    press('Withdraw Mould hall');
    await waitFor(() => expect(row('Mould hall').textContent).toContain('withdrawn'));
    expect((await page.last('DELETE')).url).toBe('/api/tablets/t-1');
  });
  it('whoever may not enrol sees them, and no way to', () => {
    open(session(laminator));
    expect(screen.queryByLabelText('Name of this tablet')).toBeNull();
  });
});

describe('the door', () => {
  const door = (more: Partial<SessionState> = {}) =>
    page.show(<SignInScreen to="/floor" closed={null} />, { as: { ...NOBODY, accounts: true, ...more } });
  const tablet = { id: 't-1', name: 'Mould hall' };
  const crew = [
    { id: 'bo', name: 'B. Moor' },
    { id: 'ines', name: 'I. Hallin' },
  ];
  it('lets in by password; a wrong one is said, its name stays, the password goes', async () => {
    door();
    expect(button('Sign in').disabled).toBe(true);
    page.answer = () => refusing(401, 'No such name with this password', '', 'wrongSecret');
    enter('Signs in as', 'bo');
    enter('Password', 'not this one');
    press('Sign in');
    await waitFor(() => expect(words()).toContain('No such name with this password'));
    await waitFor(() => expect(field('Password').value).toBe(''));
    expect(field('Signs in as').value).toBe('bo');
    expect(went.replace).not.toHaveBeenCalled();
    page.answer = () => session(laminator);
    enter('Password', 'four words do well');
    press('Sign in');
    await waitFor(() => expect(went.replace).toHaveBeenCalledWith('/floor'));
    expect(page.sent('POST').at(-1)!.body).toEqual({ login: 'bo', password: 'four words do well' });
  });
  it('on a tablet asks who it is, then for the PIN on large keys', async () => {
    door({ tablet, people: crew });
    expect(words()).toContain('on Mould hall');
    press('B. Moor');
    for (const key of ['4', '8', '0', '7', '7']) press(key);
    press('Clear');
    for (const key of ['4', '8', '0']) press(key);
    expect(button('OK').disabled).toBe(true);
    press('7');
    page.answer = () => session(laminator, { tablet, people: crew, pass: 'p' });
    press('OK');
    expect((await page.last('POST')).body).toEqual({ person: 'bo', pin: '4807' });
    await waitFor(() => expect(went.replace).toHaveBeenCalledWith('/floor'));
  });
  it('a wrong PIN empties the field, and it may be somebody else', async () => {
    door({ tablet, people: crew });
    press('B. Moor');
    fireEvent.change(field('PIN'), { target: { value: '48x07' } });
    expect(field('PIN').value).toBe('4807');
    page.answer = () => refusing(401, 'This is not the PIN of B. Moor', '', 'wrongSecret');
    press('OK');
    await waitFor(() => expect(words()).toContain('This is not the PIN of B. Moor'));
    await waitFor(() => expect(field('PIN').value).toBe(''));
    press('Somebody else');
    expect(button('I. Hallin').disabled).toBe(false);
  });
  it('a tablet on which nobody has a PIN asks for the password', () => {
    door({ tablet });
    expect(field('Signs in as').value).toBe('');
    press('PIN');
    expect(words()).toContain('Nobody has a PIN yet');
  });
  it('is shut with a reason where nobody can be let in', () => {
    page.show(<SignInScreen to="/" closed="The yard’s data cannot be read." />);
    expect(words()).toContain('The yard’s data cannot be read.');
    expect(screen.queryByRole('button')).toBeNull();
  });
  it('comes before whoever is signed out while they work, and goes when they are back', async () => {
    page.show(<p>Half a lay-up</p>, { as: session(laminator) });
    page.answer = () => refusing(401, 'Sign in first', '', 'signIn');
    await expect(api('GET', '/api/boats')).rejects.toThrow('Sign in first');
    await screen.findByRole('dialog', { name: 'Sign in again' });
    page.answer = () => session(laminator);
    enter('Signs in as', 'bo');
    enter('Password', 'four words do well');
    press('Sign in');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(words()).toContain('Half a lay-up');
  });
});
