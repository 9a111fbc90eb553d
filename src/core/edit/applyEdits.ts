import { checkMembers, checkPacks, type Boat, settleGeometry } from '../document';
import type { Edit, EditsOf } from './editSchema';
import { BOAT_EDITS } from './boatEdits';
import { LAYER_EDITS } from './layerEdits';
import { LIST_EDITS } from './listEdits';
import { PART_EDITS } from './partEdits';

/** How each edit changes a boat, and which edit undoes it. Untouched parts keep their identity. */
const APPLY: EditsOf<Edit['type']> = { ...BOAT_EDITS, ...PART_EDITS, ...LAYER_EDITS, ...LIST_EDITS };

/**
 * Apply one action's edits to a boat, all or none.
 *
 * @returns the new boat (unchanged parts keep their identity) and the edits that undo the action, in the order to apply them.
 * @throws KeramosError `invalid` when the result would contradict itself, `notFound` when something it names is gone.
 * @example applyEdits(boat, [{ type: 'layer.set', layerId: 'l7', patch: { angleDeg: -45 } }])
 */
export function applyEdits(boat: Boat, edits: readonly Edit[]): { boat: Boat; inverse: Edit[] } {
  const inverse: Edit[] = [];
  let current = boat;
  for (const edit of edits) {
    const apply = APPLY[edit.type] as (boat: Boat, edit: Edit) => [Boat, Edit];
    const [next, undo] = apply(current, edit);
    current = next;
    inverse.unshift(undo);
  }
  if (current.packs !== boat.packs) checkPacks(current.packs);
  if (
    current.supports !== boat.supports ||
    current.sections !== boat.sections ||
    current.references !== boat.references ||
    current.details !== boat.details
  )
    checkMembers(current);
  return { boat: settleGeometry(boat, current), inverse };
}
