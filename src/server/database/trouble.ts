import { KeramosError } from '@/core/error';

/** What the database or its disk may be in, by the code it gives. */
const TROUBLE: readonly [code: RegExp, words: string][] = [
  [/SQLITE_FULL|ENOSPC|disk is full/i, 'The disk of the server is full: make room, then try again'],
  [/SQLITE_READONLY|EROFS|EACCES|readonly database/i, 'The data folder of the server cannot be written to'],
  [
    /SQLITE_BUSY|SQLITE_LOCKED|database is locked/i,
    'The database is held by another program: close it, then try again',
  ],
  [/SQLITE_CANTOPEN|ENOENT|unable to open/i, 'The data folder of the server is gone, or cannot be reached'],
  [/SQLITE_CORRUPT|SQLITE_NOTADB|malformed|not a database/i, 'The database is damaged: restore the last backup'],
  [/SQLITE_IOERR|EIO|disk I\/O/i, 'The disk of the server does not read or write as it should'],
];

/** The code of an error of the driver or the file system, wherever it stands in its causes. */
function codesOf(error: unknown): string {
  const said: string[] = [];
  for (let at = error, depth = 0; at && depth < 4; at = (at as { cause?: unknown }).cause, depth++) {
    const { code, message } = at as { code?: unknown; message?: unknown };
    said.push(String(code ?? ''), String(message ?? ''));
  }
  return said.join(' ');
}

/**
 * Trouble with disk or database as a refusal in words; null for any other error. Nothing is acknowledged that is not
 * on the disk: what was being written is rolled back, and the page keeps it.
 */
export function troubleOf(error: unknown): KeramosError | null {
  if (error instanceof KeramosError) return null;
  const said = codesOf(error);
  const found = TROUBLE.find(([code]) => code.test(said));
  return found ? new KeramosError('unavailable', `${found[1]}. Nothing was saved; what you typed is kept here.`) : null;
}
