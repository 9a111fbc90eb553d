import { parseOrThrow } from '@/core/error';
import { answer, asking, json, readBytes, storeContext } from '@/server/http';
import { MESH_LIMIT, meshPlacementSchema } from '@/server/mesh/readMesh';
import { readFileSafely } from '@/server/threads/readFile';

/** Sections of an uploaded hull mesh, for a preview; nothing is stored. */
export const POST = (request: Request) =>
  answer(async () => {
    await storeContext(request);
    const query = new URL(request.url).searchParams;
    const placement = parseOrThrow(
      meshPlacementSchema,
      { unit: query.get('unit'), forward: query.get('forward'), up: query.get('up') },
      'placement',
    );
    const bytes = await readBytes(request, MESH_LIMIT);
    const name = query.get('name') ?? '';
    return json(await readFileSafely({ as: 'mesh', bytes, name, placement }, asking(request)));
  });
