import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { LEARNABLES, LEARNED_FORMS, LEARNED_RATES, type LearnedForm } from '@/core/log';
import { PROCESSES } from '@/core/material';
import { answer, json, readJson, storeContext } from '@/server/http';
import { learningEffect, putToUse, rateEffect, readLearning } from '@/server/log/readLearning';

const keysOf = <K extends string>(table: Record<K, unknown>) => Object.keys(table) as [K, ...K[]];
const text = z.string().max(60).default('');
const ofFigure = z.object({
  property: z.enum(keysOf(LEARNABLES)).default('fibreShare'),
  process: z.enum(keysOf(PROCESSES)),
  form: z.enum(keysOf<LearnedForm>(LEARNED_FORMS)),
  material: text,
  resin: text,
  factor: z.coerce.number().min(0.5).max(1.5),
  spread: z.coerce.number().min(0).max(1).default(0),
});
const ofRate = z.object({
  rate: z.enum(keysOf(LEARNED_RATES)),
  process: z.enum(keysOf(PROCESSES)),
  value: z.coerce.number().min(0.2).max(5),
});

/** What the yard’s own readings teach; with a factor, or a rate and its value, what putting it to use would change. */
export const GET = (request: Request) =>
  answer(async () => {
    const context = await storeContext(request);
    const asked = Object.fromEntries(new URL(request.url).searchParams);
    if ('rate' in asked) return json(await rateEffect(context, parseOrThrow(ofRate, asked)));
    if (!('factor' in asked)) return json(await readLearning(context));
    return json(await learningEffect(context, { ...parseOrThrow(ofFigure, asked), n: 1, was: [] }));
  });

/** Put it to use, or take it back. */
export const POST = (request: Request) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    await putToUse(context, await readJson(request));
    return json(await readLearning(context));
  });
