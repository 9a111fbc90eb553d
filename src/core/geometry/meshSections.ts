import { invalid } from '../error';
import type { Station } from './hullShape';
import { checkStations } from './checkStations';
import { shares } from './point';

/** Triangles as 9 numbers each: three corners of x forward, y to one side, z up (m). */
export type Triangles = Float64Array;

const STATIONS = 28;
const MOST_POINTS = 60;
/** A corner this sharp along a section is a chine (degrees). */
const CHINE_TURN = 22;

/** What the edges of a mesh tell: edges of one triangle only (rims and holes), and edges that more than two share. */
export function meshEdges(
  triangles: Triangles,
  tolerance: number,
): { open: number; shared: number; at: [number, number, number] | null } {
  // Corners on a grid of the tolerance, one number each: 17 bits a coordinate are enough for a hundred thousand steps
  // along the boat.
  const corners = new Map<number, number>();
  const step = (value: number) => Math.round(value / tolerance) + 65536;
  const place: number[][] = [];
  const cornerOf = (i: number) => {
    const point = [triangles[i]!, triangles[i + 1]!, triangles[i + 2]!];
    const key = (step(point[0]!) * 262144 + step(point[1]!)) * 131072 + step(point[2]!);
    const known = corners.get(key);
    if (known !== undefined) return known;
    corners.set(key, place.length);
    place.push(point);
    return place.length - 1;
  };
  const edges = new Map<number, number>();
  const most = triangles.length / 3 + 1;
  for (let t = 0; t < triangles.length; t += 9) {
    const c = [cornerOf(t), cornerOf(t + 3), cornerOf(t + 6)];
    if (new Set(c).size < 3) continue;
    for (let k = 0; k < 3; k++) {
      const [a, b] = [Math.min(c[k]!, c[(k + 1) % 3]!), Math.max(c[k]!, c[(k + 1) % 3]!)];
      const key = a * most + b;
      edges.set(key, (edges.get(key) ?? 0) + 1);
    }
  }
  let [open, shared] = [0, 0];
  let at: [number, number, number] | null = null;
  for (const [key, count] of edges) {
    if (count === 1) open += 1;
    if (count > 2) {
      shared += 1;
      at ??= place[Math.floor(key / most)] as [number, number, number];
    }
  }
  return { open, shared, at };
}

/** Line pieces in which the plane x meets the triangles, as y and z. */
function slice(triangles: Triangles, x: number): [number, number, number, number][] {
  const pieces: [number, number, number, number][] = [];
  for (let t = 0; t < triangles.length; t += 9) {
    const [p, q, r] = [triangles[t]! < x, triangles[t + 3]! < x, triangles[t + 6]! < x];
    if (p === q && q === r) continue;
    const cut: number[] = [];
    for (let k = 0; k < 3; k++) {
      const [one, other] = [t + 3 * k, t + 3 * ((k + 1) % 3)];
      if (triangles[one]! < x === triangles[other]! < x) continue;
      // Always from abaft forwards, so that both triangles of an edge give the very same place.
      const [i, j] = triangles[one]! < x ? [one, other] : [other, one];
      const share = (x - triangles[i]!) / (triangles[j]! - triangles[i]!);
      cut.push(
        triangles[i + 1]! + share * (triangles[j + 1]! - triangles[i + 1]!),
        triangles[i + 2]! + share * (triangles[j + 2]! - triangles[i + 2]!),
      );
    }
    if (cut.length === 4 && Math.hypot(cut[0]! - cut[2]!, cut[1]! - cut[3]!) > 1e-9)
      pieces.push(cut as [number, number, number, number]);
  }
  return pieces;
}

/** Join line pieces into runs. */
function runs(pieces: [number, number, number, number][], tolerance: number): [number, number][][] {
  const key = (y: number, z: number) => `${Math.round(y / tolerance)},${Math.round(z / tolerance)}`;
  const ends = new Map<string, number[]>();
  pieces.forEach(([y, z, p, q], i) => {
    for (const k of [key(y, z), key(p, q)]) ends.set(k, [...(ends.get(k) ?? []), i]);
  });
  const used = new Set<number>();
  const follow = (start: number): [number, number][] => {
    used.add(start);
    const [y, z, p, q] = pieces[start]!;
    const line: [number, number][] = [
      [y, z],
      [p, q],
    ];
    for (const forward of [true, false])
      for (;;) {
        const [ey, ez] = forward ? line.at(-1)! : line[0]!;
        const next = (ends.get(key(ey, ez)) ?? []).find((i) => !used.has(i));
        if (next === undefined) break;
        used.add(next);
        const [a, b, c, d] = pieces[next]!;
        const other: [number, number] = key(a, b) === key(ey, ez) ? [c, d] : [a, b];
        if (forward) line.push(other);
        else line.unshift(other);
      }
    return line;
  };
  return pieces.flatMap((_, i) => (used.has(i) ? [] : [follow(i)]));
}

/** One hand of a section, from the centreline up to the deck edge. */
function halfSection(lines: [number, number][][], x: number, tolerance: number): Station | null {
  const length = (line: [number, number][]) =>
    line.reduce((sum, [y, z], i) => (i === 0 ? 0 : sum + Math.hypot(y - line[i - 1]![0], z - line[i - 1]![1])), 0);
  const long = lines.filter((line) => length(line) > 20 * tolerance).sort((a, b) => length(b) - length(a));
  if (long.length === 0) return null;
  const total = long.reduce((sum, line) => sum + length(line), 0);
  // One run over both hands, or one a hand; anything more is a hole or a loose piece.
  if (long.length > 2 || (long.length === 2 && length(long[1]!) < 0.6 * length(long[0]!)))
    throw invalid(
      'file',
      `The section at x = ${x.toFixed(2)} m is in ${long.length} pieces (the ` +
        `longest ${((100 * length(long[0]!)) / total).toFixed(0)} % of it): the mesh ` +
        'has a hole or loose pieces there. Close them and export again',
    );
  const line = long[0]!.map(([y, z]): [number, number] => [y, z]);
  const lowest = line.reduce((low, p, i) => (p[1] < line[low]![1] ? i : low), 0);
  const arms = [line.slice(lowest), line.slice(0, lowest + 1).reverse()].map((arm) => {
    // Up to the highest point; a deck closed over the hull is left out.
    const top = arm.reduce(
      (high, p, i) => (p[1] + 0.3 * Math.abs(p[0]) > arm[high]![1] + 0.3 * Math.abs(arm[high]![0]) ? i : high),
      0,
    );
    return arm.slice(0, top + 1);
  });
  const arm = arms.reduce((a, b) => (length(b) > length(a) ? b : a));
  const points = arm.map(([y, z]): [number, number] => [Math.abs(y), z]);
  if (points.length < 2) return null;
  if (points[0]![0] > 1e-6) points.unshift([0, points[0]![1]]);
  const step = Math.max(1, Math.ceil(points.length / MOST_POINTS));
  const turn = points.map((p, i) => {
    const [before, after] = [points[i - 1], points[i + 1]];
    if (!before || !after) return 0;
    const angle = Math.atan2(after[1] - p[1], after[0] - p[0]) - Math.atan2(p[1] - before[1], p[0] - before[0]);
    return Math.abs((angle * 180) / Math.PI);
  });
  const sharpest = turn.reduce((best, value, i) => (value > turn[best]! ? i : best), 0);
  const kept = points
    .map((_, i) => i)
    .filter((i) => i % step === 0 || i === points.length - 1 || (i === sharpest && turn[i]! > CHINE_TURN));
  const chine = turn[sharpest]! > CHINE_TURN ? kept.indexOf(sharpest) : -1;
  return { x, points: kept.map((i) => points[i]!), chine: chine > 0 && chine < kept.length - 1 ? chine : null };
}

/**
 * Sections of a hull mesh at stations along it.
 *
 * @param triangles x forward from the aft end of the waterline, z up from the baseline; one hand or both.
 * @returns stations from aft, and how many edges belong to one triangle only (the rim).
 * @throws KeramosError `invalid` for a mesh whose edges more than two triangles share, sections in pieces (holes), or
 * a size no boat has.
 */
export function meshToStations(triangles: Triangles): { stations: Station[]; openEdges: number } {
  let [aft, bow, low, high] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let i = 0; i < triangles.length; i += 3) {
    if (!Number.isFinite(triangles[i]! + triangles[i + 1]! + triangles[i + 2]!))
      throw invalid('file', 'The mesh has corners that are not numbers');
    aft = Math.min(aft, triangles[i]!);
    bow = Math.max(bow, triangles[i]!);
    low = Math.min(low, triangles[i + 2]!);
    high = Math.max(high, triangles[i + 2]!);
  }
  const length = bow - aft;
  if (!(length > 1.5) || length > 40)
    throw invalid(
      'file',
      `The mesh is ${length.toPrecision(3)} m long; 1.5 to 30 m are expected. Are the unit and the axes right?`,
    );
  if (high - low > length)
    throw invalid(
      'file',
      `The mesh is ${(high - low).toFixed(2)} m high and ${length.toFixed(2)} m ` +
        'long: choose which axis runs along the boat and which points up',
    );
  const tolerance = length * 1e-5;
  const edges = meshEdges(triangles, tolerance);
  if (edges.shared > 0)
    throw invalid(
      'file',
      `${edges.shared} ${edges.shared === 1 ? 'edge is' : 'edges are'} shared by more than two ` +
        `triangles (non-manifold), the first near x = ${edges.at![0].toFixed(2)} m, z = ` +
        `${edges.at![2].toFixed(2)} m. Remove double or inner faces and export again`,
    );
  const stations = shares(STATIONS - 1).flatMap((share): Station[] => {
    // Just inside both ends, where the plane still meets the skin.
    const x = aft + length * (0.002 + 0.993 * share);
    const station = halfSection(runs(slice(triangles, x), tolerance), x, tolerance);
    return station ? [station] : [];
  });
  return { stations: checkStations(stations), openEdges: edges.open };
}
