// @vitest-environment happy-dom
import { act, renderHook } from '@testing-library/react';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LEAD_COLUMNS, type CursorMove } from './LayerRow';
import { useSelection } from './useSelection';

function selection() {
  const hook = renderHook(() => useSelection({ row: 2, column: LEAD_COLUMNS }));
  return {
    get now() {
      return hook.result.current;
    },
    move: (row: number, column: number, how: CursorMove = 'alone') =>
      act(() => hook.result.current.move({ row, column }, how)),
    selectRows: (from: number, to: number) => act(() => hook.result.current.selectRows(from, to)),
  };
}
const rows = (set: ReadonlySet<number>) => [...set].sort((a, b) => a - b);

describe('what is selected in the grid', () => {
  it('is the row of the cursor to begin with', () => {
    const at = selection();
    expect(rows(at.now.rows)).toEqual([2]);
    expect(at.now.zones).toEqual([0]);
    expect(at.now.wide).toBe(false);
  });
  it('extends from where it began, up and down, and across zones', () => {
    const at = selection();
    at.move(5, LEAD_COLUMNS + 2, 'extend');
    expect(rows(at.now.rows)).toEqual([2, 3, 4, 5]);
    expect(at.now.zones).toEqual([0, 1, 2]);
    at.move(1, LEAD_COLUMNS, 'extend');
    expect(rows(at.now.rows)).toEqual([1, 2]);
    expect(at.now.wide).toBe(true);
  });
  it('takes one row more, and lets it go again', () => {
    const at = selection();
    at.move(6, 0, 'more');
    at.move(4, 0, 'more');
    expect(rows(at.now.rows)).toEqual([2, 4, 6]);
    at.move(6, 0, 'more');
    expect(rows(at.now.rows)).toEqual([2, 4]);
  });
  it('names no zone before the zones', () => {
    const at = selection();
    at.move(3, 1);
    expect(at.now.zones).toEqual([]);
    at.move(3, LEAD_COLUMNS + 1, 'extend');
    expect(at.now.zones).toEqual([0, 1]);
  });
  it('always holds the row of the cursor, whatever is done', () => {
    const move = fc.record({
      row: fc.nat(30),
      column: fc.nat(9),
      how: fc.constantFrom<CursorMove[]>('alone', 'extend', 'more'),
    });
    fc.assert(
      fc.property(fc.array(move, { minLength: 1, maxLength: 20 }), (moves) => {
        const at = selection();
        for (const { row, column, how } of moves) {
          at.move(row, column, how);
          expect(at.now.rows.has(at.now.cursor.row)).toBe(true);
          const [from, to] = at.now.columns;
          expect(from <= at.now.cursor.column && at.now.cursor.column <= to).toBe(true);
        }
      }),
      { numRuns: 60 },
    );
  });
});
