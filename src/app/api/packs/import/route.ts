import { packFromJson } from '@/core/standard';
import { answer, json, readText, storeContext } from '@/server/http';
import { savePack } from '@/server/stores/packs';

/** A pack from its JSON document, as a new one; its sign-off is somebody else's and does not come along. */
export const POST = (request: Request) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    return json(await savePack(context, { ...packFromJson(await readText(request)), signOff: null }, true), 201);
  });
