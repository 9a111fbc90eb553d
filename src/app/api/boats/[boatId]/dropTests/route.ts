import { answer, json, readJson, storeContext } from '@/server/http';
import { keepDropTest, listDropTests } from '@/server/stores/dropTests';

type Context = { params: Promise<{ boatId: string }> };

/** Every drop test of a boat. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => json(await listDropTests(await storeContext(request), (await params).boatId)));

/** Keep one more; the same again is the same. */
export const POST = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'measure');
    const { boatId } = await params;
    return json(await keepDropTest(context, boatId, await readJson(request)));
  });
