import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  meshEdges,
  meshToStations,
  offsetsToStations,
  readOffset,
  shapeFor,
  shares,
  stationsFromParticulars,
  surfaceThrough,
  hullSurface,
  type HullParticulars,
  type OffsetMapping,
} from '.';

const particulars: HullParticulars = {
  hullLength: 8.4,
  waterlineLength: 7.5,
  maximumBeam: 2.85,
  chineBeam: 2.2,
  deadriseDeg: 18,
};
const drawn = shapeFor(particulars, 'motor');
const stations = stationsFromParticulars(drawn, particulars);
const original = hullSurface(drawn, particulars);
const heads = ['Station', 'Half-breadth', 'Height', 'Line'];
const pointRows = (factor: number) =>
  stations.flatMap(({ x, points, chine }) =>
    points.map(([y, z], i) =>
      [x * factor, y * factor, z * factor].map((value) => value.toFixed(6)).concat(i === chine ? 'chine' : ''),
    ),
  );
const points: OffsetMapping = {
  unit: 'm',
  direction: 'fromAft',
  origin: 0,
  waterline: drawn.draft,
  layout: { kind: 'points', station: 0, halfBreadth: 1, height: 2, line: 3 },
};

/** Metres as feet-inches-eighths, to the nearest sixteenth. */
function inEighths(metres: number): string {
  const sixteenths = Math.round((metres / 0.0254) * 16);
  const [feet, rest] = [Math.floor(sixteenths / 192), sixteenths % 192];
  return `${feet}-${Math.floor(rest / 16)}-${Math.floor((rest % 16) / 2)}${sixteenths % 2 ? '+' : ''}`;
}

describe('numbers of an offsets table', () => {
  it('feet-inches-eighths, with a plus for a sixteenth, come back to within half a sixteenth', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 9, noNaN: true }), (metres) => {
        expect(Math.abs(readOffset(inEighths(metres), 'feetInchesEighths', 'cell')! - metres)).toBeLessThanOrEqual(
          0.0254 / 32 + 1e-9,
        );
      }),
    );
    expect(readOffset('2-7-4', 'feetInchesEighths', 'cell')).toBeCloseTo(0.8001, 6);
    expect(readOffset('2.7.4', 'feetInchesEighths', 'cell')).toBe(readOffset('2 7 4', 'feetInchesEighths', 'cell'));
  });
  it.each([
    ['2-13-4', 'feetInchesEighths', 'more than 11 inches'],
    ['2-7-9', 'feetInchesEighths', 'more than 7 eighths'],
    ['0.8', 'feetInchesEighths', 'is not feet-inches-eighths'],
    ['2-7-4', 'm', 'looks like feet-inches-eighths'],
    ['800 mm', 'm', 'leave units out of the cells'],
  ] as const)('refuses %s in %s, and says %s', (text, unit, words) => {
    expect(() => readOffset(text, unit, 'Row 4')).toThrow(words);
    expect(() => readOffset(text, unit, 'Row 4')).toThrow('Row 4');
  });
  it('reads decimals with a point or a comma, thousands, and nothing for a dash', () => {
    expect(['1,5', '1.5', '1,500', '—', ''].map((text) => readOffset(text, 'mm', 'cell'))).toEqual([
      0.0015,
      0.0015,
      1.5,
      null,
      null,
    ]);
  });
});

describe('a table of offsets', () => {
  const hold = (found: ReturnType<typeof offsetsToStations>) => {
    const surface = surfaceThrough(found, drawn.draft, 0);
    expect(surface.displacedVolume / original.displacedVolume).toBeCloseTo(1, 2);
    for (const x of [1, 3, 5]) expect(surface.girth(x, 1)).toBeCloseTo(original.girth(x, 1), 2);
  };
  it('gives the hull back, one point a row, in any order and unit, from aft or from the bow', () => {
    hold(offsetsToStations(heads, pointRows(1), points));
    hold(offsetsToStations(heads, pointRows(1).reverse(), points));
    hold(offsetsToStations(heads, pointRows(1000), { ...points, unit: 'mm' }));
    const fromBow = pointRows(1).map(([x, ...rest]) => [(8 - Number(x)).toFixed(6), ...rest]);
    hold(offsetsToStations(heads, fromBow as string[][], { ...points, direction: 'fromBow', origin: 8 }));
  });
  it('in feet-inches-eighths', () => {
    const some = stations.filter((_, i) => i % 3 === 0);
    const rows = some.flatMap(({ x, points: own, chine }) =>
      own.map(([y, z], i) => [inEighths(x + 1), inEighths(y), inEighths(z), i === chine ? 'Chine' : '']),
    );
    const surface = surfaceThrough(
      offsetsToStations(heads, rows, { ...points, unit: 'feetInchesEighths', origin: 1 }),
      drawn.draft,
      0,
    );
    expect(surface.displacedVolume / original.displacedVolume).toBeCloseTo(1, 1);
  });
  it('as a grid, stations across: keel heights, waterlines, chine and deck edge by name', () => {
    const some = stations.filter((_, i) => i % 2 === 0 && i < 30);
    const row = (label: string, pick: (station: (typeof some)[number]) => number | null) => [
      label,
      ...some.map((station) => pick(station)?.toFixed(5) ?? '-'),
    ];
    const rows = [
      row('Keel height', ({ points: own }) => own[0]![1]),
      row('Chine half-breadth', ({ points: own, chine }) => own[chine!]![0]),
      row('Chine height', ({ points: own, chine }) => own[chine!]![1]),
      row('WL 1.0', ({ x }) => (original.halfBreadth(x, 1) > 0 ? original.halfBreadth(x, 1) : null)),
      row('Sheer half-breadth', ({ points: own }) => own.at(-1)![0]),
      row('Sheer height', ({ points: own }) => own.at(-1)![1]),
    ];
    const found = offsetsToStations(['Line', ...some.map(({ x }) => `Station ${x.toFixed(4)}`)], rows, {
      ...points,
      layout: { kind: 'grid', label: 0 },
    });
    expect(found.every(({ chine }) => chine !== null)).toBe(true);
    const surface = surfaceThrough(found, drawn.draft, 0);
    for (const x of [1, 3, 5]) expect(surface.girth(x, 2)).toBeCloseTo(original.girth(x, 2), 1);
  });
  it.each([
    [
      'a missing cell',
      (rows: string[][]) => rows.map((row, i) => (i === 4 ? [row[0]!, '', row[2]!, ''] : row)),
      points,
      'Row 6',
    ],
    [
      'a negative half-breadth',
      (rows: string[][]) => rows.map((row, i) => (i === 4 ? [row[0]!, '-0.5', row[2]!, ''] : row)),
      points,
      'one hand only',
    ],
    [
      'two stations',
      (rows: string[][]) => rows.filter((row) => row[0] === rows[0]![0] || row[0] === rows.at(-1)![0]),
      points,
      'at least 3 stations',
    ],
    ['the wrong unit', (rows: string[][]) => rows, { ...points, unit: 'mm' }, 'Is the unit right?'],
    [
      'one station in millimetres',
      (rows: string[][]) =>
        rows.map((row) => (row[0] === rows[26 * 17]![0] ? [row[0]!, String(Number(row[1]) * 6), row[2]!, ''] : row)),
      points,
      'mixed unit',
    ],
    [
      'the same column twice',
      (rows: string[][]) => rows,
      { ...points, layout: { kind: 'points', station: 0, halfBreadth: 1, height: 1, line: null } },
      'three different columns',
    ],
    [
      'a column that is not there',
      (rows: string[][]) => rows,
      { ...points, layout: { kind: 'points', station: 0, halfBreadth: 1, height: 9, line: null } },
      'only 4 columns',
    ],
    [
      'words',
      (rows: string[][]) => rows.map((row, i) => (i === 2 ? [row[0]!, 'n/a', row[2]!, ''] : row)),
      points,
      'is not a number',
    ],
  ] as [string, (rows: string[][]) => string[][], OffsetMapping, string][])(
    'refuses %s',
    (_, spoil, mapping, words) => {
      expect(() => offsetsToStations(heads, spoil(pointRows(1)), mapping)).toThrow(words);
    },
  );
  it('a chine that comes as heights only is refused', () => {
    expect(() =>
      offsetsToStations(['Line', '0', '1', '2'], [['Chine height', '1', '1', '1']], {
        ...points,
        layout: { kind: 'grid', label: 0 },
      }),
    ).toThrow('the half-breadths are missing');
  });
});

/** Triangles of the drawn hull, one hand or both. */
function meshOf(hands: 1 | 2, along = 40, across = 12): Float64Array {
  const { aft, bow } = original;
  const triangles: number[] = [];
  for (const side of hands === 2 ? [1, -1] : [1])
    for (let i = 0; i < along; i++)
      for (let j = 0; j < across; j++) {
        const at = (p: number, q: number) => {
          const [x, y, z] = original.at(aft + ((bow - aft) * p) / along, (2 * q) / across);
          return [x, side * y, z];
        };
        const [a, b, c, d] = [at(i, j), at(i + 1, j), at(i + 1, j + 1), at(i, j + 1)];
        triangles.push(...a, ...b, ...c, ...a, ...c, ...d);
      }
  return Float64Array.from(triangles);
}

describe('a hull mesh', () => {
  it.each([1, 2] as const)('of %i hand(s) gives the hull back', (hands) => {
    const { stations: found, openEdges } = meshToStations(meshOf(hands));
    expect(openEdges).toBeGreaterThan(0);
    expect(found.length).toBeGreaterThan(20);
    const surface = surfaceThrough(found, drawn.draft, 0);
    expect(surface.displacedVolume / original.displacedVolume).toBeCloseTo(1, 1);
    for (const x of shares(4).map((t) => 0.5 + 5 * t))
      expect(surface.girth(x, 2) / original.girth(x, 2)).toBeCloseTo(1, 1);
    expect(found.filter(({ chine }) => chine !== null).length).toBeGreaterThan(found.length / 2);
  });
  it('counts its edges', () => {
    const box = Float64Array.from([0, 0, 0, 1, 0, 0, 1, 1, 0, 0, 0, 0, 1, 1, 0, 0, 1, 0]);
    expect(meshEdges(box, 1e-6)).toMatchObject({ open: 4, shared: 0 });
  });
  it('with an inner face is refused, and where', () => {
    const mesh = meshOf(1);
    const doubled = Float64Array.from([...mesh, ...mesh.slice(900, 909), ...mesh.slice(900, 909)]);
    expect(() => meshToStations(doubled)).toThrow(/non-manifold.*near x =/);
  });
  it('with a hole is refused, and where', () => {
    const mesh = meshOf(1);
    const kept = Array.from({ length: mesh.length / 9 }, (_, t) => mesh.slice(9 * t, 9 * t + 9)).filter((t) => {
      const x = (t[0]! + t[3]! + t[6]!) / 3;
      const z = (t[2]! + t[5]! + t[8]!) / 3;
      return !(x > 3 && x < 4.2 && z > 0.4 && z < 0.8);
    });
    expect(() => meshToStations(Float64Array.from(kept.flatMap((t) => [...t])))).toThrow(
      /pieces.*hole or loose pieces/,
    );
  });
  it.each([
    [1000, /mesh is .* m long/],
    [0.1, /mesh is .* m long/],
    [NaN, /not numbers/],
  ] as const)('scaled by %d is refused', (factor, words) => {
    expect(() => meshToStations(meshOf(1).map((value) => value * factor))).toThrow(words);
  });
});
