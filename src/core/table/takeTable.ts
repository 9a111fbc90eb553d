import { cleanText } from '../error';
import type { Sheet, Table } from './sheet';

/** Rows of a sheet in which heads are looked for. */
const HEADS_WITHIN = 40;
const LONGEST_HEAD = 200;
/** A row of units below the heads holds short words only. */
const LONGEST_UNIT = 14;

const filled = (row: readonly string[]) => row.filter((cell) => cell.trim() !== '');
const isNumber = (cell: string) => /^\D{0,3}[\d.,]+\s*\D{0,8}$/.test(cell.trim());
/** Cells of a row that read like heads: words, not figures. */
const wordsIn = (row: readonly string[]) => filled(row).filter((cell) => !isNumber(cell)).length;

/**
 * The row of a sheet that holds its heads, from 0: the first that is as wide in words as any, known heads counting
 * more, with a row below it. Titles, addresses and dates above a table are narrower than its heads.
 * @param isHead whether a cell is known to be a head.
 */
export function findHeads(rows: readonly string[][], isHead: (cell: string) => boolean = () => false): number {
  const within = rows.slice(0, Math.min(HEADS_WITHIN, rows.length - 1));
  const worth = within.map((row) => wordsIn(row) + 3 * filled(row).filter(isHead).length);
  const best = Math.max(0, ...worth);
  return best < 2
    ? Math.max(
        0,
        rows.findIndex((row) => filled(row).length > 1),
      )
    : worth.indexOf(best);
}

/** Whether a row below the heads only says in which units its columns stand. */
function saysUnits(row: readonly string[], isUnit: (cell: string) => boolean): boolean {
  const cells = filled(row);
  return cells.length > 0 && cells.every((cell) => cell.length <= LONGEST_UNIT && isUnit(cell));
}

/** Heads told apart: one that stands twice has its number behind it, an empty one is named by its place. */
function apart(heads: readonly string[]): string[] {
  const seen = new Map<string, number>();
  return heads.map((raw, i) => {
    const head = cleanText(raw).replace(/\s+/g, ' ').trim().slice(0, LONGEST_HEAD) || `Column ${i + 1}`;
    const times = (seen.get(head) ?? 0) + 1;
    seen.set(head, times);
    return times === 1 ? head : `${head} (${times})`;
  });
}

/**
 * The table of a sheet below a row of heads. A row of units right below them joins them; empty rows and rows that
 * repeat the heads are left out; a row with one cell alone is the title of those that follow.
 *
 * @param at the row of the heads, from 0. @param isUnit whether a cell is a unit and nothing else.
 * @example takeTable({ name: 'Prices', rows: [['Name', 'Weight'], ['', 'g/m²'], ['Roving', '600']] }, 0, isUnit).heads
 * // ['Name', 'Weight (g/m²)']
 */
export function takeTable(sheet: Sheet, at: number, isUnit: (cell: string) => boolean = () => false): Table {
  const head = sheet.rows[at] ?? [];
  const below = sheet.rows[at + 1] ?? [];
  const units = saysUnits(below, isUnit);
  const width = Math.max(0, ...sheet.rows.slice(at).map((row) => row.findLastIndex((cell) => cell.trim() !== '') + 1));
  const cell = (row: readonly string[], i: number) => (row[i] ?? '').trim();
  const heads = apart(
    Array.from({ length: width }, (_, i) =>
      units && cell(below, i) !== '' ? `${cell(head, i)} (${cell(below, i).replace(/[()[\]]/g, '')})` : cell(head, i),
    ),
  );
  const table: Table = { heads, rows: [], numbers: [], titles: [] };
  let title = '';
  const first = at + (units ? 2 : 1);
  sheet.rows.slice(first).forEach((row, i) => {
    const cells = filled(row);
    if (cells.length === 0 || heads.every((_, column) => cell(row, column) === cell(head, column))) return;
    if (cells.length === 1 && width > 2 && !isNumber(cells[0]!)) {
      title = cells[0]!.trim();
      return;
    }
    table.rows.push(heads.map((_, column) => cell(row, column)));
    table.numbers.push(first + i + 1);
    table.titles.push(title);
  });
  return table;
}
