import { KeramosError } from '@/core/error';
import { answer, json, readJson, storeContext } from '@/server/http';
import { dropPack, savePack } from '@/server/stores/packs';

type Context = { params: Promise<{ packId: string }> };

export const PUT = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    const { packId } = await params;
    const pack = await readJson(request);
    if ((pack as { id?: unknown } | null)?.id !== packId)
      throw new KeramosError('invalid', `The pack's id must be "${packId}", as in the address`, 'pack.id');
    return json(await savePack(context, pack, false));
  });

export const DELETE = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    const { packId } = await params;
    await dropPack(context, packId);
    return json({ dropped: packId });
  });
