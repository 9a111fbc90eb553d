import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { templateHeadSchema } from '@/core/document';
import { answer, json, readJson, storeContext } from '@/server/http';
import { readBoat } from '@/server/stores/boats';
import { keepTemplate, listTemplates } from '@/server/stores/templates';

const keeping = z.strictObject({ boatId: z.string().max(40), ...templateHeadSchema.shape });

export const GET = (request: Request) => answer(async () => json(await listTemplates(await storeContext(request))));

/** Keep a boat as a template of the yard. */
export const POST = (request: Request) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    const { boatId, ...head } = parseOrThrow(keeping, await readJson(request));
    const { boat } = await readBoat(context, boatId);
    return json(await keepTemplate(context, head, boat), 201);
  });
