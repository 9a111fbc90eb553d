import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { answer, json, readJson, storeContext } from '@/server/http';
import { keepSurvey, readSurvey } from '@/server/stores/surveys';

type Context = { params: Promise<{ boatId: string; zoneId: string }> };
const bodySchema = z.strictObject({
  survey: z.unknown(),
  version: z.int().min(0),
  picture: z.string().nullable().optional(),
});

/** What was read of a zone of an existing part. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => {
    const { boatId, zoneId } = await params;
    return json(await readSurvey(await storeContext(request), boatId, zoneId));
  });

export const PUT = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'measure');
    const place = await params;
    const body = parseOrThrow(bodySchema, await readJson(request));
    return json(await keepSurvey(context, place, body));
  });
