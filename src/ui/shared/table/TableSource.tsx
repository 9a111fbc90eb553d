import type { ReactNode } from 'react';
import type { DecimalSign } from '@/core/table';
import { FileButton } from '../FileButton';
import { SmallChoice } from '../SmallChoice';
import type { useTableFile } from './useTableFile';

/** Rows among which the heads may be told to be. */
const HEADS_WITHIN = 40;
const LONGEST = 60;
const DECIMALS: readonly (readonly [DecimalSign, string])[] = [
  ['.', '1,234.5'],
  [',', '1.234,5'],
];

/** Choose a file with a table, and say where in it the table is and how its numbers are written. */
export function TableSource({
  label,
  empty,
  source,
  children,
}: {
  label: string;
  /** What may be chosen, while nothing is. */
  empty: string;
  source: ReturnType<typeof useTableFile>;
  /** More to choose of the file, at the end of the line. */
  children?: ReactNode;
}) {
  const { file, table } = source;
  const rows = file?.sheets[file.sheet]!.rows ?? [];
  const words = (row: readonly string[]) => {
    const text = row.filter(Boolean).join(', ');
    return text.length > LONGEST ? `${text.slice(0, LONGEST)}…` : text;
  };
  return (
    <div className="d-flex flex-wrap gap-2 align-items-center mb-2">
      <FileButton label={label} accept=".csv,.tsv,.txt,.xlsx,text/csv" primary={!file} onFile={source.choose}>
        {file ? 'Another file' : 'Choose a CSV or XLSX file'}
      </FileButton>
      <span className="soft small">
        {source.busy && 'Reading…'}
        {file && table ? `${file.name}: ${table.rows.length} rows` : !source.busy && empty}
      </span>
      {file && file.sheets.length > 1 && (
        <SmallChoice
          beside
          id="table-sheet"
          label="Sheet"
          value={file.sheet}
          options={file.sheets.map(({ name }, i) => [i, name])}
          onChoose={source.takeSheet}
        />
      )}
      {file && (
        <>
          <SmallChoice
            beside
            id="table-heads"
            label="Heads in"
            value={file.heads}
            options={rows
              .slice(0, Math.min(HEADS_WITHIN, rows.length - 1))
              .flatMap((row, i) =>
                row.some(Boolean) || i === file.heads ? [[i, `row ${i + 1}: ${words(row)}`] as const] : [],
              )}
            onChoose={(heads) => source.change({ heads })}
          />
          <SmallChoice
            beside
            id="table-decimal"
            label="Numbers like"
            value={file.decimal}
            options={DECIMALS}
            onChoose={(decimal) => source.change({ decimal })}
          />
        </>
      )}
      {children}
    </div>
  );
}
