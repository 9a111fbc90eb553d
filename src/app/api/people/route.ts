import { contextOf } from '@/server/context';
import { database } from '@/server/database/open';
import { FROM_HEADER } from '@/server/from';
import { answer, json, readJson, storeContext } from '@/server/http';
import { hasAccounts, isFromHere, noAccounts } from '@/server/people/asks';
import { heldBy } from '@/server/people/cookies';
import { giveHeld } from '@/server/people/giveHeld';
import { createPerson, listPeople } from '@/server/stores/people';
import { signIn } from '@/server/stores/sessions';

/** Everybody who has an account. */
export const GET = (request: Request) => answer(async () => json(await listPeople(await storeContext(request))));

/** Make an account. The first one is made at the machine itself, and is signed in at once. */
export const POST = (request: Request) =>
  answer(async () => {
    const db = await database();
    if (await hasAccounts(db)) {
      const context = await storeContext(request, 'people');
      return json(await createPerson(context, await readJson(request)), 201);
    }
    if (!isFromHere(request.headers)) throw noAccounts();
    const body = await readJson(request);
    const { login } = await createPerson(contextOf(db), body);
    const { password } = body as { password: string };
    const from = request.headers.get(FROM_HEADER) ?? 'here';
    const { id } = await signIn(contextOf(db), { login, password }, { held: await heldBy(request), from });
    return giveHeld(
      request,
      db,
      (held) => {
        held.session = id;
      },
      201,
    );
  });
