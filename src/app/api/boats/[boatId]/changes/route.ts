import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { needBoat } from '@/server/stores/boats';
import { answer, json, readJson, storeContext } from '@/server/http';
import { askForChange, decideChange, listChangeRequests } from '@/server/stores/changeRequests';

type Context = { params: Promise<{ boatId: string }> };

const person = (what: string) =>
  z
    .string()
    .trim()
    .min(2, `${what}: give a name of at least 2 characters`)
    .max(60, `${what} must have at most 60 characters`);
const words = (what: string) =>
  z.string().trim().min(3, `${what}: say in a few words why`).max(600, `${what} must have at most 600 characters`);
const asking = z.strictObject({ baseVersion: z.int().min(1), askedBy: person('Asked by'), reason: words('Reason') });
const deciding = z.strictObject({
  id: z.string().max(40),
  approve: z.boolean(),
  decidedBy: person('Decided by'),
  decision: words('Decision'),
});

export const GET = (request: Request, { params }: Context) =>
  answer(async () => {
    const [{ boatId }, context] = [await params, await storeContext(request)];
    await needBoat(context, boatId);
    return json(await listChangeRequests(context, boatId));
  });

/** Ask for the draft to become the next revision. */
export const POST = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'design');
    const { boatId } = await params;
    const { baseVersion, ...asked } = parseOrThrow(asking, await readJson(request));
    return json(await askForChange(context, boatId, baseVersion, asked), 201);
  });

/** Approve or refuse. */
export const PATCH = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'issue');
    const { boatId } = await params;
    const { id, ...decided } = parseOrThrow(deciding, await readJson(request));
    return json(await decideChange(context, boatId, id, decided));
  });
