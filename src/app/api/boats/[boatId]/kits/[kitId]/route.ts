import { answer, download, storeContext } from '@/server/http';
import { readBoat } from '@/server/stores/boats';
import { readKit } from '@/server/stores/kits';

/** A kit with its pieces as JSON. */
export const GET = (request: Request, { params }: { params: Promise<{ boatId: string; kitId: string }> }) =>
  answer(async () => {
    const context = await storeContext(request);
    const { boatId, kitId } = await params;
    const [kit, { boat }] = [await readKit(context, boatId, kitId), await readBoat(context, boatId)];
    const text = JSON.stringify({ format: 'keramos-kit', version: 1, boat: boat.name, ...kit }, null, 1);
    return download(text, 'application/json; charset=utf-8', `${boat.name} kit hull ${kit.hull}.json`);
  });
