import { z } from 'zod';
import {
  amendPlan,
  buildRecordSchema,
  planBuild,
  stateOf,
  type AmendmentChange,
  type Build,
  type BuildAmendment,
  type BuildPlan,
  type BuildRecord,
  type BuildState,
  type Lesson,
  type LessonTold,
} from '@/core/build';
import { errorBody } from '@/core/calc';
import { invalid, KeramosError, parseOrThrow } from '@/core/error';
import { idSchema, same } from '@/core/field';
import { may, ROLE_NAMES, type Right, type Role } from '@/core/people';
import { mayNotWork, type Shop } from '@/core/shop';
import { allow, inTransaction, type StoreContext } from '../context';
import { piecesOfKit } from '../kit/kitting';
import { needBoat } from './boats';
import { listKits, readKit } from './kits';
import { readRevision } from './revisions';
import { readSetting } from './settings';

/** A build with all it is built by. */
export interface StoredBuild extends Build {
  plan: BuildPlan;
  amendments: (BuildAmendment & { changes: AmendmentChange[] })[];
  closedAt: string | null;
}

const partSchema = z.strictObject({
  mould: z.string().trim().max(60, 'Mould: at most 60 characters'),
  team: z.string().trim().max(120, 'Team: at most 120 characters'),
  begins: z.union([z.literal(''), z.iso.date('A day is wanted: 2026-11-30')]),
  ends: z.union([z.literal(''), z.iso.date('A day is wanted: 2026-11-30')]),
  pulls: z.int().min(0).max(100_000),
});
const asked = z.strictObject({
  id: idSchema,
  revision: z.string().min(1, 'Choose a revision').max(10),
  hull: z.string({ error: 'Which hull is it?' }).trim().min(1, 'Say which hull it is').max(40),
  parts: z.record(z.string().max(60), partSchema),
});

type Row = { id: string; boat_id: string; label: string; hull: string; author: string; at: string; name: string };
const headOf = ({
  id,
  boat_id: boatId,
  label: revision,
  hull,
  author: createdBy,
  at: createdAt,
  name: boat,
}: Row): Build => {
  return { id, boatId, boat, hull, revision, createdBy, createdAt };
};

const builds = ({ db }: StoreContext) =>
  db.selectFrom('build').innerJoin('boat', 'boat.id', 'build.boat_id').selectAll('build').select('boat.name');

/** A build with its plan. @throws KeramosError `notFound`. */
export async function readBuild(context: StoreContext, id: string): Promise<StoredBuild> {
  const row = await builds(context).where('build.id', '=', id).executeTakeFirst();
  if (!row) throw new KeramosError('notFound', 'There is no such build', 'build');
  const amendments = await context.db
    .selectFrom('build_amendment')
    .select(['id', 'from_label as from', 'to_label as to', 'reason', 'changes_json', 'author', 'at'])
    .where('build_id', '=', id)
    .orderBy('at')
    .execute();
  return {
    ...headOf(row),
    closedAt: row.closed_at,
    plan: JSON.parse(row.plan_json) as BuildPlan,
    amendments: amendments.map(({ changes_json, ...one }) => {
      return { ...one, changes: JSON.parse(changes_json) as AmendmentChange[] };
    }),
  };
}

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

/** Every build with where it stands, those that are closed last, then the newest first. */
export async function listBuilds(
  context: StoreContext,
  boatId?: string,
): Promise<(Build & { state: BuildState; closedAt: string | null; last: string | null })[]> {
  let query = builds(context).orderBy('build.closed_at').orderBy('build.at', 'desc');
  if (boatId !== undefined) query = query.where('build.boat_id', '=', boatId);
  const rows = await query.execute();
  return Promise.all(
    rows.map(async (row) => {
      const { records } = await listRecords(context, row.id);
      const state = stateOf(JSON.parse(row.plan_json) as BuildPlan, records);
      const last = records.reduce<string | null>((max, { at }) => (max === null || at > max ? at : max), null);
      return { ...headOf(row), state, closedAt: row.closed_at, last };
    }),
  );
}

/** What a hull is built by, from a revision and the yard's steps of today. */
async function planFor(
  context: StoreContext,
  boatId: string,
  { revision: label, hull, parts }: Pick<z.output<typeof asked>, 'revision' | 'hull' | 'parts'>,
): Promise<BuildPlan> {
  const revision = await readRevision(context, boatId, label);
  if (revision.state === 'withdrawn')
    throw invalid('build.revision', `Revision ${label} is withdrawn: build by one that stands`);
  const { boat } = revision;
  const [steps, cutting, mixing, filling] = await Promise.all([
    readSetting(context, 'steps'),
    readSetting(context, 'cutting'),
    readSetting(context, 'mixing'),
    readSetting(context, 'filling'),
  ]);
  const frozen = (await listKits(context, boatId)).find((kit) => kit.hull === hull && kit.revision === label);
  const { pieces } = frozen ? (await readKit(context, boatId, frozen.id)).kit : await piecesOfKit(boat, cutting.body);
  return planBuild({
    boat,
    revision: label,
    hull,
    pieces,
    steps: steps.body,
    cutting: cutting.body,
    mixing: mixing.body,
    filling: filling.body,
    parts,
  });
}

/**
 * Begin a build of an issued revision. The same id again is the same build.
 * @throws KeramosError `invalid`; `conflict` where the hull is being built already; `notFound`, `forbidden`.
 */
export async function beginBuild(context: StoreContext, boatId: string, raw: unknown): Promise<StoredBuild> {
  allow(context, 'plan');
  await needBoat(context, boatId);
  const build = parseOrThrow(asked, raw, 'build');
  const there = await builds(context).where('build.id', '=', build.id).executeTakeFirst();
  if (there) return readBuild(context, build.id);
  const plan = await planFor(context, boatId, build);
  await inTransaction(context, async (inside) => {
    const taken = await inside.db
      .selectFrom('build')
      .select('id')
      .where('boat_id', '=', boatId)
      .where('hull', '=', build.hull)
      .executeTakeFirst();
    if (taken) throw new KeramosError('conflict', `Hull ${build.hull} is being built already`, 'build.hull');
    await inside.db
      .insertInto('build')
      .values({
        id: build.id,
        boat_id: boatId,
        label: build.revision,
        hull: build.hull,
        plan_json: JSON.stringify(plan),
        author: inside.actor,
        at: inside.now(),
        closed_at: null,
      })
      .execute();
  });
  return readBuild(context, build.id);
}

/** Close a build that is over, or open it again. What a tablet still sends is kept all the same. */
export async function closeBuild(context: StoreContext, id: string, raw: unknown): Promise<StoredBuild> {
  allow(context, 'plan');
  const { closed } = parseOrThrow(z.strictObject({ closed: z.boolean() }), raw, 'build');
  await readBuild(context, id);
  const closed_at = closed ? context.now() : null;
  await context.db.updateTable('build').set({ closed_at }).where('id', '=', id).execute();
  return readBuild(context, id);
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

const amending = z.strictObject({
  id: idSchema,
  revision: z.string().min(1, 'Choose a revision').max(10),
  reason: z.string().trim().min(3, 'Say in a few words why').max(600),
});

/** What another revision would change of a build: shown before it is signed. @throws KeramosError */
export async function previewAmendment(context: StoreContext, id: string, label: string) {
  const build = await readBuild(context, id);
  const parts = Object.fromEntries(
    build.plan.parts.map(({ id: part, mould, team, begins, ends }) => [part, { mould, team, begins, ends, pulls: 0 }]),
  );
  const next = await planFor(context, build.boatId, { revision: label, hull: build.hull, parts });
  const { records } = await listRecords(context, id);
  return { build, ...amendPlan(stateOf(build.plan, records), next) };
}

/**
 * Go on by another issued revision: what lies stays, what changes is kept with who signed for it.
 * @throws KeramosError `invalid` where nothing changes; `conflict` where somebody amended it meanwhile.
 */
export async function amendBuild(context: StoreContext, id: string, raw: unknown): Promise<StoredBuild> {
  allow(context, 'plan');
  const { id: amendmentId, revision, reason } = parseOrThrow(amending, raw, 'amendment');
  const before = await readBuild(context, id);
  if (before.amendments.some((one) => one.id === amendmentId)) return before;
  if (before.revision === revision) throw invalid('amendment.revision', `It is built by revision ${revision} already`);
  const { build, plan, changes } = await previewAmendment(context, id, revision);
  await inTransaction(context, async (inside) => {
    const now = await readBuild(inside, id);
    if (now.revision !== build.revision)
      throw new KeramosError('conflict', 'Somebody amended this build meanwhile: look at it again', 'amendment');
    await inside.db
      .insertInto('build_amendment')
      .values({
        id: amendmentId,
        build_id: id,
        from_label: build.revision,
        to_label: revision,
        reason,
        changes_json: JSON.stringify(changes),
        plan_json: JSON.stringify(build.plan),
        author: inside.actor,
        at: inside.now(),
      })
      .execute();
    await inside.db
      .updateTable('build')
      .set({ label: revision, plan_json: JSON.stringify(plan) })
      .where('id', '=', id)
      .execute();
  });
  return readBuild(context, id);
}

const RIGHT_OF: Partial<Record<BuildRecord['kind'], Right>> = {
  signed: 'sign',
  released: 'sign',
  disposed: 'dispose',
  repaired: 'dispose',
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
    const { plan } = await readBuild(inside, buildId);
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
