import { signedArea } from './convexParts';
import { against, depthOf, type Against, type Turned } from './shapes';

/** What is laid, and as which of its turns it may be. */
export interface Movable {
  turns: readonly Turned[];
}
/** Where something lies: which turn, and its origin (m). */
export interface Place {
  turn: number;
  x: number;
  y: number;
}

/** Deeper than this is an overlap (m); the gap is widened by as much, so that what counts as laid is so exactly. */
export const TOUCH = 1e-5;

/** Tables of how turned shapes bar each other, made when first asked for. */
export class Bars {
  private readonly rows: (Against | undefined)[][] = [];
  constructor(readonly gap: number) {}
  rowOf = (a: Turned): (Against | undefined)[] => (this.rows[a.index] ??= []);
  of(a: Turned, b: Turned): Against {
    const row = this.rowOf(a);
    return (row[b.index] ??= against(a, b, this.gap + TOUCH));
  }
}

export interface Ground {
  /** m across and along: everything lies within. */
  width: number;
  length: number;
  /** What lies fast: it bars, and does not move. */
  /** A piece keeps the gap, an edge does not. */
  fixed: readonly { shape: Turned; x: number; y: number; piece?: boolean }[];
}

interface Spent {
  /** Places looked at. */
  looks: number;
}

/** How many places are tried anywhere, and near by, when something is moved. */
const SAMPLES = { anywhere: 4, corners: 10, near: 3, refined: 2 };
/** Steps of the way downhill end here: of what is only compared, and of what is left where it is (m). */
const COARSE = 4e-4;
const FINE = 2e-6;
/** Rounds without a new least overlap after which it is given up. */
const PATIENCE = 120;

/**
 * Movables brought apart inside a ground: one after the other goes where it overlaps least, overlaps that stay weighing
 * more and more. Places are changed in place.
 *
 * A generator of nothing; its end tells whether none overlaps. The same for the same random numbers.
 * Source: guided local search on overlaps (Egeblad, Nielsen & Odgaard 2007), depths in place of areas.
 */
export function* separate(
  movables: readonly Movable[],
  places: Place[],
  ground: Ground,
  how: { bars: Bars; edges: Bars; random: () => number; spent: Spent; limit: number },
): Generator<void, boolean> {
  const { bars, edges, random, spent, limit } = how;
  const n = movables.length;
  const sizes = movables.map(({ turns: [shape] }) => Math.sqrt(Math.abs(signedArea(shape!.outline))));
  const mean = sizes.reduce((sum, size) => sum + size, 0) / Math.max(1, n);
  const base = new Float64Array(n * n);
  for (let i = 0; i < n; i++) for (let j = 0; j < n; j++) base[i * n + j] = Math.sqrt(sizes[i]! * sizes[j]!) / mean;
  const weights = Float64Array.from(base);
  const fixedWeights = ground.fixed.map(() => new Float64Array(n).fill(1));
  const shapeOf = (i: number) => movables[i]!.turns[places[i]!.turn]!;
  const { gap } = bars;
  // Boxes as they lie, gap and all, for a first look: least and greatest x and y.
  const boxes = new Float64Array(4 * n);
  const shapes: Turned[] = [];
  const [px, py] = [new Float64Array(n), new Float64Array(n)];
  const set = (i: number) => {
    const { minX, maxX, minY, maxY } = shapeOf(i);
    const { x, y } = places[i]!;
    boxes[4 * i] = x + minX - gap;
    boxes[4 * i + 1] = x + maxX + gap;
    boxes[4 * i + 2] = y + minY - gap;
    boxes[4 * i + 3] = y + maxY + gap;
    shapes[i] = shapeOf(i);
    px[i] = x;
    py[i] = y;
  };
  /** How deep two of them lie in each other. */
  const depthBetween = (i: number, j: number): number => {
    const [shape, x, y] = [shapes[i]!, px[i]!, py[i]!];
    if (
      x + shape.minX >= boxes[4 * j + 1]! ||
      x + shape.maxX <= boxes[4 * j]! ||
      y + shape.minY >= boxes[4 * j + 3]! ||
      y + shape.maxY <= boxes[4 * j + 2]!
    )
      return 0;
    return depthOf(bars.of(shape, shapes[j]!), px[j]! - x, py[j]! - y);
  };
  const fixedDepth = (shape: Turned, x: number, y: number, k: number): number => {
    const one = ground.fixed[k]!;
    const apart = one.piece ? gap + TOUCH : 0;
    if (
      x + shape.minX >= one.x + one.shape.maxX + apart ||
      x + shape.maxX <= one.x + one.shape.minX - apart ||
      y + shape.minY >= one.y + one.shape.maxY + apart ||
      y + shape.maxY <= one.y + one.shape.minY - apart
    )
      return 0;
    return depthOf((one.piece ? bars : edges).of(one.shape, shape), x - one.x, y - one.y);
  };
  /** What a place weighs; at least `most` where it is no better than that. */
  const weigh = (i: number, shape: Turned, [x, y]: readonly [number, number], most: number): number => {
    spent.looks += 1;
    let sum = 0;
    for (let k = 0; k < ground.fixed.length; k++) {
      sum += fixedWeights[k]![i]! * fixedDepth(shape, x, y, k);
      if (sum >= most) return sum;
    }
    const [left, right, low, high] = [x + shape.minX, x + shape.maxX, y + shape.minY, y + shape.maxY];
    const row = i * n;
    const own = bars.rowOf(shape);
    for (let j = 0, at = 0; j < n; j++, at += 4) {
      if (left >= boxes[at + 1]! || right <= boxes[at]! || low >= boxes[at + 3]! || high <= boxes[at + 2]! || j === i)
        continue;
      const other = shapes[j]!;
      const depth = depthOf(own[other.index] ?? bars.of(shape, other), px[j]! - x, py[j]! - y);
      if (depth > 0) {
        sum += weights[row + j]! * depth;
        if (sum >= most) return sum;
      }
    }
    return sum;
  };
  const span = (shape: Turned) => ({
    x0: -shape.minX,
    x1: ground.width - shape.maxX,
    y0: -shape.minY,
    y1: ground.length - shape.maxY,
  });
  const clampTo = (low: number, high: number, value: number) => Math.max(low, Math.min(high, value));

  for (let i = 0; i < n; i++) {
    const place = places[i]!;
    let { x0, x1, y0, y1 } = span(shapeOf(i));
    for (let turn = 0; (x1 < x0 - 1e-9 || y1 < y0 - 1e-9) && turn < movables[i]!.turns.length; turn++) {
      place.turn = turn;
      ({ x0, x1, y0, y1 } = span(shapeOf(i)));
    }
    if (x1 < x0 - 1e-9 || y1 < y0 - 1e-9) return false;
    place.x = clampTo(x0, Math.max(x0, x1), place.x);
    place.y = clampTo(y0, Math.max(y0, y1), place.y);
    set(i);
  }

  const overlapsOf = () => {
    let total = 0;
    const found: [number, number, number][] = [];
    for (let i = 0; i < n; i++) {
      const { x, y } = places[i]!;
      for (let j = i + 1; j < n; j++) {
        const depth = depthBetween(i, j);
        if (depth > TOUCH) {
          total += depth;
          found.push([i, j, depth]);
        }
      }
      for (let k = 0; k < ground.fixed.length; k++) {
        const depth = fixedDepth(shapeOf(i), x, y, k);
        if (depth > TOUCH) {
          total += depth;
          found.push([i, -1 - k, depth]);
        }
      }
    }
    return { total, found };
  };

  let least = Infinity;
  let waited = 0;
  for (;;) {
    const { total, found } = overlapsOf();
    if (found.length === 0) return true;
    if (total < 0.98 * least) [least, waited] = [total, 0];
    else waited += 1;
    if (waited > PATIENCE || spent.looks >= limit) return false;
    const worst = Math.max(...found.map(([, , depth]) => depth));
    for (let k = 0; k < weights.length; k++) weights[k] = Math.max(base[k]!, 0.95 * weights[k]!);
    for (const own of fixedWeights) for (let i = 0; i < n; i++) own[i] = Math.max(1, 0.95 * own[i]!);
    for (const [i, j, depth] of found) {
      const factor = (1.2 + 0.8 * (depth / worst)) / 0.95;
      if (j < 0) fixedWeights[-1 - j]![i]! *= factor;
      else {
        weights[i * n + j]! *= factor;
        weights[j * n + i] = weights[i * n + j]!;
      }
    }
    const moved = [...new Set(found.flatMap(([i, j]) => (j < 0 ? [i] : [i, j])))];
    for (let k = moved.length - 1; k > 0; k--) {
      const at = Math.floor(random() * (k + 1));
      [moved[k], moved[at]] = [moved[at]!, moved[k]!];
    }
    for (const i of moved) {
      const now = weigh(i, shapeOf(i), [places[i]!.x, places[i]!.y], Infinity);
      if (now > 0) move(i, now);
    }
    yield;
  }

  /** The best of some places tried for one movable. */
  function move(i: number, now: number) {
    const place = places[i]!;
    const { turns } = movables[i]!;
    const tried: { turn: number; x: number; y: number; value: number }[] = [
      { turn: place.turn, x: place.x, y: place.y, value: now },
    ];
    let cut = Infinity;
    const look = (turn: number, x: number, y: number) => {
      const value = weigh(i, turns[turn]!, [x, y], cut);
      if (value >= cut) return;
      tried.push({ turn, x, y, value });
      tried.sort((a, b) => a.value - b.value);
      if (tried.length > SAMPLES.refined) {
        tried.length = SAMPLES.refined;
        cut = tried[SAMPLES.refined - 1]!.value;
      }
    };
    turns.forEach((shape, turn) => {
      const { x0, x1, y0, y1 } = span(shape);
      if (x1 < x0 - 1e-9 || y1 < y0 - 1e-9) return;
      const [w, h] = [Math.max(0, x1 - x0), Math.max(0, y1 - y0)];
      for (let k = 0; k < SAMPLES.anywhere; k++) look(turn, x0 + w * random(), y0 + h * random());
      // Corner to corner: what was one before it was cut lies so.
      for (let k = 0; k < SAMPLES.corners; k++) {
        const own = shape.outline[Math.floor(random() * shape.outline.length)]!;
        const j = Math.floor(random() * (n + 1));
        let at: readonly [number, number];
        if (j === i || j === n)
          at = [
            random() < 0.5 ? 0 : ground.width,
            [0, ground.length, ground.length * random()][Math.floor(3 * random())]!,
          ];
        else {
          const { outline } = shapeOf(j);
          const corner = outline[Math.floor(random() * outline.length)]!;
          at = [places[j]!.x + corner[0], places[j]!.y + corner[1]];
        }
        const [x, y] = [at[0] - own[0], at[1] - own[1]];
        look(turn, clampTo(x0, x0 + w, x), clampTo(y0, y0 + h, y));
      }
      const size = 0.25 * Math.max(shape.maxX - shape.minX, shape.maxY - shape.minY);
      for (let k = 0; k < SAMPLES.near; k++)
        look(
          turn,
          clampTo(x0, x0 + w, place.x + size * (random() - 0.5)),
          clampTo(y0, y0 + h, place.y + size * (random() - 0.5)),
        );
    });
    let best = tried[0]!;
    for (const one of [...tried]) {
      const ended = descend(i, one, 0.05, COARSE);
      if (ended.value < best.value) best = ended;
    }
    if (best.value > 0) best = descend(i, best, 4e-3, FINE);
    // It moves where it is no worse: what stands still learns nothing.
    if (best.value > now) return;
    Object.assign(place, { turn: best.turn, x: best.x, y: best.y });
    set(i);
  }

  /** From a place downhill, in steps that grow where they help and shrink where they do not. */
  function descend(
    i: number,
    from: { turn: number; x: number; y: number; value: number },
    first: number,
    last: number,
  ) {
    const shape = movables[i]!.turns[from.turn]!;
    const { x0, x1, y0, y1 } = span(shape);
    let { x, y, value } = from;
    let step = first * Math.min(shape.maxX - shape.minX, shape.maxY - shape.minY);
    let heading = random() * Math.PI;
    while (step > last && value > 0) {
      let better = false;
      for (let k = 0; k < 4 && !better; k++) {
        const angle = heading + (k * Math.PI) / 2;
        const [u, v] = [
          clampTo(x0, Math.max(x0, x1), x + step * Math.cos(angle)),
          clampTo(y0, Math.max(y0, y1), y + step * Math.sin(angle)),
        ];
        const own = weigh(i, shape, [u, v], value);
        if (own < value) {
          [x, y, value] = [u, v, own];
          better = true;
          heading = angle;
        }
      }
      step *= better ? 1.4 : 0.5;
      if (!better) heading += 0.7;
    }
    return { turn: from.turn, x, y, value };
  }
}
