import { buildForFloor } from '@/server/floor/floorBuild';
import { answer, json, readJson, storeContext } from '@/server/http';
import { closeBuild } from '@/server/stores/builds';

type Context = { params: Promise<{ buildId: string }> };

/** A build with everything that it is built by. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => json(await buildForFloor(await storeContext(request), (await params).buildId)));

/** Close it, or open it again. */
export const PATCH = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'plan');
    const { closedAt } = await closeBuild(context, (await params).buildId, await readJson(request));
    return json({ closedAt });
  });
