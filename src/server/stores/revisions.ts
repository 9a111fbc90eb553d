import { createHash } from 'node:crypto';
import { nanoid } from 'nanoid';
import { KeramosError } from '@/core/error';
import { boatFromJson, boatToJson, type Boat, type Revision } from '@/core/schedule';
import type { Db } from '../database/open';
import { readBoat } from './boats';

/** 1 → A, 26 → Z, 27 → AA. */
export function revisionLabel(number: number): string {
  let label = '';
  for (let rest = number; rest > 0; rest = Math.floor((rest - 1) / 26)) label = String.fromCharCode(65 + ((rest - 1) % 26)) + label;
  return label;
}

const sha256 = (text: string) => createHash('sha256').update(text).digest('hex');
const columns = ['id', 'number', 'label', 'hash', 'author', 'note', 'issued_at as issuedAt'] as const;

export async function listRevisions(db: Db, boatId: string): Promise<Revision[]> {
  return db.selectFrom('revision').select(columns).where('boat_id', '=', boatId).orderBy('number', 'desc').execute();
}

/**
 * Issue the draft, as it stands at `baseVersion`, as the next revision.
 * @throws KeramosError `conflict` when the draft has moved on, so that nobody signs what they have not seen.
 */
export async function issueRevision(db: Db, boatId: string, baseVersion: number, author: string, note: string): Promise<Revision> {
  const { boat, version } = await readBoat(db, boatId);
  if (version !== baseVersion) throw new KeramosError('conflict', `The draft has moved on to version ${version}; look at it before you issue it`, 'baseVersion', { version });
  const snapshot = boatToJson(boat);
  return db.transaction().execute(async (trx) => {
    const last = await trx.selectFrom('revision').select(['number', 'hash', 'label']).where('boat_id', '=', boatId).orderBy('number', 'desc').limit(1).executeTakeFirst();
    const hash = sha256(snapshot);
    if (last?.hash === hash) throw new KeramosError('invalid', `Nothing has changed since revision ${last.label}`, 'boat');
    const number = (last?.number ?? 0) + 1;
    const revision = { id: nanoid(10), number, label: revisionLabel(number), hash, author, note, issuedAt: new Date().toISOString() };
    const { issuedAt, ...rest } = revision;
    await trx
      .insertInto('revision')
      .values({ ...rest, boat_id: boatId, issued_at: issuedAt, snapshot })
      .execute();
    return revision;
  });
}

/** A revision with its boat. @throws KeramosError `notFound`, or `conflict` when its bytes no longer match its hash. */
export async function readRevision(db: Db, boatId: string, label: string): Promise<Revision & { boat: Boat }> {
  const row = await db
    .selectFrom('revision')
    .select([...columns, 'snapshot'])
    .where('boat_id', '=', boatId)
    .where('label', '=', label)
    .executeTakeFirst();
  if (!row) throw new KeramosError('notFound', `There is no revision "${label.slice(0, 10)}" of this boat`, 'revision');
  const { snapshot, ...revision } = row;
  if (sha256(snapshot) !== row.hash) throw new KeramosError('conflict', `Revision ${label} no longer matches its hash: the database file was altered outside Keramos`, 'revision');
  return { ...revision, boat: boatFromJson(snapshot) };
}
