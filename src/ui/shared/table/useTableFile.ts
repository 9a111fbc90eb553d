import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import {
  decimalSign,
  findHeads,
  recall,
  takeTable,
  type DecimalSign,
  type Remembered,
  type Sheet,
  type Table,
} from '@/core/table';
import { api, readFile, wordsOf } from '../api';

/** A file of sheets as it is being read: which sheet, where its heads are, how its numbers are written. */
export interface TableFile {
  name: string;
  sheets: readonly Sheet[];
  sheet: number;
  /** Row of the heads, from 0. */
  heads: number;
  decimal: DecimalSign;
}

interface Look {
  purpose: Remembered['purpose'];
  isHead?: (cell: string) => boolean;
  isUnit?: (cell: string) => boolean;
}
const KEY = ['remembered tables'];

/**
 * A table out of a CSV or XLSX file: the server reads its cells, the page finds the heads, and both may be told better.
 * How a table with the same heads was read the last time comes back with it.
 */
export function useTableFile({ purpose, isHead, isUnit }: Look) {
  const cache = useQueryClient();
  const [file, setFile] = useState<TableFile | null>(null);
  const kept = useQuery({ queryKey: KEY, queryFn: () => api<Remembered[]>('GET', '/api/tables/remembered') });
  const settle = (name: string, sheets: readonly Sheet[], sheet: number): TableFile => {
    const { rows } = sheets[sheet]!;
    const heads = findHeads(rows, isHead);
    const said = recall(kept.data ?? [], purpose, takeTable(sheets[sheet]!, heads, isUnit).heads)?.decimal;
    return { name, sheets, sheet, heads, decimal: said === ',' || said === '.' ? said : decimalSign(rows) };
  };
  const reading = useMutation({
    mutationFn: (chosen: File) => readFile<Sheet[]>(`/api/tables/read?name=${encodeURIComponent(chosen.name)}`, chosen),
    onMutate: () => setFile(null),
    onSuccess: (sheets, chosen) => setFile(settle(chosen.name, sheets, 0)),
  });
  const table = useMemo(
    (): Table | null => file && takeTable(file.sheets[file.sheet]!, file.heads, isUnit),
    [file, isUnit],
  );
  const recalled = useMemo(
    () => (table ? recall(kept.data ?? [], purpose, table.heads) : null),
    [kept.data, purpose, table],
  );
  return {
    file,
    table,
    /** What was chosen for such a table the last time; null for a new one. */
    recalled,
    /** Whether what is remembered has come. */
    ready: !kept.isPending,
    busy: reading.isPending,
    trouble: reading.error ? wordsOf(reading.error) : null,
    choose: (chosen: File) => reading.mutate(chosen),
    takeSheet: (sheet: number) => setFile((now) => now && settle(now.name, now.sheets, sheet)),
    change: (patch: Partial<Pick<TableFile, 'heads' | 'decimal'>>) => setFile((now) => now && { ...now, ...patch }),
    /** Keep what was chosen, for the next table with these heads; to forget it costs nobody anything. */
    remember: async (choices: Readonly<Record<string, string>>) => {
      if (!table || !file) return;
      const all = { ...choices, decimal: file.decimal };
      await api('PUT', '/api/tables/remembered', { purpose, heads: table.heads, choices: all }).catch(() => undefined);
      await cache.invalidateQueries({ queryKey: KEY });
    },
  };
}
