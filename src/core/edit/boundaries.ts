import { type Boat, shapeOf } from '../document';
import type { Edit } from './editSchema';

/** A line across the boat that can be moved along it: the edge between zones, a bulkhead, a frame or a beam. */
export interface Boundary {
  key: string;
  kind: 'zone' | 'bulkhead' | 'frame' | 'beam';
  label: string;
  /** From the aft end of the waterline (m). */
  x: number;
  /** What it stays between. */
  least: number;
  most: number;
  /** On the hull, or on the deck. */
  on: 'hull' | 'deck';
  /** A floor: it ends at the chine, and holds nothing above it. */
  toChine?: boolean;
}

const SAME = 1e-6;
/** A zone keeps at least this much of its length (m). */
const LEAST = 0.05;

/** Every line across the boat that can be moved. Edges at the very ends of the boat are none. */
export function boundariesOf(boat: Boat): Boundary[] {
  const shape = shapeOf(boat);
  if (shape === null) return [];
  const { aft, bow } = shape.hull;
  const inside = (x: number) => x > aft + LEAST && x < bow - LEAST;
  const found: Boundary[] = [];
  for (const part of boat.parts) {
    const ranges = part.zones.flatMap(({ name, region }) =>
      region && (region.surface === 'hull' || region.surface === 'deck') ? [{ name, region }] : [],
    );
    for (const surface of ['hull', 'deck'] as const) {
      const own = ranges.filter(({ region }) => region.surface === surface);
      const places = [...new Set(own.flatMap(({ region }) => [region.from, region.to]))]
        .filter(inside)
        .sort((a, b) => a - b);
      // Named by its place in the order: neighbours never pass one another, so the name outlives a move.
      for (const [order, x] of places.entries()) {
        const touching = own.filter(({ region }) => Math.abs(region.from - x) < SAME || Math.abs(region.to - x) < SAME);
        const least =
          Math.max(
            aft,
            ...touching.filter(({ region }) => Math.abs(region.to - x) < SAME).map(({ region }) => region.from),
          ) + LEAST;
        const most =
          Math.min(
            bow,
            ...touching.filter(({ region }) => Math.abs(region.from - x) < SAME).map(({ region }) => region.to),
          ) - LEAST;
        found.push({
          key: `zone|${part.id}|${surface}|${order}`,
          kind: 'zone',
          label: `Edge of ${touching.map(({ name }) => name).join(', ')}`,
          x,
          least,
          most,
          on: surface,
        });
      }
    }
    for (const { id, name, region } of part.zones)
      if (region?.surface === 'section')
        found.push({
          key: `bulkhead|${id}`,
          kind: 'bulkhead',
          label: name,
          x: region.x,
          least: aft + LEAST,
          most: bow - LEAST,
          on: 'hull',
        });
  }
  for (const support of boat.supports)
    if (support.kind === 'frame' || support.kind === 'beam')
      found.push({
        key: `${support.kind}|${support.id}`,
        kind: support.kind,
        label: support.name,
        x: support.x,
        least: aft + LEAST,
        most: bow - LEAST,
        on: support.kind === 'frame' ? 'hull' : 'deck',
        toChine: support.kind === 'frame' && support.upTo === 'chine',
      });
  return found;
}

/** The edits that move a boundary: every zone that ends or begins there goes with it. */
export function moveBoundary(boat: Boat, { key, x, least, most }: Boundary, to: number): Edit[] {
  const place = Number(Math.min(most, Math.max(least, to)).toFixed(3));
  const [kind, first, surface] = key.split('|');
  if (kind === 'bulkhead')
    return boat.parts.flatMap((part) =>
      part.zones.flatMap((zone): Edit[] =>
        zone.id === first && zone.region?.surface === 'section'
          ? [{ type: 'zone.set', zoneId: zone.id, patch: { region: { ...zone.region, x: place } } }]
          : [],
      ),
    );
  if (kind === 'zone')
    return (boat.parts.find(({ id }) => id === first)?.zones ?? []).flatMap((zone): Edit[] => {
      const { region } = zone;
      if (region?.surface !== surface || region === null || !('from' in region)) return [];
      const [from, end] = [
        Math.abs(region.from - x) < SAME ? place : region.from,
        Math.abs(region.to - x) < SAME ? place : region.to,
      ];
      return from === region.from && end === region.to
        ? []
        : [{ type: 'zone.set', zoneId: zone.id, patch: { region: { ...region, from, to: end } } }];
    });
  const support = boat.supports.find(({ id }) => id === first);
  return support && 'x' in support ? [{ type: 'support.set', item: { ...support, x: place } }] : [];
}
