import { hullSurface, type BoatShape, type HullSurface, type Supports } from '../geometry';
import type { SmallCraftPack } from '../standard';
import type { Boat } from './boat';
import { particularsOf } from './brief';

const surfaces = new WeakMap<object, Map<string, HullSurface>>();

/**
 * The boat's surfaces; null while it has no hull shape.
 * @throws KeramosError `invalid` when the particulars contradict each other.
 */
export function shapeOf({ hull, deck, brief }: Pick<Boat, 'hull' | 'deck' | 'brief'>): BoatShape | null {
  if (hull === null) return null;
  const particulars = particularsOf(brief);
  const key = hull.source === 'particulars' ? JSON.stringify(particulars) : '';
  const known = surfaces.get(hull) ?? new Map<string, HullSurface>();
  surfaces.set(hull, known);
  const surface = known.get(key) ?? hullSurface(hull, particulars);
  known.set(key, surface);
  return { hull: surface, deck };
}

/** What holds the boat's panels: its members, and its bulkheads where they stand. */
export function supportsOf({ supports, parts, hull }: Pick<Boat, 'supports' | 'parts' | 'hull'>): Supports {
  const bulkheads = parts.flatMap((part) =>
    part.zones.flatMap(({ name, region }) =>
      region?.surface === 'section' ? [{ x: region.x, name, top: region.top }] : [],
    ),
  );
  return {
    members: supports,
    bulkheads,
    hardEdges: hull?.hardEdges ?? { keel: false, chine: false },
    keelHolds: (x) => keelHolds({ supports, parts, hull }, x),
  };
}

/** Place in the bottom, from keel to chine, up to which a stringer stands at the keel. */
const AT_KEEL = 0.05;
/** Whether the keel holds a floor at x: as is said of the hull, else where a keel band is laid or a stringer runs. */
function keelHolds({ supports, parts, hull }: Pick<Boat, 'supports' | 'parts' | 'hull'>, x: number): boolean {
  const { floors = 'band' } = hull?.hardEdges ?? {};
  if (floors !== 'band') return floors === 'held';
  const banded = parts.some(({ zones }) =>
    zones.some(
      ({ region }) =>
        region?.surface === 'hull' &&
        region.lower.kind === 'centreline' &&
        region.upper.kind === 'girth' &&
        x >= region.from &&
        x <= region.to,
    ),
  );
  return (
    banded ||
    supports.some(
      (one) => one.kind === 'stringer' && one.share < AT_KEEL && one.band === 'bottom' && x >= one.from && x <= one.to,
    )
  );
}

/** The pack that gives the boat its pressures. */
export const methodOf = ({ packs }: Pick<Boat, 'packs'>): SmallCraftPack => packs[0] as SmallCraftPack;
