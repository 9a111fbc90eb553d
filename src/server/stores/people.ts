import { invalid, KeramosError, parseOrThrow } from '@/core/error';
import { isEasyPin, may, newPerson, personChange, type Person, type PersonChange, type Role } from '@/core/people';
import { allow, inTransaction, type StoreContext } from '../context';
import { hasAccounts } from '../people/asks';
import { digest, hashSecret, isSecret, newToken } from '../people/secrets';
import { noteHappening } from '../people/yardLog';

/** Everybody who has an account, those who left last. */
export async function listPeople({ db }: StoreContext): Promise<Person[]> {
  const rows = await db
    .selectFrom('person')
    .leftJoin('session', 'session.person_id', 'person.id')
    .select(({ fn }) => [
      'person.id',
      'name',
      'login',
      'roles_json',
      'gone',
      'pin_hash',
      'badge_hash',
      'created_at',
      fn.max('session.at').as('seen'),
    ])
    .groupBy('person.id')
    .orderBy('gone')
    .orderBy('name')
    .execute();
  return rows.map((row) => ({
    id: row.id,
    name: row.name,
    login: row.login,
    roles: JSON.parse(row.roles_json) as Role[],
    left: row.gone === 1,
    hasPin: row.pin_hash !== null,
    hasBadge: row.badge_hash !== null,
    createdAt: row.created_at,
    seenAt: row.seen,
  }));
}

/** Somebody by id. @throws KeramosError `notFound`. */
export async function readPerson(context: StoreContext, id: string): Promise<Person> {
  const person = (await listPeople(context)).find((one) => one.id === id);
  if (!person) throw new KeramosError('notFound', 'There is no such account', 'person');
  return person;
}

const taken = async (context: StoreContext, { id, name, login }: { id: string; name: string; login: string }) => {
  const others = (await listPeople(context)).filter((one) => one.id !== id);
  if (others.some((one) => one.login === login)) throw invalid('login', `"${login}" is taken: choose another`);
  // Two of one name could not be told apart on a record.
  if (others.some((one) => one.name.toLowerCase() === name.toLowerCase()))
    throw invalid('name', `There is a ${name} already: add an initial`);
};

/**
 * Make an account. The first of a yard keeps the accounts, whatever else it is; from then on nobody is let in without.
 * @throws KeramosError `invalid`, `forbidden`.
 */
export async function createPerson(context: StoreContext, raw: unknown): Promise<Person> {
  const { name, login, password, roles } = parseOrThrow(newPerson, raw);
  const passwordHash = await hashSecret(password);
  return inTransaction(context, async (inside) => {
    const first = !(await hasAccounts(inside.db));
    if (!first) allow(inside, 'people');
    const id = inside.newId();
    await taken(inside, { id, name, login });
    const own: Role[] = first && !roles.includes('manager') ? ['manager', ...roles] : roles;
    await inside.db
      .insertInto('person')
      .values({
        id,
        name,
        login,
        roles_json: JSON.stringify(own),
        password_hash: passwordHash,
        pin_hash: null,
        badge_hash: null,
        gone: 0,
        created_at: inside.now(),
      })
      .execute();
    const what = `${first ? 'made the first account' : 'made an account'}: ${name}, ${own.join(', ')}`;
    noteHappening({ at: inside.now(), who: inside.actor || name, what });
    return readPerson(inside, id);
  });
}

/** Refuse what somebody may not change of an account: others' only who keeps them, one's own secrets by the old one. */
async function needLeave(context: StoreContext, id: string, change: PersonChange, old: string): Promise<void> {
  const own = context.who?.id === id;
  const secret = change.password !== undefined || change.pin !== undefined;
  const more = change.name !== undefined || change.roles !== undefined || change.left !== undefined;
  if (!own || more) allow(context, 'people');
  if (!own || !secret) return;
  const { password_hash: kept } = await context.db
    .selectFrom('person')
    .select('password_hash')
    .where('id', '=', id)
    .executeTakeFirstOrThrow();
  if (!(await isSecret(old, kept))) throw invalid('old', 'This is not your password');
}

const wordsOfChange = (before: Person, change: PersonChange): string =>
  [
    change.name !== undefined && change.name !== before.name && `name ${change.name}`,
    change.roles !== undefined && `roles ${change.roles.join(', ')}`,
    change.left !== undefined && (change.left ? 'left the yard' : 'back in the yard'),
    change.password !== undefined && 'a new password',
    change.pin !== undefined && (change.pin === null ? 'no PIN' : 'a new PIN'),
  ]
    .filter(Boolean)
    .join('; ');

/**
 * Change an account. Whoever leaves, or has a new password, is signed out everywhere.
 * @param old one's own password, where one's own secrets change.
 * @throws KeramosError `notFound`, `forbidden`, `invalid`: nobody would keep the accounts any more.
 */
export async function changePerson(
  context: StoreContext,
  id: string,
  { change: raw, old = '' }: { change: unknown; old?: string },
): Promise<Person> {
  if (context.who?.id !== id) allow(context, 'people');
  const change = parseOrThrow(personChange, raw);
  if (typeof change.pin === 'string' && isEasyPin(change.pin))
    throw invalid('pin', 'Everybody tries this PIN first: take other figures');
  const before = await readPerson(context, id);
  await needLeave(context, id, change, old);
  const [password, pin] = await Promise.all([
    change.password === undefined ? undefined : hashSecret(change.password),
    typeof change.pin === 'string' ? hashSecret(change.pin) : change.pin,
  ]);
  return inTransaction(context, async (inside) => {
    if (change.name !== undefined) await taken(inside, { id, name: change.name, login: before.login });
    const after = { roles: change.roles ?? before.roles, left: change.left ?? before.left };
    const keepers = (await listPeople(inside)).filter((one) => {
      const { roles, left } = one.id === id ? after : one;
      return !left && may(roles, 'people');
    });
    if (keepers.length === 0) throw invalid('roles', 'Somebody must keep the accounts: make another manager first');
    await inside.db
      .updateTable('person')
      .set({
        name: change.name ?? before.name,
        roles_json: JSON.stringify(after.roles),
        gone: after.left ? 1 : 0,
        ...(password !== undefined && { password_hash: password }),
        ...(pin !== undefined && { pin_hash: pin }),
        // Whoever left and comes back gets a badge anew.
        ...(after.left && { badge_hash: null }),
      })
      .where('id', '=', id)
      .execute();
    if (after.left || password !== undefined)
      await inside.db.deleteFrom('session').where('person_id', '=', id).execute();
    const what = `changed the account of ${before.name}: ${wordsOfChange(before, change)}`;
    noteHappening({ at: inside.now(), who: inside.actor, what });
    return readPerson(inside, id);
  });
}

/** A badge: the code that it carries is told once; the one before is void from now on. @throws KeramosError */
export async function newBadge(context: StoreContext, id: string): Promise<{ person: Person; code: string }> {
  allow(context, 'people');
  const before = await readPerson(context, id);
  if (before.left) throw invalid('person', `${before.name} has left`);
  const code = `K-${newToken()}`;
  await context.db
    .updateTable('person')
    .set({ badge_hash: digest(code) })
    .where('id', '=', id)
    .execute();
  noteHappening({ at: context.now(), who: context.actor, what: `made a badge for ${before.name}` });
  return { person: await readPerson(context, id), code };
}
