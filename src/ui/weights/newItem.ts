import { nanoid } from 'nanoid';
import { itemKindOf, type Boat, type Item, type ItemKindName } from '@/core/document';

/** An item to begin with, amidships at the waterline. */
export function newItem(boat: Boat, kind: ItemKindName, more: Partial<Item> = {}): Item {
  return {
    id: nanoid(8),
    name: itemKindOf(kind).name,
    kind,
    mass: kind === 'people' ? 82.5 : 10,
    number: 1,
    x: Number((boat.brief.waterlineLength / 2).toFixed(2)),
    y: 0,
    z: 0.5,
    length: 0,
    state: 'estimated',
    scatter: null,
    density: null,
    price: null,
    hours: null,
    ...more,
  };
}
