import { useCallback, useMemo, useState } from 'react';
import { useLatest } from '../shared/useLatest';
import { LEAD_COLUMNS } from './LayerRow';
import type { Cursor } from './LayerGrid';

interface Selection {
  cursor: Cursor;
  anchor: Cursor;
  /** Rows that were added one by one. */
  more: readonly number[];
}

/**
 * Where the cursor stands, what is selected with it, and how both move.
 * @param start where it stands until it is moved.
 */
export function useSelection(start: Cursor) {
  const [moved, setMoved] = useState<Selection | null>(null);
  const { cursor, anchor, more } = moved ?? { cursor: start, anchor: start, more: NONE };
  const startNow = useLatest(start);
  const set = useCallback(
    (next: (old: Selection) => Selection) =>
      setMoved((old) => next(old ?? { cursor: startNow.current, anchor: startNow.current, more: NONE })),
    [startNow],
  );
  const move = useCallback(
    (to: Cursor, how: 'alone' | 'extend' | 'more' = 'alone') => {
      set((old) => {
        if (how === 'extend') return { ...old, cursor: to };
        if (how === 'alone') return { cursor: to, anchor: to, more: [] };
        const known = new Set([...old.more, ...between(old.anchor.row, old.cursor.row)]);
        if (!known.delete(to.row)) known.add(to.row);
        const rows = [...known];
        const at = known.has(to.row) ? to : { ...to, row: rows.at(-1) ?? to.row };
        return { cursor: at, anchor: at, more: rows };
      });
    },
    [set],
  );
  const selectRows = useCallback(
    (from: number, to: number) =>
      set((old) => ({
        cursor: { row: to, column: old.cursor.column },
        anchor: { row: from, column: old.cursor.column },
        more: [],
      })),
    [set],
  );
  const rows = useMemo(() => new Set([...between(anchor.row, cursor.row), ...more]), [anchor.row, cursor.row, more]);
  const columns = useMemo(
    (): readonly [number, number] => [Math.min(anchor.column, cursor.column), Math.max(anchor.column, cursor.column)],
    [anchor.column, cursor.column],
  );
  /** Places of the selected zones; none when the selection is not among them. */
  const zones = useMemo(
    () =>
      columns[1] < LEAD_COLUMNS
        ? []
        : between(Math.max(columns[0], LEAD_COLUMNS), columns[1]).map((column) => column - LEAD_COLUMNS),
    [columns],
  );
  const wide = rows.size > 1 || columns[0] !== columns[1];
  return { cursor, rows, columns, zones, wide, move, selectRows };
}

const NONE: readonly number[] = [];
const between = (a: number, b: number) => Array.from({ length: Math.abs(a - b) + 1 }, (_, i) => Math.min(a, b) + i);
