import {
  FLUSH_DECK,
  hullSurface,
  patchArea,
  regionPatch,
  shapeFor,
  type BoatShape,
  type DrawnHull,
  type HullParticulars,
  type Region,
  type Supports,
} from '@/core/geometry';

/** A motor boat of 8.4 m with a chine and a cockpit. */
export const particulars: HullParticulars = {
  hullLength: 8.4,
  waterlineLength: 7.5,
  maximumBeam: 2.85,
  chineBeam: 2.2,
  deadriseDeg: 18,
};
export const drawn: DrawnHull = { ...shapeFor(particulars, 'motor'), stemRakeDeg: 30, freeboardFore: 1.35 };
export const shape: BoatShape = {
  hull: hullSurface(drawn, particulars),
  deck: { ...FLUSH_DECK, cockpit: { from: 0.4, to: 2.8, halfBreadthAft: 0.8, halfBreadthFore: 0.9, soleHeight: 0.7 } },
};
export const areaOf = (region: Region, of = shape) => patchArea(regionPatch(of, region)!).area;
export const hullZone = (
  from: number,
  to: number,
  lower: 'centreline' | 'chine',
  upper: 'chine' | 'deckEdge',
): Region => ({
  surface: 'hull',
  from,
  to,
  lower: { kind: lower },
  upper: { kind: upper },
});
/** Nothing stands in her; keel and chine hold. */
export const bare: Supports = {
  members: [],
  bulkheads: [],
  hardEdges: { keel: true, chine: true },
  keelHolds: () => true,
};
