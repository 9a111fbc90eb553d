import type { Layer } from '../../document';
import type { Failing } from '../../evaluate';
import { familiesOf, rowsOf, stackAt, type Family, type RowKey, type Stack, type StackSpace } from './stackSpace';

/** A stack that holds, and what it comes to. */
export interface Feasible {
  stack: Stack;
  rows: RowKey[];
  /** In the units of the objective. */
  value: number;
  /** Least reserve of the zone. */
  reserveFactor: number;
  governs: string;
}

/** One zone as the search looks at it. */
export interface ZoneProblem {
  space: StackSpace;
  layerOf: (key: RowKey) => Layer;
  /** Value of a row in this zone; never negative. */
  valueOf: (key: RowKey) => number;
  /** Of what stays. */
  base: number;
  /** Why a stack fails without being evaluated whole, or null; `monotone`: by checks that no less can pass. */
  failing: (rows: readonly RowKey[], only?: 'monotone') => Failing | null;
  /** The whole evaluation: the least reserve, or null where it does not hold. */
  confirm: (rows: readonly RowKey[]) => { reserveFactor: number; governs: string } | null;
}

export interface FrontOptions {
  /** How much dearer than the best a stack may be to be listed. */
  beyond: number;
  /** Most stacks listed. */
  list: number;
  /** Most stacks looked at. */
  budget: number;
  /** Share of the best by which it may lie above the bound. */
  gap: number;
}

export interface ZoneFront {
  /** From the best; empty where nothing holds. */
  found: Feasible[];
  /** Proven: nothing that holds is better. Infinity where it is proven that nothing holds. */
  bound: number;
  /** What is not listed and holds has at least this value. */
  listedTo: number;
  tried: number;
  /** Why the stacks that failed did so: how often each check refuted one. */
  refuted: Map<Failing['id'], { count: number; nearest: Failing }>;
}

/** Stacks of a family from a least to a greatest. */
interface Box {
  family: Priced;
  low: readonly number[];
  high: readonly number[];
}
/** A family, and what it comes to along each axis from none on. */
interface Priced extends Family {
  index: number;
  along: readonly (readonly number[])[];
}

interface Open extends Box {
  value: number;
  /** Whether its greatest stack was asked already. */
  asked: boolean;
  order: number;
}

/** A heap of boxes, the best first; of equals the one that was put in first. */
class Heap {
  private readonly items: Open[] = [];
  get size() {
    return this.items.length;
  }
  get top(): Open | undefined {
    return this.items[0];
  }
  private before = (a: Open, b: Open) => a.value < b.value || (a.value === b.value && a.order < b.order);
  push(item: Open) {
    const { items } = this;
    items.push(item);
    let i = items.length - 1;
    while (i > 0) {
      const up = (i - 1) >> 1;
      if (!this.before(items[i]!, items[up]!)) break;
      [items[i], items[up]] = [items[up]!, items[i]!];
      i = up;
    }
  }
  pop(): Open | undefined {
    const { items } = this;
    const top = items[0];
    const last = items.pop();
    if (items.length === 0 || last === undefined) return top;
    items[0] = last;
    let i = 0;
    for (;;) {
      const [l, r] = [2 * i + 1, 2 * i + 2];
      let least = i;
      if (l < items.length && this.before(items[l]!, items[least]!)) least = l;
      if (r < items.length && this.before(items[r]!, items[least]!)) least = r;
      if (least === i) return top;
      [items[i], items[least]] = [items[least]!, items[i]!];
      i = least;
    }
  }
}

/**
 * The stacks of a zone that hold, from the best: branch and bound over boxes of counts, the box first whose least stack
 * is the best. A box goes when its greatest stack fails by a check that no less can pass; a single stack is looked at
 * in full. So whatever is better than the first that holds has been refuted.
 *
 * A step is told every few hundred stacks; it can be left at any, and what it has then comes with the bound reached.
 * @returns a generator of the number of stacks tried.
 */
export function* zoneFront(problem: ZoneProblem, options: FrontOptions): Generator<number, ZoneFront> {
  const { space, base, failing, confirm } = problem;
  const families = familiesOf(space).map((family, index): Priced => ({
    ...family,
    index,
    along: pricesOf(problem, family),
  }));
  const valueAt = ({ along }: Priced, at: readonly number[]) => {
    let sum = base;
    for (let d = 0; d < at.length; d++) sum += along[d]![at[d]!]!;
    return sum;
  };
  const heap = new Heap();
  let order = 0;
  const put = (box: Box, asked: boolean) =>
    heap.push({ ...box, value: valueAt(box.family, box.low), asked, order: order++ });
  for (const family of families)
    if (family.axes.length > 0) put({ family, low: family.axes.map(() => 0), high: family.most }, false);

  const found: Feasible[] = [];
  const seen = new Set<string>();
  const refuted: ZoneFront['refuted'] = new Map();
  let tried = 0;
  let best = Infinity;
  /** Above this nothing is wanted. */
  const limit = () => {
    const full = found.length >= options.list ? found[options.list - 1]!.value : Infinity;
    return Math.min(best + options.beyond, full);
  };
  const keep = (one: Feasible) => {
    let at = found.length;
    while (at > 0 && found[at - 1]!.value > one.value) at -= 1;
    found.splice(at, 0, one);
    best = found[0]!.value;
  };
  const note = (failed: Failing) => {
    const known = refuted.get(failed.id);
    if (!known) return void refuted.set(failed.id, { count: 1, nearest: failed });
    known.count += 1;
    if ((failed.reserveFactor ?? 0) > (known.nearest.reserveFactor ?? 0)) known.nearest = failed;
  };
  /** A single stack, in full. */
  const look = (family: Priced, at: readonly number[]) => {
    const key = `${family.index}|${at.join()}`;
    if (seen.has(key)) return;
    seen.add(key);
    const stack = stackAt(space, family, at);
    if (!space.lawful(stack)) return;
    const rows = rowsOf(stack, space);
    tried += 1;
    const failed = failing(rows);
    if (failed) return note(failed);
    const holds = confirm(rows);
    if (holds) keep({ stack, rows, value: valueAt(family, at), ...holds });
  };
  const layersAt = ({ axes }: Priced, at: readonly number[]) =>
    axes.reduce((sum, { side }, d) => (side === 'core' ? sum : sum + at[d]!), 0);

  let stopped = false;
  while (heap.size > 0) {
    const { value } = heap.top!;
    if (value > limit() * (1 + 1e-12)) break;
    if (best < Infinity && options.beyond === 0 && best - value <= options.gap * Math.abs(best)) break;
    if (tried >= options.budget) {
      stopped = true;
      break;
    }
    const box = heap.pop()!;
    const layers = layersAt(box.family, box.low);
    if (layers > space.most) continue;
    const high = narrowed(box, { room: limit() - value, more: space.most - layers });
    const shrunk = high.some((count, d) => count !== box.high[d]);
    if (high.every((count, d) => count === box.low[d])) look(box.family, box.low);
    else {
      if (!box.asked || shrunk) {
        tried += 1;
        const failed = failing(rowsOf(stackAt(space, box.family, high), space), 'monotone');
        if (failed) {
          note(failed);
          continue;
        }
      }
      const [lower, upper] = halves({ ...box, high });
      put(lower, false);
      put(upper, true);
      if (best === Infinity && layersAt(box.family, lower.high) <= space.most) look(box.family, lower.high);
    }
    if (tried % 256 < 2) yield tried;
  }
  const open = heap.top?.value ?? Infinity;
  return {
    found: found.slice(0, options.list),
    bound: Math.min(best, open),
    listedTo: Math.min(limit(), stopped ? open : Infinity),
    tried,
    refuted,
  };
}

/** What a family comes to along each of its axes: so many layers of a list, a thickness of the core with its ties. */
const pricesOf = ({ space, valueOf }: ZoneProblem, { core, axes, most }: Family): number[][] =>
  axes.map((axis, d) => {
    if (axis.side === 'core') {
      const { thicknesses, tie } = space.cores[core!]!;
      const layers = tie ? ([0, 1, 2] as const) : ([1] as const);
      return thicknesses.map((_, at) =>
        layers.reduce<number>((sum, layer) => sum + valueOf(`core|${core!}|${at}|${layer}`), 0),
      );
    }
    const sums = [0];
    for (let k = 0; k < most[d]!; k++)
      sums.push(sums[k]! + valueOf(`${axis.side}|0|${axis.cycle[k % axis.cycle.length]!}`));
    return sums;
  });

/** The upper corner of a box without what is too dear or too many. */
function narrowed({ family, low, high }: Box, { room, more }: { room: number; more: number }): number[] {
  return high.map((count, d) => {
    const along = family.along[d]!;
    const most = family.axes[d]!.side === 'core' ? count : Math.min(count, low[d]! + more);
    let n = most;
    while (n > low[d]! && along[n]! - along[low[d]!]! > room * (1 + 1e-12) + 1e-12) n -= 1;
    return n;
  });
}

/** A box in two, across the axis that spans the most value. */
function halves(box: Box): [Box, Box] {
  let [widest, span] = [0, -1];
  box.family.along.forEach((along, d) => {
    const own = along[box.high[d]!]! - along[box.low[d]!]!;
    if (box.high[d]! > box.low[d]! && own > span) [widest, span] = [d, own];
  });
  const middle = Math.floor((box.low[widest]! + box.high[widest]!) / 2);
  const lower = box.high.map((count, d) => (d === widest ? middle : count));
  const upper = box.low.map((count, d) => (d === widest ? middle + 1 : count));
  return [
    { family: box.family, low: box.low, high: lower },
    { family: box.family, low: upper, high: box.high },
  ];
}
