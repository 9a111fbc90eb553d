import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { answer, json, readJson, storeContext } from '@/server/http';
import { recorder } from '@/server/instruments/recorder';
import { listTraces } from '@/server/stores/traces';

const query = z.object({ build: z.string().max(60).optional() });

/** Every trace, or those of one build. */
export const GET = (request: Request) =>
  answer(async () => {
    const context = await storeContext(request);
    const { build } = parseOrThrow(query, Object.fromEntries(new URL(request.url).searchParams));
    return json(await listTraces(context, build));
  });

/** Begin to record what an instrument says. */
export const POST = (request: Request) =>
  answer(async () => {
    const context = await storeContext(request, 'record');
    await recorder().begin(context, await readJson(request));
    return json(await listTraces(context));
  });
