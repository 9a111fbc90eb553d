import { readFile } from 'node:fs/promises';
import { backupFile } from '@/server/database/backup';
import { answer, download } from '@/server/http';

type Context = { params: Promise<{ name: string }> };

/** A kept copy, to be carried to another place. */
export const GET = (_: Request, { params }: Context) =>
  answer(async () => {
    const { name } = await params;
    return download(new Uint8Array(await readFile(backupFile(name))), 'application/octet-stream', name);
  });
