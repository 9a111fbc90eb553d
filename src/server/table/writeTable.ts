import ExcelJS from 'exceljs';
import Papa from 'papaparse';
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
  const workbook = new ExcelJS.Workbook();
  const sheet = workbook.addWorksheet(sheetName, { views: [{ state: 'frozen', ySplit: 1 }] });
  sheet.addRow([...heads]).font = { bold: true };
  for (const row of rows) sheet.addRow([...row]);
  sheet.columns.forEach((column, i) => (column.width = Math.min(40, Math.max(10, (heads[i] ?? '').length + 2))));
  return new Uint8Array(await workbook.xlsx.writeBuffer());
}
