import { KeramosError } from '@/core/error';
import { answer, json, readJson, storeContext } from '@/server/http';
import { dropShelfMaterial, saveShelfMaterial } from '@/server/stores/shelf';

type Context = { params: Promise<{ materialId: string }> };

export const PUT = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    const { materialId } = await params;
    const material = await readJson(request);
    if ((material as { id?: unknown } | null)?.id !== materialId)
      throw new KeramosError('invalid', `The material's id must be "${materialId}", as in the address`, 'material.id');
    return json(await saveShelfMaterial(context, material, false));
  });

export const DELETE = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    const { materialId } = await params;
    await dropShelfMaterial(context, materialId);
    return json({ dropped: materialId });
  });
