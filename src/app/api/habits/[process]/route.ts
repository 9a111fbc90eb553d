import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { answer, json, readJson, storeContext } from '@/server/http';
import { dropHabits, keepHabits } from '@/server/stores/habits';

type Context = { params: Promise<{ process: string }> };
const bodySchema = z.strictObject({ habits: z.unknown(), version: z.int().min(0) });

/** Keep the yard's own habits of a process. */
export const PUT = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    const { process } = await params;
    const body = parseOrThrow(bodySchema, await readJson(request));
    return json(await keepHabits(context, process, body));
  });

/** Go back to the usual ones. */
export const DELETE = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    const { process } = await params;
    await dropHabits(context, process);
    return json({ dropped: process });
  });
