import { answer, json, readJson, storeContext } from '@/server/http';
import { listShelf, saveShelfMaterial } from '@/server/stores/shelf';

export const GET = (request: Request) => answer(async () => json(await listShelf(await storeContext(request))));
export const POST = (request: Request) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    return json(await saveShelfMaterial(context, await readJson(request), true), 201);
  });
