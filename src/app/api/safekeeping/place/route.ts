import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { copyToSecond, setPlace } from '@/server/database/second';
import { answer, json, readJson } from '@/server/http';
import { keeperOf } from '@/server/people/keeper';
import { safekeeping } from '@/server/people/safekeeping';
import { noteHappening } from '@/server/people/yardLog';

const asked = z.strictObject({ folder: z.string().trim().min(1, 'Give the folder').max(400).nullable() });

/** Say where copies go besides, and carry there what is kept so far. */
export const PUT = (request: Request) =>
  answer(async () => {
    const { name: who } = await keeperOf(request);
    const { folder } = parseOrThrow(asked, await readJson(request));
    const at = new Date().toISOString();
    setPlace(folder);
    noteHappening({
      at,
      who,
      what: folder === null ? 'keeps no second copy any more' : `keeps copies in ${folder} too`,
    });
    copyToSecond(at);
    return json(safekeeping());
  });
