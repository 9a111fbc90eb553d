import { Unzip, UnzipInflate } from 'fflate';
import { KeramosError } from '@/core/error';

export const MOST_ROWS = 5000;
export const MOST_COLUMNS = 80;
const MOST_CELLS = MOST_ROWS * MOST_COLUMNS;
const MOST_UNPACKED = 40 * 1024 * 1024;
const MOST_ENTRIES = 2000;

const refused = (message: string) => new KeramosError('malformed', message, 'file');
const tooLarge = (message: string) => new KeramosError('tooLarge', message, 'file');

/** Letters of a column as its number: A is 1, Z is 26, AA is 27. */
const columnOf = (letters: string): number =>
  [...letters].reduce((sum, letter) => sum * 26 + letter.charCodeAt(0) - 64, 0);

/** What of a piece of text may still go on in the next one: a tag that is not closed yet. */
const TAIL = 256;

/**
 * Counts cells, rows and columns of one sheet while it is unpacked, and refuses it as soon as there are too many:
 * a reader that lays a sheet out as rows by columns would fill the memory with what is between two cells.
 */
function counter() {
  const decoder = new TextDecoder();
  let rest = '';
  let cells = 0;
  return (data: Uint8Array, last: boolean): KeramosError | null => {
    const text = rest + decoder.decode(data, { stream: !last });
    const end = last ? text.length : Math.max(0, text.lastIndexOf('<', text.length));
    const whole = text.slice(0, end);
    for (const [, tag, place] of whole.matchAll(/<(c|row)\b[^>]{0,200}?\br="([A-Z]{0,4}\d{1,8})"/g)) {
      const row = Number(place!.replace(/^[A-Z]+/, ''));
      if (row > MOST_ROWS + 1)
        return tooLarge(`The workbook has a row ${row}; at most ${MOST_ROWS} are read at a time`);
      if (tag !== 'c') continue;
      cells += 1;
      const column = columnOf(place!.replace(/\d+$/, ''));
      if (column > MOST_COLUMNS)
        return tooLarge(
          `The workbook has something in column ${column} of row ${row}; at most ${MOST_COLUMNS} are read`,
        );
      if (cells > MOST_CELLS) return tooLarge(`The workbook has more than the ${MOST_CELLS} cells that are read`);
    }
    rest = text.slice(end);
    if (rest.length > TAIL * 64) rest = rest.slice(-TAIL);
    return null;
  };
}

/**
 * Look through a workbook before anything else reads it: unpacked bit by bit and given up as soon as it grows too
 * large, for what its entries claim of their size is not believed.
 *
 * @throws KeramosError `malformed` for what is no such file, `tooLarge` for more than 40 MB unpacked, 5,000 rows, 80
 * columns.
 */
export function surveyWorkbook(bytes: Uint8Array): void {
  let total = 0;
  let entries = 0;
  let sheets = 0;
  // The unpacker answers what is thrown inside it with an error of its own.
  let said: KeramosError | null = null;
  const giveUp = (error: KeramosError): never => {
    said ??= error;
    throw error;
  };
  const unzip = new Unzip((file) => {
    entries += 1;
    if (entries > MOST_ENTRIES) giveUp(tooLarge(`The workbook is packed of more than ${MOST_ENTRIES} files`));
    const sheet = /^xl\/worksheets\/[^/]+\.xml$/i.test(file.name);
    if (sheet) sheets += 1;
    const count = sheet ? counter() : null;
    file.ondata = (error, data, last) => {
      if (error) throw error;
      total += data.length;
      if (total > MOST_UNPACKED)
        giveUp(tooLarge(`Unpacked, the workbook would take more than the ${MOST_UNPACKED / 1048576} MB allowed`));
      const many = count?.(data, last);
      if (many) giveUp(many);
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  const step = 16 * 1024;
  try {
    for (let at = 0; at < bytes.length; at += step)
      unzip.push(bytes.subarray(at, at + step), at + step >= bytes.length);
  } catch {
    throw said ?? refused('This is no XLSX file: it cannot be unpacked');
  }
  if (said) throw said as KeramosError;
  if (sheets === 0) throw refused('This is no XLSX file: there is no sheet in it');
}
