import { answer, json, storeContext } from '@/server/http';
import { readBuild } from '@/server/stores/builds';

/** A build with everything that it is built by. */
export const GET = (request: Request, { params }: { params: Promise<{ buildId: string }> }) =>
  answer(async () => json(await readBuild(await storeContext(request), (await params).buildId)));
