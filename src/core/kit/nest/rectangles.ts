import { randomLcg } from 'd3-random';
import { invalid } from '../../error';
import { FIT, Skyline, type Kind, type Laid, type Way } from './skyline';

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
/** µm in a metre: sizes are taken to the micrometre. */
const MICRO = 1e6;
/** Layouts tried between two words to whoever waits. */
const SLICE = 256;
/** How the search was tuned, on strips of 25 to 100 pieces whose optimum is known. */
const SEARCH = {
  /** Pieces tried in a notch; where one fits on all sides, so many. */
  tried: 4,
  sure: 3,
  /** Strips kept side by side: at first, and at most. */
  beam: 4,
  widest: 20,
  /** Weight of what is lost for certain against the length of a quick fill, and of what that fill loses. */
  lost: 8,
  filled: 0.05,
  /** How far an order is shaken, and how often the search goes on from the best. */
  noise: 0.4,
  resume: 0.5,
};

/** A strip partly laid, and how it came to be. */
interface Step extends Laid {
  parent: Step | null;
  /** What was laid last; none where a notch was raised. */
  way: number;
  at: { x: number; y: number };
  score: number;
}

/**
 * Rectangles on a strip, as short as it is found: a beam of strips partly laid, each judged by what it has lost and by
 * a quick fill with what is left, in orders that are shaken anew each time, from the start or from the best so far.
 *
 * A generator of the number of layouts tried; its end is the best. The same for the same seed.
 * @throws KeramosError `invalid` for a piece wider than the strip, or of no size.
 * Source: skylines as in `Skyline`; beam search with a filling of each node, as in Bennell & Song (2010).
 */
export function* nestRectangles(input: RectanglesInput): Generator<number, RectanglesNest> {
  const { stripWidth, gap, pieces, allowRotation, tries, seed } = input;
  pieces.forEach(({ id, width, length }, i) => {
    if (!(width > 0 && length > 0)) throw invalid(`pieces[${i}]`, `${id} has no area`);
    if (Math.min(width, allowRotation ? length : width) > stripWidth + SAME)
      throw invalid(`pieces[${i}].width`, `${id} is wider than the strip`);
  });
  const all = pieces.reduce((sum, { count = 1 }) => sum + count, 0);
  if (all === 0) return { length: 0, utilisation: 0, placements: [] };
  const area = pieces.reduce((sum, { width, length, count = 1 }) => sum + width * length * count, 0);
  const wide = Math.round((stripWidth + gap) * MICRO);
  const { kinds, copies } = kindsOf(input, wide);
  const skyline = new Skyline(kinds, allowRotation);
  const random = randomLcg(((seed % 9973) + 0.5) / 9974);
  const longest = Math.max(
    ...pieces.map(({ width, length }) =>
      allowRotation && length <= stripWidth + SAME ? Math.min(width, length) : length,
    ),
  );
  // Each piece takes its gap with it, but for the last across and along.
  const grown = kinds.reduce((sum, { across, along, count }) => sum + across * along * count, 0);
  const bound = Math.max(grown / wide, (longest + gap) * MICRO);
  const root: Step = {
    x: [0],
    wide: [wide],
    high: [0],
    left: Uint16Array.from(kinds, ({ count }) => count),
    pieces: all,
    lost: 0,
    parent: null,
    way: -1,
    at: { x: 0, y: 0 },
    score: 0,
  };
  let best = { length: Infinity, from: root, order: [] as readonly number[] };
  let tried = 0;
  const done = () => tried >= tries || best.length <= bound * (1 + 1e-9) + 0.5;
  const fill = (from: Step, order: readonly number[]) => {
    skyline.load(from);
    const end = skyline.fill(order);
    tried += 1;
    if (end.length < best.length) best = { length: end.length, from, order };
    return end;
  };
  const straight = ORDERS.map((by) => ordered(skyline.ways.map(by)));
  for (const order of straight) fill(root, order);
  for (let round = 0; !done(); round++) {
    const by = ORDERS[round % ORDERS.length]!;
    const first = round < ORDERS.length;
    const order = first
      ? straight[round]!
      : ordered(skyline.ways.map((way) => by(way) * (1 + SEARCH.noise * (random() - 0.5))));
    const beam = first ? SEARCH.beam : SEARCH.beam + Math.floor(random() * (SEARCH.widest - SEARCH.beam));
    let level = [first || random() > SEARCH.resume ? root : partOf(best.from, random())];
    while (level.some((step) => step.pieces > 0) && !done()) {
      const next: Step[] = [];
      const known = new Set<number>();
      for (const step of level)
        for (const child of childrenOf(skyline, step, order)) {
          const key = keyOf(child);
          if (known.has(key)) continue;
          known.add(key);
          const end = fill(child, order);
          child.score = end.length + (SEARCH.filled * end.lost + SEARCH.lost * child.lost) / wide;
          next.push(child);
          if (tried % SLICE === 0) yield tried;
          if (tried >= tries) break;
        }
      level = next.sort((a, b) => a.score - b.score).slice(0, beam);
    }
  }
  const length = best.length / MICRO - gap;
  return { length, utilisation: area / (length * stripWidth), placements: placed(skyline, best, copies) };
}

/** Orders in which pieces are laid, the largest first by one measure or another. */
const ORDERS: readonly ((way: Way) => number)[] = [
  ({ across, along }) => across * along,
  ({ across }) => across,
  ({ along }) => along,
  ({ across, along }) => across + along,
];

const ordered = (keys: readonly number[]): number[] =>
  keys.map((_, i) => i).sort((a, b) => keys[b]! - keys[a]! || a - b);

interface Copy {
  id: string;
  copy: number;
  /** Whether it lies turned where its kind does not. */
  turned: boolean;
}

/** In whole micrometres; what is as wide as the strip may be one wider by rounding. */
const snug = (size: number, wide: number): number => {
  const whole = Math.round(size);
  return whole === wide + 1 ? wide : whole;
};

/** Pieces of the same size as one kind, with their gap, and the copies of each. */
function kindsOf({ pieces, gap, allowRotation }: RectanglesInput, wide: number): { kinds: Kind[]; copies: Copy[][] } {
  const kinds: Kind[] = [];
  const copies: Copy[][] = [];
  const at = new Map<string, number>();
  for (const { id, width, length, count = 1 } of pieces) {
    const w = snug((width + gap) * MICRO, wide);
    const h = snug((length + gap) * MICRO, wide);
    const turned = allowRotation && w > h;
    const [across, along] = turned ? [h, w] : [w, h];
    const key = `${across} ${along}`;
    const kind = at.get(key) ?? kinds.push({ across, along, count: 0 }) - 1;
    at.set(key, kind);
    kinds[kind]!.count += count;
    const own = (copies[kind] ??= []);
    for (let copy = 0; copy < count; copy++) own.push({ id, copy, turned });
  }
  return { kinds, copies };
}

/** A strip with one piece more, for each of those that fit its lowest notch best. */
function* childrenOf(skyline: Skyline, step: Step, order: readonly number[]): Generator<Step> {
  let parent = step;
  skyline.load(parent);
  let { low, fits } = skyline.candidates(order);
  while (fits.length === 0 && parent.pieces > 0) {
    skyline.raise(low);
    parent = { ...skyline.save(), parent, way: -1, at: parent.at, score: 0 };
    ({ low, fits } = skyline.candidates(order));
  }
  fits.sort((a, b) => b.fit - a.fit);
  for (const { way } of fits.slice(0, fits[0]?.fit === FIT.all ? SEARCH.sure : SEARCH.tried)) {
    skyline.load(parent);
    const at = skyline.lay(low, way);
    yield { ...skyline.save(), parent, way, at, score: 0 };
  }
}

/** One number of a strip: the same for strips with the same skyline and the same pieces left. */
function keyOf({ x, high, left }: Laid): number {
  let key = 17;
  for (let k = 0; k < x.length; k++) key = (key * 31 + x[k]! * 7 + high[k]!) % 9007199254;
  for (const count of left) key = (key * 33 + count) % 9007199254;
  return key;
}

/** A strip on the way to another, a part of the pieces laid. */
function partOf(step: Step, part: number): Step {
  const chain: Step[] = [];
  for (let one: Step | null = step; one; one = one.parent) chain.push(one);
  return chain[chain.length - 1 - Math.floor(0.9 * part * chain.length)]!;
}

/** Where every piece of the best lies. */
function placed(
  skyline: Skyline,
  { from, order }: { from: Step; order: readonly number[] },
  copies: readonly Copy[][],
): PlacedRectangle[] {
  const laid: { way: number; x: number; y: number }[] = [];
  for (let one: Step | null = from; one; one = one.parent) if (one.way >= 0) laid.push({ way: one.way, ...one.at });
  laid.reverse();
  skyline.load(from);
  skyline.fill(order, (way, x, y) => laid.push({ way, x, y }));
  const used = copies.map(() => 0);
  return laid.map(({ way, x, y }) => {
    const { kind, turned } = skyline.ways[way]!;
    const { id, copy, turned: ownTurn } = copies[kind]![used[kind]!++]!;
    return { id, copy, x: x / MICRO, y: y / MICRO, rotated: turned !== ownTurn };
  });
}
