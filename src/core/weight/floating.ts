import { shapeOf, type Boat, type Condition, type Space } from '../document';
import {
  filledBy,
  floats,
  hullBody,
  immersed,
  immersedLumps,
  solid,
  together,
  type Floating,
  type Lump,
  type WaterPlane,
} from '../float';
import type { BoatShape } from '../geometry';
import { aboardIn, loadingOf, type Loading } from './loading';
import { bodyOfSpace, type Mass } from './masses';

/** kg/m³. */
export const WATER_DENSITY = { sea: 1025, fresh: 1000 } as const;

const degrees = (slope: number) => (Math.atan(slope) * 180) / Math.PI;

/** Where the deck edge stands over the water (m); below it where negative. */
export interface Freeboard {
  name: string;
  x: number;
  hand: 'port' | 'starboard';
  height: number;
}

/** How a boat lies in the water. m, degrees. */
export interface FloatState {
  loading: Loading;
  plane: WaterPlane;
  /** Bow up, and starboard down, are positive. */
  trimDeg: number;
  heelDeg: number;
  /** Height of the water over the baseline at both ends of the waterline and in the middle. */
  draughts: { aft: number; middle: number; fore: number };
  freeboards: Freeboard[];
  /** The least of all along both deck edges. */
  least: Freeboard;
  volume: number;
  centreOfBuoyancy: readonly [number, number, number];
  /** Metacentric heights, the free surfaces of slack tanks taken off the first. */
  gmAcross: number;
  gmAlong: number;
  freeSurfaceLoss: number;
  stable: boolean;
}

/** Why no state could be given. */
export interface NotFloating {
  reason: string;
}

const EDGES = 41;
/** Where the deck edge is under a water plane, and how deep. */
function freeboardsOf(shape: BoatShape, plane: WaterPlane): { named: Freeboard[]; least: Freeboard } {
  const { hull } = shape;
  const square = Math.sqrt(1 + plane.trim ** 2 + plane.heel ** 2);
  const at = (name: string, share: number, hand: 'port' | 'starboard'): Freeboard => {
    const x = hull.aft + share * (hull.bow - hull.aft);
    const [, y, z] = hull.at(x, 2);
    const side = hand === 'port' ? -y : y;
    return { name, x, hand, height: (z - plane.height - plane.trim * x - plane.heel * side) / square };
  };
  const hands = ['starboard', 'port'] as const;
  const along = Array.from({ length: EDGES }, (_, i) => i / (EDGES - 1));
  const all = hands.flatMap((hand) => along.map((share) => at('least', share, hand)));
  const named = hands.flatMap((hand) => [at('aft', 0, hand), at('amidships', 0.5, hand), at('forward', 1, hand)]);
  return { named, least: all.reduce((low, one) => (one.height < low.height ? one : low)) };
}

interface Rest {
  loading: Loading;
  found: Floating;
  /** Moment of the free surfaces (kg·m). */
  freeSurface: number;
}
function stateOf(boat: Boat, shape: BoatShape, { loading, found, freeSurface }: Rest): FloatState {
  const { plane, volume, centreOfBuoyancy, gmAcross, gmAlong, stable } = found;
  const draught = (x: number) => plane.height + plane.trim * x;
  const { named, least } = freeboardsOf(shape, plane);
  const loss = freeSurface / loading.mass;
  return {
    loading,
    plane,
    trimDeg: -degrees(plane.trim),
    heelDeg: degrees(plane.heel),
    draughts: {
      aft: draught(0),
      middle: draught(boat.brief.waterlineLength / 2),
      fore: draught(boat.brief.waterlineLength),
    },
    freeboards: named,
    least,
    volume,
    centreOfBuoyancy,
    gmAcross: gmAcross - loss,
    gmAlong,
    freeSurfaceLoss: loss,
    stable: stable && gmAcross > loss,
  };
}

/** Shares at which a tank that is drawn from is looked at: full, its surface is that of its lid alone. */
const DRAWN = [0.98, 0.9, 0.75, 0.5, 0.25];

/**
 * Moments of the free surfaces of tanks that are not empty (kg·m): of one that is full the greatest that it comes to
 * while it is drawn from, for its top may be narrower than what lies below it.
 */
function freeSurfaces(boat: Boat, shape: BoatShape, aboard: ReturnType<typeof aboardIn>): number {
  return aboard.reduce((sum, { mass, share }) => {
    const space = mass.of === 'contents' ? boat.spaces.find(({ id }) => id === mass.id) : undefined;
    if (space?.kind !== 'tank') return sum;
    const body = bodyOfSpace(shape, space);
    const shares = share < DRAWN[0]! ? [share] : DRAWN;
    return sum + space.density * Math.max(...shares.map((one) => filledBy(body, one)?.freeSurface ?? 0));
  }, 0);
}

const NO_SHAPE = 'The boat has no shape yet: draw its hull under Zones';
const NOTHING = 'Nothing weighs yet';

/**
 * How a boat lies in a condition, from its hull and everything that weighs in it.
 *
 * @param lost spaces that stand open to the sea: what they hold is water, and lifts nothing.
 * @returns why not, where it goes under or finds no rest within fifty degrees.
 * Source: equilibrium on the true shape; docs/engineering.md, "Weight, centre and floating".
 */
export function floatIn(
  boat: Boat,
  masses: readonly Mass[],
  condition: Condition,
  lost: readonly Space[] = [],
): FloatState | NotFloating {
  const shape = shapeOf(boat);
  if (!shape) return { reason: NO_SHAPE };
  const loading = loadingOf(masses, condition);
  if (!loading) return { reason: NOTHING };
  const hull = hullBody(shape);
  const open = lost.flatMap((space) => {
    const share = space.kind === 'compartment' ? space.free : 1;
    return [{ body: bodyOfSpace(shape, space), share }];
  });
  const under = (plane: WaterPlane) => {
    const whole = immersed(hull, plane);
    for (const { body, share } of open) subtract(whole, immersed(body, plane), share);
    return whole;
  };
  const waterDensity = WATER_DENSITY[boat.brief.water];
  const start = { height: shape.hull.waterline, trim: 0, heel: 0 };
  const found = floats({ under, mass: loading.mass, centre: loading.centre, waterDensity, start });
  if (!found)
    return {
      reason:
        loading.mass / waterDensity > (solid(hull)?.volume ?? 0)
          ? 'She weighs more than her hull displaces to the deck edge'
          : 'She finds no rest within fifty degrees: the centre lies too high, or too far to one side or end',
    };
  const aboard = aboardIn(masses, condition);
  return stateOf(boat, shape, { loading, found, freeSurface: freeSurfaces(boat, shape, aboard) });
}

function subtract(from: ReturnType<typeof immersed>, what: ReturnType<typeof immersed>, share: number) {
  from.volume -= share * what.volume;
  for (const axis of [0, 1, 2] as const) from.moments[axis] -= share * what.moments[axis];
  for (const key of ['area', 'x', 'y', 'xx', 'yy', 'xy'] as const) from.cut[key] -= share * what.cut[key];
}

/** What lifts a boat whose hull is full of water. */
export interface Lift {
  id: string;
  name: string;
  of: 'laminate' | 'item' | 'compartment' | 'foam';
  /** m³, and kg of water it displaces when it is all under. */
  volume: number;
  lifts: number;
  /** Why it does not count, where it does not. */
  leftOut: string | null;
}

export interface Swamped {
  state: FloatState | NotFloating;
  lifts: Lift[];
  /** kg: what all of it lifts, against what she weighs. */
  lifted: number;
  weighs: number;
  /** Foam that is wanting to carry her just awash, of the density given (m³); 0 where none is. */
  foamWanted: number;
}

/** Height over which a piece of an item or of the laminate goes under (m). */
const ITEM_SIZE = 0.4;
const LAMINATE_SIZE = 0.15;

/**
 * The boat full of water, in full load with her people: what lifts her is what her material, her foam and her tight
 * compartments displace, each where it is.
 *
 * @param openable whether compartments that open by a hatch or plug are taken for closed.
 */
export function swamped(
  boat: Boat,
  masses: readonly Mass[],
  { openable, foamDensity }: { openable: boolean; foamDensity: number },
): Swamped {
  const waterDensity = WATER_DENSITY[boat.brief.water];
  const loading = loadingOf(masses, 'full');
  const shape = shapeOf(boat);
  const lifts: Lift[] = [];
  const parts: ((plane: WaterPlane) => ReturnType<typeof immersed>)[] = [];
  const lumps: Lump[] = [];
  for (const { mass, share } of aboardIn(masses, 'full')) {
    const volume = share * mass.volume;
    if (volume < 1e-9) continue;
    const item = mass.of === 'item' || mass.of === 'contents';
    lifts.push({
      id: mass.id,
      name: mass.name,
      of: item ? 'item' : 'laminate',
      volume,
      lifts: volume * waterDensity,
      leftOut: null,
    });
    const size = item ? ITEM_SIZE : LAMINATE_SIZE;
    if (mass.places.length === 0) lumps.push({ at: mass.centre, volume, size });
    for (const at of mass.places) lumps.push({ at, volume: volume / mass.places.length, size });
  }
  parts.push((plane) => immersedLumps(lumps, plane));
  for (const space of shape ? boat.spaces : []) {
    if (space.kind === 'tank') continue;
    const body = bodyOfSpace(shape!, space);
    const whole = solid(body)?.volume ?? 0;
    const share = space.kind === 'foam' ? space.filled * (1 - space.uptake) : space.free;
    const leftOut = whyNot(space, openable);
    const volume = share * whole;
    lifts.push({
      id: space.id,
      name: space.name,
      of: space.kind,
      volume,
      lifts: volume * waterDensity,
      leftOut,
    });
    if (leftOut === null) parts.push((plane) => scaled(immersed(body, plane), share));
  }
  const lifted = lifts.reduce((sum, one) => sum + (one.leftOut === null ? one.lifts : 0), 0);
  const weighs = loading?.mass ?? 0;
  const wanting = Math.max(0, weighs - lifted);
  const foamWanted = wanting / (waterDensity - foamDensity);
  const rest = { lifts, lifted, weighs, foamWanted };
  if (!shape) return { ...rest, state: { reason: NO_SHAPE } };
  if (!loading) return { ...rest, state: { reason: NOTHING } };
  if (lifted <= weighs) return { ...rest, state: { reason: 'She goes down: she weighs more than all that lifts her' } };
  const start = { height: shape.hull.waterline, trim: 0, heel: 0 };
  const question = { under: together(parts), mass: weighs, centre: loading.centre, waterDensity, start };
  const found = floats(question);
  if (!found) return { ...rest, state: { reason: 'She floats, but finds no rest within fifty degrees of upright' } };
  return { ...rest, state: stateOf(boat, shape, { loading, found, freeSurface: 0 }) };
}

function scaled(of: ReturnType<typeof immersed>, share: number) {
  const cut = Object.fromEntries(Object.entries(of.cut).map(([key, value]) => [key, share * value])) as typeof of.cut;
  const [x, y, z] = of.moments;
  return { volume: share * of.volume, moments: [share * x, share * y, share * z] as [number, number, number], cut };
}

function whyNot(space: Space, openable: boolean): string | null {
  if (space.kind !== 'compartment') return null;
  if (space.closure === 'vented') return 'open to the bilge: it fills';
  if (space.closure === 'openable' && !openable) return 'its hatch or plug may be open';
  return null;
}
