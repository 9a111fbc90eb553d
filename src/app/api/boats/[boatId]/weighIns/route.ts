import { answer, json, readJson, storeContext } from '@/server/http';
import { keepWeighIn, listWeighIns } from '@/server/stores/weighIns';

type Context = { params: Promise<{ boatId: string }> };

/** Every weigh-in of a boat. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => json(await listWeighIns(await storeContext(request), (await params).boatId)));

/** Keep one more; the same again is the same. */
export const POST = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'measure');
    const { boatId } = await params;
    return json(await keepWeighIn(context, boatId, await readJson(request)));
  });
