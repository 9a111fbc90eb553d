import { stationsFromParticulars } from './hullFromParticulars';
import type { HullParticulars, HullShape, Station } from './hullShape';
import { pchip } from './pchip';
import { mix, shares, type Point } from './point';

/** Cells of the surface along the hull, and up each of its two bands. */
const ALONG = 64;
/** Cells grow shorter towards the stem, where everything turns. */
const TOWARDS_STEM = 1.5;
const BAND = 10;
/** Steepness at which a round bilge passes from bottom to side (degrees). */
const BILGE_ANGLE = 50;

/**
 * The half hull as a surface. A place on it is x and s: s from 0 at the centreline over 1 at the chine (or the turn
 * of the bilge) to 2 at the deck edge.
 */
export interface HullSurface {
  aft: number;
  bow: number;
  /** Height of the waterline above the baseline (m). */
  waterline: number;
  transomRakeDeg: number;
  hardChine: boolean;
  at: (x: number, s: number) => Point;
  /** Points of a section between two lines. */
  section: (x: number, from?: number, to?: number) => Point[];
  /** Girth from the centreline to s (m). */
  girth: (x: number, s: number) => number;
  /** s at a girth from the centreline, or at a height; kept within 0 to 2. */
  sAtGirth: (x: number, girth: number) => number;
  sAtHeight: (x: number, z: number) => number;
  /** Half-breadth at a height; 0 below the keel. */
  halfBreadth: (x: number, z: number) => number;
  /** Volume below the waterline, both hands (m³). */
  displacedVolume: number;
}

/** A section at one x, line by line. */
interface Row {
  x: number;
  y: number[];
  z: number[];
  girth: number[];
}
const KEPT_ROWS = 2048;

/** Where a section passes from bottom to side: its chine, or where it first stands steeper than the bilge angle. */
function turnOf({ points, chine }: Station): number {
  if (chine !== null && chine > 0 && chine < points.length - 1) return chine;
  const steepness = points.map(([y, z], i) =>
    i === 0 ? 0 : (Math.atan2(z - points[i - 1]![1], Math.max(1e-9, y - points[i - 1]![0])) * 180) / Math.PI,
  );
  const steep = steepness.findIndex((angle, i) => i > 0 && angle > BILGE_ANGLE);
  if (steep < 0) return points.length - 1;
  // Each angle belongs to the middle of its stretch; the turn lies where the line between two of them passes the limit.
  const [before, after] = [steep > 1 ? steepness[steep - 1]! : steepness[steep]! - 1, steepness[steep]!];
  const place = steep - 1.5 + (after > before ? (BILGE_ANGLE - before) / (after - before) : 1);
  return Math.min(points.length - 1.02, Math.max(0.5, place));
}

/** Points at equal steps of girth between two (fractional) places of a section. */
function resample(
  points: readonly (readonly [number, number])[],
  from: number,
  to: number,
  count: number,
): [number, number][] {
  const at = (place: number): [number, number] => {
    const i = Math.min(points.length - 2, Math.floor(place));
    const [a, b] = [points[i]!, points[i + 1]!];
    return [mix(a[0], b[0], place - i), mix(a[1], b[1], place - i)];
  };
  const inner = points.map((_, i) => i).filter((i) => i > from && i < to);
  const run = [from, ...inner, to].map(at);
  const lengths = run.map((p, i) => (i === 0 ? 0 : Math.hypot(p[0] - run[i - 1]![0], p[1] - run[i - 1]![1])));
  const sums = lengths.map(
    (
      (total) => (length) =>
        (total += length)
    )(0),
  );
  const whole = sums.at(-1)!;
  return shares(count).map((share) => {
    const wanted = share * whole;
    const i = Math.max(
      1,
      sums.findIndex((sum) => sum >= wanted - 1e-12),
    );
    const span = sums[i]! - sums[i - 1]!;
    const t = span > 0 ? (wanted - sums[i - 1]!) / span : 0;
    return [mix(run[i - 1]![0], run[i]![0], t), mix(run[i - 1]![1], run[i]![1], t)];
  });
}

/** Build the surface through stations, smooth along the hull. */
export function surfaceThrough(stations: readonly Station[], waterline: number, transomRakeDeg: number): HullSurface {
  const sorted = [...stations].sort((a, b) => a.x - b.x);
  const rows = sorted.map((station) => {
    const turn = turnOf(station);
    return [
      ...resample(station.points, 0, turn, BAND),
      ...resample(station.points, turn, station.points.length - 1, BAND).slice(1),
    ];
  });
  const xs = sorted.map(({ x }) => x);
  const [aft, bow] = [xs[0]!, xs.at(-1)!];
  const curves = Array.from({ length: 2 * BAND + 1 }, (_, j) =>
    [0, 1].map((axis) =>
      pchip(
        xs,
        rows.map((row) => row[j]![axis]!),
      ),
    ),
  );
  const grid = shares(ALONG).map((share) => {
    const x = mix(aft, bow, 1 - (1 - share) ** TOWARDS_STEM);
    return curves.map(([y, z]): Point => [x, Math.max(0, y!(x)), z!(x)]);
  });

  /**
   * The section at x: y, z and girth at every line. Patches ask for one x many times over, so the last ones are kept.
   */
  const known = new Map<number, Row>();
  let [lastX, lastRow] = [NaN, null as Row | null];
  const rowAt = (x: number): Row => {
    if (x === lastX) return lastRow!;
    [lastX, lastRow] = [x, known.get(x) ?? newRow(x)];
    return lastRow;
  };
  const newRow = (x: number): Row => {
    const place = Math.min(bow, Math.max(aft, x));
    const share = 1 - Math.max(0, (bow - place) / (bow - aft)) ** (1 / TOWARDS_STEM);
    const i = Math.min(ALONG - 1, Math.floor(share * ALONG));
    const [a, b] = [grid[i]!, grid[i + 1]!];
    const t = Math.min(1, Math.max(0, (place - a[0]![0]) / (b[0]![0] - a[0]![0])));
    const row: Row = { x: place, y: [], z: [], girth: [] };
    for (let j = 0; j <= 2 * BAND; j++) {
      row.y.push(mix(a[j]![1], b[j]![1], t));
      row.z.push(mix(a[j]![2], b[j]![2], t));
      const [dy, dz] = j === 0 ? [0, 0] : [row.y[j]! - row.y[j - 1]!, row.z[j]! - row.z[j - 1]!];
      row.girth.push(j === 0 ? 0 : row.girth[j - 1]! + Math.sqrt(dy * dy + dz * dz));
    }
    if (known.size >= KEPT_ROWS) known.clear();
    known.set(x, row);
    return row;
  };
  const place = (s: number): [j: number, t: number] => {
    const v = Math.min(2 * BAND, Math.max(0, s * BAND));
    const j = Math.min(2 * BAND - 1, Math.floor(v));
    return [j, v - j];
  };
  const at = (x: number, s: number): Point => {
    const row = rowAt(x);
    const [j, t] = place(s);
    return [row.x, mix(row.y[j]!, row.y[j + 1]!, t), mix(row.z[j]!, row.z[j + 1]!, t)];
  };
  const section = (x: number, from = 0, to = 2): Point[] => {
    const knots = Array.from({ length: 2 * BAND + 1 }, (_, j) => j / BAND).filter(
      (s) => s > from + 1e-9 && s < to - 1e-9,
    );
    return [from, ...knots, to].map((s) => at(x, s));
  };
  const inverse = (values: readonly number[], wanted: number): number => {
    if (wanted <= values[0]!) return 0;
    const j = values.findIndex((value) => value >= wanted);
    if (j < 0) return 2;
    const span = values[j]! - values[j - 1]!;
    return (j - 1 + (span > 0 ? (wanted - values[j - 1]!) / span : 0)) / BAND;
  };
  const sAtHeight = (x: number, z: number) => inverse(rowAt(x).z, z);
  const halfBreadth = (x: number, z: number) => (z < rowAt(x).z[0]! ? 0 : at(x, sAtHeight(x, z))[1]);
  const areaBelow = (x: number) => {
    const bottom = at(x, 0)[2];
    const depth = Math.min(waterline, at(x, 2)[2]) - bottom;
    if (depth <= 0) return 0;
    const STEPS = 16;
    return (
      shares(STEPS).reduce(
        (sum, t, k) => sum + (k === 0 || k === STEPS ? 0.5 : 1) * halfBreadth(x, bottom + t * depth),
        0,
      ) *
      (depth / STEPS) *
      2
    );
  };
  const displacedVolume =
    shares(ALONG).reduce((sum, t, i) => sum + (i === 0 || i === ALONG ? 0.5 : 1) * areaBelow(mix(aft, bow, t)), 0) *
    ((bow - aft) / ALONG);
  return {
    aft,
    bow,
    waterline,
    transomRakeDeg,
    hardChine: sorted.some(({ chine }) => chine !== null),
    at,
    section,
    girth: (x, s) => {
      const { girth } = rowAt(x);
      const [j, t] = place(s);
      return mix(girth[j]!, girth[j + 1]!, t);
    },
    sAtGirth: (x, girth) => inverse(rowAt(x).girth, girth),
    sAtHeight,
    halfBreadth,
    displacedVolume,
  };
}

/**
 * The surface of a hull from wherever its shape comes.
 * @throws KeramosError `invalid` when particulars contradict each other.
 * @example hullSurface(shapeFor(particulars, 'motor'), particulars).girth(2, 1) // bottom girth at x = 2 m
 */
export function hullSurface(shape: HullShape, particulars: HullParticulars): HullSurface {
  return shape.source === 'particulars'
    ? surfaceThrough(stationsFromParticulars(shape, particulars), shape.draft, shape.transomRakeDeg)
    : surfaceThrough(shape.stations, shape.waterline, shape.transomRakeDeg);
}
