import { z } from 'zod';
import { invalid, parseOrThrow } from '@/core/error';
import { LEARNED_FORMS } from '@/core/log';
import { PROCESSES, type ComponentForm, type Process } from '@/core/material';
import { answer, json, readJson, storeContext } from '@/server/http';
import { learningEffect, putToUse, readLearning } from '@/server/log/readLearning';

const effect = z.object({
  process: z.enum(Object.keys(PROCESSES) as [Process, ...Process[]]),
  form: z.enum(Object.keys(LEARNED_FORMS) as ['all', ...('all' | ComponentForm)[]]),
  factor: z.coerce.number().min(0.5).max(1.5),
});

/** What all hulls teach; with `?process=&form=&factor=` what putting it to use would change. */
export const GET = (request: Request) =>
  answer(async () => {
    const context = await storeContext(request);
    const asked = Object.fromEntries(new URL(request.url).searchParams);
    if (!('factor' in asked)) return json(await readLearning(context));
    return json(await learningEffect(context, { ...parseOrThrow(effect, asked), n: 1, spread: 0 }));
  });

/** Put it to use, or take it back. */
export const POST = (request: Request) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    const body = await readJson(request);
    if ((body as { kind?: unknown } | null)?.kind !== 'learned')
      throw invalid('kind', 'Only what was learned is put to use');
    await putToUse(context, body);
    return json(await readLearning(context));
  });
