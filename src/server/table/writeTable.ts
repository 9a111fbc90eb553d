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

/** A name that a spreadsheet takes for a sheet, and that none before it has. */
function sheetName(name: string, taken: ReadonlySet<string>): string {
  const plainName =
    name
      .replace(/[\\/?*[\]:]/g, ' ')
      .trim()
      .slice(0, 28) || 'Sheet';
  if (!taken.has(plainName.toLowerCase())) return plainName;
  let n = 2;
  while (taken.has(`${plainName} ${n}`.toLowerCase())) n += 1;
  return `${plainName} ${n}`;
}

/** A workbook of several sheets, each of rows as they are; numbers stay numbers. */
export async function writeWorkbook(
  tables: readonly { name: string; rows: readonly Row[] }[],
): Promise<Uint8Array<ArrayBuffer>> {
  const taken = new Set<string>();
  const sheets = tables.map(({ name, rows }) => {
    const sheet = sheetName(name, taken);
    taken.add(sheet.toLowerCase());
    const widest = Math.max(...rows.map((row) => row.length));
    const columns = Array.from({ length: widest }, (_, at) => ({
      width: Math.min(44, Math.max(8, ...rows.map((row) => String(row[at] ?? '').length + 2))),
    }));
    const data = rows.map((row, i) =>
      row.map((value) => ({
        value,
        type: typeof value === 'number' ? Number : String,
        ...(i === 0 && { fontWeight: 'bold' as const }),
      })),
    );
    return { sheet, columns, data: data as SheetData };
  });
  return new Uint8Array(await writeXlsxFile(sheets).toBuffer());
}
