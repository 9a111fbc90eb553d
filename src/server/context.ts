import { nanoid } from 'nanoid';
import type { Db } from './database/open';

/** What every store works with; none reads the clock or makes an id by itself. */
export interface StoreContext {
  db: Db;
  /** Who acts: as the page says, until there are accounts. Empty where nobody said. */
  actor: string;
  /** ISO 8601, UTC. */
  now: () => string;
  newId: (length?: number) => string;
}

/** A context on a database, for whoever acts. */
export const contextOf = (db: Db, actor = ''): StoreContext => ({
  db,
  actor,
  now: () => new Date().toISOString(),
  newId: (length = 10) => nanoid(length),
});

/** The same context on a transaction: what is read in it is one state, what is written stands or falls together. */
export function inTransaction<T>(context: StoreContext, work: (inside: StoreContext) => Promise<T>): Promise<T> {
  if (context.db.isTransaction) return work(context);
  return context.db.transaction().execute((trx) => work({ ...context, db: trx }));
}
