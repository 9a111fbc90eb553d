import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { backupFile, restoreFrom } from '@/server/database/backup';
import { withDatabaseClosed } from '@/server/database/open';
import { answer, json, readJson } from '@/server/http';
import { forgetPrints } from '@/server/print/printing';

const asked = z.strictObject({ name: z.string().max(120) });

/** Put a kept copy in the place of the database; what stood there is kept as a copy. */
export const POST = (request: Request) =>
  answer(async () => {
    const { name } = parseOrThrow(asked, await readJson(request));
    const file = backupFile(name);
    const restored = await withDatabaseClosed(() => restoreFrom(file, new Date().toISOString()));
    forgetPrints();
    return json(restored);
  });
