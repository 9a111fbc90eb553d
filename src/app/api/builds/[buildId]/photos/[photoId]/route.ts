import { keepPhoto, PHOTO_LIMIT, readPhoto } from '@/server/floor/photos';
import { answer, json, readBytes, storeContext } from '@/server/http';

type Context = { params: Promise<{ buildId: string; photoId: string }> };

/** A photograph of a build. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request);
    const { buildId, photoId } = await params;
    const { bytes, type } = await readPhoto(context, buildId, photoId);
    return new Response(bytes, {
      headers: { 'content-type': type, 'cache-control': 'private, max-age=31536000, immutable' },
    });
  });

/** Keep a photograph under the id that the device gave it. */
export const PUT = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'record');
    const { buildId, photoId } = await params;
    await keepPhoto(context, { buildId, photoId, bytes: await readBytes(request, PHOTO_LIMIT) });
    return json({ kept: photoId });
  });
