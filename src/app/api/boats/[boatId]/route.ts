import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { answer, json, readJson, storeContext } from '@/server/http';
import { isBehind } from '@/server/stores/variants';
import { readBoatWithHistory } from '@/server/stores/history';
import { archiveBoat, readBoat } from '@/server/stores/boats';

type Context = { params: Promise<{ boatId: string }> };

/**
 * The boat with its version; `?history` adds what can be undone and redone, and whether it stands behind a parent.
 * Writes nothing.
 */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => {
    const { boatId } = await params;
    const context = await storeContext(request);
    if (!new URL(request.url).searchParams.has('history')) return json(await readBoat(context, boatId));
    return json({ ...(await readBoatWithHistory(context, boatId)), behind: await isBehind(context, boatId) });
  });

export const PATCH = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    const { boatId } = await params;
    const { archived } = parseOrThrow(z.strictObject({ archived: z.boolean() }), await readJson(request));
    await archiveBoat(context, boatId, archived);
    return json({ archived });
  });
