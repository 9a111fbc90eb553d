import { packToJson } from '@/core/standard';
import { answer, download, storeContext } from '@/server/http';
import { readPack } from '@/server/stores/packs';

export const GET = (request: Request, { params }: { params: Promise<{ packId: string }> }) =>
  answer(async () => {
    const pack = await readPack(await storeContext(request), (await params).packId);
    return download(packToJson(pack), 'application/json; charset=utf-8', `${pack.id}.json`);
  });
