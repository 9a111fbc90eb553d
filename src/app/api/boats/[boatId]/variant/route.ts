import { needBoat } from '@/server/stores/boats';
import { answer, json, storeContext } from '@/server/http';
import { follow, letGo, variantStanding } from '@/server/stores/variants';

type Context = { params: Promise<{ boatId: string }> };

/** What the boat has of its parent, and where it goes its own way; null for a boat that is no variant. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => {
    const [{ boatId }, context] = [await params, await storeContext(request)];
    await needBoat(context, boatId);
    return json(await variantStanding(context, boatId));
  });

/** Let it follow what its parent changed; `problem` says why it cannot. */
export const POST = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    const { boatId } = await params;
    await needBoat(context, boatId);
    return json({ problem: await follow(context, boatId) });
  });

/** From now on it follows nobody. */
export const DELETE = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    await letGo(context, (await params).boatId);
    return json(null);
  });
