import { z } from 'zod';
import { addHours } from 'date-fns';
import { KeramosError, parseOrThrow } from '@/core/error';
import type { Who } from '@/core/people';
import { allow, type StoreContext } from '../context';
import { standingOf, type Standing } from '../people/asks';
import type { Held } from '../people/cookies';
import { digest, isSecret } from '../people/secrets';
import { countTry, forgetTries } from '../people/throttle';
import { noteHappening } from '../people/yardLog';

/** A day at the desk, or a long shift on the floor. */
const HOURS = 14;
const short = z.string().max(200);
/** By password at the desk; by PIN or badge on a tablet that is enrolled. */
const asked = z.union(
  [
    z.strictObject({ login: short, password: short }),
    z.strictObject({ person: short, pin: short }),
    z.strictObject({ badge: short }),
  ],
  { error: 'Give a name and a password; on a tablet, a person and a PIN, or a badge' },
);

/** Under which name tries are counted; of badges all alike, for nobody knows whose was tried. */
function accountOf(given: z.output<typeof asked>): string {
  if ('login' in given) return given.login.trim().toLowerCase();
  return 'person' in given ? given.person : 'badge';
}

const wrong = (what: string) => new KeramosError('forbidden', what, 'password');

async function needTablet({ db }: StoreContext, held: Held): Promise<string> {
  const tablet =
    held.tablet === undefined
      ? undefined
      : await db
          .selectFrom('tablet')
          .select('id')
          .where('id', '=', held.tablet)
          .where('withdrawn_at', 'is', null)
          .executeTakeFirst();
  if (!tablet) throw new KeramosError('forbidden', 'PIN and badge work on a tablet that the yard has enrolled', 'pin');
  return tablet.id;
}

/**
 * Let somebody in. Wrong answers are counted, and all of them say the same.
 * @param from the address that is asking.
 * @returns the id of the session. @throws KeramosError `forbidden`, `busy`, `invalid`.
 */
export async function signIn(
  context: StoreContext,
  raw: unknown,
  { held, from }: { held: Held; from: string },
): Promise<Standing & { id: string }> {
  const { db } = context;
  const given = parseOrThrow(asked, raw);
  const tablet = 'login' in given ? (held.tablet ?? null) : await needTablet(context, held);
  const account = accountOf(given);
  const trier = { account, address: from };
  await countTry(trier);
  const people = db.selectFrom('person').select(['id', 'name', 'password_hash', 'pin_hash']).where('gone', '=', 0);
  let found: { id: string; name: string } | undefined;
  if ('login' in given) {
    const person = await people.where('login', '=', account).executeTakeFirst();
    if (await isSecret(given.password, person?.password_hash ?? null)) found = person;
  } else if ('person' in given) {
    const person = await people.where('id', '=', given.person).executeTakeFirst();
    if (await isSecret(given.pin, person?.pin_hash ?? null)) found = person;
  } else found = await people.where('badge_hash', '=', digest(given.badge.trim())).executeTakeFirst();
  if (!found) {
    noteHappening({ at: context.now(), who: account.slice(0, 40), what: `was not let in, from ${from}` });
    throw wrong('login' in given ? 'Name or password is wrong' : 'That does not let anybody in');
  }
  await forgetTries(trier);
  const id = context.newId(32);
  const at = context.now();
  const endsAt = addHours(new Date(at), HOURS).toISOString();
  await db.deleteFrom('session').where('ends_at', '<=', at).execute();
  await db.insertInto('session').values({ id, person_id: found.id, tablet_id: tablet, at, ends_at: endsAt }).execute();
  return { ...(await standingOf(db, { session: id }, at))!, id };
}

/** End one session; one that has ended already stays so. */
export async function signOut({ db }: StoreContext, { session }: Held): Promise<void> {
  if (session !== undefined) await db.deleteFrom('session').where('id', '=', session).execute();
}

/** End every session of somebody: one's own, or anybody's by whoever keeps the accounts. @returns how many. */
export async function endSessions(context: StoreContext, person: string): Promise<number> {
  if (context.who?.id !== person) allow(context, 'people');
  const ended = await context.db.deleteFrom('session').where('person_id', '=', person).executeTakeFirst();
  return Number(ended.numDeletedRows);
}

/** Who may be chosen on a tablet: everybody who has a PIN. */
export async function choosable({ db }: StoreContext): Promise<Pick<Who, 'id' | 'name'>[]> {
  return db
    .selectFrom('person')
    .select(['id', 'name'])
    .where('gone', '=', 0)
    .where('pin_hash', 'is not', null)
    .orderBy('name')
    .execute();
}
