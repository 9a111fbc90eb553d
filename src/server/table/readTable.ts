import Papa from 'papaparse';
import readXlsxFile from 'read-excel-file/node';
import { cleanText, KeramosError } from '@/core/error';
import type { Sheet } from '@/core/table';
import { MOST_COLUMNS, MOST_ROWS, surveyWorkbook } from './surveyWorkbook';

const LONGEST_CELL = 4000;
const refused = (message: string) => new KeramosError('malformed', message, 'file');

function cellText(value: unknown): string {
  if (value === null || value === undefined) return '';
  if (value instanceof Date) return value.toISOString().slice(0, 10);
  // 0.1 + 0.2 and the like: a workbook keeps more digits than anybody typed.
  return typeof value === 'number' ? String(Number(value.toPrecision(12))) : String(value);
}

async function readWorkbook(bytes: Uint8Array): Promise<Sheet[]> {
  surveyWorkbook(bytes);
  try {
    const sheets = await readXlsxFile(Buffer.from(bytes));
    return sheets.map(({ sheet, data }) => ({ name: sheet, rows: data.map((row) => row.map(cellText)) }));
  } catch {
    throw refused('This is no XLSX workbook, or it is damaged');
  }
}

/** Text of a file in UTF-8 or UTF-16, else in the encoding that older spreadsheets save. */
function textOf(bytes: Uint8Array): string {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (first === 0xfe && second === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

function readText(bytes: Uint8Array): Sheet {
  const text = textOf(bytes);
  if (text.includes('\0')) throw refused('This is neither text nor an XLSX file');
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { preview: MOST_ROWS + 2 });
  return { name: '', rows: parsed.data };
}

/**
 * The sheets of a CSV or XLSX file as text, row by row as they stand there; those with fewer than two rows that hold
 * something are left out.
 *
 * @throws KeramosError `malformed` or `tooLarge` in words: no table, too many rows, a zip that unpacks to far more
 * than it is.
 */
export async function readTable(bytes: Uint8Array, name: string): Promise<Sheet[]> {
  if (bytes.byteLength === 0) throw refused('The file is empty');
  const zip = bytes[0] === 0x50 && bytes[1] === 0x4b;
  if (/\.xlsx$/i.test(name) !== zip) throw refused(zip ? 'A packed file must be named .xlsx' : 'This is no XLSX file');
  const sheets = zip ? await readWorkbook(bytes) : [readText(bytes)];
  // A quote before a formula is the exporter's guard against spreadsheets that would run it.
  const plain = (cell: string) =>
    cleanText(cell.slice(0, LONGEST_CELL))
      .trim()
      .replace(/^'(?=[=+\-@])/, '');
  const held = sheets
    .map((sheet) => ({ ...sheet, rows: sheet.rows.map((row) => row.map(plain)) }))
    .filter(({ rows }) => rows.filter((row) => row.some(Boolean)).length > 1);
  if (held.length === 0) throw refused('The file has no rows below its heads');
  for (const { rows } of held) {
    if (rows.length > MOST_ROWS + 1) throw refused(`The file has more than the ${MOST_ROWS} rows read at a time`);
    const columns = rows.reduce((most, row) => Math.max(most, row.length), 0);
    if (columns > MOST_COLUMNS) throw refused(`The file has ${columns} columns; at most ${MOST_COLUMNS} are read`);
  }
  return held;
}
