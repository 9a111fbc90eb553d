import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { contextOf, type StoreContext } from './context';
import { database } from './database/open';
import { PATH_HEADER } from './from';
import { hasAccounts, isFromHere, standingOf } from './people/asks';
import { heldByPage } from './people/cookies';

/** The context of a page, for whoever looks at it; the door for whoever is not signed in. */
export async function pageContext(): Promise<StoreContext> {
  const db = await database();
  const head = await headers();
  if (!(await hasAccounts(db))) {
    if (!isFromHere(head)) redirect('/sign-in');
    return contextOf(db);
  }
  const standing = await standingOf(db, await heldByPage(await cookies()), new Date().toISOString());
  if (!standing) redirect(`/sign-in?to=${encodeURIComponent(head.get(PATH_HEADER) ?? '/')}`);
  return contextOf(db, standing.who.name, standing.who);
}
