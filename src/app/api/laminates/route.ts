import { answer, json, storeContext } from '@/server/http';
import { listLaminates } from '@/server/stores/laminates';

/** Every laminate of every boat's book, with where it is laid. */
export const GET = (request: Request) => answer(async () => json(await listLaminates(await storeContext(request))));
