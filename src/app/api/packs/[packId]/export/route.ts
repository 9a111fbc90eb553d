import { packToJson } from '@/core/standard';
import { database } from '@/server/database/open';
import { answer, download } from '@/server/http';
import { readPack } from '@/server/stores/packs';

export const GET = (_: Request, { params }: { params: Promise<{ packId: string }> }) =>
  answer(async () => {
    const pack = await readPack(await database(), (await params).packId);
    return download(packToJson(pack), 'application/json; charset=utf-8', `${pack.id}.json`);
  });
