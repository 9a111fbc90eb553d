import Papa from 'papaparse';
import { readSheet } from 'read-excel-file/node';
import { cleanText, KeramosError } from '@/core/error';
import { MOST_COLUMNS, MOST_ROWS, surveyWorkbook } from './surveyWorkbook';

export interface Table {
  heads: string[];
  rows: string[][];
}

const refused = (message: string) => new KeramosError('malformed', message, 'file');

const cellText = (value: unknown): string => {
  if (value === null || value === undefined) return '';
  return value instanceof Date ? value.toISOString().slice(0, 10) : String(value);
};

async function readWorkbook(bytes: Uint8Array): Promise<string[][]> {
  surveyWorkbook(bytes);
  try {
    const rows = await readSheet(Buffer.from(bytes));
    return rows.map((row) => row.map((value) => cellText(value).trim())).filter((row) => row.some(Boolean));
  } catch {
    throw refused('This is no XLSX workbook, or it is damaged');
  }
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
  const named = heads.map((head, i) => cleanText(head).slice(0, 200) || `Column ${i + 1}`);
  const twice = named.find((head, i) => named.indexOf(head) !== i);
  if (twice) throw refused(`The head "${twice.slice(0, 40)}" stands twice; give every column its own`);
  // A quote before a formula is the exporter's guard against spreadsheets that would run it.
  const plain = (cell: string) => cleanText(cell.slice(0, 4000)).replace(/^'(?=[=+\-@])/, '');
  return { heads: named, rows: body.map((row) => named.map((_, i) => plain(row[i] ?? ''))) };
}
