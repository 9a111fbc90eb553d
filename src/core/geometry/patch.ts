import { crownOf, distance, mix, runLength, shares, type Point } from './point';

/** A piece of surface over u and v from 0 to 1: u along the zone's reference direction, v across it. */
export interface Patch {
  at: (u: number, v: number) => Point;
  /** How many of it the boat has: 2 where both hands carry it. */
  count: number;
  /** It lies in one plane, whatever its edges do: it has no crown. */
  flat?: boolean;
  /** Straight along u at every v: a bulkhead, level for level. */
  straight?: boolean;
  /** Where an edge of it jumps along u: the ends of an opening. */
  jumps?: readonly number[];
}

/** The rim of a patch, once round. */
export function patchRim({ at }: Patch, along = 24, across = 8): Point[] {
  const [us, vs] = [shares(along), shares(across)];
  return [
    ...us.map((u) => at(u, 0)),
    ...vs.slice(1).map((v) => at(1, v)),
    ...us.slice(1).map((u) => at(1 - u, 1)),
    ...vs.slice(1, -1).map((v) => at(0, 1 - v)),
  ];
}

type Range = readonly [number, number];

/** A part of a patch as a patch. */
export const within = (patch: Patch, [u0, u1]: Range, [v0, v1]: Range): Patch => ({
  ...patch,
  at: (u, v) => patch.at(mix(u0, u1, u), mix(v0, v1, v)),
  ...(patch.jumps && u1 > u0 && { jumps: patch.jumps.map((u) => (u - u0) / (u1 - u0)) }),
});

/** Just inside an end or beside a jump, as a share of the length. */
const BESIDE = 1e-8;

/** Places from 0 to 1, closer together at both ends, where surfaces run out steeply. */
const crowded = (count: number) => shares(count).map((t) => (1 - Math.cos(Math.PI * t)) / 2);

/**
 * Area of a patch, all of its count (m²), and its centroid (m).
 *
 * Source: sum over the triangles of a grid that is finer towards the ends, for a stem, a camber and the foot of a
 * bulkhead run out as a root does; piece by piece between jumps. Within 0.1 % on hulls, decks and bulkheads.
 */
export function patchArea(
  { at, count, straight, jumps = [] }: Patch,
  along = straight ? 1 : 48,
  across = straight ? 64 : 12,
): { area: number; centroid: Point } {
  const vs = crowded(across);
  let [area, momentX, momentY, momentZ] = [0, 0, 0, 0];
  // Written out by coordinate: a boat is opened with tens of thousands of these.
  const add = (a: Point, b: Point, c: Point) => {
    const [px, py, pz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
    const [qx, qy, qz] = [c[0] - a[0], c[1] - a[1], c[2] - a[2]];
    const [nx, ny, nz] = [py * qz - pz * qy, pz * qx - px * qz, px * qy - py * qx];
    const piece = 0.5 * Math.sqrt(nx * nx + ny * ny + nz * nz);
    area += piece;
    momentX += (piece * (a[0] + b[0] + c[0])) / 3;
    momentY += (piece * (a[1] + b[1] + c[1])) / 3;
    momentZ += (piece * (a[2] + b[2] + c[2])) / 3;
  };
  // A hair's breadth inside each piece: at the jump itself the edge stands on one side or the other.
  const ends = [0, ...jumps.filter((u) => u > BESIDE && u < 1 - BESIDE).sort((a, b) => a - b), 1];
  const us = crowded(along);
  for (let k = 1; k < ends.length; k++) {
    const [from, to] = [ends[k - 1]! + BESIDE, ends[k]! - BESIDE];
    const rowAt = (i: number) => vs.map((v) => at(mix(from, to, us[i]!), v));
    let before = rowAt(0);
    for (let i = 1; i <= along; i++) {
      const row = rowAt(i);
      for (let j = 0; j < across; j++) {
        const [a, b, c, d] = [before[j]!, row[j]!, row[j + 1]!, before[j + 1]!];
        add(a, b, c);
        add(a, c, d);
      }
      before = row;
    }
  }
  const share = area > 0 ? 1 / area : 0;
  return { area: area * count, centroid: [momentX * share, momentY * share, momentZ * share] };
}

/** A rectangle that stands for a patch: mean lengths both ways, crown over each, centre (m). */
export interface PatchSize {
  /** Along u. */
  length: number;
  /** Along v: as much as gives its area over its mean length. */
  breadth: number;
  /** Along v at even steps from one end to the other. */
  girths: number[];
  crownAlong: number;
  crownAcross: number;
  centre: Point;
}

/**
 * Mean lengths of a patch both ways and its crown over each: the rectangle of about the same area that stands for a
 * panel.
 * Source: ISO 12215-5:2008 method, section 12: a panel that is no rectangle counts as one of the same area.
 */
export function patchSize(patch: Patch): PatchSize {
  const { at } = patch;
  const STEPS = 8;
  const places = shares(STEPS);
  const middles = [0.1, 0.3, 0.5, 0.7, 0.9];
  const length = middles.reduce((sum, v) => sum + runLength(places.map((u) => at(u, v))), 0) / middles.length;
  return {
    length,
    breadth: patchArea({ at, count: 1 }, STEPS, 4).area / Math.max(length, 1e-9),
    girths: places.map((u) => runLength(places.map((v) => at(u, v)))),
    crownAlong: patch.flat ? 0 : crownOf(places.map((u) => at(u, 0.5))),
    crownAcross: patch.flat ? 0 : crownOf(places.map((v) => at(0.5, v))),
    centre: at(0.5, 0.5),
  };
}

const outlineArea = (outline: [number, number][]) =>
  Math.abs(
    outline.reduce(
      (sum, [x, y], i) => sum + x * outline[(i + 1) % outline.length]![1] - outline[(i + 1) % outline.length]![0] * y,
      0,
    ),
  ) / 2;

/** The outline of a patch that lies in one plane, in that plane; null for any other. */
function flatOutline({ at }: Patch, along: number): [number, number][] | null {
  const us = shares(along);
  const rim = [
    ...us.map((u) => at(u, 0)),
    ...us.map((t) => at(1, t)),
    ...us.map((u) => at(1 - u, 1)),
    ...us.map((t) => at(0, 1 - t)),
  ];
  const origin = at(0.5, 0.5);
  const to = (p: Point) => [p[0] - origin[0], p[1] - origin[1], p[2] - origin[2]] as const;
  const cross = (p: readonly number[], q: readonly number[]) => [
    p[1]! * q[2]! - p[2]! * q[1]!,
    p[2]! * q[0]! - p[0]! * q[2]!,
    p[0]! * q[1]! - p[1]! * q[0]!,
  ];
  const dot = (p: readonly number[], q: readonly number[]) => p[0]! * q[0]! + p[1]! * q[1]! + p[2]! * q[2]!;
  const unit = (p: readonly number[]) => p.map((value) => value / (Math.hypot(...p) || 1));
  const ahead = unit([0, 1, 2].map((k) => at(1, 0.5)[k]! - at(0, 0.5)[k]!));
  const normal = unit(
    cross(
      ahead,
      [0, 1, 2].map((k) => at(0.5, 1)[k]! - at(0.5, 0)[k]!),
    ),
  );
  if ([...rim, at(0.25, 0.25), at(0.75, 0.75)].some((p) => Math.abs(dot(to(p), normal)) > 1e-6)) return null;
  const across = cross(normal, ahead);
  const points = rim.map((p): [number, number] => [dot(to(p), ahead), dot(to(p), across)]);
  return points.filter((p, i) => i === 0 || Math.hypot(p[0] - points[i - 1]![0], p[1] - points[i - 1]![1]) > 1e-9);
}

/** Beside a jump, as a share of the length. */
const JUMP = 1e-5;

/** A developed outline: flat, m; and how far its area is from the surface's, which measures double curvature. */
export interface Development {
  outline: [number, number][];
  area: number;
  /** Developed area over surface area, less 1. */
  distortion: number;
  /** Where the ends of the lines across come to lie, along u; none of what lies in one plane. */
  stations: { u: number; lower: [number, number]; upper: [number, number] }[];
}

/**
 * A patch flattened: both edges and the girths between them keep their lengths, strip by strip.
 *
 * Exact for surfaces that can be developed; elsewhere the distortion tells how much cloth has to shear or be darted.
 *
 * @param jumps where an edge jumps along u: looked at on both sides, for an outline with a step in it.
 * @example develop(quarterCylinder).outline // a rectangle
 * Source: triangulation of a developable strip between two edge curves (Nolan 1971), girths in place of chords.
 */
export function develop(patch: Patch, along = 32, jumps: readonly number[] = []): Development {
  const { at } = patch;
  const flat = flatOutline(patch, along);
  if (flat) return { outline: flat, area: outlineArea(flat), distortion: 0, stations: [] };
  const beside = jumps.flatMap((u) => [u - JUMP, u + JUMP]);
  const girthAt = (u: number) => runLength(shares(12).map((v) => at(u, v)));
  const stations = [...shares(along), ...beside].sort((a, b) => a - b);
  const every = stations.map((u) => ({ u, girth: girthAt(u) }));
  // Ends that have run out to nothing are left off.
  const [first, last] = [
    every.findIndex(({ girth }) => girth > 1e-3),
    every.findLastIndex(({ girth }) => girth > 1e-3),
  ];
  const kept = every.slice(Math.max(0, first - 1), last + 2);
  const [us, girths] = [kept.map(({ u }) => u), kept.map(({ girth }) => girth)];
  /** How far along its station at u the point nearest to another lies from its lower end (m). */
  const girthTo = (u: number, point: Point): number => {
    const line = shares(96).map((v) => at(u, v));
    let nearest = 0;
    line.forEach((one, j) => {
      if (distance(one, point) < distance(line[nearest]!, point)) nearest = j;
    });
    return nearest === 0 ? 0 : runLength(line.slice(0, nearest + 1));
  };
  const lower: [number, number][] = [[0, 0]];
  const upper: [number, number][] = [[0, girths[0]!]];
  /**
   * The point at given distances from two known ones, on the left of the way from a to b; straight ahead where the two
   * are one.
   */
  const meet = (a: [number, number], b: [number, number], fromA: number, fromB: number): [number, number] => {
    const gap = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (gap < 1e-9) return [a[0] + fromA, a[1]];
    const p = (fromA ** 2 - fromB ** 2 + gap ** 2) / (2 * gap);
    const h = Math.sqrt(Math.max(0, fromA ** 2 - p ** 2));
    const [ex, ey] = [(b[0] - a[0]) / gap, (b[1] - a[1]) / gap];
    return [a[0] + ex * p + ey * h, a[1] + ey * p - ex * h];
  };
  for (let i = 1; i < us.length; i++) {
    const [u0, u1] = [us[i - 1]!, us[i]!];
    const [p0, p1, q0, q1] = [at(u0, 0), at(u1, 0), at(u0, 1), at(u1, 1)];
    const [g0, g1] = [girths[i - 1]!, girths[i]!];
    // The diagonal over the surface: its chord, with the girth in place of the chord across.
    const chordAcross = distance(p1, q1);
    const diagonal = Math.sqrt(Math.max(0, distance(q0, p1) ** 2 - distance(p0, q0) ** 2 + g0 ** 2));
    const [a, b] = [lower[i - 1]!, upper[i - 1]!];
    if (u1 - u0 < 3 * JUMP && Math.hypot(b[0] - a[0], b[1] - a[1]) > 1e-6) {
      // A jump: both stations lie on one line, and what is wider reaches over the other's ends.
      const [low, high] = g1 >= g0 ? [-girthTo(u1, p0), g1 - girthTo(u1, p0)] : [girthTo(u0, p1), girthTo(u0, q1)];
      const along = (t: number): [number, number] => {
        const gap = Math.hypot(b[0] - a[0], b[1] - a[1]);
        return [a[0] + ((b[0] - a[0]) * t) / gap, a[1] + ((b[1] - a[1]) * t) / gap];
      };
      lower.push(along(low));
      upper.push(along(high));
      continue;
    }
    const next = meet(a, b, distance(p0, p1), diagonal);
    lower.push(next);
    const side = distance(q0, q1);
    // Beyond the diagonal: at the girth from the new lower point, at the edge's length from the old upper one.
    upper.push(chordAcross < 1e-6 && g1 < 1e-6 ? next : meet(next, b, g1, side));
  }
  const lines = us.map((u, i) => ({ u, lower: lower[i]!, upper: upper[i]! }));
  const outline = [...lower, ...[...upper].reverse()];
  const area = outlineArea(outline);
  const surface = patchArea({ ...patch, count: 1 }).area;
  return { outline, area, distortion: surface > 0 ? area / surface - 1 : 0, stations: lines };
}
