import type { CutWay } from '../cut/cutWay';
import { boxOf } from '../pieces/outline';
import type { At } from '../nest/convexParts';

const MILLIMETRES = 1000;
const escaped = (text: string) =>
  text.replace(/[&<>"']/g, (sign) => `&#${sign.codePointAt(0)};`).replace(/[\p{Cc}]+/gu, ' ');

/** One roll or offcut as SVG at 1:1, a unit a millimetre, x along the cloth; labels as text. */
export function cutSvg(
  way: CutWay,
  clothId: string,
  how: { width: number; labelOf: (pieceId: string) => string },
): string {
  const cloth = way.cloth.find(({ id }) => id === clothId);
  const places = way.places.filter((place) => place.clothId === clothId);
  const box = cloth?.outline ? boxOf(cloth.outline) : { maxX: how.width, maxY: cloth?.taken ?? 0 };
  const [w, h] = [Math.ceil(box.maxY * MILLIMETRES), Math.ceil(box.maxX * MILLIMETRES)];
  const points = (outline: readonly At[]) =>
    outline.map(([x, y]) => `${(y * MILLIMETRES).toFixed(1)},${(x * MILLIMETRES).toFixed(1)}`).join(' ');
  const edge: readonly At[] = cloth?.outline ?? [
    [0, 0],
    [how.width, 0],
    [how.width, box.maxY],
    [0, box.maxY],
  ];
  const drawn = places.map(({ pieceId, outline }) => {
    const { minX, maxX, minY, maxY } = boxOf(outline);
    const [x, y] = [((minY + maxY) / 2) * MILLIMETRES, ((minX + maxX) / 2) * MILLIMETRES];
    return (
      `<polygon class="cut" points="${points(outline)}"/>` +
      `<text x="${x.toFixed(0)}" y="${y.toFixed(0)}" text-anchor="middle">${escaped(how.labelOf(pieceId))}</text>`
    );
  });
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${w}mm" height="${h}mm" viewBox="0 0 ${w} ${h}" ` +
    `font-family="sans-serif" font-size="20">` +
    `<style>polygon{fill:none;stroke-width:1}.cut{stroke:#c00}.cloth{stroke:#06c}</style>` +
    `<polygon class="cloth" points="${points(edge)}"/>${drawn.join('')}</svg>\n`
  );
}
