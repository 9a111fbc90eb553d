import { describe, expect, it } from 'vitest';
import { choicesOf, likelyUnit, readingOf, stationsOf, type OffsetsReading } from './offsetsTable';

const POINTS = {
  heads: ['Station', 'Line', 'Half-breadth', 'Height'],
  rows: [0, 1, 2, 3, 4].flatMap((x) => [
    [`${x}`, 'keel', '0', '0.1'],
    [`${x}`, 'chine', `${1 - 0.1 * x}`, '0.4'],
    [`${x}`, 'sheer', `${1.1 - 0.1 * x}`, '1.1'],
  ]),
};
const GRID = {
  heads: ['', 'St 0', 'St 1', 'St 2', 'St 3'],
  rows: [
    ['Keel', '0.1', '0.1', '0.12', '0.2'],
    ['WL 0.3', '0.6', '0.6', '0.5', '0.3'],
    ['Sheer height', '1.1', '1.1', '1.15', '1.2'],
    ['Sheer half-breadth', '1.0', '1.0', '0.9', '0.6'],
  ],
};
const PLACE = { decimal: '.' as const, origin: 0, waterline: 0.4 };
const numbered = (table: { heads: string[]; rows: string[][] }) => ({
  ...table,
  numbers: table.rows.map((_, i) => i + 2),
});
const POINT_TABLE = numbered(POINTS);
const GRID_TABLE = numbered(GRID);

describe('a table of offsets', () => {
  it('with one point a row is told by its heads, and its columns with it', () => {
    const reading = readingOf(POINT_TABLE, null);
    expect(reading.layout).toBe('points');
    expect(reading.columns).toMatchObject({ station: 0, line: 1, halfBreadth: 2, height: 3 });
    const stations = stationsOf(POINT_TABLE, reading, PLACE);
    expect(stations).toHaveLength(5);
    expect(stations[0]!.chine).toBe(1);
  });
  it('with stations across is read as a grid', () => {
    const reading = readingOf(GRID_TABLE, null);
    expect(reading.layout).toBe('grid');
    expect(stationsOf(GRID_TABLE, reading, PLACE).map(({ x, points }) => [x, points.length])).toEqual([
      [0, 3],
      [1, 3],
      [2, 3],
      [3, 3],
    ]);
  });
  it('may be read otherwise: the other way round, from another zero, in another unit, without lines', () => {
    const table: OffsetsReading = { ...readingOf(POINT_TABLE, null), direction: 'fromBow' };
    expect(stationsOf(POINT_TABLE, table, { ...PLACE, origin: 4 }).map(({ x }) => x)).toEqual([0, 1, 2, 3, 4]);
    const bare = { ...table, columns: { ...table.columns, line: -1 } };
    expect(stationsOf(POINT_TABLE, bare, PLACE).every(({ chine }) => chine === null)).toBe(true);
    expect(() => stationsOf(POINT_TABLE, { ...table, unit: 'mm' }, PLACE)).toThrow('Is the unit right?');
  });
  it('with a decimal comma is the same table', () => {
    const commas = { ...POINT_TABLE, rows: POINTS.rows.map((row) => row.map((cell) => cell.replace('.', ','))) };
    const reading = readingOf(POINT_TABLE, null);
    expect(stationsOf(commas, reading, { ...PLACE, decimal: ',' })).toEqual(stationsOf(POINT_TABLE, reading, PLACE));
  });
  it('is read as one with the same heads was the last time', () => {
    const reading: OffsetsReading = { ...readingOf(POINT_TABLE, null), direction: 'fromBow', unit: 'ft' };
    reading.columns = { ...reading.columns, line: -1 };
    expect(readingOf(POINT_TABLE, choicesOf(reading, POINTS.heads))).toEqual(reading);
  });
  it('names the row of the file that it cannot read', () => {
    const rows = POINTS.rows.map((row, i) => (i === 3 ? [...row.slice(0, 2), 'wide', row[3]!] : row));
    const numbers = rows.map((_, i) => i + 9);
    expect(() => stationsOf({ ...POINT_TABLE, rows, numbers }, readingOf(POINT_TABLE, null), PLACE)).toThrow('Row 12');
  });
  it('shows its probable unit', () => {
    expect(likelyUnit(['0', '0.85', '2.4'])).toBe('m');
    expect(likelyUnit(['0', '850', '2400'])).toBe('mm');
    expect(likelyUnit(['2-7-4', '3-0-0'])).toBe('feetInchesEighths');
  });
});
