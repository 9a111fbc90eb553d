import { answer, json, storeContext } from '@/server/http';
import { follow, letGo, variantStanding } from '@/server/stores/variants';

type Context = { params: Promise<{ boatId: string }> };

/** What the boat has of its parent, and where it goes its own way; null for a boat that is no variant. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => json(await variantStanding(await storeContext(request), (await params).boatId)));

/** Let it follow what its parent changed; `problem` says why it cannot. */
export const POST = (request: Request, { params }: Context) =>
  answer(async () => json({ problem: await follow(await storeContext(request), (await params).boatId) }));

/** From now on it follows nobody. */
export const DELETE = (request: Request, { params }: Context) =>
  answer(async () => {
    await letGo(await storeContext(request), (await params).boatId);
    return json(null);
  });
