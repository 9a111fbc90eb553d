import { immersed, type Slice, type WaterPlane } from './immersed';

/** Everything of a body: high over whatever there is. */
const OVER: WaterPlane = { height: 1000, trim: 0, heel: 0 };

/** A tank filled to a level: what is in it (m³), its centre (m), and how high it stands (m above the baseline). */
export interface Filling {
  volume: number;
  centre: [number, number, number];
  level: number;
  /** Second moment of the free surface about its own middle, for heel (m⁴). */
  freeSurface: number;
  surfaceArea: number;
}

/** Volume (m³) and centre (m) of a body; null of nothing. */
export function solid(body: readonly Slice[]): { volume: number; centre: [number, number, number] } | null {
  const { volume, moments } = immersed(body, OVER);
  if (!(volume > 1e-12)) return null;
  return { volume, centre: moments.map((moment) => moment / volume) as [number, number, number] };
}

/** Lowest and highest point of a body (m); null of nothing. */
export function heightsOf(body: readonly Slice[]): [number, number] | null {
  const heights = body.flatMap(({ outlines }) => outlines.flatMap((outline) => outline.map(([, z]) => z)));
  return heights.length === 0 ? null : [Math.min(...heights), Math.max(...heights)];
}

/**
 * A level body filled to a height.
 * Source: the free surface of a slack tank takes ρ i from the metacentric height, over the displacement.
 */
export function filledTo(body: readonly Slice[], level: number): Filling | null {
  const { volume, moments, cut } = immersed(body, { height: level, trim: 0, heel: 0 });
  if (!(volume > 1e-12)) return null;
  // Both hands of a pair of tanks have their own surface: each turns about its own middle.
  const freeSurface = ownSurfaces(body, level);
  return {
    volume,
    centre: moments.map((moment) => moment / volume) as [number, number, number],
    level,
    freeSurface,
    surfaceArea: cut.area,
  };
}

/** Second moment across of the surface, each of its sides about its own middle: tanks of two hands do not run over. */
function ownSurfaces(body: readonly Slice[], level: number): number {
  const sides = (pick: (y: number) => boolean) =>
    body.flatMap((slice) => {
      const outlines = slice.outlines.filter((outline) => pick(middleOf(outline)));
      return outlines.length > 0 ? [{ ...slice, outlines }] : [];
    });
  const apart = [sides((y) => y > 1e-6), sides((y) => y < -1e-6), sides((y) => Math.abs(y) <= 1e-6)];
  const joined = body.some(({ outlines }) => outlines.some((outline) => outline.some(([y]) => Math.abs(y) < 1e-9)));
  return (joined ? [body] : apart).reduce((sum, side) => {
    const { area, y, yy } = immersed(side, { height: level, trim: 0, heel: 0 }).cut;
    return sum + (area > 0 ? yy - (y * y) / area : 0);
  }, 0);
}
const middleOf = (outline: Slice['outlines'][number]) => outline.reduce((sum, [y]) => sum + y, 0) / outline.length;

const fillings = new WeakMap<readonly Slice[], Map<number, Filling | null>>();
/** A level body filled by a share of its volume; remembered with the body. */
export function filledBy(body: readonly Slice[], share: number): Filling | null {
  const known = fillings.get(body) ?? new Map<number, Filling | null>();
  fillings.set(body, known);
  const found = known.get(share);
  if (found !== undefined) return found;
  const filling = fill(body, share);
  known.set(share, filling);
  return filling;
}

function fill(body: readonly Slice[], share: number): Filling | null {
  const [whole, heights] = [solid(body), heightsOf(body)];
  if (!whole || !heights) return null;
  let [low, high] = heights;
  if (share >= 1) return filledTo(body, high + 1e-9);
  for (let step = 0; step < 48; step++) {
    const middle = (low + high) / 2;
    if (immersed(body, { height: middle, trim: 0, heel: 0 }).volume < share * whole.volume) low = middle;
    else high = middle;
  }
  return filledTo(body, (low + high) / 2);
}

/** A table of soundings: what a tank holds at every level, from its bottom to its top. */
export function soundings(body: readonly Slice[], steps = 10): { sounding: number; volume: number; share: number }[] {
  const [whole, heights] = [solid(body), heightsOf(body)];
  if (!whole || !heights) return [];
  const [low, high] = heights;
  return Array.from({ length: steps + 1 }, (_, i) => {
    const sounding = (i / steps) * (high - low);
    const { volume } = immersed(body, { height: low + sounding, trim: 0, heel: 0 });
    return { sounding, volume: i === steps ? whole.volume : volume, share: i === steps ? 1 : volume / whole.volume };
  });
}
