import { useMemo, useState } from 'react';
import { GENERIC_MATERIALS, questionMaterial, type Material, type MaterialKind } from '@/core/material';
import {
  currencyOf,
  guessKind,
  guessMapping,
  guessUnit,
  LIST_UNITS,
  listColumns,
  PRICE_BASES,
  priceBasisOf,
  readList,
  type ListColumn,
  type ListRow,
} from '@/core/supply';
import type { DecimalSign, Table } from '@/core/table';

/** A row of the list with what the Shelf says of it. */
export interface ShelvedRow extends ListRow {
  unchanged: boolean;
  /** Name of what it takes the place of. */
  replaces: string | null;
  questions: string[];
}

type Choices = Readonly<Record<string, string>>;
const under = (choices: Choices, prefix: string): Record<string, string> =>
  Object.fromEntries(
    Object.entries(choices).flatMap(([key, value]) =>
      key.startsWith(prefix) ? [[key.slice(prefix.length), value]] : [],
    ),
  );
const prefixed = (choices: Choices, prefix: string) =>
  Object.fromEntries(Object.entries(choices).map(([key, value]) => [`${prefix}${key}`, value]));

const cellsUnder = (table: Table, head: string) => table.rows.map((row) => row[table.heads.indexOf(head)] ?? '');

/** Units a column may be said to stand in; of the price, what it is for. */
export const unitsOf = ({ key, quantity }: ListColumn): readonly string[] => {
  if (key === 'price') return PRICE_BASES;
  return quantity === null ? [] : (LIST_UNITS[quantity] ?? []);
};

/** The unit of a column by its head and figures. */
function unitFor(column: ListColumn, head: string, table: Table): string {
  if (column.key === 'price') return priceBasisOf(head) ?? 'per kg';
  return column.quantity === null ? '' : guessUnit(column.quantity, head, cellsUnder(table, head));
}
function unitsFor(kind: MaterialKind, columns: Choices, table: Table): Record<string, string> {
  return Object.fromEntries(
    listColumns(kind).flatMap((column) => {
      const head = columns[column.key];
      return head && unitsOf(column).length > 0 ? [[column.key, unitFor(column, head, table)]] : [];
    }),
  );
}

function begin(table: Table, recalled: Choices | null, usual: MaterialKind) {
  const kind = (recalled?.kind as MaterialKind | undefined) ?? guessKind(table.heads, usual);
  const columns = recalled ? under(recalled, 'column.') : guessMapping(kind, table.heads);
  const units = { ...unitsFor(kind, columns, table), ...(recalled ? under(recalled, 'unit.') : {}) };
  const rate = Number(recalled?.rate ?? 1);
  return { kind, columns, units, rate: rate > 0 ? rate : 1 };
}

/** A supplier's list as it is being read: what its columns are, and what each row comes to beside the Shelf. */
export function useSupplierList(
  table: Table,
  {
    recalled,
    shelf,
    usual,
    decimal,
  }: {
    recalled: Choices | null;
    shelf: readonly Material[];
    usual: MaterialKind;
    decimal: DecimalSign;
  },
) {
  const [reading, setReading] = useState(() => begin(table, recalled, usual));
  const [ticks, setTicks] = useState<ReadonlyMap<number, boolean>>(new Map());
  const fibres = useMemo(() => shelf.filter((one) => one.kind === 'fibre'), [shelf]);
  const rows = useMemo(
    (): ShelvedRow[] =>
      readList(table, { ...reading, decimal }, { fibres, generic: GENERIC_MATERIALS }).map((row) => {
        const { result, again } = row;
        if (!result.ok || again?.how === 'same' || again?.how === 'joined')
          return { ...row, unchanged: false, replaces: null, questions: [] };
        const same = shelf.find(({ id }) => id === result.material.id);
        const unchanged = same !== undefined && JSON.stringify(same) === JSON.stringify(result.material);
        const others = shelf.filter(({ id }) => id !== same?.id);
        const questions = unchanged ? [] : questionMaterial(result.material, others);
        if (again) questions.unshift(`Row ${again.number} is of the same name and says something else.`);
        return { ...row, unchanged, replaces: same && !unchanged ? same.name : null, questions };
      }),
    [table, reading, decimal, fibres, shelf],
  );
  const canTake = ({ result, unchanged, again }: ShelvedRow) =>
    result.ok && !unchanged && again?.how !== 'same' && again?.how !== 'joined';
  const taken = (row: ShelvedRow) => canTake(row) && (ticks.get(row.number) ?? row.questions.length === 0);
  const chosen = rows.flatMap((row) => (row.result.ok && taken(row) ? [row.result.material] : []));
  const twice = chosen.find(({ id }, i) => chosen.findIndex((other) => other.id === id) !== i);
  const price = reading.columns.price;
  return {
    ...reading,
    rows,
    canTake,
    taken,
    chosen,
    /** Name of what was ticked twice: only one of them can be kept under it. */
    twice: twice?.name ?? null,
    /** What the list's money is called; null where it has none, or does not say. */
    currency: price ? (currencyOf(price) ?? currencyOf(cellsUnder(table, price).join(' ').slice(0, 2000))) : null,
    tick: (row: ShelvedRow, on: boolean) => setTicks(new Map([...ticks, [row.number, on]])),
    setKind: (kind: MaterialKind) => {
      const columns = guessMapping(kind, table.heads);
      setReading({ ...reading, kind, columns, units: unitsFor(kind, columns, table) });
      setTicks(new Map());
    },
    setColumn: (column: ListColumn, head: string) => {
      const { [column.key]: _, ...others } = reading.columns;
      const columns = head === '' ? others : { ...others, [column.key]: head };
      const units = head === '' ? reading.units : { ...reading.units, [column.key]: unitFor(column, head, table) };
      setReading({ ...reading, columns, units });
    },
    setUnit: (key: string, unit: string) => setReading({ ...reading, units: { ...reading.units, [key]: unit } }),
    setRate: (rate: number) => setReading({ ...reading, rate }),
    /** What to keep for the next list with these heads. */
    choices: {
      kind: reading.kind,
      rate: String(reading.rate),
      ...prefixed(reading.columns, 'column.'),
      ...prefixed(reading.units, 'unit.'),
    } as Choices,
  };
}
export type SupplierList = ReturnType<typeof useSupplierList>;
