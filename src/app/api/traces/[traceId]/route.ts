import { z } from 'zod';
import { parseOrThrow } from '@/core/error';
import { answer, json, storeContext } from '@/server/http';
import { recorder } from '@/server/instruments/recorder';
import { needTrace, readTrace } from '@/server/log/readTrace';
import { traceCsv } from '@/server/stores/traces';

type Context = { params: Promise<{ traceId: string }> };
const query = z.object({
  format: z.enum(['json', 'csv'], { error: 'format must be json or csv' }).default('json'),
  from: z.coerce.number().optional(),
  to: z.coerce.number().optional(),
  points: z.coerce.number().int().min(2).max(5000).default(600),
});

/** A trace thinned for a chart, or every reading of it as CSV. */
export const GET = (request: Request, { params }: Context) =>
  answer(async () => {
    const [{ traceId }, context] = [await params, await storeContext(request)];
    const { format, from, to, points } = parseOrThrow(query, Object.fromEntries(new URL(request.url).searchParams));
    if (format === 'json') {
      const window = { points, ...(from !== undefined && { from }), ...(to !== undefined && { to }) };
      return json(await readTrace(context, traceId, window));
    }
    await needTrace(context, traceId);
    const lines = traceCsv(context, traceId);
    const stream = new ReadableStream({
      async pull(controller) {
        const { value, done } = await lines.next();
        if (done) controller.close();
        else controller.enqueue(new TextEncoder().encode(value));
      },
    });
    return new Response(stream, {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': `attachment; filename="trace-${traceId}.csv"`,
        'cache-control': 'no-store',
      },
    });
  });

/** End it. */
export const DELETE = (request: Request, { params }: Context) =>
  answer(async () => {
    const context = await storeContext(request, 'record');
    const { id } = await needTrace(context, (await params).traceId);
    await recorder().end(context, id);
    return json(await needTrace(context, id));
  });
