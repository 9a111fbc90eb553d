// @vitest-environment happy-dom
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { button, enter, field, Page, press, refusing, words } from '../../../tests/helpers/asked';
import { issued } from '../../../tests/helpers/issued';
import { merrow } from '../../../tests/helpers/merrow';
import { evaluateDetails } from '@/core/detail/kinds';
import { makeEvaluator } from '@/core/evaluate';
import { formatQuantity } from '@/core/quantity';
import type { Revision } from '@/core/revision';
import { boatWeight } from '@/core/weight';
import { PackScreen } from './PackScreen';

vi.mock('next/navigation', () => ({ usePathname: () => '/boats/b/pack', useRouter: () => ({ push: vi.fn() }) }));

const boat = merrow();
const revision: Revision = {
  ...issued,
  onFloor: true,
  open: { points: [{ of: 'detail', name: 'Tow post', stands: 'fails', reserveFactor: 0.54 }], answer: 'Backed' },
};
const page = new Page();
beforeEach(() => {
  page.begin();
  sessionStorage.clear();
});
afterEach(() => page.end());
const open = (revisions: Revision[] = [revision], units: 'metric' | 'us' = 'metric') =>
  page.show(<PackScreen revisions={revisions} />, { boat, units });
const files = () => screen.getAllByRole('link', { name: /^Save/ }).map((link) => link.getAttribute('href'));

/** A print that is told of line by line, as the server does; more lines come when they are asked for. */
function telling() {
  let send!: (line: object) => void;
  let end!: () => void;
  const body = new ReadableStream<Uint8Array>({
    start: (controller) => {
      send = (line) => controller.enqueue(new TextEncoder().encode(`${JSON.stringify(line)}\n`));
      end = () => controller.close();
    },
  });
  return { body, send: (line: object) => send(line), end: () => end() };
}

describe('what leaves the desk', () => {
  it('is the newest revision first; the draft where it is asked for, and it says so', () => {
    open();
    expect(words()).toContain('Issued by I. Hallin');
    expect(words()).toContain('Issued all the same: Backed');
    expect(screen.getByRole('list', { name: 'Open points' }).textContent).toBe('✕ Tow post fails 0.54');
    expect(files().every((href) => href!.includes('revision=A'))).toBe(true);
    fireEvent.change(field('Print'), { target: { value: '' } });
    expect(words()).toContain('△ a draft says DRAFT on every page');
    expect(files().some((href) => href!.includes('revision'))).toBe(false);
  });
  it('is in the units of the reader, and each file is asked for once', () => {
    open([], 'us');
    expect(files().every((href) => href!.startsWith('/api/boats/b/export?') && href!.includes('units=us'))).toBe(true);
    expect(new Set(files()).size).toBe(5);
    expect(files().filter((href) => href!.includes('format=pdf'))).toHaveLength(2);
  });
  it('of the draft is told part by part, with what each weighs', async () => {
    open([]);
    const evaluations = makeEvaluator()(boat);
    const weight = boatWeight(boat, evaluations, evaluateDetails(boat));
    const table = within(screen.getByRole('table', { name: 'Parts in the print' }));
    for (const part of boat.parts) {
      const row = table.getByRole('row', { name: new RegExp(`^${part.name}`) });
      const mass = weight.parts.find(({ partId }) => partId === part.id)!.mass;
      await waitFor(() => expect(row.textContent).toContain(formatQuantity(mass, 'mass', 'metric')));
      expect(row.textContent).toContain(`${part.name}${part.zones.length}${part.layers.length}`);
    }
    await waitFor(() => expect(words()).toContain('Said open in it:'));
  });
});

describe('a print', () => {
  it('shows how far it is, and is saved when it lies ready', async () => {
    const print = telling();
    open();
    page.answer = () => new Response(print.body);
    const link = screen.getByRole('link', { name: 'Save PDF' });
    const saved = vi.fn((event: Event) => event.preventDefault());
    link.addEventListener('click', saved);
    fireEvent.click(link);
    expect((await page.last('GET')).url).toBe(link.getAttribute('href')!.replace('/export?', '/print?'));
    print.send({ done: 0.4, at: 'page 3' });
    await waitFor(() => expect(words()).toContain('40 %, at page 3'));
    // A second click while it is made asks for nothing more.
    fireEvent.click(link);
    expect(page.sent('GET')).toHaveLength(1);
    const before = saved.mock.calls.length;
    print.send({ ready: true });
    print.end();
    await waitFor(() => expect(saved.mock.calls.length).toBe(before + 1));
    await waitFor(() => expect(screen.queryByLabelText('How far the print is')).toBeNull());
  });
  it('that is refused on the way says why, and can be asked for again', async () => {
    const print = telling();
    open();
    page.answer = () => new Response(print.body);
    fireEvent.click(screen.getByRole('link', { name: 'Save short PDF' }));
    print.send({ error: { code: 'busy', message: 'Too many prints wait: try again in a minute', path: '' } });
    print.end();
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('Too many prints wait'));
    page.answer = () => refusing(404, 'Revision A is gone');
    fireEvent.click(screen.getByRole('link', { name: 'Save short PDF' }));
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('Revision A is gone'));
  });
  it('is given up: nothing is said against it, and nothing saved', async () => {
    const print = telling();
    open();
    page.answer = () => new Response(print.body);
    fireEvent.click(screen.getByRole('link', { name: 'Save PDF' }));
    print.send({ done: 0.1, at: 'page 1' });
    await screen.findByText(/10 %, at page 1/);
    press('Give up');
    print.end();
    await waitFor(() => expect(screen.queryByRole('button', { name: 'Give up' })).toBeNull());
    expect(screen.queryByRole('alert')).toBeNull();
  });
});

describe('a template', () => {
  it('is kept of the draft under a name, with what it is for', async () => {
    open();
    enter('Name of the template', 'Workboat hull');
    enter('What the template is for', 'Seven to nine metres');
    press('Keep');
    expect((await page.last('POST')).body).toEqual({
      boatId: 'b',
      name: 'Workboat hull',
      note: 'Seven to nine metres',
    });
    await waitFor(() => expect(words()).toContain('✓ Workboat hull is kept'));
    expect(field('What the template is for').value).toBe('');
  });
  it('needs a name; one that is refused says why, and what it is for stays', async () => {
    open();
    enter('Name of the template', '  ');
    expect(button('Keep').disabled).toBe(true);
    enter('Name of the template', 'Merrow 84');
    enter('What the template is for', 'Again');
    page.answer = () => refusing(409, 'A template is called Merrow 84 already');
    press('Keep');
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('is called Merrow 84 already'));
    expect(field('What the template is for').value).toBe('Again');
  });
});
