import { KeramosError } from '@/core/error';
import { boatFromJson, boatToJson, type Boat } from '@/core/document';
import { difference, followParent, takeState } from '@/core/edit';
import type { VariantStanding } from '@/core/revision';
import { allow, inTransaction, type StoreContext } from '../context';
import { editBoat, readBoat } from './boats';

async function parentOf(context: StoreContext, id: string) {
  const row = await context.db
    .selectFrom('boat')
    .select(['variant_of', 'parent_json', 'parent_version', 'version', 'archived'])
    .where('id', '=', id)
    .executeTakeFirst();
  if (!row || row.variant_of === null) return null;
  return { row, parent: await readBoat(context, row.variant_of) };
}

/**
 * What a variant comes to when it follows its parent; `problem` says why it cannot. Null where there is nothing to
 * follow.
 */
function nextOf(found: NonNullable<Awaited<ReturnType<typeof parentOf>>>, own: Boat) {
  const { row, parent } = found;
  if (row.archived === 1 || row.parent_version === parent.version || row.parent_json === null) return null;
  try {
    return { next: followParent(boatFromJson(row.parent_json), parent.boat, own), problem: null };
  } catch (error) {
    if (!(error instanceof KeramosError)) throw error;
    return { next: own, problem: error.text };
  }
}

/** Whether a variant stands behind its parent; false for a boat that is no variant. Reads only. */
export async function isBehind({ db }: StoreContext, id: string): Promise<boolean> {
  const row = await db
    .selectFrom('boat')
    .innerJoin('boat as parent', 'parent.id', 'boat.variant_of')
    .select(['boat.parent_version', 'boat.archived', 'parent.version'])
    .where('boat.id', '=', id)
    .executeTakeFirst();
  return row !== undefined && row.archived === 0 && row.parent_version !== row.version;
}

/**
 * Let a variant follow what its parent changed since it last looked: one action in its history, with its undo.
 *
 * @returns why it cannot follow; null when it stands where it should, is no variant, or is archived.
 */
export const follow = (context: StoreContext, id: string): Promise<string | null> =>
  inTransaction(context, async (inside) => {
    allow(inside, 'design');
    const found = await parentOf(inside, id);
    if (!found || found.row.archived === 1 || found.row.parent_version === found.parent.version) return null;
    const { parent } = found;
    const own = await readBoat(inside, id);
    const followed = nextOf(found, own.boat);
    if (followed?.problem) return followed.problem;
    if (followed && followed.next !== own.boat)
      await editBoat(inside, id, own.version, [
        {
          clientId: `follow-${inside.newId(12)}`,
          action: 'do',
          edits: [takeState(own.boat, followed.next, parent.boat.name)],
        },
      ]);
    await inside.db
      .updateTable('boat')
      .set({ parent_json: boatToJson(parent.boat), parent_version: parent.version })
      .where('id', '=', id)
      .execute();
    return null;
  });

/** A variant against its parent as both stand now; null for a boat that is none. Reads only. */
export const variantStanding = (context: StoreContext, id: string): Promise<VariantStanding | null> =>
  inTransaction(context, async (inside) => {
    const found = await parentOf(inside, id);
    if (!found) return null;
    const own = await readBoat(inside, id);
    const { next, problem } = nextOf(found, own.boat) ?? { next: own.boat, problem: null };
    return {
      parent: { id: found.parent.id, name: found.parent.boat.name },
      departures: difference({ ...found.parent.boat, name: own.boat.name }, next),
      problem,
    };
  });

/**
 * Make a variant a boat of its own: it keeps what it has and follows nobody. @throws KeramosError `invalid` when it
 * is no variant.
 */
export async function letGo(context: StoreContext, id: string): Promise<void> {
  allow(context, 'design');
  const result = await context.db
    .updateTable('boat')
    .set({ variant_of: null, parent_json: null, parent_version: null })
    .where('id', '=', id)
    .where('variant_of', 'is not', null)
    .executeTakeFirst();
  if (result.numUpdatedRows === 0n) throw new KeramosError('invalid', 'This boat follows no other', 'boatId');
}
