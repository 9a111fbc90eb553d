import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { areaOf, drawn, hullZone, particulars, shape } from '../../../tests/helpers/motorHull';
import {
  develop,
  FLUSH_DECK,
  patchSize,
  regionPatch,
  shapeFor,
  stationsFromParticulars,
  surfaceThrough,
  type BoatShape,
  type HullParticulars,
  type Patch,
  type Region,
  type Station,
} from '.';
import { pchip } from './pchip';

describe('curves', () => {
  it('never swing beyond their neighbours', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { minLength: 2, maxLength: 9 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (ys, share) => {
          const xs = ys.map((_, i) => i);
          const x = share * (ys.length - 1);
          const i = Math.min(ys.length - 2, Math.floor(x));
          const value = pchip(xs, ys)(x);
          expect(value).toBeGreaterThanOrEqual(Math.min(ys[i]!, ys[i + 1]!) - 1e-9);
          expect(value).toBeLessThanOrEqual(Math.max(ys[i]!, ys[i + 1]!) + 1e-9);
        },
      ),
    );
  });
});

describe('a hull from its particulars', () => {
  it('meets length, waterline, beams and deadrise as given', () => {
    const { hull } = shape;
    expect(hull.bow - hull.aft).toBeCloseTo(8.4, 2);
    expect(hull.at(7.5, 0)[2]).toBeCloseTo(hull.waterline, 1);
    const middle = 0.4 * 7.5;
    expect(2 * hull.at(middle, 2)[1]).toBeCloseTo(2.85, 2);
    const [, y, z] = hull.at(middle, 1);
    expect(2 * y).toBeCloseTo(2.2, 2);
    expect((Math.atan2(z - hull.at(middle, 0)[2], y) * 180) / Math.PI).toBeCloseTo(18, 0);
  });
  it(
    'stays a boat whatever the particulars: half-breadths ' + 'positive, heights rising, area and volume above zero',
    () => {
      fc.assert(
        fc.property(
          fc.double({ min: 3, max: 20, noNaN: true }),
          fc.double({ min: 0.25, max: 0.45, noNaN: true }),
          fc.double({ min: 0, max: 28, noNaN: true }),
          fc.constantFrom('motor', 'sail'),
          fc.constantFrom('hardChine', 'roundBilge'),
          (hullLength, slenderness, deadriseDeg, kind, form) => {
            const maximumBeam = hullLength * slenderness;
            const own: HullParticulars = {
              hullLength,
              waterlineLength: 0.86 * hullLength,
              maximumBeam,
              chineBeam: 0.8 * maximumBeam,
              deadriseDeg,
            };
            let stations: Station[];
            try {
              stations = stationsFromParticulars({ ...shapeFor(own, kind as 'motor'), form: form as 'hardChine' }, own);
            } catch (error) {
              // Wide, deep-V hulls of little freeboard contradict themselves, and say so.
              expect((error as Error).message).toMatch(/chine stands|stem raked/i);
              return;
            }
            for (const { points } of stations)
              points.forEach(([y, z], i) => {
                expect(y).toBeGreaterThanOrEqual(0);
                if (i > 0) expect(z).toBeGreaterThanOrEqual(points[i - 1]![1] - 1e-9);
              });
            const surface = surfaceThrough(stations, shapeFor(own, kind as 'motor').draft, 0);
            expect(surface.displacedVolume).toBeGreaterThan(0);
            expect(surface.displacedVolume).toBeLessThan(
              own.waterlineLength * maximumBeam * shapeFor(own, kind as 'motor').draft,
            );
          },
        ),
        { numRuns: 60 },
      );
    },
  );
  it('refuses what contradicts itself, in words', () => {
    expect(() => stationsFromParticulars({ ...drawn, stemRakeDeg: 60 }, particulars)).toThrow('less rake');
    expect(() =>
      stationsFromParticulars({ ...drawn, freeboardMid: 0.05, draft: 0.1 }, { ...particulars, deadriseDeg: 40 }),
    ).toThrow('above the deck edge amidships');
  });
  it('displaces what a prism of the same section does', () => {
    const wedge: Station[] = [0, 1, 2, 3].map((x) => ({
      x,
      chine: 1,
      points: [
        [0, 0],
        [1, 0.5],
        [1, 1.2],
      ],
    }));
    // Section below 0.8 m: a triangle 1 × 0.5 and a rectangle 1 × 0.3, both hands, over 3 m.
    expect(surfaceThrough(wedge, 0.8, 0).displacedVolume).toBeCloseTo(2 * (0.25 + 0.3) * 3, 2);
  });
});

describe('zones on the boat', () => {
  it('add up: bottom and side to the skin, fore and aft to the whole, deck and opening to the plan', () => {
    const bottom = areaOf(hullZone(-1, 9, 'centreline', 'chine'));
    expect(
      areaOf(hullZone(-1, 3.3, 'centreline', 'chine')) + areaOf(hullZone(3.3, 9, 'centreline', 'chine')),
    ).toBeCloseTo(bottom, 2);
    const band: Region = {
      surface: 'hull',
      from: -1,
      to: 9,
      lower: { kind: 'centreline' },
      upper: { kind: 'girth', distance: 0.2 },
    };
    const rest: Region = {
      surface: 'hull',
      from: -1,
      to: 9,
      lower: { kind: 'girth', distance: 0.2 },
      upper: { kind: 'chine' },
    };
    const short: Region = { ...band, to: 6.5 } as Region;
    expect(areaOf(band) + areaOf(rest)).toBeGreaterThan(bottom - 1e-6);
    expect(areaOf(short) + areaOf({ ...rest, to: 6.5 } as Region)).toBeCloseTo(
      areaOf({ ...hullZone(-1, 6.5, 'centreline', 'chine') } as Region),
      2,
    );
    const open = areaOf({ surface: 'cockpit', piece: 'sole' });
    const flush = areaOf(
      { surface: 'deck', from: -1, to: 9 },
      { ...shape, deck: { ...shape.deck, camber: 0, cockpit: null } },
    );
    expect(
      areaOf({ surface: 'deck', from: -1, to: 9 }, { ...shape, deck: { ...shape.deck, camber: 0 } }) + open,
    ).toBeCloseTo(flush, 0);
  });
  it('a bulkhead has the area of the section it stands in', () => {
    const wedge = surfaceThrough(
      [0, 1, 2].map((x) => ({
        x,
        chine: 1,
        points: [
          [0, 0],
          [1, 0.5],
          [1, 1.5],
        ] as [number, number][],
      })),
      0.6,
      0,
    );
    const flat: BoatShape = { hull: wedge, deck: { ...FLUSH_DECK, camber: 0 } };
    expect(areaOf({ surface: 'section', x: 1, top: null }, flat)).toBeCloseTo(2 * (0.25 + 1), 1);
  });
  it('a region off the boat, or of an opening that is not there, has no surface', () => {
    expect(regionPatch(shape, hullZone(20, 30, 'centreline', 'chine'))).toBeNull();
    expect(regionPatch(shape, { surface: 'coachroof', piece: 'top' })).toBeNull();
    expect(regionPatch(shape, { surface: 'section', x: 40, top: null })).toBeNull();
  });
});

describe('development', () => {
  const cylinder = (radius: number, length: number): Patch => ({
    count: 1,
    at: (u, v) => [u * length, radius * Math.sin((v * Math.PI) / 2), radius * (1 - Math.cos((v * Math.PI) / 2))],
  });
  const cone: Patch = {
    count: 1,
    at: (u, v) => [u * Math.cos(0.3), u * Math.sin(0.3) * Math.cos(v), u * Math.sin(0.3) * Math.sin(v)],
  };
  it('of a quarter cylinder is a rectangle of its girth; of a cone a sector', () => {
    const { outline, area, distortion } = develop(cylinder(0.5, 2));
    expect(area).toBeCloseTo(2 * 0.25 * Math.PI, 2);
    expect(Math.abs(distortion)).toBeLessThan(0.004);
    expect(Math.max(...outline.map(([x]) => x)) - Math.min(...outline.map(([x]) => x))).toBeCloseTo(2, 2);
    // Area of the cone's skin: half the slant squared times the angle of the sector.
    expect(develop(cone).area).toBeCloseTo(0.5 * Math.sin(0.3), 2);
  });
  it('tells double curvature', () => {
    const dome: Patch = {
      count: 1,
      at: (u, v) => [2 * u - 1, 2 * v - 1, 0.8 * (1 - (2 * u - 1) ** 2) * (1 - (2 * v - 1) ** 2)],
    };
    expect(Math.abs(develop(dome).distortion)).toBeGreaterThan(0.05);
  });
  it('keeps the crown of a curved strip and gives none to a flat one', () => {
    const radius = 1;
    const arc = patchSize(cylinder(radius, 2));
    expect(arc.crownAcross).toBeCloseTo(radius * (1 - Math.cos(Math.PI / 4)), 2);
    expect(arc.breadth).toBeCloseTo((Math.PI / 2) * radius, 1);
    expect(patchSize(regionPatch(shape, { surface: 'section', x: 3, top: null })!).crownAcross).toBe(0);
  });
});
