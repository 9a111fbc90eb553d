import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { answer, json, readJson, storeContext } from '@/server/http';
import { heldBy } from '@/server/people/cookies';
import { voucher } from '@/server/people/passes';
import { keepRecords, listRecords } from '@/server/stores/buildRecords';
import { readBuild } from '@/server/stores/builds';

type Context = { params: Promise<{ buildId: string }> };
const query = z.object({ since: z.coerce.number().int().min(0).default(0) });
const asked = z.strictObject({
  records: z.unknown(),
  /** What each person who recorded something was given at sign-in, by name. */
  passes: z.record(z.string().max(60), z.string().max(2000)).optional(),
});

/** What was recorded, in the order in which it arrived. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => {
    const [{ buildId }, context] = [await params, await storeContext(request)];
    const { since } = parseOrThrow(query, Object.fromEntries(new URL(request.url).searchParams));
    await readBuild(context, buildId);
    // With the server's time, by which a device notices that its own clock is off.
    return json({ ...(await listRecords(context, buildId, since)), now: context.now() });
  });

/** Take in what a device recorded; the answer says of each record whether it is kept. */
export const POST = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'record');
    const { buildId } = await params;
    const { records, passes = {} } = parseOrThrow(asked, await readJson(request));
    const vouch = voucher(context, { passes, held: await heldBy(request) });
    return json({ received: await keepRecords(context, buildId, { records, vouch }) });
  });
