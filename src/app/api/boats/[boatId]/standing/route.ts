import { answer, json, storeContext } from '@/server/http';
import { readStanding } from '@/server/standing/standings';

/** What a boat comes to, for a line of the list: what fails, its mass, its profile. Writes nothing. */
export const GET = (request: Request, { params }: { params: Promise<{ boatId: string }> }) =>
  answer(async () => json(await readStanding(await storeContext(request), (await params).boatId)));
