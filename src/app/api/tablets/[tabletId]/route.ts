import { answer, json, storeContext } from '@/server/http';
import { withdrawTablet } from '@/server/stores/tablets';

/** Withdraw a tablet that is lost or retired. */
export const DELETE = (request: Request, { params }: { params: Promise<{ tabletId: string }> }) =>
  answer(async () => {
    const context = await storeContext(request, 'tablets');
    return json(await withdrawTablet(context, (await params).tabletId));
  });
