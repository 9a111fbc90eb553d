import { Colors } from '@tarikjabiri/dxf';
import type { FillLine } from '../../document';
import type { FlatPoint, Point } from '../../geometry';
import { dxfSheet, escaped } from '../../kit';
import type { FillSkin } from '../skin/skins';

const MILLIMETRES = 1000;

/** Two marks on the mould from which a tape is pulled, and where on the picture they are. */
export interface Datum {
  name: string;
  at: FlatPoint;
}

/** The lowest places of a skin at its ends: on a hull the centreline aft and forward. */
export function datumsOf({ outline }: Pick<FillSkin, 'outline'>): [Datum, Datum] {
  const xs = outline.map(([x]) => x);
  const [from, to] = [Math.min(...xs), Math.max(...xs)];
  const near = 0.02 * (to - from);
  const lowest = (end: number) =>
    outline
      .filter(([x]) => Math.abs(x - end) <= near)
      .reduce((low, point) => (point[1] < low[1] ? point : low), [end, Infinity] as FlatPoint);
  return [
    { name: 'A', at: lowest(from) },
    { name: 'B', at: lowest(to) },
  ];
}

/** Where a point of a line is on the mould: along and up the skin, and by a taut tape from both marks (m). */
export interface MarkedPoint {
  along: number;
  up: number;
  fromA: number;
  fromB: number;
}

/** Points of a line as they are marked on the mould. */
export function markedPoints(
  { points }: Pick<FillLine, 'points'>,
  skin: Pick<FillSkin, 'outline' | 'lift'>,
): MarkedPoint[] {
  const [a, b] = datumsOf(skin).map(({ at }) => skin.lift(...at)) as [Point, Point];
  const far = (p: Point, q: Point) => Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]);
  return points.map(([along, up]) => {
    const p = skin.lift(along, up);
    return { along, up, fromA: far(p, a), fromB: far(p, b) };
  });
}

/** Lines on a skin laid flat as DXF in millimetres: the skin, feeds, vacuum and names on layers of their own. */
export function linesDxf(skin: FillSkin, lines: readonly FillLine[]): string {
  const out = dxfSheet({ SKIN: Colors.White, FEED: Colors.Red, VACUUM: Colors.Blue, TEXT: Colors.White });
  for (const ring of [skin.outline, ...skin.holes]) out.path(ring, 'SKIN', true);
  for (const { outline } of skin.zones) out.path(outline, 'SKIN', true);
  for (const { name, role, points } of lines) {
    const layer = role === 'feed' ? 'FEED' : 'VACUUM';
    if (points.length === 1) out.circle(points[0]!, 0.015, layer);
    else out.path(points, layer, false);
    out.text(points[0]!, name, { high: 0.025, layerName: 'TEXT' });
  }
  for (const { name, at } of datumsOf(skin)) out.text(at, name, { high: 0.04, layerName: 'TEXT' });
  return out.done();
}

/** The same as SVG at 1:1, a unit a millimetre; up the skin is up. */
export function linesSvg(skin: FillSkin, lines: readonly FillLine[]): string {
  const [xs, ys] = [skin.outline.map(([x]) => x), skin.outline.map(([, y]) => y)];
  const [x0, y1] = [Math.min(...xs), Math.max(...ys)];
  const [w, h] = [Math.max(...xs) - x0, y1 - Math.min(...ys)].map((one) => Math.ceil(one * MILLIMETRES));
  const at = ([x, y]: FlatPoint) => [(x - x0) * MILLIMETRES, (y1 - y) * MILLIMETRES].map((one) => one.toFixed(1));
  const said = (points: readonly FlatPoint[]) => points.map((point) => at(point).join()).join(' ');
  const text = (point: FlatPoint, words: string) => {
    const [x, y] = at(point);
    return `<text x="${x}" y="${y}">${escaped(words)}</text>`;
  };
  const drawn = lines.map(({ name, role, points }) => {
    const [x, y] = at(points[0]!);
    const shape =
      points.length === 1
        ? `<circle class="${role}" cx="${x}" cy="${y}" r="15"/>`
        : `<polyline class="${role}" points="${said(points)}"/>`;
    return shape + text(points[0]!, name);
  });
  const rings = [skin.outline, ...skin.holes, ...skin.zones.map(({ outline }) => outline)];
  const marks = datumsOf(skin).map(({ name, at: place }) => text(place, name));
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${w}mm" height="${h}mm" viewBox="0 0 ${w} ${h}" ` +
    `font-family="sans-serif" font-size="40"><style>polygon,polyline,circle{fill:none;stroke:#000;stroke-width:2}` +
    `.feed{stroke:#c00;stroke-width:8}.vent{stroke:#06c;stroke-width:8;stroke-dasharray:20 14}</style>` +
    `${rings.map((ring) => `<polygon points="${said(ring)}"/>`).join('')}${drawn.join('')}${marks.join('')}</svg>\n`
  );
}
