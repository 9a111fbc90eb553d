import type { Db } from '../database/open';
import { json } from '../http';
import { heldBy, type Held } from './cookies';
import { sessionState } from './state';

/** An answer that changes what the browser holds, and says who is signed in there from now on. */
export async function giveHeld(
  request: Request,
  db: Db,
  change: (held: Held) => void,
  status = 200,
): Promise<Response> {
  const carrier = new Response();
  const held = await heldBy(request, carrier);
  change(held);
  await held.save();
  const answered = json(await sessionState(db, held), status);
  for (const cookie of carrier.headers.getSetCookie()) answered.headers.append('set-cookie', cookie);
  return answered;
}
