import { boatFromFile } from '@/core/document';
import { database } from '@/server/database/open';
import { answer, json, readText } from '@/server/http';
import { createBoat } from '@/server/stores/boats';

/** Takes a boat document; the boat gets a new identity here and keeps everything else. */
export const POST = (request: Request) =>
  answer(async () => {
    const boat = boatFromFile(await readText(request));
    const { id, version } = await createBoat(await database(), boat);
    return json({ id, version }, 201);
  });
