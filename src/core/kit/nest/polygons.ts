import { randomLcg } from 'd3-random';
import { Clipper, FillRule, type Path64 } from '@countertype/clipper2-ts';
import { invalid } from '../../error';
import { signedArea, type At } from './convexParts';
import { nestRectangles } from './rectangles';
import { Bars, separate, type Ground, type Place } from './separate';
import { turned, type Turned } from './shapes';

/** A piece to lay: its outline (m), x across the roll and y along it. */
export interface PolygonPiece {
  id: string;
  outline: readonly At[];
  /** How many of it; 1 where it is left out. */
  count?: number | undefined;
  /** Degrees by which it may be turned; along the roll either way where it is left out. Never mirrored. */
  rotations?: readonly number[] | undefined;
}

export interface PolygonsInput {
  stripWidth: number;
  /** Between pieces; not at the edges of the strip (m). */
  gap: number;
  pieces: readonly PolygonPiece[];
  /** Offcuts, taken first; pieces lie inside their outlines. */
  stock: readonly { id: string; outline: readonly At[]; fast?: readonly (readonly At[])[] }[];
  /** What lies fast on the strip, and on an offcut: outlines in its place. */
  fast?: readonly (readonly At[])[] | undefined;
  /** A whole lay to begin with; taken where it holds. */
  from?: readonly PlacedPolygon[] | undefined;
  /** Places looked at, at most. */
  looks: number;
  seed: number;
}

/** A piece where it lies: its outline turned about its origin, then moved (m). */
export interface PlacedPolygon {
  id: string;
  copy: number;
  rotation: number;
  x: number;
  y: number;
  /** The offcut that it lies on; none for the strip. */
  stock?: string;
}

export interface PolygonsNest {
  /** m of new strip. */
  length: number;
  /** Area of the pieces on it over that of the strip taken; 1 where nothing is. */
  utilisation: number;
  placements: PlacedPolygon[];
}

interface Copy {
  id: string;
  copy: number;
  area: number;
  turns: Turned[];
}

const USUAL_TURNS = [0, 180];

/** What a nest is while it is looked for. */
export interface NestStep {
  /** Of the whole, from 0 to 1. */
  done: number;
  /** The best so far, and how it lies where it is new. */
  length: number;
  lay: PlacedPolygon[] | null;
}

/**
 * True shapes on a strip and on offcuts, as short as is found: rows of boxes at first, then pieces that overlap a
 * little on ever shorter strips and are brought apart ({@link separate}).
 *
 * A generator of how far it is; its end is the best. Never longer than the rows of boxes; the same for the same seed.
 * @throws KeramosError `invalid` for an outline of no area, and for a piece wider than the strip.
 */
export function* nestPolygons(input: PolygonsInput): Generator<NestStep, PolygonsNest> {
  const { stripWidth, gap, pieces, stock, fast = [], looks, seed } = input;
  let shapes = 0;
  const shapeOf = (outline: readonly At[], rotation: number) => turned(outline, rotation, shapes++);
  const copies = pieces.flatMap((piece, i) => copiesOf(piece, { width: stripWidth, path: `pieces[${i}]`, shapeOf }));
  const random = randomLcg(((seed % 9973) + 0.5) / 9974);
  const bars = new Bars(gap);
  // The gap lies between pieces, not at edges.
  const edges = new Bars(0);
  const spent = { looks: 0 };
  const placements: PlacedPolygon[] = [];
  let left = [...copies].sort((a, b) => b.area - a.area);
  const still = (outlines: readonly (readonly At[])[], [dx, dy]: At) =>
    outlines.map((outline) => ({ shape: shapeOf(outline, 0), x: -dx, y: -dy, piece: true }));
  const onStrip = still(fast, [0, 0]);
  const fastEnd = Math.max(0, ...onStrip.map(({ shape }) => shape.maxY));
  const fastArea = fast.reduce((sum, outline) => sum + Math.abs(signedArea(outline)), 0);
  const groundFor = (length: number): Ground => ({ width: stripWidth, length, fixed: onStrip });
  const lengthOf = (places: readonly Place[]) =>
    Math.max(fastEnd, ...places.map(({ turn, y }, i) => y + left[i]!.turns[turn]!.maxY));
  const stockGround = ({ outline, fast: own = [] }: (typeof stock)[number]) => {
    const corner: At = [Math.min(...outline.map(([x]) => x)), Math.min(...outline.map(([, y]) => y))];
    const ground = groundOf(outline, shapeOf);
    return { corner, ground: { ...ground, fixed: [...ground.fixed, ...still(own, corner)] } };
  };
  const begun = yield* resumed();

  for (const one of begun ? [] : stock) {
    const { id, outline, fast: own = [] } = one;
    const share = Math.min(0.3 / stock.length, 0.15) * looks;
    const { corner, ground } = stockGround(one);
    const most = Math.abs(signedArea(outline)) - own.reduce((sum, still) => sum + Math.abs(signedArea(still)), 0);
    const laid: Copy[] = [];
    let places: Place[] = [];
    for (const tried of left) {
      const area = laid.reduce((sum, there) => sum + there.area, tried.area);
      if (area > most * (1 + 1e-9)) continue;
      const next = [...places.map((place) => ({ ...place })), { turn: 0, x: 0, y: 0 }];
      const limit = spent.looks + share / Math.max(6, Math.min(20, left.length));
      const apart = yield* told(
        separate([...laid, tried], next, ground, { bars, edges, random, spent, limit }),
        Infinity,
      );
      if (!apart) continue;
      laid.push(tried);
      places = next;
    }
    laid.forEach((own, i) => {
      const { turn, x, y } = places[i]!;
      const rotation = own.turns[turn]!.rotation;
      placements.push({ id: own.id, copy: own.copy, rotation, x: x + corner[0], y: y + corner[1], stock: id });
    });
    left = left.filter((own) => !laid.includes(own));
  }
  const used = (length: number, area: number) => (length > 0 ? area / (length * stripWidth) : 1);
  if (left.length === 0) return { length: fastEnd, utilisation: used(fastEnd, fastArea), placements };

  const area = left.reduce((sum, one) => sum + one.area, fastArea);
  const boxes = fast.length === 0 ? asBoxes(left) : null;
  if (boxes) {
    const tries = Math.max(50, Math.round(looks / (0.4 * boxes.pieces.length ** 2 + 80)));
    const search = nestRectangles({ stripWidth, gap, ...boxes, tries, seed });
    let step = search.next();
    for (; !step.done; step = search.next()) yield { done: step.value / tries, length: Infinity, lay: null };
    const found = step.value.placements.map(({ id, x, y, rotated }): PlacedPolygon => {
      const one = left[Number(id)]!;
      const shape = one.turns.find(({ rotation }) => (rotation % 180 !== 0) === rotated)!;
      return { id: one.id, copy: one.copy, rotation: shape.rotation, x: x - shape.minX, y: y - shape.minY };
    });
    placements.push(...found);
    return { ...step.value, placements };
  }
  const least = Math.max(
    area / stripWidth,
    fastEnd,
    ...left.map(({ turns }) => Math.min(...turns.filter(fitsIn(stripWidth)).map(({ minY, maxY }) => maxY - minY))),
  );
  let best = begun ?? inRows(left, stripWidth, gap, fastEnd);
  let tries = 0;
  let failed = best.places;
  let shrink = 0.02;
  // A first loose lay, well below the rows of boxes where there is one.
  for (let factor = 1.25; factor < 3 && least * factor < best.length && spent.looks < looks; factor *= 1.15) {
    const length = least * factor;
    const places = left.map(({ turns }): Place => {
      const turn = Math.floor(random() * turns.length);
      return { turn, x: random() * stripWidth, y: random() * length };
    });
    const limit = spent.looks + 0.12 * looks;
    if (yield* told(separate(left, places, groundFor(length), { bars, edges, random, spent, limit }), best.length)) {
      best = { places, length: lengthOf(places) };
      yield better();
      break;
    }
  }
  while (spent.looks < looks && best.length > least * (1 + 1e-6)) {
    const length = Math.max(least, best.length * (1 - shrink));
    const places = (tries % 2 === 1 ? failed : best.places).map((place) => ({ ...place }));
    if (tries > 0) disturb(places);
    shorten(places, best.length - length);
    const limit = spent.looks + 0.25 * looks;
    if (
      yield* told(
        separate(left, places, groundFor(length), { bars, edges, random, spent, limit: Math.min(limit, looks) }),
        best.length,
      )
    ) {
      const found = lengthOf(places);
      if (found < best.length) {
        best = { places, length: found };
        yield better();
      }
      tries = 0;
      continue;
    }
    failed = places;
    tries += 1;
    if (tries % 3 === 0) shrink = Math.max(0.002, shrink * 0.6);
  }
  return { length: best.length, utilisation: used(best.length, area), placements: layNow() };

  function layNow(): PlacedPolygon[] {
    const strip = best.places.map(({ turn, x, y }, i): PlacedPolygon => {
      const { id, copy, turns } = left[i]!;
      return { id, copy, rotation: turns[turn]!.rotation, x, y };
    });
    return [...placements, ...strip];
  }
  function better(): NestStep {
    return { done: Math.min(1, spent.looks / looks), length: best.length, lay: layNow() };
  }
  /** The lay to begin with, where it is of these pieces and nothing in it overlaps; what lies on offcuts is laid. */
  function* resumed(): Generator<NestStep, { places: Place[]; length: number } | null> {
    const { from } = input;
    const key = (id: string, copy: number) => `${id} ${copy}`;
    const lies = new Map(from?.map((one) => [key(one.id, one.copy), one]));
    if (!from || lies.size !== copies.length || from.length !== copies.length) return null;
    const placeOf = ({ id, copy, turns }: Copy, [dx, dy]: At): Place | null => {
      const there = lies.get(key(id, copy));
      const turn = turns.findIndex(({ rotation }) => rotation === there?.rotation);
      return there && turn >= 0 ? { turn, x: there.x - dx, y: there.y - dy } : null;
    };
    const grounds = new Map(stock.map((one) => [one.id, stockGround(one)]));
    const onStock = [...new Set(from.flatMap(({ stock: id }) => id ?? []))];
    const on = (id: string | undefined) => left.filter((one) => lies.get(key(one.id, one.copy))?.stock === id);
    for (const id of [...onStock, undefined]) {
      const own = on(id);
      const ground = id === undefined ? null : grounds.get(id);
      if (ground === undefined) return null;
      const places = own.map((one) => placeOf(one, ground?.corner ?? [0, 0]));
      if (!places.every((place): place is Place => place !== null)) return null;
      const end = Math.max(0, ...places.map(({ turn, y }, i) => y + own[i]!.turns[turn]!.maxY));
      const how = { bars, edges, random, spent, limit: 0 };
      const holds = yield* told(
        separate(own, places, ground?.ground ?? groundFor(Math.max(fastEnd, end)), how),
        Infinity,
      );
      if (!holds) return null;
    }
    placements.push(...from.filter(({ stock: id }) => id !== undefined));
    left = on(undefined);
    const places = left.map((one) => placeOf(one, [0, 0])!);
    return { places, length: lengthOf(places) };
  }

  function* told(search: Generator<void, boolean>, length: number): Generator<NestStep, boolean> {
    for (;;) {
      const step = search.next();
      if (step.done) return step.value;
      yield { done: Math.min(1, spent.looks / looks), length, lay: null };
    }
  }
  /** What lies beyond a line taken at random moves back by as much as the strip gets shorter. */
  function shorten(places: Place[], by: number) {
    const line = random() * best.length;
    places.forEach((place, i) => {
      const { minY, maxY } = left[i]!.turns[place.turn]!;
      if (place.y + (minY + maxY) / 2 > line) place.y -= by;
    });
  }
  /** Two large pieces change places, so that another lay is looked for. */
  function disturb(places: Place[]) {
    const large = Math.max(2, Math.ceil(0.6 * left.length));
    if (left.length < 2) return;
    const i = Math.floor(random() * large);
    const j = (i + 1 + Math.floor(random() * (large - 1))) % large;
    const [a, b] = [places[i]!, places[j]!];
    [a.x, b.x] = [b.x, a.x];
    [a.y, b.y] = [b.y, a.y];
  }
}

const fitsIn =
  (width: number) =>
  ({ minX, maxX }: Turned) =>
    maxX - minX <= width + 1e-9;

type ShapeOf = (outline: readonly At[], rotation: number) => Turned;

function copiesOf(
  { id, outline, count = 1, rotations = USUAL_TURNS }: PolygonPiece,
  { width, path, shapeOf }: { width: number; path: string; shapeOf: ShapeOf },
): Copy[] {
  const area = Math.abs(signedArea(outline));
  if (outline.length < 3 || area < 1e-8) throw invalid(`${path}.outline`, `${id} has no area`);
  const all = [...new Set(rotations)].map((rotation) => shapeOf(outline, rotation));
  const turns = all.filter(fitsIn(width));
  if (turns.length === 0) throw invalid(`${path}.outline`, `${id} is wider than the strip, however it is turned`);
  return Array.from({ length: count }, (_, copy) => ({ id, copy, area, turns }));
}

/** What is left as rectangles, where all of it is; known by its place in the list. */
function asBoxes(left: readonly Copy[]) {
  const plain = left.map(({ turns }) => turns.find(({ rotation }) => rotation % 180 === 0));
  const square = ({ outline, minX, maxX, minY, maxY }: Turned) =>
    Math.abs(signedArea(outline)) > (maxX - minX) * (maxY - minY) * (1 - 1e-9);
  if (!plain.every((shape): shape is Turned => shape !== undefined && square(shape))) return null;
  const quarter = left.map(({ turns }) => turns.some(({ rotation }) => Math.abs(rotation % 180) === 90));
  if (quarter.some((can) => can !== quarter[0])) return null;
  const pieces = plain.map(({ minX, maxX, minY, maxY }, i) => ({
    id: String(i),
    width: maxX - minX,
    length: maxY - minY,
  }));
  return { pieces, allowRotation: quarter[0]! };
}

/** An offcut as the ground that its box is, with what lies outside its outline fast in it. */
function groundOf(outline: readonly At[], shapeOf: ShapeOf): Ground {
  const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)];
  const [minX, minY] = [Math.min(...xs), Math.min(...ys)];
  const [width, length] = [Math.max(...xs) - minX, Math.max(...ys) - minY];
  const MICRO = 1e6;
  const path = (points: readonly At[]): Path64 =>
    points.map(([x, y]) => ({ x: Math.round((x - minX) * MICRO), y: Math.round((y - minY) * MICRO) }));
  const box = path([
    [minX, minY],
    [minX + width, minY],
    [minX + width, minY + length],
    [minX, minY + length],
  ]);
  const outside = Clipper.difference([box], [path(outline)], FillRule.NonZero);
  const fixed = outside.flatMap((ring) => {
    const points = ring.map(({ x, y }): At => [x / MICRO, y / MICRO]);
    return Math.abs(signedArea(points)) > 1e-8 ? [{ shape: shapeOf(points, 0), x: 0, y: 0 }] : [];
  });
  return { width, length, fixed };
}

/** Pieces as boxes in rows from the longest on, after what lies fast: the lay that is always there. */
function inRows(copies: readonly Copy[], width: number, gap: number, after: number) {
  const flat = copies.map(({ turns }) => {
    const turn = turns.reduce((least, one, i) => {
      const now = turns[least]!;
      return one.maxY - one.minY < now.maxY - now.minY - 1e-9 ? i : least;
    }, 0);
    return { turn, shape: turns[turn]! };
  });
  const order = copies
    .map((_, i) => i)
    .sort((a, b) => flat[b]!.shape.maxY - flat[b]!.shape.minY - (flat[a]!.shape.maxY - flat[a]!.shape.minY));
  const places: Place[] = [];
  const rows: { y: number; used: number }[] = [];
  let end = after;
  for (const i of order) {
    const { turn, shape } = flat[i]!;
    const [w, h] = [shape.maxX - shape.minX, shape.maxY - shape.minY];
    let row = rows.find(({ used }) => used + w <= width + 1e-9);
    if (!row) {
      row = { y: end === 0 ? 0 : end + gap + 2e-5, used: 0 };
      rows.push(row);
      end = row.y + h;
    }
    places[i] = { turn, x: row.used - shape.minX, y: row.y - shape.minY };
    row.used += w + gap + 2e-5;
  }
  return { places, length: end };
}
