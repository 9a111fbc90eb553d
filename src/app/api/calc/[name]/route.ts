import { calculationSchema } from '@/core/calc';
import { answer, asking, json, readJson, storeContext } from '@/server/http';
import { compute } from '@/server/threads/compute';

type Context = { params: Promise<{ name: string }> };

export const POST = (request: Request, { params }: Context) =>
  answer(async () => {
    await storeContext(request);
    return json(await compute((await params).name, await readJson(request), asking(request)));
  });
/** JSON Schema of the calculation. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => {
    await storeContext(request);
    return json(calculationSchema((await params).name));
  });
