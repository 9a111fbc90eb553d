import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { backupFile, restoreFrom } from '@/server/database/backup';
import { withDatabaseClosed } from '@/server/database/open';
import { answer, json, readJson } from '@/server/http';
import { keeperOf } from '@/server/people/keeper';
import { noteHappening } from '@/server/people/yardLog';
import { forgetPrints } from '@/server/print/printing';

const asked = z.strictObject({ name: z.string().max(120) });

/** Put a kept copy in the place of the database; what stood there is kept as a copy. */
export const POST = (request: Request) =>
  answer(async () => {
    const { name: who } = await keeperOf(request);
    const { name } = parseOrThrow(asked, await readJson(request));
    const file = backupFile(name);
    const at = new Date().toISOString();
    const restored = await withDatabaseClosed(() => restoreFrom(file, at));
    noteHappening({ at, who, what: `restored ${name}: ${restored.boats} boats, ${restored.revisions} revisions` });
    forgetPrints();
    return json(restored);
  });
