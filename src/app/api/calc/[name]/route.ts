import { calculate, calculationSchema } from '@/core/calc';
import { answer, json, readJson } from '@/server/http';

type Context = { params: Promise<{ name: string }> };

export const POST = (request: Request, { params }: Context) =>
  answer(async () => json(calculate((await params).name, await readJson(request))));
/** JSON Schema of the calculation. */
export const GET = (_: Request, { params }: Context) =>
  answer(async () => json(calculationSchema((await params).name)));
