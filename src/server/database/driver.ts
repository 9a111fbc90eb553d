import Libsql from 'libsql';
import type { SqliteDatabase, SqliteStatement } from 'kysely';
import { KeramosError } from '@/core/error';

/** A full disk rolls back by itself: that there is nothing left to take back must not hide what went wrong. */
const isRolledBack = (sql: string, error: unknown): boolean =>
  /^\s*rollback\s*;?\s*$/i.test(sql) && /no transaction is active/i.test(String((error as Error).message));

/**
 * The SQLite driver as Kysely's dialect wants it, with one guard: booleans become 0 and 1 (the driver would abort the
 * process), and anything that is not a number, string, null, bigint or bytes is refused with a clear error.
 */
export function openDriver(file: string): SqliteDatabase & { exec(sql: string): void; close(): void } {
  const database = new Libsql(file);
  const guard = (parameters: readonly unknown[]): unknown[] =>
    parameters.map((value, index) => {
      if (typeof value === 'boolean') return value ? 1 : 0;
      if (
        value === null ||
        typeof value === 'number' ||
        typeof value === 'string' ||
        typeof value === 'bigint' ||
        value instanceof Uint8Array
      )
        return value;
      throw new KeramosError(
        'invalid',
        `Parameter ${index + 1} of a query is ` +
          `${value === undefined ? 'undefined' : Object.prototype.toString.call(value)}, ` +
          'which SQLite cannot hold',
      );
    });
  return {
    prepare(sql: string): SqliteStatement {
      const statement = database.prepare(sql);
      return {
        reader: statement.reader,
        all: (parameters) => statement.all(...guard(parameters)),
        run: (parameters) => {
          try {
            return statement.run(...guard(parameters));
          } catch (error) {
            if (isRolledBack(sql, error)) return { changes: 0, lastInsertRowid: 0 };
            throw error;
          }
        },
        iterate: (parameters) => statement.iterate(...guard(parameters)) as IterableIterator<unknown>,
      };
    },
    exec: (sql) => void database.exec(sql),
    close: () => void database.close(),
  };
}
