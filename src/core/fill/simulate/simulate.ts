import type { FlatPoint } from '../../geometry';
import { clockTime, flowTime } from '../thickening';
import { fillMesh, inside, type FillMesh } from './mesh';
import { flowNetwork, type FlowAt, type FlowNetwork } from './network';
import { CUT_OFF, DRY, HELD, solveObstacle, WET } from './obstacle';

/** m² alike every way, or along two axes, the first at an angle to x (degrees). */
export type Permeability = number | { k1: number; k2: number; angleDeg: number };

export interface FillRegion {
  outline: readonly FlatPoint[];
  permeability: Permeability;
  porosity: number;
  /** m */
  thickness: number;
}
/** Where resin comes in: all within a radius of a point, or along a line; from when to when (s). */
export type FillInlet = ({ at: FlatPoint; radius: number } | { line: readonly FlatPoint[] }) & {
  openAt?: number | undefined;
  closeAt?: number | undefined;
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
  /** m³ that came in at each time of the march (s). */
  course: { time: number; volume: number }[];
}

/** Least triangles, and those where nothing is asked. */
const USUAL_CELLS = 8000;
/** Each step is so much longer than what went before since the last change of the inlets; shorter with vents. */
const GROWTH = { plain: 0.15, vents: 0.05 };
/** A node whose pores are full to this is full; the time at which a part is full is found to this share. */
const FULL = 1 - 1e-6;
const SHARP = 1e-3;
/** Steps in which nothing comes in after which nothing will. */
const IDLE = 4;
/** What counts as still dry where vents are looked for. */
const OPEN = 0.5;

const permeabilityOf = (given: Permeability) =>
  typeof given === 'number' ? { k1: given, k2: given, angleDeg: 0 } : given;

/** Distance of a point from a line. */
function distanceTo(line: readonly FlatPoint[], x: number, y: number): number {
  let least = Infinity;
  for (let i = 1; i < line.length; i++) {
    const [[ax, ay], [bx, by]] = [line[i - 1]!, line[i]!];
    const long = (bx - ax) ** 2 + (by - ay) ** 2;
    const t = long === 0 ? 0 : Math.max(0, Math.min(1, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / long));
    least = Math.min(least, Math.hypot(ax + t * (bx - ax) - x, ay + t * (by - ay) - y));
  }
  return least;
}

/** Nodes within a radius or on a line; the nearest node where there is none. */
function nodesOf({ x, y, size }: FillMesh, place: FillVent & { radius?: number }): number[] {
  const away = (i: number) =>
    'line' in place ? distanceTo(place.line, x[i]!, y[i]!) : Math.hypot(x[i]! - place.at[0], y[i]! - place.at[1]);
  const reach = 'line' in place ? 1e-6 * size : (place.radius ?? 0) * (1 + 1e-9);
  const found: number[] = [];
  let nearest = 0;
  for (let i = 0; i < x.length; i++) {
    if (away(i) <= reach) found.push(i);
    if (away(i) < away(nearest)) nearest = i;
  }
  return found.length > 0 ? found : [nearest];
}

/**
 * Resin drawn into a flat part by Darcy's law, the front followed by what each node holds; feed lines that open and
 * close, a resin that thickens, dry places cut off from every vent.
 *
 * The sum of pressure over flow time, u, solves an obstacle problem at any time by itself (Elliott & Janovský 1981): so
 * there is no error of marching, mass is kept to rounding, and a front never goes back. Between changes of the inlets the
 * problem begins anew with what is still dry. The front passes a node where √u, which falls evenly towards it, comes to 0.
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
  const network = flowNetwork(mesh, (x, y): FlowAt => {
    const own = regions.findLast(({ outline: ring }) => inside(ring, x, y)) ?? input;
    return { ...permeabilityOf(own.permeability), porosity: own.porosity, thickness: own.thickness };
  });
  const march = new March(mesh, network, { scale: viscosity / pressure, vents });
  const whole = network.volume.reduce((sum, one) => sum + one, 0);
  const course: { time: number; volume: number }[] = [];
  const limit = rate > 0 ? (1 - 1e-9) / rate : Infinity;
  const end = Math.min(limit, input.maximumTime === undefined ? Infinity : flowTime(input.maximumTime, rate));
  const changes = [
    ...new Set(inlets.flatMap(({ openAt = 0, closeAt }) => [openAt, ...(closeAt === undefined ? [] : [closeAt])])),
  ]
    .map((seconds) => flowTime(seconds, rate))
    .sort((a, b) => a - b);
  const feeds = inlets.map((inlet) => ({
    nodes: nodesOf(mesh, inlet),
    from: flowTime(inlet.openAt ?? 0, rate),
    to: inlet.closeAt === undefined ? Infinity : flowTime(inlet.closeAt, rate),
  }));
  const growth = vents.length > 0 ? GROWTH.vents : GROWTH.plain;
  let full: number | null = null;
  let [known, idle] = [0, 0];
  for (const [i, from] of changes.entries()) {
    const to = Math.min(end, changes[i + 1] ?? Infinity);
    if (from >= to) break;
    const held = feeds.filter((feed) => feed.from <= from && feed.to > from).flatMap(({ nodes }) => nodes);
    march.begin(from, held);
    if (held.length === 0) continue;
    let step = march.firstStep();
    for (let now = from; now < to && full === null;) {
      const next = Math.min(to, now + Math.max(step, growth * (now - from)));
      march.go(next);
      if (march.isFull()) full = march.whenFull(now, next);
      now = full ?? next;
      step = Math.max(step, growth * (now - from));
      const volume = march.volume();
      course.push({ time: clockTime(now, rate), volume });
      yield { done: volume / whole, at: 'filling', time: clockTime(now, rate), filled: volume / whole };
      idle = volume - known > 1e-9 * whole ? 0 : idle + 1;
      known = volume;
      if (full === null && (march.stands() || idle >= IDLE)) break;
    }
    march.settle();
    if (full !== null) break;
  }
  const arrival = march.arrivals().map((flow) => clockTime(flow, rate));
  const volume = march.volume();
  let last = 0;
  for (let i = 0; i < arrival.length; i++) if (network.volume[i]! > 0 && arrival[i]! > arrival[last]!) last = i;
  return {
    mesh,
    arrival,
    saturation: march.saturation(),
    fillTime: full === null ? null : clockTime(full, rate),
    filledFraction: volume / whole,
    resinVolume: volume,
    lastToFill: [mesh.x[last]!, mesh.y[last]!],
    trapped: march.trapped(),
    course,
  };
}

/** The front between two changes of the inlets, and what came before. */
class March {
  private readonly n: number;
  private readonly state: Uint8Array;
  private readonly u: Float64Array;
  private readonly before: Float64Array;
  /** Full when the inlets last changed; volume that each node still took then. */
  private readonly start: Float64Array;
  private readonly need: Float64Array;
  private readonly time: Float64Array;
  private readonly ventNodes: number[][];
  private readonly neverAgain: Uint8Array;
  private from = 0;
  private now = 0;
  private last = 0;
  private earlier = 0;
  /** Rings of neighbours that came to be wet in the last step. */
  private ahead = 2;
  constructor(
    private readonly mesh: FillMesh,
    private readonly network: FlowNetwork,
    /** Viscosity over pressure: turns volumes into what drives u. */
    private readonly own: { scale: number; vents: readonly FillVent[] },
  ) {
    this.n = mesh.x.length;
    this.state = new Uint8Array(this.n);
    this.u = new Float64Array(this.n);
    this.before = new Float64Array(this.n);
    this.start = new Float64Array(this.n);
    this.need = new Float64Array(this.n);
    this.time = new Float64Array(this.n).fill(Infinity);
    this.neverAgain = new Uint8Array(this.n);
    this.ventNodes = own.vents.map((vent) => nodesOf(mesh, vent));
  }

  /** Inlets change: what is held is full at once, the rest begins with what it holds. */
  begin(from: number, held: readonly number[]): void {
    this.from = from;
    this.now = from;
    this.last = from;
    this.earlier = from;
    for (const i of held) {
      if (this.time[i] === Infinity) this.time[i] = from;
      this.start[i] = 1;
    }
    for (let i = 0; i < this.n; i++) {
      this.need[i] = this.network.volume[i]! * (1 - this.start[i]!) * this.own.scale;
      this.state[i] = this.neverAgain[i] ? CUT_OFF : this.start[i]! >= FULL ? WET : DRY;
      this.u[i] = 0;
      this.before[i] = 0;
    }
    for (const i of held) this.state[i] = HELD;
    this.cutOff();
  }

  /** Time in which the first ring of nodes round what is held fills, about. */
  firstStep(): number {
    let least = Infinity;
    const { starts, neighbours, conductance } = this.network;
    for (let i = 0; i < this.n; i++) {
      if (this.state[i] !== DRY || !(this.need[i]! > 0)) continue;
      let inflow = 0;
      for (let k = starts[i]!; k < starts[i + 1]!; k++)
        if (this.state[neighbours[k]!] !== DRY && this.state[neighbours[k]!] !== CUT_OFF)
          inflow += Math.max(0, conductance[k]!);
      if (inflow > 0) least = Math.min(least, this.need[i]! / inflow);
    }
    return Number.isFinite(least) ? 2 * least : 1;
  }

  /** On to a time (flow time). */
  go(to: number): void {
    this.earlier = this.last;
    this.last = this.now;
    this.before.set(this.u);
    this.now = to;
    this.solve(to);
    this.mark();
    this.cutOff();
  }

  private solve(to: number): void {
    const { starts, neighbours } = this.network;
    const grown = this.now > this.from && this.last > this.from ? (to - this.from) / (this.last - this.from) : 1;
    // Wet nodes to begin with: those that were, and some rings of neighbours about them.
    let edge: number[] = [];
    for (let i = 0; i < this.n; i++) {
      if (this.state[i] === HELD) this.u[i] = to - this.from;
      else if (this.state[i] === WET) this.u[i]! *= grown;
      if (this.state[i] === HELD || this.state[i] === WET) edge.push(i);
    }
    const rings: number[][] = [];
    for (let ring = 0; ring < this.ahead + 1 && edge.length > 0; ring++) {
      const next: number[] = [];
      for (const i of edge)
        for (let k = starts[i]!; k < starts[i + 1]!; k++) {
          const j = neighbours[k]!;
          if (this.state[j] !== DRY) continue;
          this.state[j] = WET;
          next.push(j);
        }
      rings.push(next);
      edge = next;
    }
    solveObstacle(this.network, this.state, this.need, this.u);
    const reached = rings.findLastIndex((ring) => ring.some((i) => this.state[i] === WET)) + 1;
    // As far again, about; further where the whole guess came to be wet.
    this.ahead = reached > this.ahead ? 2 * this.ahead : Math.max(1, reached);
  }

  /** Arrival at nodes that came to be wet: where √u of the last two times comes to 0. */
  private mark(): void {
    for (let i = 0; i < this.n; i++) {
      if (this.state[i] !== WET || this.time[i] !== Infinity) continue;
      const [old, now] = [Math.sqrt(this.before[i]!), Math.sqrt(this.u[i]!)];
      if (old <= 0) continue;
      // Even in the root of the time since the inlets changed, as a straight front goes.
      const [a, b] = [Math.sqrt(this.last - this.from), Math.sqrt(this.now - this.from)];
      const root = now > old ? a - (old * (b - a)) / (now - old) : a;
      this.time[i] = Math.max(this.earlier, this.from + Math.max(0, root) ** 2);
    }
  }

  /** Nodes wet at the last time only: their arrival by where they lie between the last two. */
  settle(): void {
    const s = this.saturation();
    for (let i = 0; i < this.n; i++) {
      if (this.time[i] === Infinity && s[i]! >= OPEN)
        this.time[i] = this.state[i] === WET && this.u[i]! > 0 ? this.between(i) : this.now;
      this.start[i] = s[i]!;
    }
  }

  /** Between the last two times, by u against that of a node that was wet at both. */
  private between(i: number): number {
    const { starts, neighbours } = this.network;
    let share = 1;
    for (let k = starts[i]!; k < starts[i + 1]!; k++) {
      const j = neighbours[k]!;
      const gain = this.u[j]! - this.before[j]!;
      if (gain > 0) share = Math.min(share, this.u[i]! / gain);
    }
    return this.now - Math.min(1, share) * (this.now - this.last);
  }

  saturation(): Float64Array {
    const { starts, neighbours, conductance, volume } = this.network;
    const full = new Float64Array(this.n);
    for (let i = 0; i < this.n; i++) {
      if (this.state[i] === HELD || (this.state[i] === WET && this.u[i]! > 0)) full[i] = 1;
      else {
        let inflow = 0;
        for (let k = starts[i]!; k < starts[i + 1]!; k++)
          if (this.state[neighbours[k]!] !== CUT_OFF) inflow += conductance[k]! * this.u[neighbours[k]!]!;
        const own = this.state[i] === CUT_OFF ? 0 : inflow;
        full[i] = volume[i]! > 0 ? Math.min(1, Math.max(0, this.start[i]! + own / (volume[i]! * this.own.scale))) : 1;
      }
    }
    return full;
  }

  volume(): number {
    return this.saturation().reduce((sum, s, i) => sum + s * this.network.volume[i]!, 0);
  }

  isFull = (): boolean => this.saturation().every((s) => s >= FULL);

  /** The front stands: all that can fill has. */
  stands(): boolean {
    for (let i = 0; i < this.n; i++) if (this.state[i] === DRY) return false;
    return true;
  }

  /** When the part came to be full between two times, to a thousandth. */
  whenFull(low: number, high: number): number {
    let [a, b] = [low, high];
    while (b - a > SHARP * b) {
      const middle = (a + b) / 2;
      this.now = middle;
      this.solve(middle);
      if (this.isFull()) [b] = [middle];
      else a = middle;
    }
    this.now = b;
    this.solve(b);
    this.mark();
    return b;
  }

  arrivals(): Float64Array {
    return this.time;
  }

  /** Dry places that no vent draws from are cut off: nothing flows into them any more. */
  private cutOff(): void {
    if (this.ventNodes.length === 0) return;
    const s = this.saturation();
    for (const { nodes } of this.dryPlaces(s)) {
      const drawn = this.ventNodes.some((vent) => vent.some((i) => s[i]! < OPEN && nodes.has(i)));
      if (drawn) continue;
      for (const i of nodes) {
        this.start[i] = s[i]!;
        this.state[i] = CUT_OFF;
        this.neverAgain[i] = 1;
        this.u[i] = 0;
      }
    }
  }

  /** Places that are dry and hang together. */
  private dryPlaces(s: Float64Array): { nodes: Set<number> }[] {
    const { starts, neighbours } = this.network;
    const seen = new Uint8Array(this.n);
    const places: { nodes: Set<number> }[] = [];
    for (let i = 0; i < this.n; i++) {
      if (seen[i] || s[i]! >= OPEN || this.neverAgain[i]) continue;
      const nodes = new Set<number>();
      const open = [i];
      seen[i] = 1;
      while (open.length > 0) {
        const own = open.pop()!;
        nodes.add(own);
        for (let k = starts[own]!; k < starts[own + 1]!; k++) {
          const j = neighbours[k]!;
          if (seen[j] || s[j]! >= OPEN || this.neverAgain[j]) continue;
          seen[j] = 1;
          open.push(j);
        }
      }
      places.push({ nodes });
    }
    return places;
  }

  trapped(): { area: number; at: FlatPoint }[] {
    const s = this.saturation();
    const { starts, neighbours, area } = this.network;
    const seen = new Uint8Array(this.n);
    const places: { area: number; at: FlatPoint }[] = [];
    for (let i = 0; i < this.n; i++) {
      if (seen[i] || !this.neverAgain[i]) continue;
      let [dry, mx, my] = [0, 0, 0];
      const open = [i];
      seen[i] = 1;
      while (open.length > 0) {
        const own = open.pop()!;
        const left = area[own]! * (1 - s[own]!);
        dry += left;
        mx += left * this.mesh.x[own]!;
        my += left * this.mesh.y[own]!;
        for (let k = starts[own]!; k < starts[own + 1]!; k++) {
          const j = neighbours[k]!;
          if (seen[j] || !this.neverAgain[j]) continue;
          seen[j] = 1;
          open.push(j);
        }
      }
      if (dry > 0) places.push({ area: dry, at: [mx / dry, my / dry] });
    }
    return places.sort((a, b) => b.area - a.area);
  }
}
