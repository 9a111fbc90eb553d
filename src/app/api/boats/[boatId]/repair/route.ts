import { answer, download, json, storeContext } from '@/server/http';
import { damageOf, rawBoat, rescueBoat } from '@/server/stores/repair';

type Context = { params: Promise<{ boatId: string }> };

/** What keeps the boat from being read, null for one that reads; `?stored` gives all that is stored, as it is. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => {
    const { boatId } = await params;
    const context = await storeContext(request);
    if (!new URL(request.url).searchParams.has('stored')) return json(await damageOf(context, boatId));
    return download(await rawBoat(context, boatId), 'application/json; charset=utf-8', `stored ${boatId}.json`);
  });

/** Its last state that reads, as a boat of its own. */
export const POST = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    const { id } = await rescueBoat(context, (await params).boatId);
    return json({ id }, 201);
  });
