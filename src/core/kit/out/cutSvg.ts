import { boxOf } from '../pieces/outline';
import type { At } from '../nest/convexParts';
import { escaped } from './dxfSheet';
import { drawnPlaces, type Lay } from './lay';

const MILLIMETRES = 1000;
const points = (outline: readonly At[]) =>
  outline.map(([x, y]) => `${(y * MILLIMETRES).toFixed(1)},${(x * MILLIMETRES).toFixed(1)}`).join(' ');

/** One roll, offcut or sheet as SVG at 1:1, a unit a millimetre, x along the cloth; labels as text. */
export function cutSvg(lay: Lay & { edge: readonly At[] }): string {
  const { maxX, maxY } = boxOf(lay.edge);
  const [w, h] = [Math.ceil(maxY * MILLIMETRES), Math.ceil(maxX * MILLIMETRES)];
  const drawn = drawnPlaces(lay).map(({ outline, cuts, darts, notches, middle, label }) => {
    const [x, y] = [middle[1] * MILLIMETRES, middle[0] * MILLIMETRES];
    const inside = [
      ...cuts.map((line) => `<polygon class="cut" points="${points(line)}"/>`),
      ...darts.map((line) => `<polyline class="mark" points="${points(line)}"/>`),
    ];
    const marks = notches.map(
      ([u, v]) =>
        `<circle class="mark" cx="${(v * MILLIMETRES).toFixed(1)}" cy="${(u * MILLIMETRES).toFixed(1)}" r="4"/>`,
    );
    return (
      `<polygon class="cut" points="${points(outline)}"/>${inside.join('')}${marks.join('')}` +
      `<text x="${x.toFixed(0)}" y="${y.toFixed(0)}" text-anchor="middle">${escaped(label)}</text>`
    );
  });
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${w}mm" height="${h}mm" viewBox="0 0 ${w} ${h}" ` +
    `font-family="sans-serif" font-size="20">` +
    `<style>polygon,polyline,circle{fill:none;stroke-width:1}.cut{stroke:#c00}.cloth,.mark{stroke:#06c}</style>` +
    `<polygon class="cloth" points="${points(lay.edge)}"/>${drawn.join('')}</svg>\n`
  );
}
