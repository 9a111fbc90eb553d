import { KeramosError } from '@/core/error';
import { difference } from '@/core/edit';
import type { ChangeRequest } from '@/core/revision';
import { allow, inTransaction, signedBy, type StoreContext } from '../context';
import { readBoat } from './boats';
import { listRevisions, readRevision } from './revisions';

/** Change requests of a boat, newest first. */
export async function listChangeRequests(context: StoreContext, boatId: string): Promise<ChangeRequest[]> {
  const rows = await context.db
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
 * @throws KeramosError `conflict` when the draft has moved on; `invalid` when no revision stands, or the draft does
 * not differ from it.
 */
export const askForChange = (
  context: StoreContext,
  boatId: string,
  baseVersion: number,
  { askedBy, reason }: { askedBy: string; reason: string },
): Promise<ChangeRequest[]> =>
  inTransaction(context, async (inside) => {
    allow(inside, 'design');
    const { boat, version } = await readBoat(inside, boatId);
    if (version !== baseVersion)
      throw new KeramosError(
        'conflict',
        `The draft has moved on to version ${version}; look at it before you ask for it`,
        'baseVersion',
        { version },
      );
    const standing = (await listRevisions(inside, boatId)).find(({ state }) => state === 'stands');
    if (!standing)
      throw new KeramosError('invalid', 'No revision stands: issue the draft, it needs no change request', 'revision');
    const changes = difference((await readRevision(inside, boatId, standing.label)).boat, boat);
    if (changes.length === 0)
      throw new KeramosError('invalid', `The draft does not differ from revision ${standing.label}`, 'boat');
    await inside.db
      .insertInto('change_request')
      .values({
        id: inside.newId(),
        boat_id: boatId,
        against: standing.label,
        version,
        reason,
        changes_json: JSON.stringify(changes),
        asked_by: signedBy(inside, askedBy, 'askedBy'),
        asked_at: inside.now(),
        state: 'open',
        decided_by: null,
        decided_at: null,
        decision: null,
      })
      .execute();
    return listChangeRequests(inside, boatId);
  });

/** A name without what varies and says nothing: case, accents, spaces, dots, widths. Until there are accounts. */
const plain = (name: string) =>
  name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]/gu, '');

export interface Decision {
  approve: boolean;
  decidedBy: string;
  decision: string;
}

/**
 * Approve or refuse a change; looked at and written in one transaction. Whoever asked cannot approve it.
 * @throws KeramosError `notFound`; `invalid` when it is decided already or the same person asked.
 */
export const decideChange = (
  context: StoreContext,
  boatId: string,
  id: string,
  { approve, decidedBy, decision }: Decision,
): Promise<ChangeRequest[]> =>
  inTransaction(context, async (inside) => {
    allow(inside, 'issue');
    const decided = await inside.db
      .updateTable('change_request')
      .set({
        state: approve ? 'approved' : 'refused',
        decided_by: signedBy(inside, decidedBy, 'decidedBy'),
        decided_at: inside.now(),
        decision,
      })
      .where('boat_id', '=', boatId)
      .where('id', '=', id)
      .where('state', '=', 'open')
      .returning('asked_by')
      .executeTakeFirst();
    const requests = await listChangeRequests(inside, boatId);
    if (!decided) {
      const request = requests.find((one) => one.id === id);
      if (!request) throw new KeramosError('notFound', 'There is no such change request of this boat', 'changeRequest');
      throw new KeramosError('invalid', `This change request is ${request.state} already`, 'changeRequest');
    }
    // A refusal rolls back what was just written.
    if (approve && plain(decidedBy) === plain(decided.asked_by))
      throw new KeramosError(
        'invalid',
        'Whoever asks for a change cannot approve it: another pair of eyes must',
        'decidedBy',
      );
    return requests;
  });
