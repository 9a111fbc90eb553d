import { packFromJson } from '@/core/standard';
import { database } from '@/server/database/open';
import { answer, json, readText } from '@/server/http';
import { savePack } from '@/server/stores/packs';

/** A pack from its JSON document, as a new one; its sign-off is somebody else's and does not come along. */
export const POST = (request: Request) =>
  answer(async () =>
    json(await savePack(await database(), { ...packFromJson(await readText(request)), signOff: null }, true), 201),
  );
