import { parseOrThrow } from '@/core/error';
import { answer, boatsChosen, json, readJson, storeContext } from '@/server/http';
import { listBoatsOf, takeOverMaterial } from '@/server/stores/boatsOfMaterial';

type Context = { params: Promise<{ materialId: string }> };

/** Boats that have the material, and how their figures differ from the Shelf's. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => json(await listBoatsOf(await storeContext(request), (await params).materialId)));

/** Take the Shelf's figures over into the boats chosen. */
export const POST = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    const { materialId } = await params;
    const { boats } = parseOrThrow(boatsChosen, await readJson(request));
    return json(await takeOverMaterial(context, materialId, boats));
  });
