import { z } from 'zod';
import { invalid, KeramosError, parseOrThrow } from '@/core/error';
import { idSchema } from '@/core/field';
import { allow, inTransaction, type StoreContext } from '../context';
import { pack, unpack, type TraceReading } from '../instruments/pack';

const beginning = z.strictObject({
  id: idSchema,
  build: idSchema.nullable(),
  part: z.string().max(60),
  channel: z.string().min(1, 'Which instrument?').max(90),
  quantity: z.string().min(1).max(20),
  name: z.string().trim().min(1, 'What is it of?').max(80),
});

export interface Trace {
  id: string;
  buildId: string | null;
  part: string;
  channel: string;
  quantity: string;
  name: string;
  author: string;
  begunAt: string;
  endedAt: string | null;
  count: number;
}

/** Readings of a full chunk. */
const FULL = 4096;

/** Begin a trace. The same id again is the same trace. @throws KeramosError `invalid`, `forbidden`. */
export async function beginTrace(context: StoreContext, raw: unknown): Promise<void> {
  allow(context, 'record');
  const { id, build, ...trace } = parseOrThrow(beginning, raw, 'trace');
  if (build !== null) {
    const there = await context.db.selectFrom('build').select('id').where('id', '=', build).executeTakeFirst();
    if (!there) throw new KeramosError('notFound', 'There is no such build', 'trace.build');
  }
  await context.db
    .insertInto('trace')
    .values({ id, build_id: build, ...trace, author: context.actor, begun_at: context.now(), ended_at: null })
    .onConflict((c) => c.doNothing())
    .execute();
}

/** Put readings at the end of a trace; those that are not after what is there are left out. */
export async function addReadings(context: StoreContext, id: string, readings: readonly TraceReading[]): Promise<void> {
  await inTransaction(context, async ({ db }) => {
    const trace = await db.selectFrom('trace').select('ended_at').where('id', '=', id).executeTakeFirst();
    if (!trace) throw new KeramosError('notFound', 'There is no such trace', 'trace');
    if (trace.ended_at !== null) throw invalid('trace', 'The trace has ended');
    const last = await db
      .selectFrom('trace_chunk')
      .selectAll()
      .where('trace_id', '=', id)
      .orderBy('from_ms', 'desc')
      .limit(1)
      .executeTakeFirst();
    let before = last?.to_ms ?? -Infinity;
    const fresh = readings.filter(({ at, value }) => {
      if (!(at > before) || !Number.isFinite(value)) return false;
      before = at;
      return true;
    });
    // The last chunk is filled up before another is begun, so that a year stays few rows.
    const open = last && last.count < FULL ? last : null;
    let all = [...(open ? unpack(open.body, open.from_ms) : []), ...fresh];
    if (fresh.length === 0) return;
    if (open)
      await db.deleteFrom('trace_chunk').where('trace_id', '=', id).where('from_ms', '=', open.from_ms).execute();
    while (all.length > 0) {
      const some = all.slice(0, FULL);
      all = all.slice(FULL);
      await db.insertInto('trace_chunk').values(chunkOf(id, some)).execute();
    }
  });
}

function chunkOf(id: string, some: readonly TraceReading[]) {
  let [least, most] = [Infinity, -Infinity];
  for (const { value } of some) {
    least = Math.min(least, value);
    most = Math.max(most, value);
  }
  return {
    trace_id: id,
    from_ms: some[0]!.at,
    to_ms: some.at(-1)!.at,
    count: some.length,
    least,
    most,
    body: pack(some),
  };
}

export async function endTrace(context: StoreContext, id: string): Promise<void> {
  allow(context, 'record');
  await context.db.updateTable('trace').set({ ended_at: context.now() }).where('id', '=', id).execute();
}

/** Every trace, of one build or all, with how many readings it has; the newest first. */
export async function listTraces({ db }: StoreContext, buildId?: string): Promise<Trace[]> {
  let query = db
    .selectFrom('trace')
    .leftJoin('trace_chunk', 'trace_chunk.trace_id', 'trace.id')
    .selectAll('trace')
    .select(({ fn }) => fn.sum<number | null>('trace_chunk.count').as('count'))
    .groupBy('trace.id')
    .orderBy('begun_at', 'desc');
  if (buildId !== undefined) query = query.where('build_id', '=', buildId);
  return (await query.execute()).map((row) => ({
    id: row.id,
    buildId: row.build_id,
    part: row.part,
    channel: row.channel,
    quantity: row.quantity,
    name: row.name,
    author: row.author,
    begunAt: row.begun_at,
    endedAt: row.ended_at,
    count: row.count ?? 0,
  }));
}

/** A stretch of a trace as it is drawn: the least and the most of it. */
export interface Stretch {
  from: number;
  to: number;
  least: number;
  most: number;
}

/**
 * A trace thinned to about so many stretches: whole chunks by their least and most where that is fine enough, opened
 * only where it is not.
 */
export async function thinTrace(
  { db }: StoreContext,
  id: string,
  { from = -Infinity, to = Infinity, points = 600 }: { from?: number; to?: number; points?: number },
): Promise<Stretch[]> {
  let query = db
    .selectFrom('trace_chunk')
    .select(['from_ms', 'to_ms', 'count', 'least', 'most'])
    .where('trace_id', '=', id);
  if (Number.isFinite(from)) query = query.where('to_ms', '>=', from);
  if (Number.isFinite(to)) query = query.where('from_ms', '<=', to);
  const chunks = await query.orderBy('from_ms').execute();
  if (chunks.length === 0) return [];
  if (chunks.length >= points / 2)
    return bucketed(
      chunks.map((one) => ({ from: one.from_ms, to: one.to_ms, least: one.least, most: one.most })),
      points,
    );
  const bodies = await db
    .selectFrom('trace_chunk')
    .select(['from_ms', 'body'])
    .where('trace_id', '=', id)
    .where('from_ms', '>=', chunks[0]!.from_ms)
    .where('from_ms', '<=', chunks.at(-1)!.from_ms)
    .orderBy('from_ms')
    .execute();
  const readings = bodies
    .flatMap(({ body, from_ms }) => unpack(body, from_ms))
    .filter(({ at }) => at >= from && at <= to)
    .map(({ at, value }) => ({ from: at, to: at, least: value, most: value }));
  return bucketed(readings, points);
}

function bucketed(stretches: readonly Stretch[], points: number): Stretch[] {
  const each = Math.max(1, Math.ceil(stretches.length / points));
  return Array.from({ length: Math.ceil(stretches.length / each) }, (_, i) => {
    const own = stretches.slice(i * each, (i + 1) * each);
    return own.reduce((all, one) => ({
      from: all.from,
      to: one.to,
      least: Math.min(all.least, one.least),
      most: Math.max(all.most, one.most),
    }));
  });
}

/** Every reading of a trace as CSV, a chunk at a time. */
export async function* traceCsv({ db }: StoreContext, id: string): AsyncGenerator<string> {
  yield 'time,value\n';
  let after = -1;
  for (;;) {
    const chunk = await db
      .selectFrom('trace_chunk')
      .select(['from_ms', 'body'])
      .where('trace_id', '=', id)
      .where('from_ms', '>', after)
      .orderBy('from_ms')
      .limit(1)
      .executeTakeFirst();
    if (!chunk) return;
    after = chunk.from_ms;
    yield unpack(chunk.body, chunk.from_ms)
      .map(({ at, value }) => `${new Date(at).toISOString()},${Number(value.toPrecision(7))}\n`)
      .join('');
  }
}
