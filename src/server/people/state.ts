import type { Who } from '@/core/people';
import { contextOf } from '../context';
import type { Db } from '../database/open';
import { choosable } from '../stores/sessions';
import { listTablets } from '../stores/tablets';
import { hasAccounts, standingOf } from './asks';
import type { Held } from './cookies';
import { passFor } from './passes';

/** What a browser may know before anybody is signed in. */
export interface SessionState {
  /** Whether there are accounts: without, everybody at this machine may do everything. */
  accounts: boolean;
  who: Who | null;
  endsAt: string | null;
  /** The tablet that this is, and who may be chosen on it by PIN. */
  tablet: { id: string; name: string } | null;
  people: Pick<Who, 'id' | 'name'>[];
  /** On a tablet: what shows who recorded something while the server was away. */
  pass: string | null;
}

/** Who is signed in on a browser, and whether anybody must be. */
export async function sessionState(db: Db, held: Held): Promise<SessionState> {
  const context = contextOf(db);
  const standing = await standingOf(db, held, context.now());
  const tablet =
    held.tablet === undefined
      ? undefined
      : (await listTablets(context)).find(({ id, withdrawnAt }) => id === held.tablet && withdrawnAt === null);
  return {
    accounts: await hasAccounts(db),
    who: standing?.who ?? null,
    endsAt: standing?.endsAt ?? null,
    tablet: tablet ? { id: tablet.id, name: tablet.name } : null,
    people: tablet ? await choosable(context) : [],
    pass: standing?.tablet ? await passFor(standing, context.now()) : null,
  };
}
