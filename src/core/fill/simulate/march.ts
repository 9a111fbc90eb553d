import { invalid } from '../../error';
import { nearestOnEdge, type FlatPoint } from '../../geometry';
import { hangingTogether } from './hangingTogether';
import type { FillMesh } from './mesh';
import type { FlowNetwork } from './network';
import { CUT_OFF, DRY, HELD, solveObstacle, WET } from './obstacle';
import type { FillVent } from './simulate';

/** A node whose pores are full to this is full; one that is less full than half is open to a vent. */
const FULL = 1 - 1e-6;
const OPEN = 0.5;
/** A vacuum line draws from what lies so near (edges of a cell): a sliver behind it is no place of its own. */
const DRAWS = 0.4;
/** A place is cut off where some of it is dry to this. */
const BARE = 0.02;
/** Rounds in which it is found what the weight of the resin does in a step. */
const FALLS = 3;
/** Pressure over time comes out no higher than what drives it, but for single nodes of thin triangles. */
const BEYOND = 20;
/** What stays dry for its height takes so many times what it holds. */
const NEVER = 1e9;
/** The first step lasts so many times what the nearest node takes: three rings, about. */
const FIRST = 9;

/** Distance of a point from a line. */
function distanceTo(line: readonly FlatPoint[], x: number, y: number): number {
  let least = Infinity;
  for (let i = 1; i < line.length; i++) {
    const [u, v] = nearestOnEdge(line[i - 1]!, line[i]!, [x, y]);
    least = Math.min(least, Math.hypot(u - x, v - y));
  }
  return least;
}

/** Nodes within a radius or on a line that hold something; the nearest such node where there is none. */
export function nodesOf(
  { x, y, size }: FillMesh,
  place: FillVent & { radius?: number },
  volume: Float64Array,
  beside = 1e-6 * size,
): number[] {
  const away = (i: number) =>
    'line' in place ? distanceTo(place.line, x[i]!, y[i]!) : Math.hypot(x[i]! - place.at[0], y[i]! - place.at[1]);
  const reach = 'line' in place ? beside : Math.max(place.radius ?? 0, beside) * (1 + 1e-9);
  const found: number[] = [];
  let nearest = { i: 0, away: Infinity };
  for (let i = 0; i < x.length; i++) {
    if (!(volume[i]! > 0)) continue;
    const own = away(i);
    if (own <= reach) found.push(i);
    if (own < nearest.away) nearest = { i, away: own };
  }
  return found.length > 0 ? found : [nearest.i];
}

/** The front between two changes of the inlets, and what came before. */
export class March {
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
  /** What the weight of the resin has moved into each node since the inlets changed, as `need` counts. */
  private readonly fallen: Float64Array;
  /** Whether the last step found out what is wet. */
  private settled = true;
  private from = 0;
  private now = 0;
  private last = 0;
  private earlier = 0;
  /** Rings of neighbours that came to be wet in the last step, and those that are guessed. */
  private ahead = 2;
  private rings: number[][] = [];
  /** What the weight moves into each node before the step. */
  private wetBefore: Float64Array;
  private readonly network: FlowNetwork;
  constructor(
    private readonly mesh: FillMesh,
    network: FlowNetwork,
    /** Viscosity over pressure: turns volumes into what drives u; weight of a metre of resin over that pressure. */
    private readonly own: { scale: number; vents: readonly FillVent[]; weight: number },
  ) {
    // Its own: what flows changes where a place is cut off.
    this.network = { ...network, conductance: network.conductance.slice() };
    this.n = mesh.x.length;
    this.state = new Uint8Array(this.n);
    this.u = new Float64Array(this.n);
    this.before = new Float64Array(this.n);
    this.start = new Float64Array(this.n);
    this.need = new Float64Array(this.n);
    this.time = new Float64Array(this.n).fill(Infinity);
    this.neverAgain = new Uint8Array(this.n);
    this.fallen = new Float64Array(this.n);
    this.wetBefore = new Float64Array(this.n);
    this.ventNodes = own.vents.map((vent) => nodesOf(mesh, vent, network.volume, DRAWS * mesh.size));
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
    const { height } = this.network;
    const highest = Math.max(...held.map((i) => height[i] ?? 0)) + 1 / this.own.weight;
    for (let i = 0; i < this.n; i++) {
      this.need[i] = this.network.volume[i]! * (1 - this.start[i]!) * this.own.scale;
      // Higher than the vacuum lifts the resin above its highest feed: never.
      if (height[i]! > highest) this.need[i]! *= NEVER;
      this.state[i] = this.start[i]! >= FULL ? WET : DRY;
      if (this.neverAgain[i]) this.state[i] = CUT_OFF;
      this.u[i] = 0;
      this.before[i] = 0;
      this.fallen[i] = 0;
    }
    for (const i of held) this.state[i] = HELD;
    if (this.own.weight > 0) this.wetBefore = this.falling();
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
    return Number.isFinite(least) ? FIRST * least : 1;
  }

  /** On to a time (flow time). */
  go(to: number): void {
    this.earlier = this.last;
    this.last = this.now;
    this.before.set(this.u);
    this.now = to;
    this.guess(to);
    if (this.own.weight === 0) this.solve(this.need);
    else this.solveWeighed(to - this.last);
    this.holds();
    this.mark();
    this.cutOff();
  }

  /** Where it was not found out what is wet, nothing is driven much harder than by the feed and the resin's weight. */
  private holds(): void {
    if (this.settled) return;
    const { height } = this.network;
    const head = this.own.weight * (Math.max(0, ...height) - Math.min(0, ...height));
    const most = BEYOND * (1 + head) * (this.now - this.from);
    for (let i = 0; i < this.n; i++)
      if (!(this.u[i]! <= most))
        throw invalid('cells', 'This fill could not be worked out on this mesh: fill it fine, or move a line a little');
  }

  /** What the weight of the resin moves into each node now, through all that has resin at one end. */
  private falling(): Float64Array {
    const { starts, neighbours, conductance, height } = this.network;
    const moved = new Float64Array(this.n);
    const has = (i: number) => this.state[i] === WET || this.state[i] === HELD;
    for (let i = 0; i < this.n; i++) {
      if (this.state[i] === CUT_OFF) continue;
      for (let k = starts[i]!; k < starts[i + 1]!; k++) {
        const j = neighbours[k]!;
        if (this.state[j] !== CUT_OFF && (has(i) || has(j)))
          moved[i]! += conductance[k]! * this.own.weight * (height[j]! - height[i]!);
      }
    }
    return moved;
  }

  /** By the mean of what is wet before and after the step, found again until it holds. */
  private solveWeighed(span: number): void {
    const before = this.wetBefore;
    let after = before;
    for (let round = 0; round < FALLS; round++) {
      this.solve(this.need.map((need, i) => need - this.fallen[i]! - (span * (before[i]! + after[i]!)) / 2));
      after = this.falling();
    }
    for (let i = 0; i < this.n; i++) this.fallen[i]! += (span * (before[i]! + after[i]!)) / 2;
    this.wetBefore = after;
  }

  private solve(need: Float64Array): void {
    this.settled = solveObstacle(this.network, this.state, need, this.u);
    const reached = this.rings.findLastIndex((ring) => ring.some((i) => this.state[i] === WET)) + 1;
    // As far again in as much time; further where the whole guess came to be wet.
    this.ahead = Math.max(1, reached === this.rings.length ? this.rings.length + 1 : reached);
  }

  /** What comes to be wet by a time, about: what was, and some rings of neighbours about it. */
  private guess(to: number): void {
    const { starts, neighbours } = this.network;
    const grown = this.now > this.from && this.last > this.from ? (to - this.from) / (this.last - this.from) : 1;
    let edge: number[] = [];
    for (let i = 0; i < this.n; i++) {
      if (this.state[i] === HELD) this.u[i] = to - this.from;
      else if (this.state[i] === WET) this.u[i]! *= grown;
      if (this.state[i] === HELD || this.state[i] === WET) edge.push(i);
    }
    const rings: number[][] = [];
    const slower = this.earlier < this.last ? (to - this.last) / (this.last - this.earlier) : 1;
    const guess = Math.max(1, Math.round(this.ahead * Math.min(1.5, slower)));
    for (let ring = 0; ring < guess && edge.length > 0; ring++) {
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
    this.rings = rings;
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
        const own = this.state[i] === CUT_OFF ? 0 : inflow + this.fallen[i]!;
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

  /** Whether the front has come by all of these. */
  reached = (nodes: readonly number[]): boolean => nodes.every((i) => this.state[i] !== DRY);

  /** m³ that held nodes have given to the rest since the inlets changed. */
  given(nodes: readonly number[]): number {
    const { starts, neighbours, conductance } = this.network;
    let sum = 0;
    for (const i of nodes) {
      if (this.state[i] !== HELD) continue;
      for (let k = starts[i]!; k < starts[i + 1]!; k++) {
        const j = neighbours[k]!;
        if (this.state[j] !== HELD && this.state[j] !== CUT_OFF) sum += conductance[k]! * (this.u[i]! - this.u[j]!);
      }
      // What the weight moves into a node on its own account, it does not give.
      sum -= this.fallen[i]!;
    }
    return sum / this.own.scale;
  }

  /** Pressure over the last step, as a share of that at the feed. */
  pressure(): Float64Array {
    const span = Math.max(this.now - this.last, 1e-30);
    return this.u.map((u, i) => {
      if (this.state[i] === HELD) return 1;
      return this.state[i] === WET ? Math.min(1, Math.max(0, (u - this.before[i]!) / span)) : 0;
    });
  }

  arrivals(): Float64Array {
    return this.time;
  }

  /** Dry places that no vent draws from are cut off: nothing flows into them any more. */
  private cutOff(): void {
    if (this.ventNodes.length === 0) return;
    const s = this.saturation();
    const vents = new Set(this.ventNodes.flat());
    for (const nodes of hangingTogether(this.network, (i) => s[i]! < OPEN && !this.neverAgain[i])) {
      // A front that is passing its last cells leaves nothing dry behind it.
      if (nodes.some((i) => vents.has(i)) || !nodes.some((i) => s[i]! < BARE)) continue;
      for (const i of nodes) {
        this.start[i] = s[i]!;
        this.state[i] = CUT_OFF;
        this.neverAgain[i] = 1;
        this.u[i] = 0;
      }
      this.uncouple(new Set(nodes));
    }
  }

  /**
   * A triangle of which the obtuse corner is cut off couples its other two by less than nothing, which held only
   * together with that corner: by itself it would drive resin against its pressure, and nothing would have a bound.
   */
  private uncouple(cut: ReadonlySet<number>): void {
    const { conductance, obtuse } = this.network;
    for (const { corner, places, share } of obtuse)
      if (cut.has(corner)) for (const at of places) conductance[at] = conductance[at]! - share;
  }

  /** Dry places that no vent draws from, the largest first. */
  trapped(): { area: number; at: FlatPoint }[] {
    const s = this.saturation();
    const { area } = this.network;
    return hangingTogether(this.network, (i) => this.neverAgain[i] === 1)
      .flatMap((nodes) => {
        let [dry, mx, my] = [0, 0, 0];
        for (const i of nodes) {
          const left = area[i]! * (1 - s[i]!);
          dry += left;
          mx += left * this.mesh.x[i]!;
          my += left * this.mesh.y[i]!;
        }
        return dry > 0 ? [{ area: dry, at: [mx / dry, my / dry] as FlatPoint }] : [];
      })
      .sort((a, b) => b.area - a.area);
  }

  /** Nodes that nothing flows into any more. */
  cutOffs = (): Uint8Array => this.neverAgain;
}
