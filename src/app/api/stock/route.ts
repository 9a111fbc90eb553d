import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { answer, json, readJson, storeContext } from '@/server/http';
import { bookStock, listStock } from '@/server/stores/stock';

const query = z.object({ material: z.string().min(1).max(60).optional() });

/** What lies in the store; of one material where it is asked for. */
export const GET = (request: Request) =>
  answer(async () => {
    const { material } = parseOrThrow(query, Object.fromEntries(new URL(request.url).searchParams));
    return json(await listStock(await storeContext(request), material ?? null));
  });

/** Book what comes in and goes, all of it or nothing. */
export const POST = (request: Request) =>
  answer(async () => {
    const context = await storeContext(request, 'store');
    return json(await bookStock(context, await readJson(request)));
  });
