import { answer, json, readJson, storeContext } from '@/server/http';
import { freezeKit, listKits } from '@/server/stores/kits';

type Context = { params: Promise<{ boatId: string }> };

/** Every kit of a boat. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => json(await listKits(await storeContext(request), (await params).boatId)));

/** Freeze one from an issued revision, or take over another hull's. */
export const POST = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'store');
    const { boatId } = await params;
    return json(await freezeKit(context, boatId, await readJson(request)));
  });
