import { boardOf } from '@/core/build';
import { answer, json, readJson, storeContext } from '@/server/http';
import { needBoat } from '@/server/stores/boats';
import { beginBuild, listBuilds } from '@/server/stores/builds';

type Context = { params: Promise<{ boatId: string }> };

/** The builds of one boat. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => {
    const [{ boatId }, context] = [await params, await storeContext(request)];
    await needBoat(context, boatId);
    return json(boardOf(await listBuilds(context, boatId), context.now()));
  });

/** Begin a build of an issued revision. */
export const POST = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'plan');
    const { plan: _, ...build } = await beginBuild(context, (await params).boatId, await readJson(request));
    return json(build, 201);
  });
