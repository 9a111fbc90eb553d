import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { database } from '@/server/database/open';
import { answer, json, readJson } from '@/server/http';
import { follow } from '@/server/stores/variants';
import { archiveBoat, readBoat, readHistory } from '@/server/stores/boats';

type Context = { params: Promise<{ boatId: string }> };

/** The boat with its version; `?history` adds what can be undone and redone. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => {
    const { boatId } = await params;
    const db = await database();
    if (!new URL(request.url).searchParams.has('history')) return json(await readBoat(db, boatId));
    await follow(db, boatId);
    return json({ ...(await readBoat(db, boatId)), history: await readHistory(db, boatId) });
  });

export const PATCH = (request: Request, { params }: Context) =>
  answer(async () => {
    const { boatId } = await params;
    const { archived } = parseOrThrow(z.strictObject({ archived: z.boolean() }), await readJson(request));
    await archiveBoat(await database(), boatId, archived);
    return json({ archived });
  });
