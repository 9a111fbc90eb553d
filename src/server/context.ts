import { nanoid } from 'nanoid';
import { invalid } from '@/core/error';
import { needRight, type Right, type Who } from '@/core/people';
import type { Db } from './database/open';

/** What every store works with; none reads the clock or makes an id by itself. */
export interface StoreContext {
  db: Db;
  /** The name of whoever acts; as the page says while there are no accounts. Empty where nobody said. */
  actor: string;
  /** Whoever is signed in; null for the server itself, and for a yard without accounts. */
  who: Who | null;
  /** ISO 8601, UTC. */
  now: () => string;
  newId: (length?: number) => string;
}

/** A context on a database, for whoever acts. */
export const contextOf = (db: Db, actor = '', who: Who | null = null): StoreContext => ({
  db,
  actor,
  who,
  now: () => new Date().toISOString(),
  newId: (length = 10) => nanoid(length),
});

/** The same context on a transaction: what is read in it is one state, what is written stands or falls together. */
export function inTransaction<T>(context: StoreContext, work: (inside: StoreContext) => Promise<T>): Promise<T> {
  if (context.db.isTransaction) return work(context);
  return context.db.transaction().execute((trx) => work({ ...context, db: trx }));
}

/** @throws KeramosError `forbidden` where whoever acts may not. */
export const allow = ({ who }: StoreContext, right: Right): void => needRight(who === null ? null : who.roles, right);

/**
 * The name under an act that stays on record: of whoever is signed in, or as given in a yard without accounts.
 * @throws KeramosError `invalid` for another name than one's own.
 */
export function signedBy({ who }: StoreContext, given: string, path: string): string {
  if (who === null || given.trim() === who.name) return given;
  throw invalid(path, `You are signed in as ${who.name}: sign with your own name`);
}
