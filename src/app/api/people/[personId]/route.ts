import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { allow } from '@/server/context';
import { answer, json, readJson, storeContext } from '@/server/http';
import { changePerson, listPeople } from '@/server/stores/people';

const asked = z.strictObject({ change: z.unknown(), old: z.string().max(200).optional() });

/** Change an account: name and roles by whoever keeps them, one's own password and PIN by the old password. */
export const PATCH = (request: Request, { params }: { params: Promise<{ personId: string }> }) =>
  answer(async () => {
    const context = await storeContext(request);
    const { personId } = await params;
    if (context.who?.id !== personId) allow(context, 'people');
    const { change, old } = parseOrThrow(asked, await readJson(request));
    await changePerson(context, personId, { change, ...(old !== undefined && { old }) });
    return json(await listPeople(context));
  });
