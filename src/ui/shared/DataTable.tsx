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
import { lazy, Suspense, type ComponentProps, type ReactNode } from 'react';
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
  headClass?: string;
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
  /** Rows stand under a row of their group, in the order in which the groups first come; they sort within it. */
  group?: { of: (row: Row) => string; head: (group: string) => ReactNode };
  /** One wide cell in the place of so many columns, where a row has nothing to show in each of them. */
  wide?: (row: Row) => { at: string; columns: number; cell: ReactNode } | null;
  /** Rows at the foot, as they are. */
  foot?: ReactNode;
}

const ARIA = { asc: 'ascending', desc: 'descending' } as const;
/** A table with more rows has only those that are on the screen. */
export const MOST_ROWS_AT_ONCE = 120;

// What few tables are long enough for.
const RowsOnScreen = lazy(async () => ({ default: (await import('./RowsOnScreen')).RowsOnScreen })) as unknown as <
  Row extends object,
>(
  props: DataTableProps<Row>,
) => ReactNode;

/** A table that sorts by a click on its heads and finds text in its columns. */
export function DataTable<Row extends object>(props: DataTableProps<Row>) {
  const { label, rows, columns, rowId, find = '', empty, className = '' } = props;
  const definitions: ColumnDef<typeof features, Row>[] = columns.map(({ id, by, numeric }) => ({
    id,
    accessorFn: (row: Row) => by?.(row) ?? undefined,
    enableSorting: by !== undefined,
    sortFn: numeric ? 'basic' : 'alphanumeric',
    sortUndefined: 'last' as const,
    // The least first: of a reserve it is what matters.
    sortDescFirst: false,
  }));
  const table = useTable({
    features,
    columns: definitions,
    data: rows as Row[],
    getRowId: rowId,
    globalFilterFn: 'includesString',
    state: { globalFilter: find },
  });
  const shown = table.getRowModel().rows.map(({ original }) => original);
  const long = shown.length > MOST_ROWS_AT_ONCE && !props.group;
  return (
    <table className={`table align-middle ${className}`} aria-label={label} aria-rowcount={shown.length + 1}>
      <thead>
        <tr>
          {columns.map(({ id, head, by, numeric, headClass }) => {
            const column = table.getColumn(id)!;
            const sorted = column.getIsSorted();
            return (
              <th
                key={id}
                className={`${numeric ? 'num' : ''} ${headClass ?? ''}`}
                {...(sorted ? { 'aria-sort': ARIA[sorted] } : {})}
              >
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
      {long ? (
        <Suspense fallback={<AllRows {...props} rows={shown.slice(0, MOST_ROWS_AT_ONCE)} />}>
          <RowsOnScreen {...props} rows={shown} />
        </Suspense>
      ) : (
        <AllRows {...props} rows={shown} />
      )}
      {shown.length === 0 && (
        <tbody>
          <tr>
            <td colSpan={columns.length} className="soft">
              {empty}
            </td>
          </tr>
        </tbody>
      )}
      {props.foot && <tfoot>{props.foot}</tfoot>}
    </table>
  );
}

function groupsOf<Row>(rows: readonly Row[], of: (row: Row) => string): Map<string, Row[]> {
  const groups = new Map<string, Row[]>();
  for (const row of rows) groups.set(of(row), [...(groups.get(of(row)) ?? []), row]);
  return groups;
}

function AllRows<Row extends object>(props: DataTableProps<Row>) {
  const { rows, rowId, group, columns } = props;
  if (!group)
    return (
      <tbody>
        {rows.map((row) => (
          <DataRow key={rowId(row)} {...props} row={row} />
        ))}
      </tbody>
    );
  return [...groupsOf(rows, group.of)].map(([name, members]) => (
    <tbody key={name}>
      <tr className="fw-semibold">{group.head(name) ?? <td colSpan={columns.length}>{name}</td>}</tr>
      {members.map((row) => (
        <DataRow key={rowId(row)} {...props} row={row} />
      ))}
    </tbody>
  ));
}

type DataRowProps<Row> = DataTableProps<Row> & { row: Row; place?: ComponentProps<'tr'> & { 'data-index': number } };

/** One row, with its wide cell where it has one. */
export function DataRow<Row extends object>({ row, columns, rowClass, onRow, wide, place }: DataRowProps<Row>) {
  const instead = wide?.(row) ?? null;
  const from = instead ? columns.findIndex(({ id }) => id === instead.at) : -1;
  const cells = columns.flatMap((column, i) => {
    if (instead && i === from)
      return (
        <td key={column.id} colSpan={instead.columns}>
          {instead.cell}
        </td>
      );
    if (instead && i > from && i < from + instead.columns) return [];
    return (
      <td key={column.id} className={`${column.numeric ? 'num' : ''} ${column.className ?? ''}`}>
        {column.cell(row)}
      </td>
    );
  });
  return (
    <tr className={rowClass?.(row) ?? ''} {...(onRow ? { onClick: () => onRow(row) } : {})} {...place}>
      {cells}
    </tr>
  );
}
