import { nanoid } from 'nanoid';
import { KeramosError } from '@/core/error';
import { difference, type ChangeRequest } from '@/core/edit';
import type { Db } from '../database/open';
import { readBoat } from './boats';
import { listRevisions, readRevision } from './revisions';

/** Change requests of a boat, newest first. */
export async function listChangeRequests(db: Db, boatId: string): Promise<ChangeRequest[]> {
  const rows = await db
    .selectFrom('change_request')
    .selectAll()
    .where('boat_id', '=', boatId)
    .orderBy('asked_at', 'desc')
    .execute();
  return rows.map((row) => ({
    id: row.id,
    against: row.against,
    version: row.version,
    reason: row.reason,
    changes: JSON.parse(row.changes_json),
    askedBy: row.asked_by,
    askedAt: row.asked_at,
    state: row.state,
    decidedBy: row.decided_by,
    decidedAt: row.decided_at,
    decision: row.decision,
  }));
}

/**
 * Ask for the draft, as it stands at `baseVersion`, to become the next revision.
 * @throws KeramosError `conflict` when the draft has moved on; `invalid` when no revision stands, or the draft does not differ from it.
 */
export async function askForChange(
  db: Db,
  boatId: string,
  baseVersion: number,
  askedBy: string,
  reason: string,
): Promise<ChangeRequest[]> {
  const { boat, version } = await readBoat(db, boatId);
  if (version !== baseVersion)
    throw new KeramosError(
      'conflict',
      `The draft has moved on to version ${version}; look at it before you ask for it`,
      'baseVersion',
      { version },
    );
  const standing = (await listRevisions(db, boatId)).find(({ state }) => state === 'stands');
  if (!standing)
    throw new KeramosError('invalid', 'No revision stands: issue the draft, it needs no change request', 'revision');
  const changes = difference((await readRevision(db, boatId, standing.label)).boat, boat);
  if (changes.length === 0)
    throw new KeramosError('invalid', `The draft does not differ from revision ${standing.label}`, 'boat');
  await db
    .insertInto('change_request')
    .values({
      id: nanoid(10),
      boat_id: boatId,
      against: standing.label,
      version,
      reason,
      changes_json: JSON.stringify(changes),
      asked_by: askedBy,
      asked_at: new Date().toISOString(),
      state: 'open',
      decided_by: null,
      decided_at: null,
      decision: null,
    })
    .execute();
  return listChangeRequests(db, boatId);
}

const plain = (name: string) => name.trim().toLowerCase().replace(/\s+/g, ' ');

/**
 * Approve or refuse a change. Whoever asked cannot approve it.
 * @throws KeramosError `notFound`; `invalid` when it is decided already or the same person asked.
 */
export async function decideChange(
  db: Db,
  boatId: string,
  id: string,
  approve: boolean,
  decidedBy: string,
  decision: string,
): Promise<ChangeRequest[]> {
  const request = (await listChangeRequests(db, boatId)).find((one) => one.id === id);
  if (!request) throw new KeramosError('notFound', 'There is no such change request of this boat', 'changeRequest');
  if (request.state !== 'open')
    throw new KeramosError('invalid', `This change request is ${request.state} already`, 'changeRequest');
  if (approve && plain(decidedBy) === plain(request.askedBy))
    throw new KeramosError(
      'invalid',
      'Whoever asks for a change cannot approve it: another pair of eyes must',
      'decidedBy',
    );
  await db
    .updateTable('change_request')
    .set({
      state: approve ? 'approved' : 'refused',
      decided_by: decidedBy,
      decided_at: new Date().toISOString(),
      decision,
    })
    .where('id', '=', id)
    .where('state', '=', 'open')
    .execute();
  return listChangeRequests(db, boatId);
}
