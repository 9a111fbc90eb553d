import { describe, expect, it } from 'vitest';
import { hullSurface, meshToStations, shapeFor, surfaceThrough, type HullParticulars } from '@/core/geometry';
import { readMesh, type MeshPlacement } from './readMesh';

const particulars: HullParticulars = {
  hullLength: 8.4,
  waterlineLength: 7.5,
  maximumBeam: 2.85,
  chineBeam: 2.2,
  deadriseDeg: 18,
};
const hull = hullSurface(shapeFor(particulars, 'motor'), particulars);
const upright: MeshPlacement = { unit: 'm', forward: '+x', up: '+z' };

/** Corners and faces of the starboard half. */
function halfHull(along = 30, across = 10) {
  const corners: [number, number, number][] = [];
  const faces: [number, number, number][] = [];
  for (let i = 0; i <= along; i++)
    for (let j = 0; j <= across; j++)
      corners.push([...hull.at(hull.aft + ((hull.bow - hull.aft) * i) / along, (2 * j) / across)] as [
        number,
        number,
        number,
      ]);
  const at = (i: number, j: number) => i * (across + 1) + j;
  for (let i = 0; i < along; i++)
    for (let j = 0; j < across; j++)
      faces.push([at(i, j), at(i + 1, j), at(i + 1, j + 1)], [at(i, j), at(i + 1, j + 1), at(i, j + 1)]);
  return { corners, faces };
}
const { corners, faces } = halfHull();
const obj = (turn = (p: readonly number[]) => p) =>
  [
    '# hull',
    ...corners.map((p) => `v ${turn(p).join(' ')}`),
    ...faces.map((f) => `f ${f.map((k) => k + 1).join(' ')}`),
    '',
  ].join('\n');
const asciiStl = () =>
  [
    'solid hull',
    ...faces.flatMap((f) => [
      'facet normal 0 0 0',
      'outer loop',
      ...f.map((k) => `vertex ${corners[k]!.join(' ')}`),
      'endloop',
      'endfacet',
    ]),
    'endsolid hull',
    '',
  ].join('\n');
function binaryStl(): Uint8Array {
  const view = new DataView(new ArrayBuffer(84 + 50 * faces.length));
  view.setUint32(80, faces.length, true);
  faces.forEach((f, t) =>
    f.forEach((k, c) =>
      corners[k]!.forEach((value, axis) => view.setFloat32(84 + 50 * t + 12 + 12 * c + 4 * axis, value, true)),
    ),
  );
  return new Uint8Array(view.buffer);
}
const bytes = (text: string) => new TextEncoder().encode(text);

describe('hull meshes of files', () => {
  it.each([
    ['hull.obj', bytes(obj()), upright],
    ['hull.stl', bytes(asciiStl()), upright],
    ['binary.stl', binaryStl(), upright],
    ['mm.obj', bytes(obj((p) => p.map((value) => value * 1000))), { ...upright, unit: 'mm' }],
    ['turned.obj', bytes(obj(([x, y, z]) => [y!, z!, -x!])), { unit: 'm', forward: '-z', up: '+y' }],
  ] as [string, Uint8Array, MeshPlacement][])('%s gives the hull back', (name, file, placement) => {
    const triangles = readMesh(file, name, placement);
    expect(triangles.length).toBe(faces.length * 9);
    const surface = surfaceThrough(meshToStations(triangles).stations, hull.waterline, 0);
    expect(surface.bow - surface.aft).toBeCloseTo(8.4, 0);
    expect(surface.displacedVolume / hull.displacedVolume).toBeCloseTo(1, 1);
  });
  it.each([
    ['hull.dwg', bytes('AC1027'), upright, 'STL or OBJ'],
    ['empty.stl', new Uint8Array(), upright, 'too short'],
    ['cut.stl', binaryStl().slice(0, 4000), upright, 'cut off or damaged'],
    [
      'liar.stl',
      Uint8Array.from(binaryStl().map((value, i) => (i >= 80 && i < 84 ? 255 : value))),
      upright,
      'cut off or damaged',
    ],
    ['words.obj', bytes('this is a letter'), upright, 'no corners or no faces'],
    ['points.obj', bytes('v 0 0 0\nv 1 0 0\n'), upright, 'no corners or no faces'],
    ['hull.obj', bytes(obj()), { ...upright, up: '-x' }, 'two different ones'],
  ] as [string, Uint8Array, MeshPlacement, string][])('%s is refused in words', (name, file, placement, words) => {
    expect(() => readMesh(file, name, placement)).toThrow(words);
  });
});
