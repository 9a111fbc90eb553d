import { describe, expect, it } from 'vitest';
import { brant, merrow } from '../../../tests/helpers/merrow';
import { newBoat, particularsOf, type Boat } from '../document';
import { hullSurface, shapeFor, stationsFromParticulars, type DrawnHull, type HullSurface } from '.';

const drawn = ({ hull, brief }: Boat) => hullSurface(hull!, particularsOf(brief));
const long = newBoat('Long');
const boats: [string, HullSurface][] = [
  ['Merrow 84', drawn(merrow())],
  ['Brant 56', drawn(brant())],
  ['a new boat', drawn(long)],
  ...([4, 7, 12, 20] as const).map((hullLength): [string, HullSurface] => {
    const own = {
      hullLength,
      waterlineLength: 0.883 * hullLength,
      maximumBeam: 0.36 * hullLength,
      chineBeam: 0.3 * hullLength,
      deadriseDeg: 16,
    };
    return [`a hull of ${hullLength} m`, hullSurface(shapeFor(own, 'motor'), own)];
  }),
];
const STEPS = 400;
/** Greatest turn of a line from one 400th of the length to the next (degrees), where and how far it turns. */
function greatestTurn(hull: HullSurface, s: number, axis: 1 | 2, upTo = 1): number {
  const step = (hull.bow - hull.aft) / STEPS;
  const values = Array.from({ length: Math.floor(STEPS * upTo) + 1 }, (_, i) => hull.at(hull.aft + i * step, s)[axis]);
  const slopes = values.slice(1).map((value, i) => (Math.atan2(value - values[i]!, step) * 180) / Math.PI);
  return Math.max(...slopes.slice(1).map((slope, i) => Math.abs(slope - slopes[i]!)));
}

describe.each(boats)('the lines of %s', (_, hull) => {
  it('are fair: keel with stem, sheer and deck edge have no kink', () => {
    expect(greatestTurn(hull, 2, 2), 'sheer').toBeLessThan(1);
    expect(greatestTurn(hull, 2, 1), 'deck edge').toBeLessThan(3);
    expect(greatestTurn(hull, 0, 2), 'keel and stem').toBeLessThan(6);
  });
  it('close at the bow, and the stem stands where the waterline ends', () => {
    for (const s of [0, 1, 2]) expect(hull.at(hull.bow, s)[1]).toBeLessThan(0.005);
    expect(hull.at(hull.bow, 0)[2]).toBeCloseTo(hull.at(hull.bow, 2)[2], 2);
    const above = Array.from({ length: STEPS }, (__, i) => hull.aft + ((hull.bow - hull.aft) * i) / STEPS).find(
      (x) => x > hull.bow / 2 && hull.at(x, 0)[2] > hull.waterline,
    )!;
    const step = (hull.bow - hull.aft) / STEPS;
    expect(hull.at(above - 2 * step, 0)[2]).toBeLessThanOrEqual(hull.waterline + 0.02 * hull.bow);
  });
  it('have a chine that climbs to the stem and never above the deck edge', () => {
    for (let i = 0; i <= STEPS; i++) {
      const x = hull.aft + ((hull.bow - hull.aft) * i) / STEPS;
      const [keel, chine, edge] = [0, 1, 2].map((s) => hull.at(x, s)[2]) as [number, number, number];
      // Where the chine ends on the stem, stations are joined within a thousandth of the length.
      expect(chine).toBeGreaterThanOrEqual(keel - (hull.bow - hull.aft) / 1000);
      expect(chine).toBeLessThanOrEqual(edge + 1e-6);
    }
    if (hull.hardChine) expect(greatestTurn(hull, 1, 2, 0.85), 'chine').toBeLessThan(2);
  });
});

describe('shapes that cannot be', () => {
  const own = particularsOf(long.brief);
  const shape = long.hull as DrawnHull;
  it('an overhang that lifts the foot of the transom to the deck edge is refused with the way out', () => {
    const short = { ...own, waterlineLength: 3.2 };
    const high = { ...shape, transomImmersion: 0, freeboardAft: 0.3, stemRakeDeg: 5 };
    expect(() => stationsFromParticulars(high, short)).toThrow(
      /foot of the transom .* a longer waterline, more stem rake, or more freeboard aft/,
    );
  });
  it('a plumb stem is drawn', () => {
    const plumb = stationsFromParticulars({ ...shape, stemRakeDeg: 0 }, { ...own, waterlineLength: 5.9 });
    for (const { points } of plumb)
      points.forEach(([y, z], i) => {
        expect(Number.isFinite(y) && Number.isFinite(z)).toBe(true);
        if (i > 0) expect(z).toBeGreaterThanOrEqual(points[i - 1]![1] - 1e-9);
      });
  });
});
