import { needBoat } from '@/server/stores/boats';
import { answer, json, readJson, storeContext } from '@/server/http';
import { listLinks, makeLink } from '@/server/stores/readerLinks';

type Context = { params: Promise<{ boatId: string }> };

/** Links by which somebody without an account looks at a revision. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => {
    const [{ boatId }, context] = [await params, await storeContext(request)];
    await needBoat(context, boatId);
    return json(await listLinks(context, boatId));
  });

/** Make one; its secret is told this once. */
export const POST = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'issue');
    return json(await makeLink(context, (await params).boatId, await readJson(request)), 201);
  });
