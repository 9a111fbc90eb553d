import type { Layer, Part } from '../document';

/** A layer of a part before or after a change, and the zones that it covers on either side of it. */
export interface GridChangeRow {
  layer: Layer;
  before: readonly string[];
  after: readonly string[];
}

/**
 * What a change does to the grid of a part, row by row in laying order: layers that stay, that come and that go, each
 * where it lies.
 *
 * @example gridChange(before, after).filter(({ before }) => before.length === 0) // the new ones
 */
export function gridChange(before: Part, after: Part): GridChangeRow[] {
  const now = new Set(after.layers.map(({ id }) => id));
  const was = new Map(before.layers.map((layer) => [layer.id, layer]));
  const rows: GridChangeRow[] = [];
  let next = 0;
  /** Those that go, up to a layer that stays. */
  const goUpTo = (id: string | null) => {
    for (; next < before.layers.length; next++) {
      const layer = before.layers[next]!;
      if (layer.id === id) {
        next += 1;
        return;
      }
      if (!now.has(layer.id)) rows.push({ layer, before: layer.zones, after: [] });
    }
  };
  for (const layer of after.layers) {
    const own = was.get(layer.id);
    // A layer that was moved upwards was passed already.
    if (own && before.layers.indexOf(own) >= next) goUpTo(layer.id);
    rows.push({ layer, before: own?.zones ?? [], after: layer.zones });
  }
  goUpTo(null);
  return rows;
}
