import {
  deckPoint,
  edgeAt,
  openHalfBreadth,
  openingEnds,
  patchArea,
  regionPatch,
  type BoatShape,
  type Region,
} from '../geometry';
import type { Boat, Zone } from './boat';
import { shapeOf } from './shape';

/** How a surface of the boat is taken up by zones. Areas m², both hands. */
export interface SurfaceCover {
  name: string;
  whole: number;
  /** In one zone or more. */
  covered: number;
  /** In a second zone as well: laid and weighed twice. */
  twice: number;
  /** Zones that lie on one another. */
  again: string[];
}

type On<S extends Region['surface']> = Extract<Region, { surface: S }>;
interface Placed<S extends Region['surface']> {
  name: string;
  region: On<S>;
}
interface Span {
  name: string;
  from: number;
  to: number;
}

const placedOn = <S extends Region['surface']>(zones: readonly Zone[], surface: S): Placed<S>[] =>
  zones.flatMap(({ name, region }) => (region?.surface === surface ? [{ name, region: region as On<S> }] : []));
const areaOf = (shape: BoatShape, region: Region): number => {
  const patch = regionPatch(shape, region);
  return patch === null ? 0 : patchArea(patch).area;
};

/** Stretches that are covered once and more than once, and whose they are. */
function overlaid(spans: readonly Span[], measure: (from: number, to: number) => number, again: Set<string>) {
  const ends = [...new Set(spans.flatMap(({ from, to }) => [from, to]))].sort((a, b) => a - b);
  let [covered, twice] = [0, 0];
  for (let i = 1; i < ends.length; i++) {
    const middle = (ends[i - 1]! + ends[i]!) / 2;
    const here = spans.filter(({ from, to }) => from < middle && middle < to);
    if (here.length === 0) continue;
    const size = measure(ends[i - 1]!, ends[i]!);
    covered += size;
    twice += size * (here.length - 1);
    if (here.length > 1 && size > 1e-3) for (const { name } of here) again.add(name);
  }
  return { covered, twice };
}

/** Middles of short steps between the places where something begins or ends, with the width of each step. */
function steps(places: readonly number[], low: number, high: number): { x: number; dx: number }[] {
  const STEPS = 24;
  const ends = [...new Set([low, ...places.filter((x) => x > low && x < high), high])].sort((a, b) => a - b);
  return ends.slice(1).flatMap((to, i) => {
    const dx = (to - ends[i]!) / STEPS;
    return Array.from({ length: STEPS }, (_, k) => ({ x: ends[i]! + (k + 0.5) * dx, dx }));
  });
}

function hullCover(shape: BoatShape, zones: readonly Zone[]): SurfaceCover | null {
  const { hull } = shape;
  const [placed, transoms] = [placedOn(zones, 'hull'), placedOn(zones, 'transom')];
  if (placed.length + transoms.length === 0) return null;
  const again = new Set<string>();
  const sum = { whole: 0, covered: 0, twice: 0 };
  const ends = placed.flatMap(({ region }) => [region.from, region.to]);
  for (const { x, dx } of steps(ends, hull.aft, hull.bow)) {
    const spans = placed
      .filter(({ region }) => region.from < x && x < region.to)
      .map(({ name, region }) => ({ name, from: edgeAt(hull, region.lower, x), to: edgeAt(hull, region.upper, x) }));
    const { covered, twice } = overlaid(spans, (from, to) => hull.girth(x, to) - hull.girth(x, from), again);
    sum.whole += hull.girth(x, 2) * dx;
    sum.covered += covered * dx;
    sum.twice += twice * dx;
  }
  const skin = areaOf(shape, {
    surface: 'hull',
    from: hull.aft,
    to: hull.bow,
    lower: { kind: 'centreline' },
    upper: { kind: 'deckEdge' },
  });
  const transom = areaOf(shape, { surface: 'transom' });
  if (transoms.length > 1) for (const { name } of transoms) again.add(name);
  // Girths give the shares, the surface the size.
  const scale = sum.whole > 0 ? skin / sum.whole : 0;
  return {
    name: 'Hull with transom',
    whole: skin + transom,
    covered: sum.covered * scale + (transoms.length > 0 ? transom : 0),
    twice: sum.twice * scale + Math.max(0, transoms.length - 1) * transom,
    again: [...again],
  };
}

/** Deck between its edge and what is open; pads let in or laid on it at its height count with it. */
function deckCover(shape: BoatShape, zones: readonly Zone[]): SurfaceCover | null {
  const { hull, deck } = shape;
  const placed = placedOn(zones, 'deck');
  if (placed.length === 0) return null;
  const NEAR = 0.15;
  const pads = placedOn(zones, 'rectangle').filter(
    ({ region: { x, y, height } }) =>
      x > hull.aft && x < hull.bow && Math.abs(deckPoint(hull, deck, x, y)[2] - height) < NEAR,
  );
  const again = new Set<string>();
  const sum = { whole: 0, covered: 0, twice: 0 };
  const ends = [
    ...placed.flatMap(({ region }) => [region.from, region.to]),
    ...pads.flatMap(({ region }) => [region.x - region.length / 2, region.x + region.length / 2]),
    ...openingEnds(deck),
  ];
  for (const { x, dx } of steps(ends, hull.aft, hull.bow)) {
    const edge = hull.at(x, 2)[1];
    const open = Math.min(edge, openHalfBreadth(deck, x));
    const spans = placed
      .filter(({ region }) => region.from < x && x < region.to)
      .map(({ name }) => ({ name, from: open, to: edge }));
    const own = pads
      .filter(({ region }) => Math.abs(x - region.x) < region.length / 2)
      .map(({ name, region: { y, breadth, count } }) => {
        const from = Math.max(open, y - breadth / 2);
        // One of them lies on one hand: half as much of both.
        const to = Math.min(edge, y + breadth / 2);
        return { name, from, to: count === 1 && y > breadth / 2 ? from + Math.max(0, to - from) / 2 : to };
      })
      .filter(({ from, to }) => to > from);
    const { covered, twice } = overlaid([...spans, ...own], (from, to) => 2 * (to - from), again);
    sum.whole += 2 * (edge - open) * dx;
    sum.covered += covered * dx;
    sum.twice += twice * dx;
  }
  const whole = areaOf(shape, { surface: 'deck', from: hull.aft, to: hull.bow });
  const scale = sum.whole > 0 ? whole / sum.whole : 0;
  return { name: 'Deck', whole, covered: sum.covered * scale, twice: sum.twice * scale, again: [...again] };
}

/** Surfaces that come in pieces, each taken up by a zone as a whole: laid once, more than once, or not at all. */
function piecesCover(
  shape: BoatShape,
  name: string,
  pieces: readonly Region[],
  zones: readonly Zone[],
): SurfaceCover | null {
  const same = (a: Region, b: Region) =>
    a.surface === b.surface && ('piece' in a && 'piece' in b ? a.piece === b.piece : true);
  const taken = pieces.map((piece) => ({
    area: areaOf(shape, piece),
    by: zones.filter(({ region }) => region !== null && same(region, piece)).map((zone) => zone.name),
  }));
  if (taken.every(({ by }) => by.length === 0)) return null;
  return {
    name,
    whole: taken.reduce((sum, { area }) => sum + area, 0),
    covered: taken.reduce((sum, { area, by }) => sum + (by.length > 0 ? area : 0), 0),
    twice: taken.reduce((sum, { area, by }) => sum + Math.max(0, by.length - 1) * area, 0),
    again: taken.flatMap(({ by }) => (by.length > 1 ? by : [])),
  };
}

/** Bulkheads, each against the boat's own section where it stands; one that ends at a height is whole as it is. */
function bulkheadCover(shape: BoatShape, zones: readonly Zone[]): SurfaceCover | null {
  const placed = placedOn(zones, 'section').map((one) => ({ ...one, area: areaOf(shape, one.region) }));
  if (placed.length === 0) return null;
  const SAME = 0.005;
  const frames = new Map<number, typeof placed>();
  for (const one of placed) {
    const at = [...frames.keys()].find((x) => Math.abs(x - one.region.x) < SAME) ?? one.region.x;
    frames.set(at, [...(frames.get(at) ?? []), one]);
  }
  const every = [...frames.values()].map((own) => Math.max(...own.map(({ area }) => area)));
  const covered = every.reduce((sum, area) => sum + area, 0);
  return {
    name: 'Bulkheads',
    whole: covered,
    covered,
    twice: placed.reduce((sum, { area }) => sum + area, 0) - covered,
    again: [...frames.values()].filter((own) => own.length > 1).flatMap((own) => own.map(({ name }) => name)),
  };
}

/** Pans of a liner at one height, in plan; what lies at another height is another surface. */
function linerCover(zones: readonly Zone[]): SurfaceCover | null {
  const placed = placedOn(zones, 'pan');
  if (placed.length === 0) return null;
  const again = new Set<string>();
  const LEVEL = 0.01;
  const sum = { covered: 0, twice: 0 };
  const levels = new Map<number, typeof placed>();
  for (const one of placed) {
    const level = Math.round(one.region.height / LEVEL);
    levels.set(level, [...(levels.get(level) ?? []), one]);
  }
  for (const own of levels.values()) {
    const ends = own.flatMap(({ region }) => [region.from, region.to]);
    for (const { x, dx } of steps(ends, Math.min(...ends), Math.max(...ends))) {
      const spans = own
        .filter(({ region }) => region.from < x && x < region.to)
        .map(({ name, region: { from, to, halfBreadthAft, halfBreadthFore } }) => ({
          name,
          from: 0,
          to: halfBreadthAft + ((halfBreadthFore - halfBreadthAft) * (x - from)) / (to - from),
        }));
      const { covered, twice } = overlaid(spans, (from, to) => 2 * (to - from), again);
      sum.covered += covered * dx;
      sum.twice += twice * dx;
    }
  }
  return { name: 'Liner', whole: sum.covered, ...sum, again: [...again] };
}

/**
 * How far the zones take up each surface of the boat: hull with transom, deck, superstructure, cockpit, bulkheads and
 * liner, those on which there is any zone at all.
 *
 * @returns whole, covered and laid-twice areas; a gap and an overlap are seen apart, and do not cancel.
 * @example coverOf(boat).find(({ name }) => name === 'Deck')!.twice // 0.6, with the pads on it
 */
export function coverOf(boat: Pick<Boat, 'hull' | 'deck' | 'brief' | 'parts'>): SurfaceCover[] {
  const shape = shapeOf(boat);
  if (shape === null) return [];
  const zones = boat.parts.flatMap((part) => part.zones);
  const superstructure: Region[] = (['top', 'side', 'front'] as const).map((piece) => ({
    surface: 'coachroof',
    piece,
  }));
  const cockpit: Region[] = (['sole', 'side'] as const).map((piece) => ({ surface: 'cockpit', piece }));
  const found = [
    hullCover(shape, zones),
    deckCover(shape, zones),
    piecesCover(shape, 'Superstructure', superstructure, zones),
    piecesCover(shape, 'Cockpit', cockpit, zones),
    bulkheadCover(shape, zones),
    linerCover(zones),
  ];
  return found.filter((one) => one !== null);
}
