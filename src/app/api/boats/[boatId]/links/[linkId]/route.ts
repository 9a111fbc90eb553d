import { answer, json, storeContext } from '@/server/http';
import { withdrawLink } from '@/server/stores/readerLinks';

/** Withdraw a link. */
export const DELETE = (request: Request, { params }: { params: Promise<{ boatId: string; linkId: string }> }) =>
  answer(async () => {
    const context = await storeContext(request, 'issue');
    const { boatId, linkId } = await params;
    return json(await withdrawLink(context, boatId, linkId));
  });
