import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { answer, json, storeContext } from '@/server/http';
import { listActions } from '@/server/stores/history';

type Context = { params: Promise<{ boatId: string }> };
const query = z.strictObject({ before: z.coerce.number().int().min(1).optional() });

/** What was done to the boat, newest first, a page at a time: `before` is the version the page before it ended with. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => {
    const { before } = parseOrThrow(query, Object.fromEntries(new URL(request.url).searchParams));
    return json(await listActions(await storeContext(request), (await params).boatId, before));
  });
