import { z } from 'zod';
import { buildRecordSchema, type BuildPlan, type BuildRecord, type Lesson, type LessonTold } from '@/core/build';
import { errorBody } from '@/core/calc';
import { invalid, KeramosError, parseOrThrow } from '@/core/error';
import { same } from '@/core/field';
import { may, ROLE_NAMES, type Right, type Role } from '@/core/people';
import { mayNotWork, type Shop } from '@/core/shop';
import { inTransaction, type StoreContext } from '../context';
import { readSetting } from './settings';

interface RecordRow {
  id: string;
  kind: string;
  person: string;
  device: string;
  at: string;
  corrects: string | null;
  body_json: string;
}
const recordOf = ({ id, kind, person, device, at, corrects, body_json }: RecordRow): BuildRecord =>
  ({ id, kind, person, device, at, corrects, body: JSON.parse(body_json) as unknown }) as BuildRecord;

/** Records of a build in the order in which they arrived, from a place on; and the place to go on from. */
export async function listRecords(
  { db }: StoreContext,
  buildId: string,
  since = 0,
): Promise<{ records: BuildRecord[]; seq: number }> {
  const rows = await db
    .selectFrom('build_record')
    .selectAll()
    .where('build_id', '=', buildId)
    .where('seq', '>', since)
    .orderBy('seq')
    .execute();
  return { records: rows.map(recordOf), seq: rows.at(-1)?.seq ?? since };
}

/** What was learned on any hull and still stands, the newest first. */
export async function listLessons({ db }: StoreContext): Promise<LessonTold[]> {
  const rows = await db
    .selectFrom('build_record')
    .innerJoin('build', 'build.id', 'build_record.build_id')
    .select(['build_record.id', 'person', 'build_record.at', 'body_json', 'hull'])
    .where('kind', '=', 'lesson')
    .where(({ not, exists, selectFrom }) =>
      not(
        exists(
          selectFrom('build_record as later').select('later.id').whereRef('later.corrects', '=', 'build_record.id'),
        ),
      ),
    )
    .orderBy('build_record.at', 'desc')
    .execute();
  return rows.map(({ body_json, ...one }) => ({ ...(JSON.parse(body_json) as Lesson), ...one }));
}

/** @throws KeramosError `notFound`. */
async function planOf({ db }: StoreContext, buildId: string): Promise<BuildPlan> {
  const row = await db.selectFrom('build').select('plan_json').where('id', '=', buildId).executeTakeFirst();
  if (!row) throw new KeramosError('notFound', 'There is no such build', 'build');
  return JSON.parse(row.plan_json) as BuildPlan;
}

const RIGHT_OF: Partial<Record<BuildRecord['kind'], Right>> = {
  signed: 'sign',
  released: 'sign',
  disposed: 'dispose',
  repaired: 'dispose',
  proof: 'sign',
};

/** What it takes to record something; to take it back takes as much. */
const rightFor = (kind: BuildRecord['kind']): Right => RIGHT_OF[kind] ?? 'record';

/** Whoever recorded it, by the pass of the tablet where it is not the one who sends it. */
export type Vouch = (record: BuildRecord) => Promise<Role[] | null>;

/**
 * @param corrected the record that it takes the place of, or takes back.
 * @throws KeramosError `forbidden` where whoever recorded it may not, or cannot be known.
 */
function needLeave(
  record: BuildRecord,
  roles: Role[] | null,
  { plan, work, corrected }: { plan: BuildPlan; work: Shop['work']; corrected: BuildRecord | null },
): void {
  for (const one of corrected ? [record, corrected] : [record]) {
    const right = rightFor(one.kind);
    if (!may(roles, right))
      throw new KeramosError('forbidden', `${record.person} may not: it takes somebody who may ${wordsOf(right)}`);
    const step = 'step' in one.body ? plan.steps.find(({ id }) => id === (one.body as { step: string }).step) : null;
    if (one.kind === 'signed' && step?.hold === 'inspector' && roles !== null && !roles.includes('inspector'))
      throw new KeramosError('forbidden', `“${step.name}” is signed by an ${ROLE_NAMES.inspector}`);
    const stranger =
      step && (one.kind === 'begun' || one.kind === 'piece') && one === record
        ? mayNotWork(work, { kind: step.kind, person: record.person })
        : null;
    if (stranger !== null) throw new KeramosError('forbidden', stranger);
  }
}
const wordsOf = (right: Right) => ({ sign: 'sign', dispose: 'decide on defects' })[right as string] ?? 'record work';

/** What became of one record that was sent. */
export interface Received {
  id: string;
  /** Null where it is kept; else why it never will be. */
  refusal: ReturnType<typeof errorBody>['error'] | null;
}

/** Most records in one sending. */
const MOST = 500;
const sending = z.strictObject({
  records: z.array(z.unknown()).min(1, 'There is no record').max(MOST, `At most ${MOST} records at a time`),
});

/**
 * Take in what a device recorded: each once, whatever comes twice, late or out of order. One that is refused holds none
 * of the others back; one that clashes with another is kept, and shown.
 */
export async function keepRecords(
  context: StoreContext,
  buildId: string,
  { records: raw, vouch }: { records: unknown; vouch: Vouch },
): Promise<Received[]> {
  const { records } = parseOrThrow(sending, { records: raw }, '');
  return inTransaction(context, async (inside) => {
    const plan = await planOf(inside, buildId);
    const { work } = (await readSetting(inside, 'shop')).body;
    const received: Received[] = [];
    for (const one of records) {
      const id = String((one as { id?: unknown } | null)?.id ?? '').slice(0, 40);
      try {
        const record = parseOrThrow(buildRecordSchema, one, 'record');
        const corrected = record.corrects === null ? null : await oneRecord(inside, record.corrects);
        if (corrected && corrected.buildId !== buildId)
          throw invalid('record.corrects', 'What it takes back belongs to another build');
        needLeave(record, await vouch(record), { plan, work, corrected: corrected?.record ?? null });
        await keepOne(inside, buildId, record);
        received.push({ id, refusal: null });
      } catch (error) {
        if (!(error instanceof KeramosError)) throw error;
        received.push({ id, refusal: errorBody(error).error });
      }
    }
    return received;
  });
}

async function oneRecord({ db }: StoreContext, id: string): Promise<{ buildId: string; record: BuildRecord } | null> {
  const row = await db.selectFrom('build_record').selectAll().where('id', '=', id).executeTakeFirst();
  return row ? { buildId: row.build_id, record: recordOf(row) } : null;
}

async function keepOne(context: StoreContext, buildId: string, record: BuildRecord): Promise<void> {
  const there = await context.db.selectFrom('build_record').selectAll().where('id', '=', record.id).executeTakeFirst();
  const { id, kind, person, device, at, corrects, body } = record;
  if (there) {
    const known = { ...there, body: JSON.parse(there.body_json) as unknown };
    const alike =
      known.build_id === buildId &&
      same([known.kind, known.person, known.at, known.corrects, known.body], [kind, person, at, corrects, body]);
    if (alike) return;
    throw new KeramosError('conflict', 'Another record has this id: it is kept, this one is not', 'record.id');
  }
  await context.db
    .insertInto('build_record')
    .values({
      id,
      build_id: buildId,
      kind,
      person,
      device,
      at,
      received_at: context.now(),
      corrects,
      body_json: JSON.stringify(body),
    })
    .execute();
}
