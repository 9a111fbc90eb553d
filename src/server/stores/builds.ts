import { z } from 'zod';
import {
  amendPlan,
  planBuild,
  stateOf,
  type AmendmentChange,
  type Build,
  type BuildAmendment,
  type BuildPlan,
  type BuildState,
} from '@/core/build';
import { invalid, KeramosError, parseOrThrow } from '@/core/error';
import { idSchema } from '@/core/field';
import { allow, inTransaction, type StoreContext } from '../context';
import { piecesOfKit } from '../kit/kitting';
import { needBoat } from './boats';
import { listRecords } from './buildRecords';
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
