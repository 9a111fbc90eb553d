import { answer, json, storeContext } from '@/server/http';
import { boardOf } from '@/core/build';
import { listBuilds } from '@/server/stores/builds';

/** Every build: where it stands, what is next, what holds it. */
export const GET = (request: Request) =>
  answer(async () => {
    const context = await storeContext(request);
    return json(boardOf(await listBuilds(context), context.now()));
  });
