// @vitest-environment happy-dom
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { z } from 'zod';
import { button, enter, field, Page, press, refusing, words } from '../../../tests/helpers/asked';
import { bounded } from '@/core/field';
import { NOBODY } from './who';
import { personHere, setPersonHere } from './api';
import { Choice } from './Choice';
import { FileButton } from './FileButton';
import { FindBox } from './FindBox';
import { PersonField } from './PersonField';
import { TextField } from './TextField';
import { YardCard } from './YardCard';
import type { Kept } from './useSetting';

const page = new Page();
beforeEach(() => {
  page.begin();
  sessionStorage.clear();
  localStorage.clear();
});
afterEach(() => page.end());

describe('a line of text', () => {
  const open = (said?: string, rows?: number) => {
    const onCommit = vi.fn((_value: string) => said);
    page.show(<TextField label="Note" value="as built" maximum={40} {...(rows ? { rows } : {})} onCommit={onCommit} />);
    return onCommit;
  };
  it('is taken on leaving it, trimmed, and once', () => {
    const onCommit = open();
    enter('Note', '  keel first ');
    expect(onCommit.mock.calls).toEqual([['keel first']]);
    fireEvent.blur(field('Note'));
    expect(onCommit).toHaveBeenCalledTimes(1);
  });
  it('is taken by Enter, but not where there are several lines', () => {
    const one = open();
    fireEvent.change(field('Note'), { target: { value: 'x' } });
    fireEvent.keyDown(field('Note'), { key: 'Enter' });
    expect(one).toHaveBeenCalledWith('x');
    page.end();
    page.begin();
    const several = open(undefined, 3);
    fireEvent.change(field('Note'), { target: { value: 'x' } });
    fireEvent.keyDown(field('Note'), { key: 'Enter' });
    expect(several).not.toHaveBeenCalled();
  });
  it('that is left as it was, or typed back, is no change', () => {
    const onCommit = open();
    enter('Note', 'as built');
    fireEvent.blur(field('Note'));
    expect(onCommit).not.toHaveBeenCalled();
  });
  it('that is refused stays, with why, until it is typed on', () => {
    open('Name: give one');
    enter('Note', 'y');
    expect(field('Note').value).toBe('y');
    expect(field('Note').classList).toContain('is-invalid');
    expect(words()).toContain('Name: give one');
    fireEvent.change(field('Note'), { target: { value: 'yy' } });
    expect(words()).not.toContain('Name: give one');
  });
  it('half typed outlasts a reload of the page, and goes with its field', async () => {
    open();
    fireEvent.change(field('Note'), { target: { value: 'half' } });
    const kept = Object.entries({ ...sessionStorage }).map(([, text]) => text as string);
    expect(kept).toContain('half');
    page.end();
    page.begin();
    expect(Object.keys({ ...sessionStorage }).filter((key) => key.startsWith('keramos.draft.'))).toEqual([]);
  });
});

describe('one of a few', () => {
  it('is told by its key, with its hint', () => {
    const onChoose = vi.fn();
    page.show(
      <Choice<'hand' | 'bag'>
        label="Laid by"
        value="hand"
        options={{ hand: 'hand', bag: 'a bag' }}
        hint="for all"
        onChoose={onChoose}
      />,
    );
    fireEvent.change(field('Laid by'), { target: { value: 'bag' } });
    expect(onChoose).toHaveBeenCalledWith('bag');
    expect(words()).toContain('for all');
  });
});

describe('a file that is asked for', () => {
  it('is handed over, the same one again too; none where the question is left', () => {
    const onFile = vi.fn();
    page.show(
      <FileButton label="Cut file" accept=".dxf" onFile={onFile}>
        Read it
      </FileButton>,
    );
    const file = new File(['0'], 'a.dxf');
    for (let i = 0; i < 2; i++) fireEvent.change(field('Cut file'), { target: { files: [file] } });
    fireEvent.change(field('Cut file'), { target: { files: [] } });
    expect(onFile.mock.calls).toEqual([[file], [file]]);
    expect(field('Cut file').accept).toBe('.dxf');
  });
});

describe('a box that finds', () => {
  const items = [
    { id: 'bx', text: 'BX 600 biaxial glass' },
    { id: 'tx', text: 'TX 900 triaxial glass' },
    { id: 'pvc', text: 'PVC 80 core' },
  ];
  const open = (seed = '') => {
    const onPick = vi.fn();
    page.show(
      <FindBox
        id="find"
        label="Material"
        listLabel="Materials"
        placeholder="type"
        seed={seed}
        items={items}
        textOf={({ text }) => text}
        keyOf={({ id }) => id}
        isOff={({ id }) => id === 'tx'}
        onPick={onPick}
        empty="Nothing like it."
      >
        {({ text }) => text}
      </FindBox>,
    );
    return onPick;
  };
  const found = () => screen.queryAllByRole('option').map(({ textContent }) => textContent);
  const key = (name: string) => fireEvent.keyDown(screen.getByRole('combobox'), { key: name });
  it('shows what has every word typed, in any order and case, and names the one that Enter takes', () => {
    open('GLASS');
    expect(found()).toEqual([items[0]!.text, items[1]!.text]);
    fireEvent.change(screen.getByRole('combobox'), { target: { value: 'glass 900' } });
    expect(found()).toEqual([items[1]!.text]);
    expect(screen.getByRole('combobox').getAttribute('aria-activedescendant')).toBe('find-tx');
    expect(screen.getByRole('option').getAttribute('aria-disabled')).toBe('true');
  });
  it('goes down and up within what it shows, and takes the one it stands on', () => {
    const onPick = open();
    for (const name of ['ArrowUp', 'ArrowDown', 'ArrowDown', 'ArrowDown', 'ArrowDown', 'ArrowUp']) key(name);
    expect(screen.getByRole('option', { selected: true }).textContent).toBe(items[1]!.text);
    key('ArrowDown');
    key('Enter');
    expect(onPick).toHaveBeenCalledWith(items[2]);
  });
  it('finds nothing, says so, and takes nothing; what is typed then is found again', () => {
    const onPick = open('carbon');
    expect(words()).toContain('Nothing like it.');
    key('ArrowDown');
    key('Enter');
    expect(onPick).not.toHaveBeenCalled();
    fireEvent.change(screen.getByRole('combobox'), { target: { value: 'core' } });
    key('Enter');
    expect(onPick).toHaveBeenCalledWith(items[2]);
  });
  it('takes what is clicked', () => {
    const onPick = open();
    fireEvent.click(screen.getAllByRole('option')[2]!);
    expect(onPick).toHaveBeenCalledWith(items[2]);
  });
});

describe('who sits here', () => {
  afterEach(() => setPersonHere(''));
  it('is a name that stays in this browser while there are no accounts', () => {
    page.show(<PersonField />);
    fireEvent.change(field(/^Your name/), { target: { value: 'I. Hallin' } });
    expect(personHere()).toBe('I. Hallin');
  });
  it('is not asked of whoever is signed in', () => {
    const who = { id: 'i', name: 'I. Hallin', roles: [] };
    page.show(<PersonField />, { as: { ...NOBODY, accounts: true, who } });
    expect(screen.queryByLabelText(/^Your name/)).toBeNull();
  });
});

describe('a setting of the yard', () => {
  const schema = z.strictObject({
    trim: bounded('Trim', [0, 0.5], 'm', { quantity: 'shortLength' }),
    waste: bounded('Waste', [0, 1], '', { quantity: 'fraction' }),
  });
  type Own = z.infer<typeof schema>;
  const usual: Own = { trim: 0.05, waste: 0.1 };
  const first: Kept<Own> = {
    body: { trim: 0.08, waste: 0.1 },
    version: 3,
    own: { author: 'B. Moor', at: '2026-11-01' },
  };
  const Held = ({ kept }: { kept: Kept<Own> }) => {
    const [now, setNow] = useState(kept);
    return <YardCard name="cutting" title="Cutting" schema={schema} usual={usual} kept={now} onKept={setNow} />;
  };
  it('says whose it is, is folded away, and is shown to be changed', () => {
    page.show(<Held kept={first} />);
    expect(screen.getByRole('heading').textContent).toBe('Cutting by B. Moor, for all boats');
    expect(screen.queryByLabelText(/^Trim/)).toBeNull();
    press('Show and change it');
    expect(field(/^Trim/).value).toBe('80');
    expect(button('Keep it').disabled).toBe(true);
    page.end();
    page.begin();
    page.show(<Held kept={{ ...first, own: null }} />);
    expect(words()).toContain('as is usual: put in your own, for all boats');
  });
  it('is kept as it stands for the version that was read; then there is nothing to keep', async () => {
    page.answer = ({ body }) => ({ body: body!['body'], version: 4, own: { author: 'I. Hallin', at: '2026-11-30' } });
    page.show(<Held kept={first} />);
    press('Show and change it');
    enter(/^Trim/, '60');
    press('Keep it');
    const { url, body } = await page.last('PUT');
    expect([url, body]).toEqual(['/api/yard/cutting', { body: { trim: 0.06, waste: 0.1 }, version: 3 }]);
    await waitFor(() => expect(words()).toContain('by I. Hallin'));
    expect(button('Keep it').disabled).toBe(true);
  });
  it('goes back to the usual only when that is kept', async () => {
    page.answer = ({ body }) => ({ body: body!['body'], version: 4, own: null });
    page.show(<Held kept={first} />);
    press('Back to the usual');
    expect(page.sent('PUT')).toEqual([]);
    press('Keep it');
    expect((await page.last('PUT')).body).toEqual({ body: usual, version: 3 });
  });
  it('that somebody else changed meanwhile is refused; what was typed stays to be kept again', async () => {
    page.answer = () => refusing(409, 'Somebody changed it meanwhile: look again', '', 'conflict');
    page.show(<Held kept={first} />);
    press('Show and change it');
    enter(/^Waste/, '15');
    press('Keep it');
    await waitFor(() => expect(words()).toContain('Somebody changed it meanwhile'));
    expect(within(document.body).getByLabelText<HTMLInputElement>(/^Waste/).value).toMatch(/^15/);
    expect(button('Keep it').disabled).toBe(false);
  });
  it('a figure beyond its range is refused in its field, and never sent', () => {
    page.show(<Held kept={first} />);
    press('Show and change it');
    enter(/^Trim/, '900');
    expect(words()).toContain('Trim must be between');
    expect(button('Keep it').disabled).toBe(true);
  });
});
