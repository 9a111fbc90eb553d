import { boatFromFile, unknownIn } from '@/core/document';
import { answer, json, readText, storeContext } from '@/server/http';
import { createBoat } from '@/server/stores/boats';

/** Takes a boat document; the boat gets a new identity here and keeps everything else; fields that no boat has are
 * left out and named in `leftOut`. */
export const POST = (request: Request) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    const text = await readText(request);
    const boat = boatFromFile(text);
    const { id, version } = await createBoat(context, boat);
    return json({ id, version, leftOut: unknownIn(text, boat) }, 201);
  });
