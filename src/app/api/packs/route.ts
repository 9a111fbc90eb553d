import { answer, json, readJson, storeContext } from '@/server/http';
import { listPacks, savePack } from '@/server/stores/packs';

export const GET = (request: Request) => answer(async () => json(await listPacks(await storeContext(request))));

export const POST = (request: Request) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    return json(await savePack(context, await readJson(request), true), 201);
  });
