import { BandSolver } from './blocks';
import type { FlowNetwork } from './network';

/** State of a node: held at a value, wet (it is solved for), dry, or cut off. */
export const HELD = 2;
export const WET = 1;
export const DRY = 0;
export const CUT_OFF = 3;

/** A solution is exact to this share of what drives it; roughly so while it is still found out what is wet. */
const EXACT = 1e-6;
const ROUGH = 3e-3;
const MOST_STEPS = 400;
const MOST_ROUNDS = 80;

/**
 * The least u ≥ 0 with as much flowing into each node as fills it where u > 0, and no more than that where u = 0:
 * pressure summed over time of a front that moves by Darcy's law (Elliott & Janovský 1981).
 *
 * Active sets: wet nodes that come out below 0 are dry, dry ones that would overflow are wet; roughly at first, exactly
 * at the end.
 * @param state of each node, changed in place; held nodes keep their u. @param need volume over pressure and mobility
 * that each node still takes; @param u to begin with, changed in place.
 * @returns whether what is wet held still at the end.
 */
export function solveObstacle(network: FlowNetwork, state: Uint8Array, need: Float64Array, u: Float64Array): boolean {
  for (let i = 0; i < u.length; i++) if (state[i] === DRY || state[i] === CUT_OFF) u[i] = 0;
  let exact = false;
  for (let round = 0; round < MOST_ROUNDS; round++) {
    solveWet(network, { state, need, u }, exact ? EXACT : ROUGH);
    const changed = dried(state, u) || overflowed(network, state, need, u);
    if (!changed && exact) return true;
    exact = !changed;
  }
  return false;
}

/** Wet nodes below 0 become dry; whether any did. */
function dried(state: Uint8Array, u: Float64Array): boolean {
  let changed = false;
  for (let i = 0; i < u.length; i++) {
    if (state[i] !== WET || u[i]! >= 0) continue;
    state[i] = DRY;
    u[i] = 0;
    changed = true;
  }
  return changed;
}

/** Dry nodes into which more flows than they hold become wet; whether any did. */
function overflowed(
  { starts, neighbours, conductance }: FlowNetwork,
  state: Uint8Array,
  need: Float64Array,
  u: Float64Array,
): boolean {
  let changed = false;
  for (let i = 0; i < u.length; i++) {
    if (state[i] !== DRY) continue;
    let inflow = 0;
    for (let k = starts[i]!; k < starts[i + 1]!; k++)
      if (state[neighbours[k]!] !== CUT_OFF) inflow += conductance[k]! * u[neighbours[k]!]!;
    if (inflow <= need[i]! * (1 + 1e-6)) continue;
    state[i] = WET;
    changed = true;
  }
  return changed;
}

/** The wet nodes by themselves: what couples each to those before and after it, and what drives it. */
interface Wet {
  nodes: Int32Array;
  /** By rows: neighbours before a node in the list, then those after it. */
  from: Int32Array;
  turn: Int32Array;
  at: Int32Array;
  flow: Float64Array;
  diagonal: Float64Array;
  driven: Float64Array;
  /** The block of each, and the blocks' own equations. */
  block: Int32Array;
  coarse: BandSolver;
}

function wetOf(
  { starts, neighbours, conductance, blocks }: FlowNetwork,
  { state, need, u }: { state: Uint8Array; need: Float64Array; u: Float64Array },
): Wet {
  let count = 0;
  for (let i = 0; i < u.length; i++) if (state[i] === WET) count += 1;
  const nodes = new Int32Array(count);
  const rank = new Int32Array(u.length).fill(-1);
  for (let i = 0, k = 0; i < u.length; i++)
    if (state[i] === WET) {
      nodes[k] = i;
      rank[i] = k++;
    }
  const [from, turn] = [new Int32Array(count + 1), new Int32Array(count)];
  const [at, flow] = [new Int32Array(neighbours.length), new Float64Array(neighbours.length)];
  const [diagonal, driven] = [new Float64Array(count), new Float64Array(count)];
  const block = new Int32Array(count);
  const coarse = new BandSolver(blocks.count, blocks.band);
  let end = 0;
  for (let row = 0; row < count; row++) {
    const i = nodes[row]!;
    let sum = 0;
    let given = -need[i]!;
    from[row] = end;
    const own = blocks.of[i]!;
    block[row] = own;
    const last = starts[i + 1]!;
    for (let k = starts[i]!; k < last; k++) {
      const j = neighbours[k]!;
      const value = conductance[k]!;
      const other = rank[j]!;
      if (state[j] === CUT_OFF) continue;
      sum += value;
      if (state[j] === HELD) given += value * u[j]!;
      if (other < 0 || other > row) continue;
      at[end] = other;
      flow[end++] = value;
      // Once for both ways.
      coarse.add(own, blocks.of[j]!, (blocks.of[j] === own ? -2 : -1) * value);
    }
    turn[row] = end;
    for (let k = starts[i]!; k < last; k++) {
      const other = rank[neighbours[k]!]!;
      if (other <= row) continue;
      at[end] = other;
      flow[end++] = conductance[k]!;
    }
    diagonal[row] = sum > 0 ? sum : 1e-300;
    driven[row] = given;
    coarse.add(own, own, diagonal[row]!);
  }
  coarse.factor();
  from[count] = end;
  return { nodes, from, turn, at, flow, diagonal, driven, block, coarse };
}

/**
 * Wet nodes solved for by conjugate gradients; each step is prepared by a sweep there and back and by the blocks as one
 * each, which carry what the sweeps do not over long ways.
 */
function solveWet(
  network: FlowNetwork,
  field: { state: Uint8Array; need: Float64Array; u: Float64Array },
  tolerance: number,
): void {
  const { nodes, from, turn, at, flow, diagonal, driven, block, coarse } = wetOf(network, field);
  const n = nodes.length;
  if (n === 0) return;
  const [x, r, z, p, ap] = Array.from({ length: 5 }, () => new Float64Array(n)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  for (let i = 0; i < n; i++) x[i] = field.u[nodes[i]!]!;
  const far = new Float64Array(network.blocks.count);
  const times = (v: Float64Array, out: Float64Array) => {
    for (let i = 0; i < n; i++) {
      let sum = diagonal[i]! * v[i]!;
      for (let k = from[i]!, end = from[i + 1]!; k < end; k++) sum -= flow[k]! * v[at[k]!]!;
      out[i] = sum;
    }
  };
  /** One sweep there and one back, and the blocks. */
  const relax = () => {
    for (let i = 0; i < n; i++) {
      let sum = r[i]!;
      for (let k = from[i]!, end = turn[i]!; k < end; k++) sum += flow[k]! * z[at[k]!]!;
      z[i] = sum / diagonal[i]!;
    }
    for (let i = n - 1; i >= 0; i--) {
      let sum = 0;
      for (let k = turn[i]!, end = from[i + 1]!; k < end; k++) sum += flow[k]! * z[at[k]!]!;
      z[i] = z[i]! + sum / diagonal[i]!;
    }
    far.fill(0);
    for (let i = 0; i < n; i++) far[block[i]!] = far[block[i]!]! + r[i]!;
    coarse.solve(far);
    for (let i = 0; i < n; i++) z[i] = z[i]! + far[block[i]!]!;
  };
  const dot = (a: Float64Array, b: Float64Array) => {
    let sum = 0;
    for (let i = 0; i < n; i++) sum += a[i]! * b[i]!;
    return sum;
  };
  times(x, ap);
  for (let i = 0; i < n; i++) r[i] = driven[i]! - ap[i]!;
  const enough = tolerance * tolerance * dot(driven, driven);
  relax();
  p.set(z);
  let rho = dot(r, z);
  for (let step = 0; step < MOST_STEPS && dot(r, r) > enough; step++) {
    times(p, ap);
    const curvature = dot(p, ap);
    if (!(curvature > 0)) break;
    const length = rho / curvature;
    for (let i = 0; i < n; i++) {
      x[i] = x[i]! + length * p[i]!;
      r[i] = r[i]! - length * ap[i]!;
    }
    relax();
    const next = dot(r, z);
    const share = next / rho;
    rho = next;
    for (let i = 0; i < n; i++) p[i] = z[i]! + share * p[i]!;
  }
  for (let i = 0; i < n; i++) field.u[nodes[i]!] = x[i]!;
}
