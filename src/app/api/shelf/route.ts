import { database } from '@/server/database/open';
import { answer, json, readJson } from '@/server/http';
import { listShelf, saveShelfMaterial } from '@/server/stores/shelf';

export const GET = () => answer(async () => json(await listShelf(await database())));
export const POST = (request: Request) =>
  answer(async () => json(await saveShelfMaterial(await database(), await readJson(request), true), 201));
