'use client';
import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { useLayoutEffect, useRef, useState, useSyncExternalStore } from 'react';
import { DataRow, MOST_ROWS_AT_ONCE, type DataTableProps } from './DataTable';

const ROW_HEIGHT = 42;
const onTheServer = () => false;
const inTheBrowser = () => true;
const never = () => () => undefined;

/** Only the rows of a long table that are on the screen, between two blank ones as high as the rest. */
export function RowsOnScreen<Row extends object>(props: DataTableProps<Row>) {
  const { rows, rowId, columns } = props;
  const awake = useSyncExternalStore(never, inTheBrowser, onTheServer);
  const body = useRef<HTMLTableSectionElement>(null);
  const [top, setTop] = useState(0);
  useLayoutEffect(() => {
    if (body.current) setTop(body.current.getBoundingClientRect().top + window.scrollY);
  }, [rows.length]);
  const screen = useWindowVirtualizer({
    count: rows.length,
    estimateSize: () => ROW_HEIGHT,
    measureElement: (row) => row.getBoundingClientRect().height || ROW_HEIGHT,
    overscan: 12,
    scrollMargin: top,
  });
  const on = screen.getVirtualItems();
  const first = awake ? (on[0]?.index ?? 0) : 0;
  const after = awake ? (on.at(-1)?.index ?? MOST_ROWS_AT_ONCE) + 1 : MOST_ROWS_AT_ONCE;
  const before = on[0] ? on[0].start - top : 0;
  const rest = awake && on.length > 0 ? screen.getTotalSize() - (on.at(-1)!.end - top) : 0;
  return (
    <tbody ref={body}>
      {before > 0 && <Blank height={before} columns={columns.length} />}
      {rows.slice(first, after).map((row, i) => (
        <DataRow
          key={rowId(row)}
          {...props}
          row={row}
          place={{ 'aria-rowindex': first + i + 2, 'data-index': first + i, ref: screen.measureElement }}
        />
      ))}
      {rest > 0 && <Blank height={rest} columns={columns.length} />}
    </tbody>
  );
}

const Blank = ({ height, columns }: { height: number; columns: number }) => (
  <tr aria-hidden="true">
    <td colSpan={columns} style={{ height, padding: 0, border: 0 }} />
  </tr>
);
