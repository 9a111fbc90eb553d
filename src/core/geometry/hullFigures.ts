import { invalid } from '../error';
import { mix, shares } from './point';

/** A section of a hull: half-breadth and height from the keel to the deck edge (m). */
export interface HullSection {
  /** Forwards (m). */
  x: number;
  points: readonly (readonly [halfBreadth: number, height: number])[];
}

/** What a hull measures, both hands together. m, m², m³. */
export interface HullFigures {
  skinArea: number;
  skinCentroid: [number, number, number];
  /** The section at the aft end; of one that runs out to a point or a line, at the fore end. */
  transomArea: number;
  volume?: number;
  volumeCentroid?: [number, number, number];
  waterplaneArea?: number;
}

type Half = readonly [number, number];

/** Simpson's rule over even steps, an even number of them. */
function simpson(from: number, to: number, steps: number, f: (at: number) => number): number {
  const h = (to - from) / steps;
  let sum = 0;
  for (let i = 0; i <= steps; i++) {
    const inner = i % 2 === 1 ? 4 : 2;
    sum += (i === 0 || i === steps ? 1 : inner) * f(from + i * h);
  }
  return (sum * h) / 3;
}
const [CELL, SLICES] = [8, 16];
const NOTHING = 1e-9;

/** Points of a curve at even shares of its length; as it is when it has as many. */
function resampled(points: readonly Half[], count: number): Half[] {
  if (points.length === count) return [...points];
  const run = [0];
  points.slice(1).forEach(([y, z], i) => run.push(run[i]! + Math.hypot(y - points[i]![0], z - points[i]![1])));
  const whole = run.at(-1)!;
  return shares(count - 1).map((share) => {
    const at = share * whole;
    const i = Math.min(
      points.length - 2,
      Math.max(
        0,
        run.findLastIndex((length) => length <= at),
      ),
    );
    const step = run[i + 1]! - run[i]!;
    const t = step > 0 ? (at - run[i]!) / step : 0;
    return [mix(points[i]![0], points[i + 1]![0], t), mix(points[i]![1], points[i + 1]![1], t)] as const;
  });
}

/**
 * A smooth curve through numbers at places that rise: cubic pieces with the slope of the parabola through each place
 * and its two neighbours. Source: Bessel's slopes, de Boor, A Practical Guide to Splines, ch. IV.
 */
function smoothThrough(places: readonly number[], values: readonly number[]): (at: number) => number {
  const n = places.length;
  if (n < 3) return (at) => mix(values[0]!, values[n - 1]!, n < 2 ? 0 : (at - places[0]!) / (places[1]! - places[0]!));
  const steps = places.slice(1).map((place, i) => Math.max(1e-12, place - places[i]!));
  const secants = steps.map((step, i) => (values[i + 1]! - values[i]!) / step);
  const slopes = places.map((_, i) => {
    const k = Math.min(n - 2, Math.max(1, i));
    const [a, b] = [steps[k - 1]!, steps[k]!];
    const second = (secants[k]! - secants[k - 1]!) / (a + b);
    const middle = secants[k - 1]! + second * a;
    if (i === 0) return middle - 2 * second * a;
    return i === n - 1 ? middle + 2 * second * b : middle;
  });
  return (at) => {
    const i = Math.min(
      n - 2,
      Math.max(
        0,
        places.findLastIndex((place) => place <= at),
      ),
    );
    const h = steps[i]!;
    const t = Math.min(1, Math.max(0, (at - places[i]!) / h));
    const [t2, t3] = [t * t, t * t * t];
    return (
      (2 * t3 - 3 * t2 + 1) * values[i]! +
      (t3 - 2 * t2 + t) * h * slopes[i]! +
      (3 * t2 - 2 * t3) * values[i + 1]! +
      (t3 - t2) * h * slopes[i + 1]!
    );
  };
}

const FINER = 8;
/** The same hull with sections and stations in between, on smooth curves through what was given. */
function faired(sections: readonly { x: number; points: Half[] }[]): { x: number; points: Half[] }[] {
  const fine = sections.map(({ x, points }) => {
    const run = [0];
    points.slice(1).forEach(([y, z], i) => run.push(run[i]! + Math.hypot(y - points[i]![0], z - points[i]![1])));
    const whole = run.at(-1)!;
    const count = (points.length - 1) * FINER;
    if (whole < NOTHING) return { x, points: Array.from({ length: count + 1 }, () => points[0]!) };
    const [y, z] = [0, 1].map((k) =>
      smoothThrough(
        run,
        points.map((point) => point[k]!),
      ),
    ) as [Curve, Curve];
    return { x, points: shares(count).map((share) => [y(share * whole), z(share * whole)] as Half) };
  });
  if (fine.length < 3) return fine;
  const xs = fine.map(({ x }) => x);
  const curves = fine[0]!.points.map((_, j) =>
    [0, 1].map((k) =>
      smoothThrough(
        xs,
        fine.map(({ points }) => points[j]![k]!),
      ),
    ),
  );
  return xs.slice(1).flatMap((to, i) =>
    shares(FINER)
      .slice(i === 0 ? 0 : 1)
      .map((share) => {
        const x = mix(xs[i]!, to, share);
        return { x, points: curves.map(([y, z]) => [Math.max(0, y!(x)), z!(x)] as Half) };
      }),
  );
}
type Curve = (at: number) => number;

/** Area and first moments of the half section below a height: ∫ y dz, ∫ z y dz. */
function halfSection(points: readonly Half[], below: number): { area: number; moment: number } {
  let [area, moment] = [0, 0];
  points.slice(1).forEach(([y1, z1], i) => {
    const [y0, z0] = points[i]!;
    if (Math.min(z0, z1) >= below) return;
    const cut = (z: number) => (z1 === z0 ? 0 : Math.min(1, Math.max(0, (z - z0) / (z1 - z0))));
    const [s, e] = [z0 > below ? cut(below) : 0, z1 > below ? cut(below) : 1];
    const [ya, za, yb, zb] = [mix(y0, y1, s), mix(z0, z1, s), mix(y0, y1, e), mix(z0, z1, e)];
    const dz = zb - za;
    area += ((ya + yb) / 2) * dz;
    moment += (dz / 6) * (ya * za + 4 * ((ya + yb) / 2) * ((za + zb) / 2) + yb * zb);
  });
  return { area, moment };
}
/** Half-breadth where the section crosses a height, the outermost; 0 where it does not. */
function halfBreadthAt(points: readonly Half[], height: number): number {
  return points.slice(1).reduce((most, [y1, z1], i) => {
    const [y0, z0] = points[i]!;
    if ((z0 - height) * (z1 - height) > 0 || z0 === z1) return most;
    return Math.max(most, mix(y0, y1, (height - z0) / (z1 - z0)));
  }, 0);
}

/**
 * What a hull measures that is given by its sections: skin of both hands between the first and the last (no deck, no
 * end), its centroid, the end section, and below a waterline volume, its centroid and the waterplane.
 *
 * Sections are joined by straight lines between points of the same number (of other counts, at the same share of their
 * length), so that the surface is ruled; its area is integrated as it is, not by facets.
 *
 * @param smooth fairs sections and lines through the points. @param waterline height (m).
 * @throws KeramosError `invalid` for fewer than two sections, or sections that do not go forwards.
 * @example hullFigures(barge, { waterline: 0.371 }).volume // 5.38692
 * Source: area of ruled patches and volume of slices by Simpson's rule.
 */
export function hullFigures(
  given: readonly HullSection[],
  { waterline, smooth = false }: { waterline?: number | undefined; smooth?: boolean | undefined } = {},
): HullFigures {
  given.forEach(({ x }, i) => {
    if (i > 0 && !(x > given[i - 1]!.x))
      throw invalid('stations', `Station ${i} lies at ${x} m, not forward of the one before it`, { given: x });
  });
  const count = Math.max(...given.map(({ points }) => points.length));
  const even = given.map(({ x, points }) => ({ x, points: resampled(points, count) }));
  const sections = smooth ? faired(even) : even;
  const skin = skinOf(sections);
  const ends = [sections[0]!, sections.at(-1)!].map(({ points }) => 2 * halfSection(points, Infinity).area);
  const transomArea = ends.find((area) => Math.abs(area) > NOTHING) ?? 0;
  return { ...skin, transomArea, ...(waterline === undefined ? {} : belowWater(sections, waterline)) };
}

function skinOf(sections: readonly HullSection[]): Pick<HullFigures, 'skinArea' | 'skinCentroid'> {
  let [area, mx, mz] = [0, 0, 0];
  sections.slice(1).forEach((fore, i) => {
    const aft = sections[i]!;
    const dx = fore.x - aft.x;
    for (let j = 1; j < aft.points.length; j++) {
      const [a, b, c, d] = [aft.points[j - 1]!, aft.points[j]!, fore.points[j - 1]!, fore.points[j]!];
      /** |r_u × r_v| of the ruled patch, and where it is. */
      const at = (u: number, v: number) => {
        const along = [0, 1].map((k) => mix(c[k]! - a[k]!, d[k]! - b[k]!, v)) as [number, number];
        const across = [0, 1].map((k) => mix(b[k]! - a[k]!, d[k]! - c[k]!, u)) as [number, number];
        const normal = Math.hypot(along[0] * across[1] - along[1] * across[0], dx * across[1], dx * across[0]);
        return { normal, z: mix(mix(a[1], b[1], v), mix(c[1], d[1], v), u), x: aft.x + u * dx };
      };
      const over = (pick: (place: ReturnType<typeof at>) => number) =>
        simpson(0, 1, CELL, (u) => simpson(0, 1, CELL, (v) => pick(at(u, v))));
      area += over(({ normal }) => normal);
      mx += over(({ normal, x }) => normal * x);
      mz += over(({ normal, z }) => normal * z);
    }
  });
  return { skinArea: 2 * area, skinCentroid: [mx / area, 0, mz / area] };
}

function belowWater(sections: readonly HullSection[], waterline: number) {
  let [volume, mx, mz, waterplane] = [0, 0, 0, 0];
  sections.slice(1).forEach((fore, i) => {
    const aft = sections[i]!;
    const at = (x: number): Half[] => {
      const t = (x - aft.x) / (fore.x - aft.x);
      return aft.points.map(([y, z], j) => [mix(y, fore.points[j]![0], t), mix(z, fore.points[j]![1], t)] as const);
    };
    // Between the places where a line of points crosses the waterline the slices change smoothly.
    const crossings = aft.points.flatMap(([, z], j) => {
      const t = (waterline - z) / (fore.points[j]![1] - z);
      return t > 1e-9 && t < 1 - 1e-9 ? [mix(aft.x, fore.x, t)] : [];
    });
    const cuts = [aft.x, ...[...new Set(crossings)].sort((p, q) => p - q), fore.x];
    cuts.slice(1).forEach((to, k) => {
      const from = cuts[k]!;
      const over = (pick: (x: number) => number) => 2 * simpson(from, to, SLICES, pick);
      volume += over((x) => halfSection(at(x), waterline).area);
      mx += over((x) => x * halfSection(at(x), waterline).area);
      mz += over((x) => halfSection(at(x), waterline).moment);
      waterplane += over((x) => halfBreadthAt(at(x), waterline));
    });
  });
  const some = volume > NOTHING;
  return {
    volume,
    waterplaneArea: waterplane,
    ...(some && { volumeCentroid: [mx / volume, 0, mz / volume] as [number, number, number] }),
  };
}
