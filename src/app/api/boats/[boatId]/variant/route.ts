import { database } from '@/server/database/open';
import { answer, json } from '@/server/http';
import { letGo, variantStanding } from '@/server/stores/variants';

type Context = { params: Promise<{ boatId: string }> };

/** What the boat has of its parent, and where it goes its own way; null for a boat that is no variant. */
export const GET = (_: Request, { params }: Context) =>
  answer(async () => json(await variantStanding(await database(), (await params).boatId)));

/** From now on it follows nobody. */
export const DELETE = (_: Request, { params }: Context) =>
  answer(async () => {
    await letGo(await database(), (await params).boatId);
    return json(null);
  });
