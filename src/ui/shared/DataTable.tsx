'use client';
import {
  createFilteredRowModel,
  createSortedRowModel,
  columnFilteringFeature,
  filterFn_includesString,
  globalFilteringFeature,
  rowSortingFeature,
  sortFn_alphanumeric,
  sortFn_basic,
  tableFeatures,
  useTable,
  type ColumnDef,
} from '@tanstack/react-table';
import type { ReactNode } from 'react';
import { CaretDownFill, CaretUpFill } from 'react-bootstrap-icons';

const features = tableFeatures({
  columnFilteringFeature,
  globalFilteringFeature,
  rowSortingFeature,
  filteredRowModel: createFilteredRowModel(),
  sortedRowModel: createSortedRowModel(),
  filterFns: { includesString: filterFn_includesString },
  sortFns: { alphanumeric: sortFn_alphanumeric, basic: sortFn_basic },
});

/** A column: what it sorts by, and how its cells look. */
export interface DataColumn<Row> {
  id: string;
  head: ReactNode;
  /** What it sorts and finds by; a column without is only shown. */
  by?: (row: Row) => string | number | null;
  cell: (row: Row) => ReactNode;
  numeric?: boolean;
  className?: string;
}

export interface DataTableProps<Row> {
  label: string;
  rows: readonly Row[];
  columns: readonly DataColumn<Row>[];
  rowId: (row: Row) => string;
  /** Only rows in which some column has this text. */
  find?: string;
  empty: ReactNode;
  rowClass?: (row: Row) => string;
  onRow?: (row: Row) => void;
  className?: string;
}

const ARIA = { asc: 'ascending', desc: 'descending' } as const;

/** A table that sorts by a click on its heads and finds text in its columns. */
export function DataTable<Row extends object>(props: DataTableProps<Row>) {
  const { label, rows, columns, rowId, find = '', empty, rowClass, onRow, className = '' } = props;
  const definitions: ColumnDef<typeof features, Row>[] = columns.map(({ id, by, numeric }) => ({
    id,
    accessorFn: (row: Row) => by?.(row) ?? null,
    enableSorting: by !== undefined,
    sortFn: numeric ? 'basic' : 'alphanumeric',
    sortUndefined: 'last' as const,
  }));
  const table = useTable({
    features,
    columns: definitions,
    data: rows as Row[],
    getRowId: rowId,
    globalFilterFn: 'includesString',
    state: { globalFilter: find },
  });
  const shown = table.getRowModel().rows;
  return (
    <table className={`table align-middle ${className}`} aria-label={label}>
      <thead>
        <tr>
          {columns.map(({ id, head, by, numeric }) => {
            const column = table.getColumn(id)!;
            const sorted = column.getIsSorted();
            return (
              <th key={id} className={numeric ? 'num' : ''} {...(sorted ? { 'aria-sort': ARIA[sorted] } : {})}>
                {by ? (
                  <button type="button" className="sort-head" onClick={column.getToggleSortingHandler()}>
                    {head}
                    {sorted === 'asc' && <CaretUpFill aria-hidden size={9} className="ms-1" />}
                    {sorted === 'desc' && <CaretDownFill aria-hidden size={9} className="ms-1" />}
                  </button>
                ) : (
                  head
                )}
              </th>
            );
          })}
        </tr>
      </thead>
      <tbody>
        {shown.map(({ id, original }) => (
          <tr key={id} className={rowClass?.(original) ?? ''} {...(onRow ? { onClick: () => onRow(original) } : {})}>
            {columns.map((column) => (
              <td key={column.id} className={`${column.numeric ? 'num' : ''} ${column.className ?? ''}`}>
                {column.cell(original)}
              </td>
            ))}
          </tr>
        ))}
        {shown.length === 0 && (
          <tr>
            <td colSpan={columns.length} className="soft">
              {empty}
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}
