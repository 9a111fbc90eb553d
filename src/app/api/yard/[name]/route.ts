import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { answer, json, readJson, storeContext } from '@/server/http';
import { keepSetting, readSetting, rightOfSetting, settingName } from '@/server/stores/settings';

type Context = { params: Promise<{ name: string }> };
const bodySchema = z.strictObject({ body: z.unknown(), version: z.int().min(0) });

/** What the yard works by, or buys at. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => json(await readSetting(await storeContext(request), settingName((await params).name))));

export const PUT = (request: Request, { params }: Context) =>
  answer(async () => {
    const asked = (await params).name;
    const context = await storeContext(request, rightOfSetting(asked));
    const name = settingName(asked);
    const body = parseOrThrow(bodySchema, await readJson(request));
    return json(await keepSetting(context, name, body));
  });
