import { nanoid } from 'nanoid';
import { KeramosError } from '@/core/error';
import { boatFromJson, boatToJson, type Boat } from '@/core/document';
import { difference, followParent, takeState, type VariantStanding } from '@/core/edit';
import type { Db } from '../database/open';
import { editBoat, readBoat } from './boats';

async function parentOf(db: Db, id: string) {
  const row = await db
    .selectFrom('boat')
    .select(['variant_of', 'parent_json', 'parent_version', 'version', 'archived'])
    .where('id', '=', id)
    .executeTakeFirst();
  if (!row || row.variant_of === null) return null;
  return { row, parent: await readBoat(db, row.variant_of) };
}

const saw = (db: Db, id: string, { boat, version }: { boat: Boat; version: number }) =>
  db
    .updateTable('boat')
    .set({ parent_json: boatToJson(boat), parent_version: version })
    .where('id', '=', id)
    .execute();

/**
 * Let a variant follow what its parent changed since it last looked: one action in its history, with its undo.
 *
 * @returns why it cannot follow; null when it stands where it should, is no variant, or is archived.
 */
export async function follow(db: Db, id: string): Promise<string | null> {
  const found = await parentOf(db, id);
  if (!found || found.row.archived === 1 || found.row.parent_version === found.parent.version) return null;
  const { row, parent } = found;
  if (row.parent_json !== null)
    try {
      const own = await readBoat(db, id);
      const next = followParent(boatFromJson(row.parent_json), parent.boat, own.boat);
      if (next !== own.boat)
        await editBoat(db, id, own.version, [
          { clientId: `follow-${nanoid(12)}`, action: 'do', edits: [takeState(own.boat, next, parent.boat.name)] },
        ]);
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      // Somebody was quicker: the next look follows. Anything else is for the user to see.
      return error.code === 'conflict' ? null : error.message;
    }
  await saw(db, id, parent);
  return null;
}

/** A variant against its parent; null for a boat that is none. */
export async function variantStanding(db: Db, id: string): Promise<VariantStanding | null> {
  const problem = await follow(db, id);
  const found = await parentOf(db, id);
  if (!found) return null;
  const own = await readBoat(db, id);
  return {
    parent: { id: found.parent.id, name: found.parent.boat.name },
    departures: difference({ ...found.parent.boat, name: own.boat.name }, own.boat),
    problem,
  };
}

/** Make a variant a boat of its own: it keeps what it has and follows nobody. @throws KeramosError `invalid` when it is no variant. */
export async function letGo(db: Db, id: string): Promise<void> {
  const result = await db
    .updateTable('boat')
    .set({ variant_of: null, parent_json: null, parent_version: null })
    .where('id', '=', id)
    .where('variant_of', 'is not', null)
    .executeTakeFirst();
  if (result.numUpdatedRows === 0n) throw new KeramosError('invalid', 'This boat follows no other', 'boatId');
}
