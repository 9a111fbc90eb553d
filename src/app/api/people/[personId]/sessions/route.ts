import { answer, json, storeContext } from '@/server/http';
import { readPerson } from '@/server/stores/people';
import { endSessions } from '@/server/stores/sessions';

/** Sign somebody out everywhere. */
export const DELETE = (request: Request, { params }: { params: Promise<{ personId: string }> }) =>
  answer(async () => {
    const context = await storeContext(request);
    const { id } = await readPerson(context, (await params).personId);
    return json({ ended: await endSessions(context, id) });
  });
