import { describe, expect, it } from 'vitest';
import { hullFigures, meshToStations, surfaceThrough, FLUSH_DECK, type Station } from '../geometry';
import { floats, hullBody, immersed } from '.';

/**
 * A hull whose figures are known in closed form: y = B/2 (1 − (2x/L − 1)²)(1 − (1 − z/T)²) to the water, upright above
 * it. Volume 4/9 L B T, waterplane 2/3 L B, centre 5/8 T over the keel, BM = 3 B²/35 T across.
 */
const [L, B, T, TOP] = [8, 2.4, 0.8, 1.7];
const halfBreadth = (x: number, z: number) => {
  const [along, down] = [(2 * x) / L - 1, 1 - Math.min(z, T) / T];
  return (B / 2) * (1 - along ** 2) * (1 - down ** 2);
};
const VOLUME = (4 / 9) * L * B * T;
/** Heights that crowd at the keel, where the section turns. */
const heights = (count: number) => Array.from({ length: count }, (_, i) => TOP * (i / (count - 1)) ** 1.8);
const stationsOf = (stations: number, points: number): Station[] =>
  Array.from({ length: stations }, (_, i) => {
    const x = (L * i) / (stations - 1);
    return { x, chine: null, points: heights(points).map((z): [number, number] => [halfBreadth(x, z), z]) };
  });
/** The skin as triangles, one hand or both. */
function meshOf(along: number, up: number, hands: readonly (1 | -1)[]): Float64Array {
  const corners: number[] = [];
  const at = (i: number, k: number, hand: number) => {
    const [x, z] = [(L * i) / along, (TOP * k) / up];
    return [x, hand * halfBreadth(x, z), z];
  };
  for (const hand of hands)
    for (let i = 0; i < along; i++)
      for (let k = 0; k < up; k++) {
        const [a, b, c, d] = [at(i, k, hand), at(i + 1, k, hand), at(i + 1, k + 1, hand), at(i, k + 1, hand)];
        // In the middle plane, at stem and stern, there is no skin.
        for (const triangle of [
          [a, b, c],
          [a, c, d],
        ])
          if (triangle.some(([, y]) => Math.abs(y!) > 1e-9)) corners.push(...triangle.flat());
      }
  return Float64Array.from(corners);
}
const within = (found: number, wanted: number, share: number) =>
  expect(Math.abs(found / wanted - 1), `${found} against ${wanted}`).toBeLessThan(share);

describe('a Wigley hull (closed form) from its offsets', () => {
  it('displaces 4/9 L B T within 1 % from nine stations on', () => {
    for (const count of [9, 21, 41]) within(surfaceThrough(stationsOf(count, 24), T, 0).displacedVolume, VOLUME, 0.01);
  });
  it('has its half-breadths between stations too', () => {
    const hull = surfaceThrough(stationsOf(21, 24), T, 0);
    for (const x of [1.1, 1.9, 3.3, 4.1, 6.05])
      for (const z of [0.2, 0.45, 0.8, 1.3]) within(hull.halfBreadth(x, z), halfBreadth(x, z), 0.01);
  });
  it('has waterplane 2/3 L B and its centre 5/8 of the draught up, amidships', () => {
    const sections = stationsOf(17, 17);
    for (const smooth of [false, true]) {
      const figures = hullFigures(sections, { waterline: T, smooth });
      within(figures.volume!, VOLUME, smooth ? 0.002 : 0.012);
      within(figures.waterplaneArea!, (2 / 3) * L * B, smooth ? 0.002 : 0.008);
      expect(figures.volumeCentroid![0]).toBeCloseTo(L / 2, 6);
      within(figures.volumeCentroid![2], (5 / 8) * T, 0.006);
    }
  });
  it('floats at its draught by its mass, with KB + BM − KG across and along', () => {
    const body = hullBody({ hull: surfaceThrough(stationsOf(41, 33), T, 0), deck: FLUSH_DECK });
    const [mass, kg] = [1025 * VOLUME, 0.75];
    const found = floats({
      under: (plane) => immersed(body, plane),
      mass,
      centre: [L / 2, 0, kg],
      waterDensity: 1025,
      start: { height: 0.5, trim: 0, heel: 0 },
    })!;
    expect(found.plane.height).toBeCloseTo(T, 2);
    expect(found.plane.trim).toBeCloseTo(0, 3);
    expect(found.plane.heel).toBeCloseTo(0, 6);
    within(found.gmAcross, (5 / 8) * T + (3 * B ** 2) / (35 * T) - kg, 0.01);
    // Along: I = ∫ 2 y (x − L/2)² dx = B L³/30, BM = 3 L²/(40 T).
    within(found.gmAlong, (5 / 8) * T + (3 * L ** 2) / (40 * T) - kg, 0.01);
    expect(found.stable).toBe(true);
  });
  it('heels under a mass beside its middle as φ = y/GM for small angles; comes back only while GM is above 0', () => {
    const body = hullBody({ hull: surfaceThrough(stationsOf(41, 33), T, 0), deck: FLUSH_DECK });
    const at = (kg: number, y: number) =>
      floats({
        under: (plane) => immersed(body, plane),
        mass: 1025 * VOLUME,
        centre: [L / 2, y, kg],
        waterDensity: 1025,
        start: { height: T, trim: 0, heel: 0 },
      });
    const gm = at(0.6, 0)!.gmAcross;
    within(at(0.6, 0.01)!.plane.heel, 0.01 / gm, 0.02);
    expect(at(0.6 + 1.2 * gm, 0)!.stable).toBe(false);
  });
});

describe('the same hull as a mesh', () => {
  const volumeOf = (triangles: Float64Array) =>
    surfaceThrough(meshToStations(triangles).stations, T, 0).displacedVolume;
  it('displaces what it does, by one hand or both, whichever way its triangles turn', () => {
    const both = meshOf(80, 40, [1, -1]);
    const turned = Float64Array.from(both);
    for (let t = 0; t < turned.length; t += 18)
      for (let k = 0; k < 3; k++) [turned[t + k], turned[t + 3 + k]] = [turned[t + 3 + k]!, turned[t + k]!];
    for (const mesh of [both, meshOf(80, 40, [1]), meshOf(80, 40, [-1]), turned]) within(volumeOf(mesh), VOLUME, 0.01);
  });
  it('is read in the order in which it comes: triangles shuffled give the same sections', () => {
    const mesh = meshOf(40, 20, [1, -1]);
    const count = mesh.length / 9;
    const shuffled = new Float64Array(mesh.length);
    // A stride that meets every triangle once.
    for (let t = 0; t < count; t++)
      shuffled.set(mesh.subarray(9 * ((t * 7919) % count), 9 * ((t * 7919) % count) + 9), 9 * t);
    const [one, other] = [meshToStations(mesh), meshToStations(shuffled)];
    expect(other.openEdges).toBe(one.openEdges);
    within(
      surfaceThrough(other.stations, T, 0).displacedVolume,
      surfaceThrough(one.stations, T, 0).displacedVolume,
      1e-6,
    );
  });
  it('grows with the cube of its size', () => {
    const mesh = meshOf(40, 20, [1, -1]);
    const larger = mesh.map((value) => 1.5 * value);
    const volume = surfaceThrough(meshToStations(larger).stations, 1.5 * T, 0).displacedVolume;
    within(volume / volumeOf(mesh), 1.5 ** 3, 1e-3);
  });
  it.each([
    ['not numbers', (mesh: Float64Array) => mesh.map((value, i) => (i === 40 ? NaN : value)), /not numbers/],
    ['in millimetres', (mesh: Float64Array) => mesh.map((value) => 1000 * value), /unit and the axes/],
    ['on its side', (mesh: Float64Array) => mesh.map((_, i) => mesh[i - (i % 3) + [2, 1, 0][i % 3]!]!), /axis|long/],
    ['twice over', (mesh: Float64Array) => Float64Array.from([...mesh, ...mesh]), /non-manifold/],
  ])('%s is refused in words', (_, spoilt, says) => {
    expect(() => meshToStations(spoilt(meshOf(20, 10, [1, -1])))).toThrow(says);
  });
});
