import { answer, json, storeContext } from '@/server/http';
import { listHabits } from '@/server/stores/habits';

/** What the yard lays, by process. */
export const GET = (request: Request) => answer(async () => json(await listHabits(await storeContext(request))));
