import { newLayer, type Layer, type LayerRole } from '../../document';

/** A cloth and how it is turned. */
export interface Member {
  material: string;
  angleDeg: number;
}
/** A core with the thicknesses (m) it may have, from the thinnest; what ties it to both skins, if anything does. */
export interface CoreChoice {
  material: string;
  thicknesses: readonly number[];
  tie: Member | null;
}

/**
 * What may be laid in a zone beside what stays. All zones of a part name the same cloths and cores, so that a row means
 * the same in each; which of them a zone may have is its own.
 */
export interface StackSpace {
  /** Cloths that may be laid: on the outer skin from the mould, on the inner skin from the core. */
  outer: readonly Member[];
  inner: readonly Member[];
  cores: readonly CoreChoice[];
  /** Which of the cores may be laid, as indices; none for a single skin alone. */
  usable: readonly number[];
  /**
   * Which of them a skin is laid of, as indices: each by any count, or in turn, a skin being the first so many of the
   * list over and over.
   */
  cycles: { inTurn: boolean; single: readonly number[]; outer: readonly number[]; inner: readonly number[] };
  /** Whether a single skin may be laid. */
  solid: boolean;
  /** Whether a single skin may be laid of layers of the inner skin too, which then run on from a sandwich beside it. */
  runsOn: boolean;
  /** Most layers laid, the core and its ties not among them. */
  most: number;
  /** Rules that no check knows: whether a stack is one that the yard lays. */
  lawful: (stack: Stack) => boolean;
}

/** How often each cloth is laid on either side, and on what core. */
export interface Stack {
  outer: readonly number[];
  /** Index of the core and of its thickness; null for a single skin. */
  core: readonly [number, number] | null;
  inner: readonly number[];
}

/** A row of the grid: cloth `member` of a skin for the `turn`-th time, or a core. */
export type RowKey =
  `outer|${number}|${number}` | `inner|${number}|${number}` | `core|${number}|${number}|${0 | 1 | 2}`;

/** Behind every thickness of a core. */
const MOST_THICKNESSES = 99;

/** The rows of a skin in the order in which they are laid: every cloth once, then every cloth again. */
const inTurn = (side: 'outer' | 'inner', counts: readonly number[]): RowKey[] => {
  const rows: RowKey[] = [];
  const most = Math.max(0, ...counts);
  for (let turn = 0; turn < most; turn++)
    counts.forEach((count, member) => {
      if (count > turn) rows.push(`${side}|${turn}|${member}`);
    });
  return rows;
};

/**
 * The rows of a stack from the mould. They depend on the counts alone, so that the same row in two zones is one layer
 * that runs through both, and what one zone has less ends at the boundary.
 *
 * @example rowsOf({ outer: [2, 1], core: null, inner: [0, 0] }, space) // ['outer|0|0', 'outer|0|1', 'outer|1|0']
 */
export function rowsOf(stack: Stack, space: StackSpace): RowKey[] {
  const core: RowKey[] = [];
  if (stack.core) {
    const [at, thickness] = stack.core;
    const tied = space.cores[at]!.tie !== null;
    // What ties a core is the same layer under all its thicknesses.
    if (tied) core.push(`core|${at}|0|0`);
    core.push(`core|${at}|${thickness}|1`);
    if (tied) core.push(`core|${at}|${MOST_THICKNESSES}|2`);
  }
  return [...inTurn('outer', stack.outer), ...core, ...inTurn('inner', stack.inner)];
}

/** Rows of a grid as layers, each made once; for the search they cover all zones looked at. */
export function layersOfRows(
  space: StackSpace,
  { prefix, roleOf, zones }: { prefix: string; roleOf: (material: string) => LayerRole; zones: string[] },
): (key: RowKey) => Layer {
  const made = new Map<RowKey, Layer>();
  const describe = (key: RowKey): { material: string; angleDeg: number; thickness: number | null } => {
    const [side, a, b, c] = key.split('|') as [string, string, string, string?];
    if (side !== 'core') return { ...space[side as 'outer' | 'inner'][Number(b)]!, thickness: null };
    const core = space.cores[Number(a)]!;
    if (c !== '1') return { ...core.tie!, thickness: null };
    return { material: core.material, angleDeg: 0, thickness: core.thicknesses[Number(b)]! };
  };
  return (key) => {
    let layer = made.get(key);
    if (!layer) {
      const { material, angleDeg, thickness } = describe(key);
      const id = `${prefix}-${key.replaceAll('|', '-')}`;
      layer = newLayer({ id, material, angleDeg, thickness, role: roleOf(material), zones });
      made.set(key, layer);
    }
    return layer;
  };
}

/** The order of rows in a part that has all of them: outer skins, cores with their ties, inner skins. */
export function inLayingOrder(keys: Iterable<RowKey>): RowKey[] {
  const place = { outer: 0, core: 1, inner: 2 };
  const parts = (key: RowKey) => {
    const [side, ...numbers] = key.split('|') as [keyof typeof place, ...string[]];
    return [place[side], ...numbers.map(Number)];
  };
  return [...new Set(keys)].sort((a, b) => {
    const [p, q] = [parts(a), parts(b)];
    const at = p.findIndex((value, i) => value !== q[i]);
    return at < 0 ? 0 : p[at]! - q[at]!;
  });
}

/** One thing that is chosen of a stack: how many layers of a list laid over and over, or the thickness of the core. */
export type Axis = { side: 'outer' | 'inner'; cycle: readonly number[] } | { side: 'core' };

/** Stacks of one kind: single skins, or those on one core. */
export interface Family {
  core: number | null;
  axes: readonly Axis[];
  /** The most of each axis. */
  most: readonly number[];
}

/** The kinds of stacks that a space holds. */
export function familiesOf(space: StackSpace): Family[] {
  const { cycles, most, cores, usable, solid, runsOn } = space;
  const axes = (side: 'outer' | 'inner', cycle: readonly number[]): Axis[] => {
    if (cycle.length === 0) return [];
    return cycles.inTurn ? [{ side, cycle }] : cycle.map((member) => ({ side, cycle: [member] }));
  };
  const single: Axis[] = [...axes('outer', cycles.single), ...(runsOn ? axes('inner', cycles.inner) : [])];
  const skins: Axis[] = [...axes('outer', cycles.outer), ...axes('inner', cycles.inner)];
  return [
    ...(solid ? [{ core: null, axes: single, most: single.map(() => most) }] : []),
    ...usable.map((core): Family => {
      const { thicknesses } = cores[core]!;
      return { core, axes: [...skins, { side: 'core' }], most: [...skins.map(() => most), thicknesses.length - 1] };
    }),
  ];
}

/** How often each cloth is laid by so many layers of a list over and over. */
const counted = (members: number, { cycle }: { cycle: readonly number[] }, count: number): number[] => {
  const counts = Array.from({ length: members }, () => 0);
  for (let k = 0; k < count; k++) counts[cycle[k % cycle.length]!]! += 1;
  return counts;
};

/** The stack at a place of a family. */
export function stackAt(space: StackSpace, { core, axes }: Family, at: readonly number[]): Stack {
  const outer = space.outer.map(() => 0);
  const inner = space.inner.map(() => 0);
  let thickness = 0;
  axes.forEach((axis, d) => {
    if (axis.side === 'core') thickness = at[d]!;
    else {
      const counts = axis.side === 'outer' ? outer : inner;
      counted(counts.length, axis, at[d]!).forEach((count, member) => (counts[member]! += count));
    }
  });
  return { outer, inner, core: core === null ? null : [core, thickness] };
}
