import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { answer, json, readJson, storeContext } from '@/server/http';
import { amendBuild, previewAmendment } from '@/server/stores/builds';

type Context = { params: Promise<{ buildId: string }> };
const query = z.object({ revision: z.string({ error: 'revision is wanted' }).min(1).max(10) });

/** What another revision would change. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request);
    const { revision } = parseOrThrow(query, Object.fromEntries(new URL(request.url).searchParams));
    const { changes } = await previewAmendment(context, (await params).buildId, revision);
    return json({ changes });
  });

/** Go on by another revision. */
export const POST = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'plan');
    const { amendments } = await amendBuild(context, (await params).buildId, await readJson(request));
    return json({ amendments }, 201);
  });
