import { LISTS, type Boat } from '../document';
import { PLAIN_LISTS, type Edit, type EditsOf, type ListEdit } from './editSchema';
import { gone, replaced, taken, withAt, without } from './find';

type Item = { id: string };

/** The three edits of one list. */
function editsOfList(key: (typeof PLAIN_LISTS)[number]) {
  const { name } = LISTS[key];
  const itemsOf = (boat: Boat) => boat[key] as readonly Item[];
  const changed = (boat: Boat, items: Item[]): Boat => ({ ...boat, [key]: items }) as Boat;
  const placeOf = (boat: Boat, id: string) => {
    const at = itemsOf(boat).findIndex((item) => item.id === id);
    if (at < 0) throw gone(name, id);
    return at;
  };
  return {
    [`${name}.add`]: (boat: Boat, { item, index }: { item: Item; index: number }) => {
      if (itemsOf(boat).some(({ id }) => id === item.id)) throw taken(item.id);
      const at = Math.min(index, itemsOf(boat).length);
      return [changed(boat, withAt(itemsOf(boat), at, item)), { type: `${name}.remove`, id: item.id } as Edit];
    },
    [`${name}.set`]: (boat: Boat, { item }: { item: Item }) => {
      const at = placeOf(boat, item.id);
      const old = itemsOf(boat)[at]!;
      return [changed(boat, replaced(itemsOf(boat), at, item)), { type: `${name}.set`, item: old } as unknown as Edit];
    },
    [`${name}.remove`]: (boat: Boat, { id }: { id: string }) => {
      const at = placeOf(boat, id);
      const old = itemsOf(boat)[at]!;
      const undo = { type: `${name}.add`, item: old, index: at } as unknown as Edit;
      return [changed(boat, without(itemsOf(boat), at)), undo];
    },
  };
}

/** The lists of a boat whose entries are added, replaced whole and removed in one way. */
export const LIST_EDITS = Object.assign({}, ...PLAIN_LISTS.map(editsOfList)) as EditsOf<ListEdit['type']>;
