import { describe, expect, it } from 'vitest';
import { likelyUnit, stationsOf, tableOf, type OffsetsTable } from './offsetsTable';

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
const PLACE = { origin: 0, waterline: 0.4 };

describe('a table of offsets', () => {
  it('with one point a row is told by its heads, and its columns with it', () => {
    const table = tableOf('hull.csv', POINTS);
    expect(table.layout).toBe('points');
    expect(table.columns).toMatchObject({ station: 0, line: 1, halfBreadth: 2, height: 3 });
    const stations = stationsOf(table, PLACE);
    expect(stations).toHaveLength(5);
    expect(stations[0]!.chine).toBe(1);
  });
  it('with stations across is read as a grid', () => {
    const table = tableOf('hull.csv', GRID);
    expect(table.layout).toBe('grid');
    expect(stationsOf(table, PLACE).map(({ x, points }) => [x, points.length])).toEqual([
      [0, 3],
      [1, 3],
      [2, 3],
      [3, 3],
    ]);
  });
  it('may be read otherwise: the other way round, from another zero, in another unit, without lines', () => {
    const table: OffsetsTable = { ...tableOf('hull.csv', POINTS), direction: 'fromBow' };
    expect(stationsOf(table, { ...PLACE, origin: 4 }).map(({ x }) => x)).toEqual([0, 1, 2, 3, 4]);
    const bare = { ...table, columns: { ...table.columns, line: -1 } };
    expect(stationsOf(bare, PLACE).every(({ chine }) => chine === null)).toBe(true);
    expect(() => stationsOf({ ...table, unit: 'mm' }, PLACE)).toThrow('Is the unit right?');
  });
  it('shows its probable unit', () => {
    expect(likelyUnit(['0', '0.85', '2.4'])).toBe('m');
    expect(likelyUnit(['0', '850', '2400'])).toBe('mm');
    expect(likelyUnit(['2-7-4', '3-0-0'])).toBe('feetInchesEighths');
  });
});
