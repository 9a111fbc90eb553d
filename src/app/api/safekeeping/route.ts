import { backupNow, listBackups } from '@/server/database/backup';
import { receiveBackup } from '@/server/database/receive';
import { answer, json, readBytes, storeContext } from '@/server/http';

/** Largest database that is taken in from another machine. */
const DATABASE_LIMIT = 512 * 1024 * 1024;

/** The copies that are kept. */
export const GET = () => answer(async () => json({ backups: listBackups() }));

/** A copy now; or, with a body, a copy from elsewhere, checked before it is kept. */
export const POST = (request: Request) =>
  answer(async () => {
    if (request.headers.get('content-type') === 'application/octet-stream')
      return json(await receiveBackup(await readBytes(request, DATABASE_LIMIT), new Date().toISOString()), 201);
    const { db, now } = await storeContext(request);
    return json(await backupNow(db, now()), 201);
  });
