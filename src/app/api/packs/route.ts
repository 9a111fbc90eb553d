import { database } from '@/server/database/open';
import { answer, json, readJson } from '@/server/http';
import { listPacks, savePack } from '@/server/stores/packs';

export const GET = () => answer(async () => json(await listPacks(await database())));

export const POST = (request: Request) =>
  answer(async () => json(await savePack(await database(), await readJson(request), true), 201));
