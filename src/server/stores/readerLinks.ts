import { z } from 'zod';
import { addDays } from 'date-fns';
import { KeramosError, parseOrThrow } from '@/core/error';
import { allow, type StoreContext } from '../context';
import { digest, newToken } from '../people/secrets';
import { noteHappening } from '../people/yardLog';
import { needBoat } from './boats';
import { listRevisions } from './revisions';

/** A link by which somebody without an account looks at one revision. */
export interface ReaderLink {
  id: string;
  label: string;
  /** For whom. */
  reader: string;
  author: string;
  at: string;
  endsAt: string;
  withdrawnAt: string | null;
  /** How often it was opened. */
  seen: number;
}
const asked = z.strictObject({
  label: z.string().min(1, 'Choose a revision').max(10),
  reader: z.string({ error: 'Say for whom' }).trim().min(2, 'For whom: at least 2 characters').max(60),
  days: z.int('Days: whole').min(1, 'Days: from 1').max(90, 'Days: at most 90'),
});

/** The links to revisions of a boat, the newest first. */
export async function listLinks({ db }: StoreContext, boatId: string): Promise<ReaderLink[]> {
  const rows = await db
    .selectFrom('reader_link')
    .select(['id', 'label', 'reader', 'author', 'at', 'ends_at as endsAt', 'withdrawn_at as withdrawnAt', 'seen'])
    .where('boat_id', '=', boatId)
    .orderBy('at', 'desc')
    .execute();
  return rows;
}

/** Make a link; its secret is told once. @throws KeramosError `invalid`, `notFound`, `forbidden`. */
export async function makeLink(
  context: StoreContext,
  boatId: string,
  raw: unknown,
): Promise<{ links: ReaderLink[]; secret: string }> {
  await needBoat(context, boatId);
  allow(context, 'issue');
  const { label, reader, days } = parseOrThrow(asked, raw);
  if (!(await listRevisions(context, boatId)).some((one) => one.label === label))
    throw new KeramosError('notFound', `There is no revision ${label} of this boat`, 'label');
  const [secret, at] = [newToken(), context.now()];
  await context.db
    .insertInto('reader_link')
    .values({
      id: context.newId(),
      secret_hash: digest(secret),
      boat_id: boatId,
      label,
      reader,
      author: context.actor,
      at,
      ends_at: addDays(new Date(at), days).toISOString(),
      withdrawn_at: null,
      seen: 0,
    })
    .execute();
  noteHappening({ at, who: context.actor, what: `gave ${reader} a link to revision ${label}, for ${days} days` });
  return { links: await listLinks(context, boatId), secret };
}

/** Withdraw a link. @throws KeramosError `notFound`, `forbidden`. */
export async function withdrawLink(context: StoreContext, boatId: string, id: string): Promise<ReaderLink[]> {
  const link = (await listLinks(context, boatId)).find((one) => one.id === id);
  if (!link) throw new KeramosError('notFound', 'There is no such link', 'link');
  allow(context, 'issue');
  const at = context.now();
  await context.db
    .updateTable('reader_link')
    .set({ withdrawn_at: link.withdrawnAt ?? at })
    .where('id', '=', id)
    .execute();
  noteHappening({ at, who: context.actor, what: `withdrew the link of ${link.reader}` });
  return listLinks(context, boatId);
}

/**
 * What a link opens: the boat and the revision.
 * @throws KeramosError `notFound`, alike for every link that does not.
 */
export async function openLink(
  { db, now }: StoreContext,
  secret: string,
): Promise<{ boatId: string; label: string; reader: string; endsAt: string }> {
  const link = await db
    .selectFrom('reader_link')
    .select(['id', 'boat_id as boatId', 'label', 'reader', 'ends_at as endsAt'])
    .where('secret_hash', '=', digest(secret))
    .where('ends_at', '>', now())
    .where('withdrawn_at', 'is', null)
    .executeTakeFirst();
  if (!link) throw new KeramosError('notFound', 'This link does not open anything any more; ask the yard for another');
  return link;
}

/** Count that a link was opened. */
export async function countOpened({ db }: StoreContext, secret: string): Promise<void> {
  await db
    .updateTable('reader_link')
    .set(({ eb }) => ({ seen: eb('seen', '+', 1) }))
    .where('secret_hash', '=', digest(secret))
    .execute();
}
