import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { database } from '@/server/database/open';
import { answer, json, readJson } from '@/server/http';
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

export const GET = (_: Request, { params }: Context) =>
  answer(async () => json(await listChangeRequests(await database(), (await params).boatId)));

/** Ask for the draft to become the next revision. */
export const POST = (request: Request, { params }: Context) =>
  answer(async () => {
    const { boatId } = await params;
    const { baseVersion, askedBy, reason } = parseOrThrow(asking, await readJson(request));
    return json(await askForChange(await database(), boatId, baseVersion, askedBy, reason), 201);
  });

/** Approve or refuse. */
export const PATCH = (request: Request, { params }: Context) =>
  answer(async () => {
    const { boatId } = await params;
    const { id, approve, decidedBy, decision } = parseOrThrow(deciding, await readJson(request));
    return json(await decideChange(await database(), boatId, id, approve, decidedBy, decision));
  });
