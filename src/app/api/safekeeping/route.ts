import { KeramosError } from '@/core/error';
import { backupNow } from '@/server/database/backup';
import { receiveBackup } from '@/server/database/receive';
import { copyToSecond } from '@/server/database/second';
import { answer, json, readBytes } from '@/server/http';
import { keeperOf } from '@/server/people/keeper';
import { safekeeping } from '@/server/people/safekeeping';
import { noteHappening } from '@/server/people/yardLog';

/** Largest database that is taken in from another machine. */
const DATABASE_LIMIT = 512 * 1024 * 1024;

/** The copies that are kept. */
export const GET = (request: Request) =>
  answer(async () => {
    await keeperOf(request);
    return json(safekeeping());
  });

/** A copy now; or, with a body, a copy from elsewhere, checked before it is kept. */
export const POST = (request: Request) =>
  answer(async () => {
    const { name: who, context } = await keeperOf(request);
    const at = new Date().toISOString();
    if (request.headers.get('content-type') === 'application/octet-stream') {
      const kept = await receiveBackup(await readBytes(request, DATABASE_LIMIT), at);
      noteHappening({ at, who, what: `brought a copy from elsewhere: ${kept.name}` });
      return json(kept, 201);
    }
    if (context === null) throw new KeramosError('unavailable', 'The database cannot be read, so it cannot be copied');
    const kept = await backupNow(context.db, at);
    noteHappening({ at, who, what: `made the copy ${kept.name}` });
    copyToSecond(at);
    return json(kept, 201);
  });
