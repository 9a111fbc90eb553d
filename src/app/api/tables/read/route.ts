import { answer, json, readBytes } from '@/server/http';
import { readTable } from '@/server/table/readTable';

/** The table in an uploaded file, for a preview; nothing is stored. */
export const POST = (request: Request) =>
  answer(async () => {
    const name = new URL(request.url).searchParams.get('name') ?? '';
    return json(await readTable(await readBytes(request), name));
  });
