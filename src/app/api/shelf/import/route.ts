import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { answer, json, readJson, storeContext } from '@/server/http';
import { saveShelfMaterials } from '@/server/stores/shelf';

const request = z.strictObject({ materials: z.array(z.unknown()).min(1, 'Choose at least one row').max(5000) });

/** Takes all of the materials or none. */
export const POST = (incoming: Request) =>
  answer(async () => {
    const context = await storeContext(incoming, 'design');
    const { materials } = parseOrThrow(request, await readJson(incoming));
    return json({ saved: await saveShelfMaterials(context, materials) }, 201);
  });
