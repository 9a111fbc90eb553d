import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { editsSchema } from '@/core/edit';
import { answer, json, readJson, storeContext } from '@/server/http';
import { editBoat } from '@/server/stores/boats';

const request = z.strictObject({
  baseVersion: z.int().min(1),
  actions: z
    .array(
      z.strictObject({
        clientId: z.string().min(6).max(40),
        action: z.enum(['do', 'undo', 'redo']),
        edits: editsSchema,
        label: z.string().trim().min(1).max(160).optional(),
      }),
    )
    .min(1)
    .max(200),
});

export const POST = (incoming: Request, { params }: { params: Promise<{ boatId: string }> }) =>
  answer(async () => {
    const context = await storeContext(incoming, 'design');
    const { boatId } = await params;
    const { baseVersion, actions } = parseOrThrow(request, await readJson(incoming));
    return json(await editBoat(context, boatId, baseVersion, actions));
  });
