import { createHash } from 'node:crypto';
import { nanoid } from 'nanoid';
import { KeramosError } from '@/core/error';
import { boatFromJson, boatToJson, type Boat } from '@/core/document';
import type { Revision, RevisionEvent } from '@/core/edit';
import type { Db } from '../database/open';
import { readBoat } from './boats';

/** 1 → A, 26 → Z, 27 → AA. */
export function revisionLabel(number: number): string {
  let label = '';
  for (let rest = number; rest > 0; rest = Math.floor((rest - 1) / 26))
    label = String.fromCharCode(65 + ((rest - 1) % 26)) + label;
  return label;
}

const sha256 = (text: string) => createHash('sha256').update(text).digest('hex');
const columns = ['id', 'number', 'label', 'hash', 'author', 'note', 'issued_at as issuedAt'] as const;

/** Revisions of a boat, newest first, each with where it stands. */
export async function listRevisions(db: Db, boatId: string): Promise<Revision[]> {
  const [rows, events] = await Promise.all([
    db.selectFrom('revision').select(columns).where('boat_id', '=', boatId).orderBy('number', 'desc').execute(),
    db
      .selectFrom('revision_event')
      .select(['label', 'kind', 'author', 'note', 'at'])
      .where('boat_id', '=', boatId)
      .orderBy('at')
      .execute(),
  ]);
  const withdrawn = new Set(events.filter(({ kind }) => kind === 'withdrawn').map(({ label }) => label));
  const standing = rows.find(({ label }) => !withdrawn.has(label))?.label;
  const floor = events.findLast(({ kind }) => kind === 'floor')?.label;
  return rows.map((row) => ({
    ...row,
    state: withdrawn.has(row.label) ? 'withdrawn' : row.label === standing ? 'stands' : 'superseded',
    onFloor: row.label === floor && !withdrawn.has(row.label),
    events: events.filter(({ label }) => label === row.label).map(({ label: _, ...event }) => event),
  }));
}

/**
 * Issue the draft, as it stands at `baseVersion`, as the next revision. Over a revision that stands it takes an approved change request for that very draft.
 * @throws KeramosError `conflict` when the draft has moved on, so that nobody signs what they have not seen; `invalid` when nothing changed or nobody approved.
 */
export async function issueRevision(
  db: Db,
  boatId: string,
  baseVersion: number,
  author: string,
  note: string,
): Promise<Revision> {
  const { boat, version } = await readBoat(db, boatId);
  if (version !== baseVersion)
    throw new KeramosError(
      'conflict',
      `The draft has moved on to version ${version}; look at it before you issue it`,
      'baseVersion',
      { version },
    );
  const snapshot = boatToJson(boat);
  await db.transaction().execute(async (trx) => {
    const last = await trx
      .selectFrom('revision')
      .select(['number', 'hash', 'label'])
      .where('boat_id', '=', boatId)
      .orderBy('number', 'desc')
      .limit(1)
      .executeTakeFirst();
    const hash = sha256(snapshot);
    if (last?.hash === hash)
      throw new KeramosError('invalid', `Nothing has changed since revision ${last.label}`, 'boat');
    const standing = (await listRevisions(trx as unknown as Db, boatId)).find(({ state }) => state === 'stands');
    if (standing) {
      const approved = await trx
        .updateTable('change_request')
        .set({ state: 'issued' })
        .where('boat_id', '=', boatId)
        .where('against', '=', standing.label)
        .where('version', '=', version)
        .where('state', '=', 'approved')
        .executeTakeFirst();
      if (approved.numUpdatedRows === 0n)
        throw new KeramosError(
          'invalid',
          `Revision ${standing.label} stands: a change to it needs a change request for this very draft, approved by somebody else`,
          'changeRequest',
        );
    }
    const number = (last?.number ?? 0) + 1;
    await trx
      .insertInto('revision')
      .values({
        id: nanoid(10),
        number,
        label: revisionLabel(number),
        hash,
        author,
        note,
        boat_id: boatId,
        issued_at: new Date().toISOString(),
        snapshot,
      })
      .execute();
  });
  return (await listRevisions(db, boatId))[0]!;
}

/**
 * Put a revision on the floor, or withdraw it. Neither is ever taken off the record.
 * @throws KeramosError `notFound`; `invalid` when it is withdrawn already, or not the one that stands.
 */
export async function recordRevisionEvent(
  db: Db,
  boatId: string,
  label: string,
  kind: RevisionEvent['kind'],
  author: string,
  note: string,
): Promise<Revision[]> {
  const revision = (await listRevisions(db, boatId)).find((one) => one.label === label);
  if (!revision)
    throw new KeramosError('notFound', `There is no revision "${label.slice(0, 10)}" of this boat`, 'revision');
  if (revision.state === 'withdrawn')
    throw new KeramosError('invalid', `Revision ${label} is withdrawn: nothing more can be done with it`, 'revision');
  if (kind === 'floor' && revision.state === 'superseded')
    throw new KeramosError(
      'invalid',
      `Revision ${label} is superseded: put the one that stands on the floor`,
      'revision',
    );
  if (kind === 'floor' && revision.onFloor)
    throw new KeramosError('invalid', `Revision ${label} is on the floor already`, 'revision');
  await db
    .insertInto('revision_event')
    .values({ id: nanoid(10), boat_id: boatId, label, kind, author, note, at: new Date().toISOString() })
    .execute();
  return listRevisions(db, boatId);
}

/** A revision with its boat. @throws KeramosError `notFound`, or `conflict` when its bytes no longer match its hash. */
export async function readRevision(db: Db, boatId: string, label: string): Promise<Revision & { boat: Boat }> {
  const row = await db
    .selectFrom('revision')
    .select(['hash', 'snapshot'])
    .where('boat_id', '=', boatId)
    .where('label', '=', label)
    .executeTakeFirst();
  const revision = (await listRevisions(db, boatId)).find((one) => one.label === label);
  if (!row || !revision)
    throw new KeramosError('notFound', `There is no revision "${label.slice(0, 10)}" of this boat`, 'revision');
  if (sha256(row.snapshot) !== row.hash)
    throw new KeramosError(
      'conflict',
      `Revision ${label} no longer matches its hash: the database file was altered outside Keramos`,
      'revision',
    );
  return { ...revision, boat: boatFromJson(row.snapshot) };
}
