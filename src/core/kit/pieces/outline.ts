import { Clipper, EndType, FillRule, JoinType, type Path64, type Paths64 } from '@countertype/clipper2-ts';
import { signedArea, type At } from '../nest/convexParts';

/** Micrometres: what polygons are reckoned in. */
const MICRO = 1e6;
const MITRE = 2;

const pathOf = (outline: readonly At[]): Path64 =>
  outline.map(([x, y]) => ({ x: Math.round(x * MICRO), y: Math.round(y * MICRO) }));
const outlinesOf = (paths: Paths64): At[][] => paths.map((path) => path.map(({ x, y }): At => [x / MICRO, y / MICRO]));

/** An outline with a margin all round (m), corners kept square; its parts where it is in several. */
export const grown = (outline: readonly At[], by: number): At[][] =>
  outlinesOf(
    Clipper.inflatePaths(
      Clipper.union([pathOf(outline)], FillRule.NonZero),
      by * MICRO,
      JoinType.Miter,
      EndType.Polygon,
      MITRE,
    ),
  ).filter((one) => signedArea(one) > 0);

/** What of an outline lies in a rectangle. */
export const clipped = (outline: readonly At[], [x0, y0]: At, [x1, y1]: At): At[][] =>
  outlinesOf(
    Clipper.intersect(
      [pathOf(outline)],
      [pathOf(rectangle(x1 - x0, y1 - y0).map(([x, y]): At => [x + x0, y + y0]))],
      FillRule.NonZero,
    ),
  ).filter((one) => Math.abs(signedArea(one)) > 1e-6);

/** m² of one outline that another does not cover. */
export const bareArea = (outline: readonly At[], cover: readonly At[]): number =>
  outlinesOf(Clipper.difference([pathOf(outline)], [pathOf(cover)], FillRule.NonZero)).reduce(
    (sum, one) => sum + signedArea(one),
    0,
  );

/** An outline of few points that holds the whole of another, no more than about so far outside it (m). */
export function simpler(outline: readonly At[], within: number): At[] {
  const [out] = grown(outline, within / 2).sort((a, b) => signedArea(b) - signedArea(a));
  const path = Clipper.simplifyPath(pathOf(out ?? outline), (within / 2) * MICRO, true);
  return path.map(({ x, y }): At => [x / MICRO, y / MICRO]);
}

/** Least and greatest of an outline both ways. */
export function boxOf(outline: readonly At[]) {
  const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)];
  return { minX: Math.min(...xs), maxX: Math.max(...xs), minY: Math.min(...ys), maxY: Math.max(...ys) };
}

/** How far round (m). */
export const girthOf = (outline: readonly At[]): number =>
  outline.reduce((sum, [x, y], i) => {
    const [u, v] = outline[(i + 1) % outline.length]!;
    return sum + Math.hypot(u - x, v - y);
  }, 0);

/** Turned about the origin against the clock (degrees), or mirrored across the y axis first. */
export function moved(outline: readonly At[], { turnDeg = 0, mirror = false }): At[] {
  const [cos, sin] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)];
  return outline.map(([x, y]): At => {
    const u = mirror ? -x : x;
    return [cos * u - sin * y, sin * u + cos * y];
  });
}

/** From the corner at the origin. */
export const rectangle = (across: number, along: number): [number, number][] => [
  [0, 0],
  [across, 0],
  [across, along],
  [0, along],
];

/** Moved so that it begins at 0 both ways, to a hundredth of a millimetre. */
export function fromZero(outline: readonly At[]): At[] {
  const { minX, minY } = boxOf(outline);
  const round = (value: number) => Math.round(value * 1e5) / 1e5;
  return outline.map(([x, y]): At => [round(x - minX), round(y - minY)]);
}
