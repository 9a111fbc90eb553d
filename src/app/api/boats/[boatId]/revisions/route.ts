import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { needBoat } from '@/server/stores/boats';
import { answer, json, readJson, storeContext } from '@/server/http';
import { issueRevision, listRevisions, recordRevisionEvent } from '@/server/stores/revisions';

type Context = { params: Promise<{ boatId: string }> };

const issue = z.strictObject({
  baseVersion: z.int().min(1),
  author: z
    .string()
    .trim()
    .min(2, 'Author: give the name of the person who issues, at least 2 characters')
    .max(60, 'Author must have at most 60 characters'),
  note: z
    .string()
    .trim()
    .min(3, 'Note: say in a few words what this revision is for')
    .max(600, 'Note must have at most 600 characters'),
  /** Why it is issued though something is open; asked for where something is. */
  answer: z.string().trim().max(600, 'The answer must have at most 600 characters').optional(),
});

export const GET = (request: Request, { params }: Context) =>
  answer(async () => {
    const [{ boatId }, context] = [await params, await storeContext(request)];
    await needBoat(context, boatId);
    return json(await listRevisions(context, boatId));
  });

export const POST = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'issue');
    const { boatId } = await params;
    const { baseVersion, answer: why, ...signed } = parseOrThrow(issue, await readJson(request));
    const asked = { ...signed, ...(why !== undefined && { answer: why }) };
    return json(await issueRevision(context, boatId, baseVersion, asked), 201);
  });

const event = z.strictObject({
  label: z.string().min(1).max(10),
  kind: z.enum(['floor', 'withdrawn']),
  author: issue.shape.author,
  note: z.string().trim().min(3, 'Note: say in a few words why').max(600, 'Note must have at most 600 characters'),
});

/** Put a revision on the floor, or withdraw it. */
export const PATCH = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'issue');
    const { boatId } = await params;
    const { label, ...happened } = parseOrThrow(event, await readJson(request));
    return json(await recordRevisionEvent(context, boatId, label, happened));
  });
