import { database } from '@/server/database/open';
import { answer, json } from '@/server/http';
import { readRevision } from '@/server/stores/revisions';

export const GET = (_: Request, { params }: { params: Promise<{ boatId: string; label: string }> }) =>
  answer(async () => {
    const { boatId, label } = await params;
    return json(await readRevision(await database(), boatId, label));
  });
