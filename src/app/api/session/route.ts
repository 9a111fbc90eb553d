import { KeramosError } from '@/core/error';
import { contextOf } from '@/server/context';
import { database } from '@/server/database/open';
import { FROM_HEADER } from '@/server/from';
import { answer, json, readJson } from '@/server/http';
import { hasAccounts, isFromHere, noAccounts } from '@/server/people/asks';
import { heldBy, mayTravel } from '@/server/people/cookies';
import { giveHeld } from '@/server/people/giveHeld';
import { sessionState } from '@/server/people/state';
import { signIn, signOut } from '@/server/stores/sessions';

/** Who is signed in here, and whether anybody must be. */
export const GET = (request: Request) =>
  answer(async () => json(await sessionState(await database(), await heldBy(request))));

/** Sign in: by password, or on an enrolled tablet by PIN or badge. */
export const POST = (request: Request) =>
  answer(async () => {
    const db = await database();
    if (!(await hasAccounts(db))) {
      if (!isFromHere(request.headers)) throw noAccounts();
      throw new KeramosError('invalid', 'There are no accounts yet: make the first one', 'login');
    }
    if (!isFromHere(request.headers) && !mayTravel())
      throw new KeramosError('forbidden', 'A password would go over the network as it is typed: HTTPS is needed');
    const body = await readJson(request);
    const [context, before] = [contextOf(db), await heldBy(request)];
    const from = request.headers.get(FROM_HEADER) ?? 'here';
    const { id } = await signIn(context, body, { held: before, from });
    // Whoever was signed in here before is not any more.
    await signOut(context, before);
    return giveHeld(request, db, (held) => {
      held.session = id;
    });
  });

/** Sign out. */
export const DELETE = (request: Request) =>
  answer(async () => {
    const db = await database();
    await signOut(contextOf(db), await heldBy(request));
    return giveHeld(request, db, (held) => {
      delete held.session;
    });
  });
