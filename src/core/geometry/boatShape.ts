import { deckPoint, openHalfBreadth, openingAt, openingEnds, type DeckShape } from './deckShape';
import type { HullSurface } from './hullSurface';
import type { Patch } from './patch';
import { mix, shares, type Point } from './point';
import type { HullEdge, Region } from './region';

/** The boat's surfaces together. */
export interface BoatShape {
  hull: HullSurface;
  deck: DeckShape;
}

/** s of a zone's edge at x. */
export function edgeAt(hull: HullSurface, edge: HullEdge, x: number): number {
  switch (edge.kind) {
    case 'centreline':
      return 0;
    case 'chine':
      return 1;
    case 'waterline':
      return hull.sAtHeight(x, hull.waterline);
    case 'deckEdge':
      return 2;
    case 'girth':
      return hull.sAtGirth(x, edge.distance);
    case 'height':
      return hull.sAtHeight(x, edge.height);
  }
}

/** A point of the hull at s, to port where s is negative. */
export const hullPoint = (hull: HullSurface, x: number, s: number): Point => {
  const [px, y, z] = hull.at(x, Math.abs(s));
  return [px, s < 0 ? -y : y, z];
};

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/** A stretch along the boat, cut to its length. */
const onBoat = (hull: HullSurface, { from, to }: { from: number; to: number }) =>
  [clamp(from, hull.aft, hull.bow), clamp(to, hull.aft, hull.bow)] as const;

/** A flat section of the boat, port to starboard; above the deck edge it follows the camber. m. */
export interface Section {
  bottom: number;
  top: number;
  /** Half-breadth at a height. */
  half: (z: number) => number;
  /** Greatest half-breadth. */
  widest: number;
  /** Lowest and highest point over a distance from the centreline; equal beyond the widest. */
  low: (y: number) => number;
  high: (y: number) => number;
  at: (y: number, z: number) => Point;
}

const LEVELS = 48;

/** The section that a bulkhead or the transom fills; null for any other region, or off the hull. */
export function sectionOf({ hull, deck }: BoatShape, region: Region): Section | null {
  const transom = region.surface === 'transom';
  if (!transom && (region.surface !== 'section' || region.x <= hull.aft || region.x >= hull.bow)) return null;
  const x = transom ? hull.aft : region.x;
  const lean = transom ? Math.tan((hull.transomRakeDeg * Math.PI) / 180) : 0;
  const bottom = hull.at(x, 0)[2];
  const edge = hull.at(x, 2)[2];
  const crown = deckPoint(hull, deck, x, 0)[2];
  const top = Math.min(transom ? edge : (region.top ?? crown), crown);
  const half = (z: number) => {
    if (z <= edge) return hull.halfBreadth(x, z);
    const rise = crown - edge;
    return hull.at(x, 2)[1] * Math.sqrt(Math.max(0, 1 - (z - edge) / rise));
  };
  const levels = shares(LEVELS).map((t) => mix(bottom, top, t));
  const halves = levels.map(half);
  const widest = Math.max(...halves);
  /** Where the contour reaches y between two levels, of which the first lies inside or outside it as the second not. */
  const reach = (y: number, i: number, j: number) => {
    const [from, to] = [halves[i]!, halves[j]!];
    return mix(levels[i]!, levels[j]!, to === from ? 0 : (y - from) / (to - from));
  };
  const low = (y: number) => {
    const i = halves.findIndex((one) => one >= Math.abs(y));
    if (i < 0) return levels[halves.indexOf(widest)]!;
    return i === 0 ? bottom : reach(Math.abs(y), i - 1, i);
  };
  const high = (y: number) => {
    const i = halves.findLastIndex((one) => one >= Math.abs(y));
    if (i < 0) return levels[halves.indexOf(widest)]!;
    return i === LEVELS ? top : reach(Math.abs(y), i + 1, i);
  };
  return { bottom, top, half, widest, low, high, at: (y, z) => [x - (z - bottom) * lean, y, z] };
}

/** Between two heights of the section: u across the boat, v up. */
function sectionPatch(shape: BoatShape, region: Region): Patch | null {
  const section = sectionOf(shape, region);
  if (section === null) return null;
  const { bottom, top, half, at } = section;
  return {
    count: 1,
    flat: true,
    straight: true,
    at: (u, v) => {
      const z = mix(bottom, top, v);
      return at((2 * u - 1) * half(z), z);
    },
  };
}

/**
 * The surface of a zone. u runs along its reference direction: forward, or across the boat on bulkheads and transom.
 *
 * @returns null where the boat has no such surface (a cockpit sole without a cockpit), or the region is empty.
 * @example regionPatch(shape, { surface: 'hull', from: 0, to: 4, lower: { kind: 'centreline' }, upper: { kind: 'chine'
 * } })
 */
export function regionPatch(shape: BoatShape, region: Region): Patch | null {
  const { hull, deck } = shape;
  switch (region.surface) {
    case 'hull': {
      const [from, to] = onBoat(hull, region);
      if (to - from < 1e-6) return null;
      return {
        count: 2,
        at: (u, v) => {
          const x = mix(from, to, u);
          const low = edgeAt(hull, region.lower, x);
          return hull.at(x, mix(low, Math.max(low, edgeAt(hull, region.upper, x)), v));
        },
      };
    }
    case 'transom':
    case 'section':
      return sectionPatch(shape, region);
    case 'deck': {
      const [from, to] = onBoat(hull, region);
      if (to - from < 1e-6) return null;
      return {
        count: 2,
        jumps: openingEnds(deck).map((x) => (x - from) / (to - from)),
        at: (u, v) => {
          const x = mix(from, to, u);
          const edge = hull.at(x, 2)[1];
          return deckPoint(hull, deck, x, mix(Math.min(edge, openHalfBreadth(deck, x)), edge, v));
        },
      };
    }
    case 'cockpit': {
      const { cockpit } = deck;
      if (cockpit === null) return null;
      const along = (u: number) => mix(cockpit.from, cockpit.to, u);
      if (region.piece === 'sole')
        return {
          count: 1,
          flat: true,
          at: (u, v) => [along(u), (2 * v - 1) * openingAt(cockpit, along(u)), cockpit.soleHeight],
        };
      return {
        count: 2,
        at: (u, v) => {
          const y = openingAt(cockpit, along(u));
          return [
            along(u),
            y,
            mix(cockpit.soleHeight, Math.max(cockpit.soleHeight, deckPoint(hull, deck, along(u), y)[2]), v),
          ];
        },
      };
    }
    case 'coachroof': {
      const { coachroof } = deck;
      if (coachroof === null) return null;
      const [sideLean, frontLean] = [coachroof.sideRakeDeg, coachroof.frontRakeDeg].map(
        (degrees) => coachroof.height * Math.tan((degrees * Math.PI) / 180),
      ) as [number, number];
      const foot = (x: number) => openingAt(coachroof, clamp(x, coachroof.from, coachroof.to));
      const roof = (x: number): number =>
        deckPoint(hull, deck, clamp(x, coachroof.from, coachroof.to), foot(x))[2] + coachroof.height;
      const head = (x: number) => Math.max(0.02, foot(x) - sideLean);
      const end = Math.max(coachroof.from + 0.1, coachroof.to - frontLean);
      if (region.piece === 'top')
        return {
          count: 1,
          at: (u, v) => {
            const x = mix(coachroof.from, end, u);
            const y = (2 * v - 1) * head(x);
            return [x, y, roof(x) + deck.camber * (1 - (2 * v - 1) ** 2)];
          },
        };
      if (region.piece === 'side')
        return {
          count: 2,
          at: (u, v) => {
            const x = mix(coachroof.from, mix(coachroof.to, end, v), u);
            return [x, mix(foot(x), head(x), v), roof(x) - coachroof.height * (1 - v)];
          },
        };
      return {
        count: 1,
        at: (u, v) => {
          const x = mix(coachroof.to, end, v);
          return [
            x,
            (2 * u - 1) * mix(foot(coachroof.to), head(end), v),
            roof(coachroof.to) - coachroof.height * (1 - v),
          ];
        },
      };
    }
    case 'pan':
      if (region.to - region.from < 1e-6) return null;
      return {
        count: 1,
        flat: true,
        at: (u, v) => [
          mix(region.from, region.to, u),
          (2 * v - 1) * mix(region.halfBreadthAft, region.halfBreadthFore, u),
          region.height,
        ],
      };
    case 'rectangle':
      return {
        count: region.count,
        flat: true,
        at: (u, v) => [region.x + (u - 0.5) * region.length, region.y + (v - 0.5) * region.breadth, region.height],
      };
  }
}
