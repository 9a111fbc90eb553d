import Papa from 'papaparse';
import writeXlsxFile, { type SheetData } from 'write-excel-file/node';
import { plain } from './plain';

type Row = readonly (string | number)[];
export const writeCsv = (heads: readonly string[], rows: readonly Row[]): string =>
  Papa.unparse([heads, ...rows.map((row) => row.map(plain))], { newline: '\r\n' });

/** A workbook with one sheet, its heads frozen. */
export async function writeXlsx(
  sheetName: string,
  heads: readonly string[],
  rows: readonly Row[],
): Promise<Uint8Array<ArrayBuffer>> {
  const head = heads.map((value) => ({ value, fontWeight: 'bold' as const }));
  const body = rows.map((row) => row.map((value) => ({ value, type: typeof value === 'number' ? Number : String })));
  const columns = heads.map((title) => ({ width: Math.min(40, Math.max(10, title.length + 2)) }));
  const sheet = { sheet: sheetName.slice(0, 31), columns, stickyRowsCount: 1 };
  return new Uint8Array(await writeXlsxFile([head, ...body] as SheetData, sheet).toBuffer());
}
