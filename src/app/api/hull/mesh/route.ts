import { parseOrThrow } from '@/core/error';
import { meshToStations } from '@/core/geometry';
import { answer, json, readBytes } from '@/server/http';
import { MESH_LIMIT, meshPlacementSchema, readMesh } from '@/server/mesh/readMesh';

/** Sections of an uploaded hull mesh, for a preview; nothing is stored. */
export const POST = (request: Request) =>
  answer(async () => {
    const query = new URL(request.url).searchParams;
    const placement = parseOrThrow(
      meshPlacementSchema,
      { unit: query.get('unit'), forward: query.get('forward'), up: query.get('up') },
      'placement',
    );
    const triangles = readMesh(await readBytes(request, MESH_LIMIT), query.get('name') ?? '', placement);
    return json({ ...meshToStations(triangles), triangles: triangles.length / 9 });
  });
