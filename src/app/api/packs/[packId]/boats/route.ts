import { parseOrThrow } from '@/core/error';
import { answer, boatsChosen, json, readJson, storeContext } from '@/server/http';
import { listBoatsOfPack, takeOverPack } from '@/server/stores/boatsOfPack';

type Context = { params: Promise<{ packId: string }> };

/** Boats built to the pack, and how their copies differ from it. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => json(await listBoatsOfPack(await storeContext(request), (await params).packId)));

/** Let the boats chosen take it. */
export const POST = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    const { packId } = await params;
    const { boats } = parseOrThrow(boatsChosen, await readJson(request));
    return json(await takeOverPack(context, packId, boats));
  });
