import { answer, json, readJson, storeContext } from '@/server/http';
import { giveHeld } from '@/server/people/giveHeld';
import { enrolTablet, listTablets } from '@/server/stores/tablets';

/** The tablets of the floor. */
export const GET = (request: Request) => answer(async () => json(await listTablets(await storeContext(request))));

/** Enrol the tablet that asks: from then on whoever has a PIN or a badge may change over on it. */
export const POST = (request: Request) =>
  answer(async () => {
    const context = await storeContext(request, 'tablets');
    const { id } = await enrolTablet(context, await readJson(request));
    return giveHeld(
      request,
      context.db,
      (held) => {
        held.tablet = id;
      },
      201,
    );
  });
