import { describe, expect, it } from 'vitest';
import type { Table } from '../table';
import { guessItemColumns, isItemHead, kindOfItem, readItems } from '.';

const table = (heads: string[], ...rows: string[][]): Table => ({
  heads,
  rows,
  numbers: rows.map((_, i) => i + 2),
  titles: rows.map(() => ''),
});
const read = (given: Table, more: { decimal?: '.' | ','; system?: 'metric' | 'us' } = {}) =>
  readItems(given, guessItemColumns(given.heads), { decimal: '.', system: 'metric', ...more });

describe('a list of items', () => {
  it('is read by its heads, in whatever units and order they stand', () => {
    const rows = read(
      table(
        ['VCG (mm)', 'Item', 'Qty', 'Weight (lb)', 'LCG (ft)', 'Status', 'Price'],
        ['650', 'Diesel engine', '1', '1,100', '9.5', 'quoted', '18500'],
        ['', '', '', '', '', '', ''],
        ['400', 'Battery', '3', '84', '7', 'weighed', ''],
      ),
    );
    expect(rows).toHaveLength(2);
    expect(rows[0]).toMatchObject({
      ok: true,
      number: 2,
      item: { name: 'Diesel engine', kind: 'engine', number: 1, z: 0.65, state: 'quoted', price: 18_500 },
    });
    const [engine, battery] = rows.map((row) => (row.ok ? row.item : null));
    expect(engine!.mass).toBeCloseTo(498.95, 1);
    expect(engine!.x).toBeCloseTo(2.8956, 3);
    expect(battery).toMatchObject({ number: 3, kind: 'systems', state: 'weighed', price: null });
  });
  it('of another language with decimal commas is read too', () => {
    const rows = read(
      table(['Bezeichnung', 'Gewicht (kg)', 'Anzahl', 'x (m)', 'z (m)'], ['Motor', '412,5', '1', '2,9', '0,6']),
      {
        decimal: ',',
      },
    );
    expect(rows[0]).toMatchObject({ ok: true, item: { mass: 412.5, x: 2.9, z: 0.6, kind: 'engine' } });
  });
  it('without units stands in the units of the reader', () => {
    const [row] = read(table(['Name', 'Mass'], ['Anchor', '44']), { system: 'us' });
    expect(row).toMatchObject({ ok: true });
    if (row!.ok) expect(row!.item.mass).toBeCloseTo(19.96, 1);
  });
  it('says what is wrong with a row, and asks what it had to guess', () => {
    const rows = read(
      table(
        ['Name', 'Mass (kg)', 'x (m)', 'z (m)'],
        ['', '12', '1', '1'],
        ['Winch', '', '1', '1'],
        ['Winch', 'heavy', '1', '1'],
        ['Winch', '-4', '1', '1'],
        ['Winch', '40', '900', '1'],
        ['Thing', '4', '', ''],
      ),
    );
    const said = rows.map((row) => (row.ok ? row.questions.join() : row.reason));
    expect(said[0]).toContain('no name');
    expect(said[1]).toContain('no mass');
    expect(said[2]).toContain('"heavy" is no mass');
    expect(said[3]).toContain('between');
    expect(said[4]).toContain('Along must be');
    expect(said[5]).toContain('no place');
    expect(said[5]).toContain('of no kind');
  });
  it('knows its heads', () => {
    expect(isItemHead('Gewicht (kg)')).toBe(true);
    expect(isItemHead('Colour')).toBe(false);
  });
  it.each([
    ['Fuel tank', 'tank'],
    ['Fuel', 'contents'],
    ['Small outboard', 'engine'],
    ['Mast and boom', 'rig'],
    ['Antifouling', 'paint'],
    ['Crew of four', 'people'],
    ['Hatches and windows', 'hatch'],
    ['stores', 'stores'],
    ['Ornament', 'other'],
  ])('"%s" is of kind %s', (word, kind) => expect(kindOfItem(word)).toBe(kind));
});
