import { Matrix, solve } from 'ml-matrix';
import { addImmersed, nothingImmersed, type Immersed, type WaterPlane } from './immersed';

export interface FloatQuestion {
  /** What lies under a plane, of everything that lifts. */
  under: (plane: WaterPlane) => Immersed;
  /** kg and m. */
  mass: number;
  centre: readonly [number, number, number];
  /** kg/m³. */
  waterDensity: number;
  /** Where to begin. */
  start: WaterPlane;
}

/** A body at rest in the water. m, m³, rad. */
export interface Floating {
  plane: WaterPlane;
  volume: number;
  centreOfBuoyancy: [number, number, number];
  cut: Immersed['cut'];
  /** Metacentric heights across and along, without free surfaces; rightly so for small angles about this attitude. */
  gmAcross: number;
  gmAlong: number;
  /** Whether it comes back when it is moved from here. */
  stable: boolean;
}

const STEPS = 60;
/** How often a step that makes nothing better is halved. */
const HALVINGS = 7;
/** Largest change of a slope in one step. */
const LARGEST_STEP = 0.15;
const LARGEST_SLOPE = 1.2;
const CLOSE = 1e-9;
/** As near as this is at rest, where a kink keeps it from coming nearer. */
const NEAR = 1e-5;

/** A solid body that floats lifts what its volume displaces; bodies together lift the sum. */
export const together =
  (parts: readonly ((plane: WaterPlane) => Immersed)[]) =>
  (plane: WaterPlane): Immersed => {
    const sum = nothingImmersed();
    for (const part of parts) addImmersed(sum, part(plane));
    return sum;
  };

/** How far from rest: lift against mass, and the centre of lift out of the plumb line through the centre of mass. */
function unrest({ mass, centre, waterDensity }: FloatQuestion, { volume, moments }: Immersed, plane: WaterPlane) {
  const [gx, gy, gz] = centre;
  const lift = volume - mass / waterDensity;
  const up = moments[2] - volume * gz;
  return [lift, moments[0] - volume * gx + plane.trim * up, moments[1] - volume * gy + plane.heel * up];
}

/**
 * The water plane at which a body is at rest: it displaces its mass, and its centre of buoyancy lies plumb under or
 * over its centre of mass. Nothing is small in it: any trim and heel up to fifty degrees.
 *
 * @returns null where it goes under, or comes to no rest within that.
 * Source: equilibrium of a floating body; Newton's method, the slopes of volume and moments by the cut of the plane.
 */
export function floats(question: FloatQuestion): Floating | null {
  const { under, mass, waterDensity } = question;
  const wanted = mass / waterDensity;
  const size = (plane: WaterPlane, now: Immersed) => Math.hypot(...unrest(question, now, plane)) / wanted;
  const begun = levelled(question, question.start);
  if (begun === null) return null;
  let plane: WaterPlane = begun;
  let now = under(plane);
  let off = size(plane, now);
  for (let step = 0; step < STEPS && off > CLOSE; step++) {
    const move = newtonStep(question, now, plane, unrest(question, now, plane));
    if (!move.every(Number.isFinite)) return null;
    const found: Nearer | null =
      better(question, { plane, move, off, size }, false) ?? better(question, { plane, move, off, size }, true);
    if (!found) break;
    ({ plane, now, off } = found);
    if (Math.abs(plane.trim) > LARGEST_SLOPE || Math.abs(plane.heel) > LARGEST_SLOPE) return null;
  }
  return off > NEAR ? null : atRest(question, plane, now);
}

interface Stand {
  plane: WaterPlane;
  move: readonly number[];
  /** How far from rest it is. */
  off: number;
  size: (plane: WaterPlane, now: Immersed) => number;
}
interface Nearer {
  plane: WaterPlane;
  now: Immersed;
  off: number;
}
/** The first of ever shorter steps that comes nearer to rest; `level` brings each to its mass before it is judged. */
function better(question: FloatQuestion, { plane, move, off, size }: Stand, level: boolean): Nearer | null {
  let share = Math.min(1, LARGEST_STEP / Math.max(1e-12, Math.abs(move[1]!), Math.abs(move[2]!)));
  for (let half = 0; half < HALVINGS; half++, share /= 2) {
    const next = {
      height: plane.height + share * move[0]!,
      trim: plane.trim + share * move[1]!,
      heel: plane.heel + share * move[2]!,
    };
    const tried = level ? levelled(question, next) : next;
    if (!tried) continue;
    const now = question.under(tried);
    const then = size(tried, now);
    if (then < off) return { plane: tried, now, off: then };
  }
  return null;
}

function atRest({ centre }: FloatQuestion, plane: WaterPlane, { volume, moments, cut }: Immersed): Floating {
  const buoyancy = moments.map((moment) => moment / volume) as [number, number, number];
  const { area, x, y, xx, yy, xy } = cut;
  // About the middle of the cut; how far apart the centres are is measured square to the water.
  const spread = (square: number, a: number, b: number) => (area > 0 ? square - (a * b) / area : 0);
  const [across, along, both] = [spread(yy, y, y), spread(xx, x, x), spread(xy, x, y)];
  const tilt = Math.sqrt(1 + plane.trim ** 2 + plane.heel ** 2);
  const apart = (buoyancy[2] - centre[2]) * tilt;
  // From the baseline plane, on which the cut is measured, to the water plane itself.
  const [wider, longer] = [Math.sqrt(1 + plane.heel ** 2), Math.sqrt(1 + plane.trim ** 2)];
  const radius = (second: number, stretch: number) => (area > 0 ? (second * stretch * tilt) / volume : 0);
  const gmAcross = radius(across, wider ** 2) + apart;
  const gmAlong = radius(along, longer ** 2) + apart;
  const stable = gmAcross > 0 && gmAlong > 0 && gmAcross * gmAlong > radius(both, wider * longer) ** 2;
  return { plane, volume, centreOfBuoyancy: buoyancy, cut, gmAcross, gmAlong, stable };
}

/** Change of height, trim and heel that would bring rest, were everything straight. */
function newtonStep({ centre }: FloatQuestion, { volume, moments, cut }: Immersed, plane: WaterPlane, rest: number[]) {
  const [gx, gy, gz] = centre;
  const { height, trim, heel } = plane;
  const { area, x, y, xx, yy, xy } = cut;
  // ∫ z, xz, yz dA on the plane.
  const [z, xz, yz] = [
    height * area + trim * x + heel * y,
    height * x + trim * xx + heel * xy,
    height * y + trim * xy + heel * yy,
  ];
  const up = moments[2] - volume * gz;
  const rows = [
    [area, x, y],
    [
      x - gx * area + trim * (z - gz * area),
      xx - gx * x + trim * (xz - gz * x) + up,
      xy - gx * y + trim * (yz - gz * y),
    ],
    [
      y - gy * area + heel * (z - gz * area),
      xy - gy * x + heel * (xz - gz * x),
      yy - gy * y + heel * (yz - gz * y) + up,
    ],
  ];
  try {
    const solved = solve(new Matrix(rows), Matrix.columnVector(rest.map((value) => -value)));
    return [0, 1, 2].map((i) => solved.get(i, 0));
  } catch {
    return [NaN, NaN, NaN];
  }
}

/** The plane of the same slopes that displaces the mass; null where nothing does. */
function levelled({ under, mass, waterDensity }: FloatQuestion, { height, trim, heel }: WaterPlane): WaterPlane | null {
  const wanted = mass / waterDensity;
  const at = (h: number) => under({ height: h, trim, heel });
  let [low, high] = [-60, 60];
  if (at(high).volume < wanted) return null;
  let h = Math.min(high, Math.max(low, height));
  for (let step = 0; step < 100; step++) {
    const { volume, cut } = at(h);
    const over = volume - wanted;
    if (Math.abs(over) < 1e-8 * wanted) break;
    if (over > 0) high = h;
    else low = h;
    const next = cut.area > 0 ? h - over / cut.area : NaN;
    h = next > low && next < high ? next : (low + high) / 2;
    if (high - low < 1e-12) break;
  }
  return { height: h, trim, heel };
}
