import type { Layer, Part } from '../../document';
import { coverCells, type Edit } from '../../edit';
import { inLayingOrder, type RowKey } from './stackSpace';

/** Where rows are laid between what stays. */
export interface Places {
  /** Layers that may go. */
  free: ReadonlySet<string>;
  /** A core that stays: rows of the inner skin are laid behind it. */
  heldCore: string | null;
}

export const alike = (a: Layer, b: Layer) =>
  a.material === b.material && a.angleDeg === b.angleDeg && a.thickness === b.thickness && a.role === b.role;

/** The longest run of pairs in the order of both lists. */
export function matched(
  rows: readonly Layer[],
  free: readonly Layer[],
  may: (row: number, at: number) => boolean = () => true,
) {
  const length = Array.from({ length: rows.length + 1 }, () => new Array<number>(free.length + 1).fill(0));
  for (let r = rows.length - 1; r >= 0; r--)
    for (let f = free.length - 1; f >= 0; f--)
      length[r]![f] =
        alike(rows[r]!, free[f]!) && may(r, f)
          ? 1 + length[r + 1]![f + 1]!
          : Math.max(length[r + 1]![f]!, length[r]![f + 1]!);
  const pairs = new Map<number, Layer>();
  for (let r = 0, f = 0; r < rows.length && f < free.length;) {
    if (alike(rows[r]!, free[f]!) && may(r, f)) pairs.set(r++, free[f++]!);
    else if (length[r + 1]![f]! >= length[r]![f + 1]!) r += 1;
    else f += 1;
  }
  return pairs;
}

/**
 * The edits that lay rows in zones of a part in the place of the layers that may go. A layer that is there already and
 * is wanted stays, with other zones; one that nothing wants any more is removed; zones that are not among them keep
 * all that they have.
 *
 * @param wanted rows of each zone by its id. @param layerOf each row as a layer.
 */
export function gridEdits(
  part: Part,
  wanted: ReadonlyMap<string, readonly RowKey[]>,
  { places, layerOf }: { places: Places; layerOf: (key: RowKey) => Layer },
): Edit[] {
  const zones = [...wanted.keys()];
  const keys = inLayingOrder([...wanted.values()].flat());
  const covers = (key: RowKey) => zones.filter((zone) => wanted.get(zone)!.includes(key));
  const rows = keys.map(layerOf);
  const free = part.layers.filter(({ id }) => places.free.has(id));
  /** How many layers that stay lie before one. */
  const before = (index: number) => part.layers.slice(0, index).filter(({ id }) => !places.free.has(id)).length;
  const slots = slotsOf(part, places);
  const slotOf = (key: RowKey) => (key.startsWith('inner') ? slots.inner : slots.outer);
  const pairs = matched(rows, free, (r, f) => before(part.layers.indexOf(free[f]!)) === before(slotOf(keys[r]!)));
  const staying = new Set([...pairs.values()].map(({ id }) => id));
  const leaves = (layer: Layer) =>
    places.free.has(layer.id) && !staying.has(layer.id) && layer.zones.every((id) => zones.includes(id));
  const edits: Edit[] = [];
  const ids = part.layers.map(({ id }) => id);
  for (const layer of part.layers) {
    if (!places.free.has(layer.id)) continue;
    if (leaves(layer)) continue;
    const row = [...pairs].find(([, one]) => one.id === layer.id)?.[0];
    const now = row === undefined ? [] : covers(keys[row]!);
    edits.push(
      ...coverCells(part, [layer.id], now, true),
      ...coverCells(
        part,
        [layer.id],
        zones.filter((zone) => !now.includes(zone)),
        false,
      ),
    );
  }
  let cursor = 0;
  let behind = -1;
  keys.forEach((key, r) => {
    const slot = slotOf(key);
    if (slot !== behind) {
      // The first place of the slot, counted among what is there by now.
      const anchor = part.layers[slot];
      cursor = Math.max(cursor, anchor ? ids.indexOf(anchor.id) : ids.length);
      behind = slot;
    }
    const pair = pairs.get(r);
    if (pair) {
      cursor = ids.indexOf(pair.id) + 1;
      return;
    }
    const layer = { ...rows[r]!, zones: covers(key) };
    edits.push({ type: 'layer.add', partId: part.id, layer, index: cursor });
    ids.splice(cursor, 0, layer.id);
    cursor += 1;
  });
  for (const layer of part.layers) if (leaves(layer)) edits.push({ type: 'layer.remove', layerId: layer.id });
  return edits;
}

/** Where rows of the outer skin (with the core) and of the inner skin go, as indices into the part's layers. */
export function slotsOf(part: Part, { free, heldCore }: Places): { outer: number; inner: number } {
  const first = part.layers.findIndex(({ id }) => free.has(id));
  const held = part.layers.findIndex(({ id }) => id === heldCore);
  if (held < 0) {
    // Where nothing goes, before what is laid last of all and comes off again.
    const last = part.layers.findLastIndex(({ role }) => role !== 'comesOff') + 1;
    const at = first < 0 ? last : first;
    return { outer: at, inner: at };
  }
  return { outer: first < 0 || first > held ? held : first, inner: held + 1 };
}
