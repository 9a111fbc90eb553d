import { checkBoat, settleGeometry, type Boat } from '../document';
import { BOAT_EDITS } from './boatEdits';
import { consequencesOf } from './consequences';
import type { Edit, EditsOf } from './editSchema';
import { LAYER_EDITS } from './layerEdits';
import { LIST_EDITS } from './listEdits';
import { PART_EDITS } from './partEdits';

/** How each edit changes a boat, and which edit undoes it. Untouched parts keep their identity. */
const APPLY: EditsOf<Edit['type']> = { ...BOAT_EDITS, ...PART_EDITS, ...LAYER_EDITS, ...LIST_EDITS };

/** One edit on a boat, and the one that undoes it; the whole is not checked. */
export const applyOne = (boat: Boat, edit: Edit): [Boat, Edit] =>
  (APPLY[edit.type] as (boat: Boat, edit: Edit) => [Boat, Edit])(boat, edit);

/**
 * Apply one action's edits to a boat, all or none; what else must follow follows, and the whole is checked.
 *
 * @returns the new boat (unchanged parts keep their identity) and the edits that undo the action, in the order to
 * apply them.
 * @throws KeramosError `invalid` when the result would contradict itself, `notFound` when something it names is gone.
 * @example applyEdits(boat, [{ type: 'layer.set', layerId: 'l7', patch: { angleDeg: -45 } }])
 */
export function applyEdits(boat: Boat, edits: readonly Edit[]): { boat: Boat; inverse: Edit[] } {
  const inverse: Edit[] = [];
  let current = boat;
  const take = (edit: Edit) => {
    const [next, undo] = applyOne(current, edit);
    current = next;
    inverse.unshift(undo);
  };
  edits.forEach(take);
  consequencesOf(boat, current).forEach(take);
  checkBoat(current, boat);
  return { boat: settleGeometry(boat, current), inverse };
}
