import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { answer, json, readJson, storeContext } from '@/server/http';
import { listBoatsOf, takeOverMaterial } from '@/server/stores/boatsOfMaterial';

type Context = { params: Promise<{ materialId: string }> };

const chosen = z.strictObject({
  boats: z
    .array(z.strictObject({ boatId: z.string().max(40), version: z.int().min(1) }))
    .min(1, 'Choose at least one boat')
    .max(200, 'At most 200 boats at a time'),
});

/** Boats that have the material, and how their figures differ from the Shelf's. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => json(await listBoatsOf(await storeContext(request), (await params).materialId)));

/** Take the Shelf's figures over into the boats chosen. */
export const POST = (request: Request, { params }: Context) =>
  answer(async () => {
    const { materialId } = await params;
    const { boats } = parseOrThrow(chosen, await readJson(request));
    return json(await takeOverMaterial(await storeContext(request), materialId, boats));
  });
