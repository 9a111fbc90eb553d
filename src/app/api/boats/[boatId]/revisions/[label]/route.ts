import { answer, json, storeContext } from '@/server/http';
import { readRevision } from '@/server/stores/revisions';

export const GET = (request: Request, { params }: { params: Promise<{ boatId: string; label: string }> }) =>
  answer(async () => {
    const { boatId, label } = await params;
    return json(await readRevision(await storeContext(request), boatId, label));
  });
