import { invalid } from '../error';
import type { Boat } from '../document';
import type { Edit, EditsOf } from './editSchema';
import { gone, without, withAt, replaced } from './find';

const LISTS = {
  support: 'supports',
  section: 'sections',
  reference: 'references',
  pack: 'packs',
  load: 'loads',
  detail: 'details',
} as const;
type ListName = keyof typeof LISTS;
type Item = { id: string };

/** The three edits of one list. */
function listEdits(name: ListName) {
  const key = LISTS[name];
  const itemsOf = (boat: Boat) => boat[key] as readonly Item[];
  const changed = (boat: Boat, items: Item[]): Boat => ({ ...boat, [key]: items }) as Boat;
  const placeOf = (boat: Boat, id: string) => {
    const at = itemsOf(boat).findIndex((item) => item.id === id);
    if (at < 0) throw gone(name, id);
    return at;
  };
  return {
    add: (boat: Boat, { item, index: at }: { item: Item; index: number }): [Boat, Edit] => {
      if (itemsOf(boat).some(({ id }) => id === item.id))
        throw invalid('id', `The id "${item.id}" is taken in this boat`);
      return [
        changed(boat, withAt(itemsOf(boat), Math.min(at, itemsOf(boat).length), item)),
        { type: `${name}.remove`, id: item.id } as Edit,
      ];
    },
    set: (boat: Boat, { item }: { item: Item }): [Boat, Edit] => {
      const at = placeOf(boat, item.id);
      return [
        changed(boat, replaced(itemsOf(boat), at, item)),
        { type: `${name}.set`, item: itemsOf(boat)[at]! } as unknown as Edit,
      ];
    },
    remove: (boat: Boat, { id }: { id: string }): [Boat, Edit] => {
      const at = placeOf(boat, id);
      return [
        changed(boat, without(itemsOf(boat), at)),
        { type: `${name}.add`, item: itemsOf(boat)[at]!, index: at } as unknown as Edit,
      ];
    },
  };
}
const lists = {
  support: listEdits('support'),
  section: listEdits('section'),
  reference: listEdits('reference'),
  pack: listEdits('pack'),
  load: listEdits('load'),
  detail: listEdits('detail'),
};

/** The lists of a boat whose items are added, replaced whole and removed in one way. */
export const LIST_EDITS: EditsOf<
  Extract<
    Edit['type'],
    | `detail.${string}`
    | `load.${string}`
    | `pack.${string}`
    | `reference.${string}`
    | `section.${string}`
    | `support.${string}`
  >
> = {
  'support.add': lists.support.add,
  'support.set': lists.support.set,
  'support.remove': lists.support.remove,
  'section.add': lists.section.add,
  'section.set': lists.section.set,
  'section.remove': lists.section.remove,
  'reference.add': lists.reference.add,
  'reference.set': lists.reference.set,
  'reference.remove': lists.reference.remove,
  'pack.add': lists.pack.add,
  'pack.set': lists.pack.set,
  'pack.remove': lists.pack.remove,
  'load.add': lists.load.add,
  'load.set': lists.load.set,
  'load.remove': (boat, edit) => {
    const user = boat.details.find(({ load }) => load === edit.id);
    if (user) throw invalid('id', `${user.name} is led from this load: give it another one first`);
    return lists.load.remove(boat, edit);
  },
  'detail.add': lists.detail.add,
  'detail.set': lists.detail.set,
  'detail.remove': lists.detail.remove,
};
