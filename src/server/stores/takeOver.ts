import { KeramosError } from '@/core/error';
import { applyEdits, difference, type Edit } from '@/core/edit';
import type { Boat } from '@/core/document';
import type { HeldByBoat } from '@/core/revision';
import { allow, type StoreContext } from '../context';
import { editBoat, readBoat, type StoredBoat } from './boats';

/** How boats that have a copy of something differ from it as the yard has it now. */
export const heldBy = (
  boats: readonly StoredBoat[],
  of: (boat: Boat) => { edits: Edit[]; held: string },
): HeldByBoat[] =>
  boats.map(({ id, boat, version }) => {
    const { edits, held } = of(boat);
    const changes = edits.length === 0 ? [] : difference(boat, applyEdits(boat, edits).boat);
    return { boatId: id, name: boat.name, version, held, edits, changes: changes.flatMap(({ details }) => details) };
  });

/** What became of taking something over into one boat. */
export interface TakenOver {
  boatId: string;
  /** The version after it; null when it was refused. */
  version: number | null;
  refusal: string | null;
}

/**
 * Take something over into boats, one action in the history of each; one that is refused holds none of the others back.
 * @param boats with the version that was looked at: one that somebody changed since is refused.
 */
export async function takeOver(
  context: StoreContext,
  boats: readonly { boatId: string; version: number }[],
  { label, editsOf }: { label: string; editsOf: (boat: Boat) => Edit[] },
): Promise<TakenOver[]> {
  allow(context, 'design');
  const results: TakenOver[] = [];
  for (const { boatId, version } of boats) {
    try {
      const { boat } = await readBoat(context, boatId);
      const edits = editsOf(boat);
      const action = { clientId: context.newId(), action: 'do' as const, edits, label };
      const after = edits.length === 0 ? { version } : await editBoat(context, boatId, version, [action]);
      results.push({ boatId, version: after.version, refusal: null });
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      results.push({ boatId, version: null, refusal: error.text });
    }
  }
  return results;
}
