import { readFile } from 'node:fs/promises';
import path from 'node:path';
import { archiveFolder, listArchives } from '@/server/database/archive';
import { backupFile } from '@/server/database/backup';
import { answer, download } from '@/server/http';
import { keeperOf } from '@/server/people/keeper';
import { noteHappening } from '@/server/people/yardLog';

type Context = { params: Promise<{ name: string }> };

/** A kept copy or archive, to be carried to another place. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => {
    const { name: who } = await keeperOf(request);
    const { name } = await params;
    const isArchive = listArchives().some((kept) => kept.name === name);
    const file = isArchive ? path.join(archiveFolder(), name) : backupFile(name);
    noteHappening({ at: new Date().toISOString(), who, what: `took ${name} along` });
    const type = isArchive ? 'application/zip' : 'application/octet-stream';
    return download(new Uint8Array(await readFile(file)), type, name);
  });
