import type { FlatPoint } from '../../geometry';
import { clockTime, flowTime } from '../thickening';
import { March, nodesOf } from './march';
import { fillMesh, inside, type FillMesh } from './mesh';
import { flowNetwork, type FlowAt, type FlowNetwork, type Lift } from './network';

/** m² alike every way, or along two axes, the first at an angle to x (degrees). */
export type Permeability = number | { k1: number; k2: number; angleDeg: number };

export interface FillRegion {
  outline: readonly FlatPoint[];
  permeability: Permeability;
  porosity: number;
  /** m */
  thickness: number;
}
/**
 * Where resin comes in: all within a radius of a point, or along a line; from when to when (s). One that opens when the
 * front has come by does so when all of it is wet, or so long afterwards.
 */
export type FillInlet = ({ at: FlatPoint; radius: number } | { line: readonly FlatPoint[] }) & {
  openAt?: number | undefined;
  closeAt?: number | undefined;
  onArrival?: { delay: number } | undefined;
};
export type FillVent = { at: FlatPoint } | { line: readonly FlatPoint[] };

export interface FillInput extends Omit<FillRegion, 'outline'> {
  outline: readonly FlatPoint[];
  holes?: readonly (readonly FlatPoint[])[] | undefined;
  /** Places that differ from the rest; the later counts where two overlap. */
  regions?: readonly FillRegion[] | undefined;
  /** Pa·s at the beginning; it grows by e^(rate·t), rate in 1/s. */
  viscosity: number;
  viscosityRate?: number | undefined;
  /** Difference between feed and vacuum (Pa). */
  pressure: number;
  inlets: readonly FillInlet[];
  /** Where the picture is one of a surface; with the weight of the resin in the mould (kg/m³), that too. */
  lift?: Lift | undefined;
  density?: number | undefined;
  /** None: vacuum everywhere ahead of the front. */
  vents?: readonly FillVent[] | undefined;
  /** Triangles, about. */
  cells?: number | undefined;
  /** s */
  maximumTime?: number | undefined;
}

export interface FillStep {
  done: number;
  at: string;
  /** s by the clock, share of the pores that is full. */
  time: number;
  filled: number;
  /** The mesh, and arrival as far as it has come (s by flow time): as they stand, to be looked at at once. */
  mesh: FillMesh;
  arrived: Float64Array;
}

export interface FillResult {
  mesh: FillMesh;
  /** s at which the front reaches each node; infinite where it never does. */
  arrival: Float64Array;
  /** Share of each node's pores that is full at the end. */
  saturation: Float64Array;
  /** s; null where it never fills. */
  fillTime: number | null;
  filledFraction: number;
  /** m³ in the part. */
  resinVolume: number;
  lastToFill: FlatPoint;
  /** Dry places that no vent draws from any more. */
  trapped: { area: number; at: FlatPoint }[];
  /** m³ that came in at each time of the march (s), and through each inlet. */
  course: { time: number; volume: number; through: number[] }[];
  /** When each inlet opened (s); null where it never did. */
  opened: (number | null)[];
  /** Pressure at the end, as a share of what drives it: 1 at the feed, 0 at the vacuum. */
  pressure: Float64Array;
  /** Neighbours and areas (m²) of the nodes; those that nothing flows into any more. */
  network: Pick<FlowNetwork, 'starts' | 'neighbours' | 'area'>;
  cutOff: Uint8Array;
}

/** m/s² */
const GRAVITY = 9.80665;
/** Least triangles, and those where nothing is asked. */
const USUAL_CELLS = 8000;
/**
 * Each step is so much longer than what went before since the last change of the inlets; shorter with vents, where the
 * resin is weighed, and where an inlet waits for the front.
 */
const GROWTH = { plain: 0.18, short: 0.08 };
/** The time at which a part is full is found to this share. */
const SHARP = 2e-3;
/** A step goes so far towards where the part would be full at the rate of the last one. */
const SHORT = 0.7;
/** Steps in which nothing comes in after which nothing will. */
const IDLE = 4;

const permeabilityOf = (given: Permeability) =>
  typeof given === 'number' ? { k1: given, k2: given, angleDeg: 0 } : given;

/**
 * Resin drawn into a flat part by Darcy's law, the front followed by what each node holds; feed lines that open and
 * close, a resin that thickens, dry places cut off from every vent.
 *
 * The sum of pressure over flow time, u, solves an obstacle problem at any time by itself (Elliott & Janovský 1981):
 * there is no error of marching, mass is kept to rounding, and a front never goes back. Between changes of the inlets
 * the problem begins anew with what is still dry. The front passes a node where √u, which falls evenly towards it,
 * comes to 0.
 *
 * A generator of how far it is. @returns arrival at every node, what is full, what is trapped.
 * @example fillSimulation({ outline: metreByMetre, inlets: [{ line: [[0, 0], [0, 1]] }], … }) // φ μ L² / (2 K Δp)
 */
export function* fillSimulation(input: FillInput): Generator<FillStep, FillResult> {
  const { outline, holes = [], regions = [], inlets, vents = [], cells = USUAL_CELLS, pressure, viscosity } = input;
  const rate = input.viscosityRate ?? 0;
  const mesh = fillMesh({
    outline,
    holes,
    lines: [
      ...[...inlets, ...vents].flatMap((one) => ('line' in one ? [one.line] : [])),
      ...regions.map(({ outline: ring }) => [...ring, ring[0]!]),
    ],
    points: [
      ...inlets.flatMap((one) => ('at' in one ? [{ at: one.at, radius: one.radius }] : [])),
      ...vents.flatMap((one) => ('at' in one ? [{ at: one.at, radius: 0 }] : [])),
    ],
    cells,
  });
  const network = flowNetwork(
    mesh,
    (x, y): FlowAt => {
      const own = regions.findLast(({ outline: ring }) => inside(ring, x, y)) ?? input;
      return { ...permeabilityOf(own.permeability), porosity: own.porosity, thickness: own.thickness };
    },
    input.lift,
  );
  const weight = input.lift && input.density ? (input.density * GRAVITY) / pressure : 0;
  const march = new March(mesh, network, { scale: viscosity / pressure, vents, weight });
  const whole = network.volume.reduce((sum, one) => sum + one, 0);
  const course: FillResult['course'] = [];
  /** m³ through each inlet before the inlets last changed. */
  const before = inlets.map(() => 0);
  const limit = rate > 0 ? (1 - 1e-9) / rate : Infinity;
  const end = Math.min(limit, input.maximumTime === undefined ? Infinity : flowTime(input.maximumTime, rate));
  const feeds = inlets.map((inlet) => ({
    // What lies over the edge feeds nothing.
    nodes: nodesOf(mesh, inlet, network.volume),
    from: inlet.onArrival ? Infinity : flowTime(inlet.openAt ?? 0, rate),
    to: inlet.closeAt === undefined ? Infinity : flowTime(inlet.closeAt, rate),
    delay: inlet.onArrival?.delay ?? null,
  }));
  const short = vents.length > 0 || weight > 0 || inlets.some(({ onArrival }) => onArrival);
  const growth = short ? GROWTH.short : GROWTH.plain;
  const isOpen = (feed: { from: number; to: number }, at: number) => feed.from <= at && feed.to > at;
  /** Inlets that the front has come by open now, or after their delay. */
  const arrivals = (now: number): boolean => {
    let opens = false;
    for (const feed of feeds)
      if (feed.delay !== null && feed.from === Infinity && march.reached(feed.nodes)) {
        feed.from = flowTime(clockTime(now, rate) + feed.delay, rate);
        opens = true;
      }
    return opens;
  };
  let full: number | null = null;
  let idle = 0;
  let now = 0;
  while (full === null && now < end) {
    const from = now;
    const next = feeds.flatMap((feed) => [feed.from, feed.to]).filter((time) => time > from);
    const to = Math.min(end, ...next);
    const held = feeds.filter((feed) => isOpen(feed, from)).flatMap(({ nodes }) => nodes);
    if (held.length === 0) {
      if (to === Infinity || to === end) break;
      march.begin(from, held);
      now = to;
      continue;
    }
    march.begin(from, held);
    let step = march.firstStep();
    let last = { time: from, volume: march.volume() };
    let toFull = Infinity;
    let stands = false;
    while (now < to && full === null && !stands) {
      const wide = Math.max(step, growth * (now - from));
      // No further than about where it is full, so that this is not overshot.
      const near = Math.max(SHARP * (now - from), SHORT * toFull);
      now = Math.min(to, now + Math.min(wide, near));
      march.go(now);
      step = Math.max(step, growth * (now - from));
      const volume = march.volume();
      if (march.isFull()) full = now;
      toFull = ((whole - volume) * (now - last.time)) / Math.max(1e-12 * whole, volume - last.volume);
      idle = volume - last.volume > 1e-9 * whole ? 0 : idle + 1;
      last = { time: now, volume };
      const time = clockTime(now, rate);
      const through = feeds.map((feed, k) => before[k]! + (isOpen(feed, from) ? march.given(feed.nodes) : 0));
      course.push({ time, volume, through });
      const done = volume / whole;
      yield { done, at: 'filling', time, filled: done, mesh, arrived: march.arrivals() };
      stands = full === null && (march.stands() || idle >= IDLE);
      if (arrivals(now)) break;
    }
    course.at(-1)?.through.forEach((volume, k) => (before[k] = volume));
    march.settle();
    // Nothing moves any more: on to when the inlets change, or it stays as it is.
    if (stands && !feeds.some((feed) => feed.from >= now && Number.isFinite(feed.from))) {
      if (to === end || to === Infinity) break;
      now = to;
    }
  }
  const arrival = march.arrivals().map((flow) => clockTime(flow, rate));
  const volume = march.volume();
  let latest = 0;
  for (let i = 0; i < arrival.length; i++) if (network.volume[i]! > 0 && arrival[i]! > arrival[latest]!) latest = i;
  return {
    mesh,
    arrival,
    saturation: march.saturation(),
    fillTime: full === null ? null : clockTime(full, rate),
    filledFraction: volume / whole,
    resinVolume: volume,
    lastToFill: [mesh.x[latest]!, mesh.y[latest]!],
    trapped: march.trapped(),
    course,
    opened: feeds.map(({ from }) => (from <= now ? clockTime(from, rate) : null)),
    pressure: march.pressure(),
    network,
    cutOff: march.cutOffs(),
  };
}
