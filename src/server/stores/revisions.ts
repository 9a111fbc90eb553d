import { createHash } from 'node:crypto';
import { KeramosError } from '@/core/error';
import { boatFromJson, boatToJson, type Boat } from '@/core/document';
import { ENGINE } from '@/core/evaluate';
import { same } from '@/core/field';
import {
  openPointsOf,
  resultsOf,
  type IssuedOpen,
  type OpenPoint,
  type Revision,
  type RevisionEvent,
  type RevisionResults,
} from '@/core/revision';
import { sql } from 'kysely';
import { printSchedule } from '../print/printing';
import { allow, inTransaction, signedBy, type StoreContext } from '../context';
import { readBoat } from './boats';

/** 1 → A, 26 → Z, 27 → AA. */
export function revisionLabel(number: number): string {
  let label = '';
  for (let rest = number; rest > 0; rest = Math.floor((rest - 1) / 26))
    label = String.fromCharCode(65 + ((rest - 1) % 26)) + label;
  return label;
}

const sha256 = (text: string) => createHash('sha256').update(text).digest('hex');
const columns = ['id', 'number', 'label', 'hash', 'author', 'note', 'issued_at as issuedAt', 'engine'] as const;

/** Revisions of a boat, newest first, each with where it stands. */
export async function listRevisions(context: StoreContext, boatId: string): Promise<Revision[]> {
  const [rows, events] = await Promise.all([
    context.db
      .selectFrom('revision')
      .select(columns)
      .select(sql<string | null>`json_extract(results_json, '$.open')`.as('open'))
      .where('boat_id', '=', boatId)
      .orderBy('number', 'desc')
      .execute(),
    context.db
      .selectFrom('revision_event')
      .select(['label', 'kind', 'author', 'note', 'at'])
      .where('boat_id', '=', boatId)
      .orderBy('at')
      .execute(),
  ]);
  const withdrawn = new Set(events.filter(({ kind }) => kind === 'withdrawn').map(({ label }) => label));
  const standing = rows.find(({ label }) => !withdrawn.has(label))?.label;
  const floor = events.findLast(({ kind }) => kind === 'floor')?.label;
  const stateOf = (label: string): Revision['state'] => {
    if (withdrawn.has(label)) return 'withdrawn';
    return label === standing ? 'stands' : 'superseded';
  };
  return rows.map((row) => ({
    ...row,
    open: row.open === null ? null : (JSON.parse(row.open) as IssuedOpen),
    state: stateOf(row.label),
    onFloor: row.label === floor && !withdrawn.has(row.label),
    events: events.filter(({ label }) => label === row.label).map(({ label: _, ...event }) => event),
  }));
}

const movedOn = (version: number) =>
  new KeramosError(
    'conflict',
    `The draft has moved on to version ${version}; look at it before you issue it`,
    'baseVersion',
    {
      version,
    },
  );

const unanswered = (points: readonly OpenPoint[]) =>
  new KeramosError(
    'invalid',
    `${points.length} open in this draft, ${points[0]!.name} first: say why it is issued all the same`,
    'answer',
    { points: points.slice(0, 20) },
  );
const notApproved = (against: string) =>
  new KeramosError(
    'invalid',
    `Revision ${against} stands: a change to it needs a change request for this very draft, approved by somebody else`,
    'changeRequest',
  );

/**
 * The approved change request for this very draft becomes issued. @throws KeramosError `invalid` when nobody approved
 * one.
 */
async function takeApproval({ db }: StoreContext, boatId: string, against: string, version: number): Promise<void> {
  const approved = await db
    .updateTable('change_request')
    .set({ state: 'issued' })
    .where('boat_id', '=', boatId)
    .where('against', '=', against)
    .where('version', '=', version)
    .where('state', '=', 'approved')
    .executeTakeFirst();
  if (approved.numUpdatedRows === 0n) throw notApproved(against);
}

/** What a revision keeps besides its snapshot: what it comes to with today's engine, and its print. */
async function worksOf(boat: Boat, revision: Revision) {
  const results: RevisionResults = { ...resultsOf(boat), ...(revision.open && { open: revision.open }) };
  const print = await printSchedule(boat, {
    revision,
    units: boat.brief.units,
    printedAt: revision.issuedAt,
    edition: 'full',
  });
  return { results, print };
}

/**
 * Issue the draft, as it stands at `baseVersion`, as the next revision, with its results, the engine's version and
 * its print.
 * With something failing, thin, not proven, not checked or unverified it asks for an answer, which is kept.
 * Over a revision that stands it takes an approved change request for that very draft.
 *
 * @throws KeramosError `conflict` when the draft has moved on, so that nobody signs what they have not seen; `invalid`
 * when nothing changed, nobody approved, or what would be stored does not read.
 */
export async function issueRevision(
  context: StoreContext,
  boatId: string,
  baseVersion: number,
  { author: given, note, answer = '' }: { author: string; note: string; answer?: string },
): Promise<Revision> {
  allow(context, 'issue');
  const author = signedBy(context, given, 'author');
  const { boat, version } = await readBoat(context, boatId);
  if (version !== baseVersion) throw movedOn(version);
  const known = await listRevisions(context, boatId);
  const [last] = known;
  // What is stored is reopened before it is signed: nothing is issued that nobody can read.
  const snapshot = boatToJson(boat);
  const hash = sha256(snapshot);
  const reopened = boatFromJson(snapshot);
  if (last && same((await readRevision(context, boatId, last.label)).boat, reopened))
    throw new KeramosError('invalid', `Nothing has changed since revision ${last.label}`, 'boat');
  const standing = known.find(({ state }) => state === 'stands');
  if (standing) await needApproval(context, boatId, standing.label, version);
  const points = openPointsOf(reopened);
  if (points.length > 0 && answer.trim().length < 3) throw unanswered(points);
  const number = (last?.number ?? 0) + 1;
  const head = { id: context.newId(), number, label: revisionLabel(number), hash, author, note, engine: ENGINE };
  const issuedAt = context.now();
  const open: IssuedOpen | null = points.length > 0 ? { points, answer: answer.trim() } : null;
  const revision: Revision = { ...head, issuedAt, state: 'stands', onFloor: false, events: [], open };
  const { results, print } = await worksOf(reopened, revision);
  await inTransaction(context, async (inside) => {
    const now = await inside.db.selectFrom('boat').select('version').where('id', '=', boatId).executeTakeFirstOrThrow();
    if (now.version !== version) throw movedOn(now.version);
    const others = await listRevisions(inside, boatId);
    if (others.length !== known.length)
      throw new KeramosError('conflict', 'Somebody else issued a revision meanwhile: look at it first', 'baseVersion');
    const stands = others.find(({ state }) => state === 'stands');
    if (stands) await takeApproval(inside, boatId, stands.label, version);
    await inside.db
      .insertInto('revision')
      .values({
        ...head,
        boat_id: boatId,
        issued_at: issuedAt,
        snapshot,
        results_json: JSON.stringify(results),
        print: new Uint8Array(print),
      })
      .execute();
  });
  return (await listRevisions(context, boatId))[0]!;
}

/** Say early, before the print is made, that nobody approved. */
async function needApproval({ db }: StoreContext, boatId: string, against: string, version: number): Promise<void> {
  const approved = await db
    .selectFrom('change_request')
    .select('id')
    .where('boat_id', '=', boatId)
    .where('against', '=', against)
    .where('version', '=', version)
    .where('state', '=', 'approved')
    .executeTakeFirst();
  if (!approved) throw notApproved(against);
}

const unknownRevision = (label: string) =>
  new KeramosError('notFound', `There is no revision "${label.slice(0, 10)}" of this boat`, 'revision');

/** Why an event cannot happen to a revision now; null when it can. */
function whyNot({ label, state, onFloor }: Revision, kind: RevisionEvent['kind']): string | null {
  if (state === 'withdrawn') return `Revision ${label} is withdrawn: nothing more can be done with it`;
  if (kind === 'floor' && state === 'superseded')
    return `Revision ${label} is superseded: put the one that stands on the floor`;
  return kind === 'floor' && onFloor ? `Revision ${label} is on the floor already` : null;
}

/**
 * Put a revision on the floor, or withdraw it; looked at and written in one transaction. Neither is ever taken off
 * the record.
 * @throws KeramosError `notFound`; `invalid` when it is withdrawn already, or not the one that stands.
 */
export const recordRevisionEvent = (
  context: StoreContext,
  boatId: string,
  label: string,
  event: Pick<RevisionEvent, 'kind' | 'author' | 'note'>,
): Promise<Revision[]> =>
  inTransaction(context, async (inside) => {
    allow(inside, 'issue');
    signedBy(inside, event.author, 'author');
    // A write first, so that nobody can come between looking and writing.
    await inside.db.updateTable('boat').set({ updated_at: inside.now() }).where('id', '=', boatId).execute();
    const revision = (await listRevisions(inside, boatId)).find((one) => one.label === label);
    if (!revision) throw unknownRevision(label);
    const why = whyNot(revision, event.kind);
    if (why !== null) throw new KeramosError('invalid', why, 'revision');
    await inside.db
      .insertInto('revision_event')
      .values({ id: inside.newId(), boat_id: boatId, label, ...event, at: inside.now() })
      .execute();
    return listRevisions(inside, boatId);
  });

/** A revision with its boat, and what it came to when it was issued; null for one of before that was kept. */
export interface ReadRevision extends Revision {
  boat: Boat;
  results: RevisionResults | null;
}

/** A revision with its boat. @throws KeramosError `notFound`, or `conflict` when its bytes no longer match its hash. */
export async function readRevision(context: StoreContext, boatId: string, label: string): Promise<ReadRevision> {
  const row = await context.db
    .selectFrom('revision')
    .select(['hash', 'snapshot', 'results_json'])
    .where('boat_id', '=', boatId)
    .where('label', '=', label)
    .executeTakeFirst();
  const revision = (await listRevisions(context, boatId)).find((one) => one.label === label);
  if (!row || !revision) throw unknownRevision(label);
  if (sha256(row.snapshot) !== row.hash)
    throw new KeramosError(
      'conflict',
      `Revision ${label} no longer matches its hash: the database file was altered outside Keramos`,
      'revision',
    );
  const results = row.results_json === null ? null : (JSON.parse(row.results_json) as RevisionResults);
  return { ...revision, boat: boatFromJson(row.snapshot), results };
}

/** The print a revision was issued with; null for one of before prints were kept. */
export async function readRevisionPrint(
  { db }: StoreContext,
  boatId: string,
  label: string,
): Promise<Uint8Array | null> {
  const row = await db
    .selectFrom('revision')
    .select('print')
    .where('boat_id', '=', boatId)
    .where('label', '=', label)
    .executeTakeFirst();
  if (!row) throw unknownRevision(label);
  return row.print === null ? null : new Uint8Array(row.print);
}
