import type { Content, TableCell } from 'pdfmake/interfaces';
import { formatNumber } from '@/core/quantity';
import { head, pageStyle, printPdf, right, RULES } from './pdfStyle';
import type { Cell, Sheet } from './scheduleSheets';

/** Decimals of a number in a list that is read by the bench. */
const DIGITS = 3;
const cellOf = (cell: Cell): TableCell => {
  if (typeof cell !== 'number') return String(cell ?? '');
  return right(Number.isInteger(cell) ? String(cell) : formatNumber(cell, DIGITS));
};

/** Lists as a PDF to pin up: each on pages of its own, its heads again on every page. */
export function sheetsPdf(title: string, sheets: readonly Sheet[]): Promise<Buffer> {
  const content = sheets.flatMap(({ name, rows }, i): Content[] => {
    const columns = Math.max(...rows.map((row) => row.length), 1);
    // A table has as many cells in every row.
    const filled = rows.map((row) => Array.from({ length: columns }, (_, k): Cell => row[k] ?? ''));
    const [heads = [], ...body] = filled;
    return [
      { text: `${title}: ${name.toLowerCase()}`, style: 'h2', ...(i > 0 && { pageBreak: 'before' as const }) },
      {
        layout: RULES,
        table: {
          headerRows: 1,
          widths: Array.from({ length: columns }, (_, k) => (k === columns - 1 ? '*' : 'auto')),
          body: [heads.map((cell) => head(String(cell))), ...body.map((row) => row.map(cellOf))],
        },
      },
    ];
  });
  const style = pageStyle(title);
  return printPdf(
    { ...style, pageOrientation: 'landscape', defaultStyle: { ...style.defaultStyle, fontSize: 6.5 }, content },
    'metric',
  );
}
