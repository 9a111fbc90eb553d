import ExcelJS from 'exceljs';
import Papa from 'papaparse';

type Row = readonly (string | number)[];
/** Text that a spreadsheet would take for a formula is made plain. */
const plain = (cell: string | number) => (typeof cell === 'string' && /^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell);

export const writeCsv = (heads: readonly string[], rows: readonly Row[]): string => Papa.unparse([heads, ...rows.map((row) => row.map(plain))], { newline: '\r\n' });

/** A workbook with one sheet, its heads frozen. */
export async function writeXlsx(sheetName: string, heads: readonly string[], rows: readonly Row[]): Promise<Uint8Array<ArrayBuffer>> {
  const workbook = new ExcelJS.Workbook();
  const sheet = workbook.addWorksheet(sheetName, { views: [{ state: 'frozen', ySplit: 1 }] });
  sheet.addRow([...heads]).font = { bold: true };
  for (const row of rows) sheet.addRow([...row]);
  sheet.columns.forEach((column, i) => (column.width = Math.min(40, Math.max(10, (heads[i] ?? '').length + 2))));
  return new Uint8Array(await workbook.xlsx.writeBuffer());
}
