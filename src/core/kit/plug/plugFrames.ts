import { Clipper, FillRule, type Path64 } from '@countertype/clipper2-ts';
import type { Plug } from '../../document';
import type { HullSurface } from '../../geometry';
import { signedArea, type At } from '../nest/convexParts';

/** A frame of a plug or mould: one outline to cut, seen from aft; x to starboard, y up from the baseline (m). */
export interface PlugFrame {
  name: string;
  /** Forward of the aft end of the waterline (m). */
  x: number;
  outline: At[];
  /** Drawn on it: the centreline and the level. */
  marks: (readonly [At, At])[];
  /** Battens on it, both hands. */
  battens: number;
}

export interface PlugTakeoff {
  frames: PlugFrame[];
  /** m of batten for all frames, both hands. */
  battenLength: number;
  /** m² of board in frames. */
  area: number;
}

/** Lines of a section, and how far apart stations lie for slopes (m). */
const ALONG = 96;
const BESIDE = 0.01;
/** What a frame of a mould is wider than the skin that it holds (m). */
const MARGIN = 0.12;
const MICRO = 1e6;

/** Stations of the frames: both ends, and between them as far apart as is asked at most. */
export function plugStations({ from, to, spacing }: Pick<Plug, 'from' | 'to' | 'spacing'>): number[] {
  const bays = Math.max(1, Math.ceil((to - from) / spacing - 1e-9));
  return Array.from({ length: bays + 1 }, (_, i) => from + ((to - from) * i) / bays);
}

/**
 * Frames of a plug or mould by the hull: its section at each station, moved square to the surface by what is laid over
 * the frame (skin, and battens that are not let in), run down or up to the floor; notches for battens where they are
 * let in, centreline and level drawn on.
 *
 * In the plane of the frame the surface lies further off than square to it: by the thickness over the cosine of the
 * slope of the surface along the boat.
 * @example plugFrames(hull, { kind: 'plug', from: 0, to: 8, spacing: 0.5, … }).frames.length // 17
 */
export function plugFrames(hull: HullSurface, plug: Plug): PlugTakeoff {
  const { kind, skin, battenThickness, battenWidth, battenSpacing, notched, floor, level } = plug;
  const inward = kind === 'plug';
  const laidOver = skin + (notched ? 0 : battenThickness);
  const stations = plugStations(plug);
  let lines = 0;
  let longest = 0;
  const frames = stations.map((x, i): PlugFrame => {
    const half = offsetSection(hull, x, inward ? laidOver : -laidOver);
    const ring = closed(half, { inward, floor });
    const battenAt = battenThickness > 0 ? placesAlong(half, battenSpacing) : [];
    lines = Math.max(lines, battenAt.length);
    if (i > 0) longest += x - stations[i - 1]!;
    const notches =
      notched && battenThickness > 0
        ? battenAt.flatMap((place) => {
            const right = notchAt(place, { width: battenWidth, depth: battenThickness, inward });
            return [right, right.map(([u, v]): At => [-u, v])];
          })
        : [];
    const outline = largest(Clipper.difference(union([ring]), notches.map(pathOf), FillRule.NonZero));
    const ys = outline.map(([, y]) => y);
    const [low, high] = [Math.min(...ys), Math.max(...ys)];
    const marks: (readonly [At, At])[] = [
      [
        [0, low],
        [0, high],
      ],
    ];
    const wide = halfWidthAt(outline, level);
    if (level > low && level < high && wide > 0)
      marks.push([
        [-wide, level],
        [wide, level],
      ]);
    return { name: `Frame ${i + 1}`, x, outline, marks, battens: 2 * battenAt.length };
  });
  return {
    frames,
    battenLength: 2 * lines * longest,
    area: frames.reduce((sum, { outline }) => sum + Math.abs(signedArea(outline)), 0),
  };
}

/** The half section at a station from the keel out, moved square to the surface: inward where it is above 0. */
function offsetSection(hull: HullSurface, x: number, by: number): At[] {
  const point = (at: number, s: number) => hull.at(Math.min(hull.bow, Math.max(hull.aft, at)), s);
  return Array.from({ length: ALONG + 1 }, (_, i): At => {
    const s = (2 * i) / ALONG;
    const [, y, z] = point(x, s);
    // Along the section to either side of a chine, never over it.
    const [before, after] = [Math.max(0, s - 0.01), Math.min(2, s + 0.01)];
    const [a, b] = [point(x, before), point(x, after)];
    const [dy, dz] = [b[1] - a[1], b[2] - a[2]];
    const girth = Math.hypot(dy, dz);
    if (girth < 1e-9) return [Math.max(0, y), z];
    // Outward in the plane: to the right of the way from the keel up.
    const [ny, nz] = [dz / girth, -dy / girth];
    const [aft, fore] = [point(x - BESIDE, s), point(x + BESIDE, s)];
    const run = fore[0] - aft[0];
    const slope = run < 1e-9 ? 0 : ((fore[1] - aft[1]) * ny + (fore[2] - aft[2]) * nz) / run;
    const inPlane = by * Math.hypot(1, slope);
    return [Math.max(0, y - ny * inPlane), z - nz * inPlane];
  });
}

/** A half section as a whole frame, run to the floor: a plug up from its deck edge, a mould round outside. */
function closed(half: readonly At[], { inward, floor }: { inward: boolean; floor: number }): At[] {
  const [edge, keel] = [half.at(-1)!, half[0]!];
  const right: At[] = [...half];
  if (inward) right.push([edge[0], Math.max(floor, edge[1])]);
  else {
    const out = Math.max(...half.map(([y]) => y)) + MARGIN;
    right.push([out, edge[1]], [out, Math.min(floor, keel[1] - MARGIN)]);
  }
  return [...right, ...right.map(([y, z]): At => [-y, z]).reverse()];
}

/** Furthest from the centreline that an outline reaches at a height (m); 0 where it does not. */
const halfWidthAt = (outline: readonly At[], z: number): number =>
  outline.reduce((most, [ax, az], i) => {
    const [bx, bz] = outline[(i + 1) % outline.length]!;
    return az > z === bz > z ? most : Math.max(most, Math.abs(ax + ((bx - ax) * (z - az)) / (bz - az)));
  }, 0);

interface Place {
  at: At;
  along: At;
}
/** Places round a half section, half a spacing off the centreline and so far apart. */
function placesAlong(half: readonly At[], spacing: number): Place[] {
  const places: Place[] = [];
  let [gone, next] = [0, spacing / 2];
  for (let i = 1; i < half.length; i++) {
    const [a, b] = [half[i - 1]!, half[i]!];
    const own = Math.hypot(b[0] - a[0], b[1] - a[1]);
    while (own > 1e-9 && next <= gone + own) {
      const t = (next - gone) / own;
      places.push({
        at: [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t],
        along: [(b[0] - a[0]) / own, (b[1] - a[1]) / own],
      });
      next += spacing;
    }
    gone += own;
  }
  return places;
}

/** A notch let into the frame where a batten crosses it, a little proud so that the cut is clean. */
function notchAt(
  { at, along }: Place,
  { width, depth, inward }: { width: number; depth: number; inward: boolean },
): At[] {
  const into = inward ? -1 : 1;
  const out: At = [along[1], -along[0]];
  const corner = (u: number, v: number): At => [at[0] + along[0] * u + out[0] * v, at[1] + along[1] * u + out[1] * v];
  const [w, proud] = [width / 2, -0.005 * into];
  return [corner(-w, proud), corner(w, proud), corner(w, into * depth), corner(-w, into * depth)];
}

const pathOf = (outline: readonly At[]): Path64 =>
  outline.map(([x, y]) => ({ x: Math.round(x * MICRO), y: Math.round(y * MICRO) }));
const union = (rings: readonly (readonly At[])[]) => Clipper.union(rings.map(pathOf), FillRule.NonZero);

/** The largest of some rings, in metres. */
function largest(paths: Path64[]): At[] {
  const rings = paths.map((path) => path.map(({ x, y }): At => [x / MICRO, y / MICRO]));
  return rings.reduce((a, b) => (Math.abs(signedArea(b)) > Math.abs(signedArea(a)) ? b : a), rings[0] ?? []);
}
