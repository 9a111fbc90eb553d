import { database } from '@/server/database/open';
import { answer, json } from '@/server/http';
import { listLaminates } from '@/server/stores/laminates';

/** Every laminate of every boat's book, with where it is laid. */
export const GET = () => answer(async () => json(await listLaminates(await database())));
