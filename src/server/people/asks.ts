import { KeramosError } from '@/core/error';
import type { Role, Who } from '@/core/people';
import type { Db } from '../database/open';
import { FROM_HEADER, isOwnAddress } from '../from';
import { heldBy, type Held } from './cookies';

/** Whether somebody made an account: from then on nobody is let in without. */
export async function hasAccounts(db: Db): Promise<boolean> {
  return (await db.selectFrom('person').select('id').limit(1).executeTakeFirst()) !== undefined;
}

/** A session that stands: of whom, on which tablet, until when (ISO 8601). */
export interface Standing {
  who: Who;
  tablet: string | null;
  endsAt: string;
}

/** Whoever a browser is signed in as; null for nobody, any more, or on a tablet that was withdrawn. */
export async function standingOf(db: Db, { session }: Held, now: string): Promise<Standing | null> {
  if (session === undefined) return null;
  const row = await db
    .selectFrom('session')
    .innerJoin('person', 'person.id', 'session.person_id')
    .leftJoin('tablet', 'tablet.id', 'session.tablet_id')
    .select(['person.id', 'person.name', 'roles_json', 'session.ends_at', 'session.tablet_id'])
    .where('session.id', '=', session)
    .where('session.ends_at', '>', now)
    .where('person.gone', '=', 0)
    .where('tablet.withdrawn_at', 'is', null)
    .executeTakeFirst();
  if (!row) return null;
  const who = { id: row.id, name: row.name, roles: JSON.parse(row.roles_json) as Role[] };
  return { who, tablet: row.tablet_id, endsAt: row.ends_at };
}

/** Whether a request comes from this machine; one without an address was made in it. */
export function isFromHere(headers: Headers): boolean {
  const from = headers.get(FROM_HEADER);
  return from === null || isOwnAddress(from);
}

export const askToSignIn = () => new KeramosError('signIn', 'Sign in first: nobody is signed in here any more');
export const noAccounts = () =>
  new KeramosError(
    'forbidden',
    'There are no accounts yet, so this server answers to its own machine only. Make the first account there',
  );

/**
 * Whoever asks; null in a yard without accounts.
 * @throws KeramosError `signIn`, or `forbidden` from another machine while there are no accounts.
 */
export async function whoAsks(db: Db, request: Request): Promise<Who | null> {
  if (!(await hasAccounts(db))) {
    if (!isFromHere(request.headers)) throw noAccounts();
    return null;
  }
  const standing = await standingOf(db, await heldBy(request), new Date().toISOString());
  if (!standing) throw askToSignIn();
  return standing.who;
}
