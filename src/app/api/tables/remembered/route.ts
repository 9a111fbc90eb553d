import { answer, json, readJson, storeContext } from '@/server/http';
import { listRememberedTables, rememberTable } from '@/server/stores/rememberedTables';

export const GET = (request: Request) =>
  answer(async () => json(await listRememberedTables(await storeContext(request))));

/** Keep how a table was read, for the next one with the same heads. */
export const PUT = (request: Request) =>
  answer(async () => {
    const context = await storeContext(request, 'store');
    await rememberTable(context, await readJson(request));
    return json({ kept: true });
  });
