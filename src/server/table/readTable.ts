import ExcelJS from 'exceljs';
import { Unzip, UnzipInflate } from 'fflate';
import Papa from 'papaparse';
import { KeramosError } from '@/core/error';

export interface Table {
  heads: string[];
  rows: string[][];
}

const MOST_ROWS = 5000;
const MOST_COLUMNS = 80;
const MOST_UNPACKED = 40 * 1024 * 1024;
const refused = (message: string) => new KeramosError('malformed', message, 'file');

const tooLarge = () =>
  new KeramosError(
    'tooLarge',
    `Unpacked, the workbook would take more than the ${MOST_UNPACKED / 1048576} MB allowed`,
    'file',
  );

/**
 * Unpacks a zip bit by bit and stops as soon as it grows too large; what its entries claim of their size is not
 * believed.
 */
function checkUnpacked(bytes: Uint8Array): void {
  let total = 0;
  let entries = 0;
  let over = false;
  const unzip = new Unzip((file) => {
    entries += 1;
    file.ondata = (error, data) => {
      if (error) throw error;
      total += data.length;
      if (total > MOST_UNPACKED) {
        over = true;
        throw tooLarge();
      }
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  const step = 16 * 1024;
  try {
    for (let at = 0; at < bytes.length; at += step)
      unzip.push(bytes.subarray(at, at + step), at + step >= bytes.length);
  } catch {
    entries = 0;
  }
  if (over) throw tooLarge();
  if (entries === 0) throw refused('This is no XLSX file: it cannot be unpacked');
}

function cellText(value: ExcelJS.CellValue): string {
  if (value === null || value === undefined) return '';
  if (value instanceof Date) return value.toISOString().slice(0, 10);
  if (typeof value !== 'object') return String(value);
  if ('richText' in value) return value.richText.map(({ text }) => text).join('');
  if ('result' in value) return cellText(value.result as ExcelJS.CellValue);
  if ('text' in value) return cellText(value.text as ExcelJS.CellValue);
  return '';
}

async function readWorkbook(bytes: Uint8Array): Promise<string[][]> {
  checkUnpacked(bytes);
  const workbook = new ExcelJS.Workbook();
  try {
    await workbook.xlsx.load(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer);
  } catch {
    throw refused('This is no XLSX workbook, or it is damaged');
  }
  const sheet = workbook.worksheets[0];
  if (!sheet) throw refused('The workbook has no sheet');
  if (sheet.rowCount > MOST_ROWS + 1)
    throw refused(`The sheet has ${sheet.rowCount} rows; at most ${MOST_ROWS} are read at a time`);
  const rows: string[][] = [];
  sheet.eachRow((row) => {
    const values = Array.isArray(row.values) ? row.values.slice(1) : [];
    rows.push(Array.from(values, (value) => cellText(value as ExcelJS.CellValue).trim()));
  });
  return rows;
}

/**
 * The first table of a CSV or XLSX file as text, its first row as heads.
 *
 * @throws KeramosError `malformed` or `tooLarge` in words: no table, too many rows, a zip that unpacks to far more
 * than it is.
 */
export async function readTable(bytes: Uint8Array, name: string): Promise<Table> {
  if (bytes.byteLength === 0) throw refused('The file is empty');
  const zip = bytes[0] === 0x50 && bytes[1] === 0x4b;
  if (/\.xlsx$/i.test(name) !== zip) throw refused(zip ? 'A packed file must be named .xlsx' : 'This is no XLSX file');
  let rows: string[][];
  if (zip) rows = await readWorkbook(bytes);
  else {
    let text: string;
    try {
      text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    } catch {
      throw refused('This is not text in UTF-8; save it as CSV UTF-8');
    }
    const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
      skipEmptyLines: 'greedy',
      preview: MOST_ROWS + 2,
    });
    rows = parsed.data.map((row) => row.map((cell) => cell.trim()));
  }
  if (rows.length > MOST_ROWS + 1) throw refused(`The file has more than the ${MOST_ROWS} rows read at a time`);
  const [heads, ...body] = rows;
  if (!heads || body.length === 0) throw refused('The file has no rows below its heads');
  if (heads.length > MOST_COLUMNS)
    throw refused(`The file has ${heads.length} columns; at most ${MOST_COLUMNS} are read`);
  const named = heads.map((head, i) => head || `Column ${i + 1}`);
  const twice = named.find((head, i) => named.indexOf(head) !== i);
  if (twice) throw refused(`The head "${twice.slice(0, 40)}" stands twice; give every column its own`);
  // A quote before a formula is the exporter's guard against spreadsheets that would run it.
  const plain = (cell: string) => cell.slice(0, 4000).replace(/^'(?=[=+\-@])/, '');
  return { heads: named, rows: body.map((row) => named.map((_, i) => plain(row[i] ?? ''))) };
}
