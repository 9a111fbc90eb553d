import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { boatSchema, newBoat } from '@/core/document';
import { answer, json, readJson, storeContext } from '@/server/http';
import { createBoat, duplicateBoat, listBoats } from '@/server/stores/boats';

const creation = z.strictObject({ name: boatSchema.shape.name, variantOf: z.string().max(40).optional() });

export const GET = (request: Request) => answer(async () => json(await listBoats(await storeContext(request))));

export const POST = (request: Request) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    const { name, variantOf } = parseOrThrow(creation, await readJson(request));
    const { id, version } =
      variantOf === undefined
        ? await createBoat(context, newBoat(name))
        : await duplicateBoat(context, variantOf, name);
    return json({ id, version }, 201);
  });
