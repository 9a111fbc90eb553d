import type { Metadata } from 'next';
import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { database } from '@/server/database/open';
import { hasAccounts, isFromHere, noAccounts } from '@/server/people/asks';
import { heldByPage } from '@/server/people/cookies';
import { sessionState } from '@/server/people/state';
import { SignInScreen } from '@/ui/people/SignInScreen';

export const metadata: Metadata = { title: 'Sign in' };

/** A page of ours and nothing else: what follows `to` may not lead elsewhere. */
const own = (to: string | string[] | undefined) =>
  typeof to === 'string' && /^\/(?![/\\])[\w\-./%?=&]*$/.test(to) && !to.startsWith('/sign-in') ? to : '/';

export default async function Page({ searchParams }: { searchParams: Promise<{ to?: string | string[] }> }) {
  const db = await database();
  const to = own((await searchParams).to);
  if (!(await hasAccounts(db))) {
    if (isFromHere(await headers())) redirect('/people');
    return <SignInScreen to="/" closed={noAccounts().message} />;
  }
  const { who } = await sessionState(db, await heldByPage(await cookies()));
  if (who) redirect(to);
  return <SignInScreen to={to} closed={null} />;
}
