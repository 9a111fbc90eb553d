// @vitest-environment happy-dom
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { button, enter, Page, press, refusing, words } from '../../../tests/helpers/asked';
import { coefficientLabel, coefficientsOf, FORMULAS, SHIPPED_PACKS, type StandardPack } from '@/core/standard';
import { PacksScreen } from './PacksScreen';

vi.mock('next/navigation', () => ({ usePathname: () => '/packs', useRouter: () => ({ push: vi.fn() }) }));

const shipped = [...SHIPPED_PACKS];
const method = shipped[0]!;
const rule = shipped.find(({ kind }) => kind === 'yardRule')!;
const own = { ...rule, id: 'ours', title: 'Our rule', basedOn: rule.id, signOff: null } as StandardPack;
const page = new Page();
let packs: StandardPack[];
beforeEach(() => {
  page.begin();
  packs = [...shipped, own];
  page.answer = ({ method: asked, url, body }) => {
    if (asked === 'PUT') packs = packs.map((one) => (one.id === body!['id'] ? (body as unknown as StandardPack) : one));
    if (asked !== 'GET') return {};
    return url === '/api/packs' ? packs : [];
  };
});
afterEach(() => page.end());
const open = (chosen = own) => {
  page.show(<PacksScreen initial={packs} />);
  press(chosen.title);
};
/** What a change sends, without anything asked in between. */
const put = async () => (await page.last('PUT')).body as unknown as StandardPack;
const first = coefficientsOf(own)[0]!;
const label = coefficientLabel(first.path);

describe('a shipped standard', () => {
  it('shows every coefficient under its formula, and lets none of them be changed', () => {
    for (const pack of shipped) {
      page.end();
      page.begin();
      page.answer = () => [];
      open(pack);
      const group = within(screen.getByRole('group', { name: `Coefficients of ${pack.title}` }));
      expect(group.queryByRole('textbox')).toBeNull();
      expect(group.getAllByRole('table')).toHaveLength(FORMULAS[pack.kind].length);
      expect(group.getAllByRole('row').length - group.getAllByRole('table').length).toBe(coefficientsOf(pack).length);
      expect(words()).toContain('to change a coefficient, make a copy');
    }
  });
  it('is copied under a name that is free, unsigned, and the copy is shown', async () => {
    open(method);
    const before = page.answer;
    page.answer = (asked) => {
      if (asked.method === 'POST') packs = [...packs, asked.body as unknown as StandardPack];
      return asked.method === 'POST' ? asked.body : before(asked);
    };
    press('Make a copy');
    const { body } = await page.last('POST');
    expect(body).toMatchObject({ title: `${method.title}, copy`, basedOn: method.id, signOff: null });
    expect(packs.filter(({ id }) => id === body!['id'])).toHaveLength(1);
    await waitFor(() => expect(words()).toContain('Copied: its coefficients can now be changed.'));
    await waitFor(() => expect(words()).toContain('Nothing differs from the shipped pack.'));
  });
});

describe('a copy', () => {
  it('takes a coefficient, shows it at once, and says what was shipped', async () => {
    open();
    enter(label, String(first.value + 1));
    const sent = await put();
    expect(coefficientsOf(sent)[0]!.value).toBe(first.value + 1);
    expect(sent.signOff).toBeNull();
    await waitFor(() => expect(words()).toContain(`${label} is now ${first.value + 1}.`));
    expect(words()).toContain('1 coefficient differs from');
    expect(words()).toContain('△ changed');
    expect(words()).toContain('was ');
  });
  it('a change takes the sign-off away, and says so', async () => {
    packs = [...shipped, { ...own, signOff: { by: 'I. Hallin', at: '2026-11-01', note: 'Read' } } as StandardPack];
    open();
    enter(label, String(first.value + 1));
    expect((await put()).signOff).toBeNull();
    await waitFor(() => expect(words()).toContain('A change takes the sign-off away.'));
  });
  it.each([
    ['', 'A number is needed.'],
    ['much', 'A number is needed.'],
    ['-3', /0|least|more/i],
  ])('keeps "%s" in its field with what is wrong, and sends nothing', (text, said) => {
    open();
    enter(label, text);
    const input = screen.getByLabelText<HTMLInputElement>(label);
    expect(input.value).toBe(text);
    expect(input.closest('td')!.textContent).toMatch(said);
    expect(page.sent('PUT')).toEqual([]);
    fireEvent.keyDown(input, { key: 'Escape' });
    expect(input.value).toBe(String(first.value));
  });
  it('goes back to what the server has where the change is refused', async () => {
    open();
    const before = page.answer;
    page.answer = (asked) =>
      asked.method === 'PUT' ? refusing(403, 'To change it you must be designer') : before(asked);
    enter(label, String(first.value + 1));
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('you must be designer'));
    await waitFor(() => expect(screen.getByLabelText<HTMLInputElement>(label).value).toBe(String(first.value)));
  });
  it('is signed by whoever checked it, with against what; both are asked for', async () => {
    open();
    press('Sign off');
    await waitFor(() => expect(screen.getByLabelText('Signed by').classList).toContain('is-invalid'));
    expect(page.sent('PUT')).toEqual([]);
    enter('Signed by', 'I. Hallin');
    enter('What was checked', 'Against our own rule of 2024');
    press('Sign off');
    expect((await put()).signOff).toMatchObject({ by: 'I. Hallin', note: 'Against our own rule of 2024' });
    await waitFor(() => expect(words()).toContain('I. Hallin signed for Our rule.'));
  });
  it('is dropped; boats keep theirs', async () => {
    open();
    press('Drop');
    expect((await page.last('DELETE')).url).toBe('/api/packs/ours');
    await waitFor(() => expect(words()).toContain('Our rule is dropped; boats that use it keep theirs.'));
  });
});

describe('a pack that is brought in', () => {
  const bring = (text: string) =>
    fireEvent.change(screen.getByLabelText('Pack as JSON'), { target: { files: [new File([text], 'pack.json')] } });
  it('is sent as it is, and chosen when it is here', async () => {
    open();
    const theirs = { ...own, id: 'theirs', title: 'Their rule' } as StandardPack;
    const before = page.answer;
    page.answer = (asked) => {
      if (asked.method !== 'POST') return before(asked);
      packs = [...packs, theirs];
      return theirs;
    };
    bring(JSON.stringify(theirs));
    expect((await page.last('POST')).body).toMatchObject({ id: 'theirs' });
    await waitFor(() => expect(button('Their rule').getAttribute('aria-pressed')).toBe('true'));
    expect(words()).toContain('unverified until somebody of this yard signs');
  });
  it('that does not read is refused in words, and nothing changes', async () => {
    open();
    const before = page.answer;
    page.answer = (asked) =>
      asked.method === 'POST' ? refusing(400, 'This is no pack: kind is missing') : before(asked);
    bring('{"half":');
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('This is no pack'));
    expect(button('Our rule').getAttribute('aria-pressed')).toBe('true');
  });
});
