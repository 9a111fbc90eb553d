import { randomLcg } from 'd3-random';
import { invalid } from '../../error';

/** Rectangles to lay on a strip: width across it, length along it (m). */
export interface Rectangle {
  id: string;
  width: number;
  length: number;
  /** How many of it; 1 where it is left out. */
  count?: number | undefined;
}

export interface RectanglesInput {
  /** m; the strip is as long as it need be. */
  stripWidth: number;
  /** Left between pieces, not at the edges of the strip (m). */
  gap: number;
  pieces: readonly Rectangle[];
  /** Whether a piece may be turned by a right angle. */
  allowRotation: boolean;
  /** Layouts tried, at most. */
  tries: number;
  seed: number;
}

/** A piece where it lies: its corner nearest to the start and the left edge (m). */
export interface PlacedRectangle {
  id: string;
  copy: number;
  x: number;
  y: number;
  rotated: boolean;
}

export interface RectanglesNest {
  /** m of strip. */
  length: number;
  /** Area of the pieces over that of the strip taken. */
  utilisation: number;
  placements: PlacedRectangle[];
}

const SAME = 1e-7;
/** Layouts tried between two words to whoever waits. */
const SLICE = 64;

const keyOf = (size: number) => Math.round(size * 1e6);

interface Item {
  id: string;
  copy: number;
  w: number;
  h: number;
}

/** How well a piece fits a notch of the skyline: both walls, the width, a wall, or not at all. */
const FIT = { all: 6, width: 5, pairWall: 4, wall: 3, pair: 2, none: 1 };

/**
 * Rectangles on a strip, as short as it is found: the lowest notch of the skyline takes the piece that fits it best,
 * ties by an order that is improved by annealing.
 *
 * A generator of the number of layouts tried; its end is the best. The same for the same seed.
 * @throws KeramosError `invalid` for a piece wider than the strip, or of no size.
 * Source: best fit on a skyline (Burke, Kendall & Whitwell 2004); fitness of notches (Leung, Zhang & Sim 2011).
 */
export function* nestRectangles(input: RectanglesInput): Generator<number, RectanglesNest> {
  const { stripWidth, gap, pieces, allowRotation, tries, seed } = input;
  pieces.forEach(({ id, width, length }, i) => {
    if (!(width > 0 && length > 0)) throw invalid(`pieces[${i}]`, `${id} has no area`);
    if (Math.min(width, allowRotation ? length : width) > stripWidth + SAME)
      throw invalid(`pieces[${i}].width`, `${id} is wider than the strip`);
  });
  const items = pieces.flatMap(({ id, width, length, count = 1 }) =>
    Array.from({ length: count }, (_, copy): Item => ({ id, copy, w: width + gap, h: length + gap })),
  );
  const area = pieces.reduce((sum, { width, length, count = 1 }) => sum + width * length * count, 0);
  if (items.length === 0) return { length: 0, utilisation: 0, placements: [] };
  const random = randomLcg(((seed % 9973) + 0.5) / 9974);
  const wide = stripWidth + gap;
  const lay = (order: readonly number[]) => layOut(order, items, wide, allowRotation);
  const bound = Math.max(area / stripWidth, ...items.map(({ w, h }) => (allowRotation ? Math.min(w, h) : h) - gap));
  const starts = [
    (a: Item, b: Item) => b.w * b.h - a.w * a.h,
    (a: Item, b: Item) => b.w - a.w || b.h - a.h,
    (a: Item, b: Item) => b.h - a.h || b.w - a.w,
    (a: Item, b: Item) => b.w + b.h - a.w - a.h,
  ].map((by) => items.map((_, i) => i).sort((a, b) => by(items[a]!, items[b]!) || a - b));
  let best = lay(starts[0]!);
  let order = starts[0]!;
  for (const start of starts.slice(1)) {
    const one = lay(start);
    if (one.length < best.length - SAME) [best, order] = [one, start];
  }
  let current = best;
  let at = [...order];
  let tried = starts.length;
  const done = () => tried >= tries || best.length - gap <= bound * (1 + 1e-9) + SAME;
  const warm = 0.02 * best.length;
  while (!done()) {
    const heat = warm * (1 - tried / tries) ** 2;
    const next = [...at];
    const [i, j] = [Math.floor(random() * next.length), Math.floor(random() * next.length)];
    if (random() < 0.5) [next[i], next[j]] = [next[j]!, next[i]!];
    else next.splice(j, 0, ...next.splice(i, 1));
    const one = lay(next);
    tried += 1;
    // Of equals the one whose last piece sticks out less.
    const worse = one.length + 0.05 * one.waste - current.length - 0.05 * current.waste;
    if (worse <= 0 || random() < Math.exp(-worse / Math.max(heat, 1e-12))) [current, at] = [one, next];
    if (one.length < best.length - SAME) best = one;
    if (tried % SLICE === 0) yield tried;
  }
  const length = best.length - gap;
  return { length, utilisation: area / (length * stripWidth), placements: best.placements };
}

interface Layout {
  length: number;
  /** What is lost under the skyline, as a length of strip. */
  waste: number;
  placements: PlacedRectangle[];
}

/** One layout: pieces in an order, each into the lowest notch, the best fit first. */
function layOut(order: readonly number[], items: readonly Item[], wide: number, turns: boolean): Layout {
  const left = [...order];
  const widths = new Map<number, number>();
  const count = ({ w, h }: Item, by: number) => {
    widths.set(keyOf(w), (widths.get(keyOf(w)) ?? 0) + by);
    if (turns && keyOf(h) !== keyOf(w)) widths.set(keyOf(h), (widths.get(keyOf(h)) ?? 0) + by);
  };
  for (const item of items) count(item, 1);
  const placements: PlacedRectangle[] = [];
  // The skyline: from x, over a width, so high.
  const line: { x: number; w: number; y: number }[] = [{ x: 0, w: wide, y: 0 }];
  let length = 0;
  let lost = 0;
  while (left.length > 0) {
    let low = 0;
    for (let k = 1; k < line.length; k++) if (line[k]!.y < line[low]!.y - SAME) low = k;
    const notch = line[low]!;
    const wallLeft = low > 0 ? line[low - 1]!.y - notch.y : Infinity;
    const wallRight = low < line.length - 1 ? line[low + 1]!.y - notch.y : Infinity;
    let chosen = -1;
    let turned = false;
    let best = 0;
    for (let k = 0; k < left.length && best < FIT.all; k++) {
      const { w, h } = items[left[k]!]!;
      for (let turn = 0; turn < (turns ? 2 : 1); turn++) {
        const [across, along] = turn === 0 ? [w, h] : [h, w];
        if (across > notch.w + SAME) continue;
        const full = Math.abs(across - notch.w) < SAME;
        const wall = Math.abs(along - wallLeft) < SAME || Math.abs(along - wallRight) < SAME;
        let fit = FIT.none;
        const pair =
          !full && (widths.get(keyOf(notch.w - across)) ?? 0) > (Math.abs(notch.w - 2 * across) < SAME ? 1 : 0);
        if (full) fit = wall ? FIT.all : FIT.width;
        else if (wall) fit = pair ? FIT.pairWall : FIT.wall;
        else if (pair) fit = FIT.pair;
        if (fit > best) [best, chosen, turned] = [fit, k, turn === 1];
      }
    }
    if (chosen < 0) {
      // Nothing fits: the notch is filled to its lower wall.
      const rise = Math.min(wallLeft, wallRight);
      lost += rise * notch.w;
      notch.y += rise;
      mergeAt(line, low);
      continue;
    }
    const item = items[left[chosen]!]!;
    left.splice(chosen, 1);
    count(item, -1);
    const [across, along] = turned ? [item.h, item.w] : [item.w, item.h];
    const atRight =
      Math.abs(along - wallLeft) >= SAME && (Math.abs(along - wallRight) < SAME || wallRight > wallLeft + SAME);
    const x = atRight ? notch.x + notch.w - across : notch.x;
    placements.push({ id: item.id, copy: item.copy, x, y: notch.y, rotated: turned });
    const top = { x, w: across, y: notch.y + along };
    length = Math.max(length, top.y);
    const rest = notch.w - across;
    if (rest < SAME) line.splice(low, 1, { ...top, x: notch.x, w: notch.w });
    else if (atRight) line.splice(low, 1, { ...notch, w: rest }, top);
    else line.splice(low, 1, top, { x: x + across, w: rest, y: notch.y });
    mergeAt(line, low + 1);
    mergeAt(line, low);
  }
  const over = line.reduce((sum, { w, y }) => sum + w * (length - y), 0);
  return { length, waste: (lost + over) / wide, placements };
}

/** Join a stretch of the skyline with those beside it of the same height. */
function mergeAt(line: { x: number; w: number; y: number }[], at: number): void {
  for (const k of [at, at - 1]) {
    const [a, b] = [line[k], line[k + 1]];
    if (a && b && Math.abs(a.y - b.y) < SAME) line.splice(k, 2, { x: a.x, w: a.w + b.w, y: Math.max(a.y, b.y) });
  }
}
