import { answer, asking, json, readBytes, storeContext } from '@/server/http';
import { readFileSafely } from '@/server/threads/readFile';

/** The table in an uploaded file, for a preview; nothing is stored. */
export const POST = (request: Request) =>
  answer(async () => {
    await storeContext(request);
    const name = new URL(request.url).searchParams.get('name') ?? '';
    const bytes = await readBytes(request);
    return json(await readFileSafely({ as: 'table', bytes, name }, asking(request)));
  });
