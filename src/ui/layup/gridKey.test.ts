import { describe, expect, it } from 'vitest';
import type { Command } from './commands';
import { meaningOf } from './gridKey';
import { LEAD_COLUMNS } from './LayerRow';

const command = (id: string, key: string, off?: string): Command => ({
  id,
  key,
  off,
  title: id,
  group: 'Layers',
  run: () => undefined,
});
const COMMANDS = [
  command('cover', 'Space'),
  command('turn', 'T'),
  command('turn-back', 'Shift+T'),
  command('up', 'Alt+ArrowUp'),
  command('drop', 'Escape', 'nothing is on trial'),
];
const press = (key: string, column: number, takesFigures: boolean | null = true, more = {}) =>
  meaningOf(
    { key, altKey: false, ctrlKey: false, metaKey: false, shiftKey: false, ...more },
    column,
    takesFigures,
    COMMANDS,
  );
const ran = (meaning: ReturnType<typeof press>) => (meaning?.does === 'run' ? meaning.command.id : meaning);

describe('a key in the grid', () => {
  it('spells a material on its column, letters and figures alike', () => {
    expect(press('t', 0)).toEqual({ does: 'spell', seed: 't' });
    expect(press('6', 0)).toEqual({ does: 'spell', seed: '6' });
    expect(press('ø', 0, false)).toEqual({ does: 'spell', seed: 'ø' });
    expect(ran(press('t', 0, null))).toBe('turn');
  });
  it('is a figure elsewhere, where the layer takes one, and a command otherwise', () => {
    for (const key of ['4', '-', '−', '.']) expect(press(key, LEAD_COLUMNS)).toEqual({ does: 'enter', seed: key });
    expect(press('4', 1, false)).toBeNull();
    expect(ran(press('t', 1))).toBe('turn');
    expect(ran(press('T', LEAD_COLUMNS, true, { shiftKey: true }))).toBe('turn-back');
    expect(ran(press('ArrowUp', 1, true, { altKey: true }))).toBe('up');
    expect(press('4', 1, true, { ctrlKey: true })).toBeNull();
  });
  it('covers in a zone and opens on the leading columns, by Enter and by Space', () => {
    for (const key of ['Enter', ' ']) {
      expect(ran(press(key, LEAD_COLUMNS))).toBe('cover');
      expect(press(key, 1)).toEqual({ does: 'open' });
    }
    expect(press('Enter', 1, true, { ctrlKey: true })).toBeNull();
  });
  it('leaves Escape alone while nothing is on trial', () => {
    expect(press('Escape', 1)).toBeNull();
    expect(
      ran(
        meaningOf({ key: 'Escape', altKey: false, ctrlKey: false, metaKey: false, shiftKey: false }, 1, true, [
          command('drop', 'Escape'),
        ]),
      ),
    ).toBe('drop');
  });
});
