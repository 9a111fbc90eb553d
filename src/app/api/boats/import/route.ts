import { boatFromFile } from '@/core/document';
import { answer, json, readText, storeContext } from '@/server/http';
import { createBoat } from '@/server/stores/boats';

/** Takes a boat document; the boat gets a new identity here and keeps everything else. */
export const POST = (request: Request) =>
  answer(async () => {
    const boat = boatFromFile(await readText(request));
    const { id, version } = await createBoat(await storeContext(request), boat);
    return json({ id, version }, 201);
  });
