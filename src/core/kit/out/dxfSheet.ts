import { DxfWriter, point3d, Units, type Colors } from '@tarikjabiri/dxf';
import type { FlatPoint } from '../../geometry';

const MILLIMETRES = 1000;
/** In this format a line end begins the next group: a name with one could say anything. */
export const oneLine = (text: string): string => text.replace(/[\p{Cc}\u2028\u2029]+/gu, ' ').slice(0, 240);

/** A text as it may stand in SVG. */
export const escaped = (text: string): string =>
  text.replace(/[&<>"']/g, (sign) => `&#${sign.codePointAt(0)};`).replace(/[\p{Cc}\u2028\u2029]+/gu, ' ');

/** A drawing in DXF, in millimetres, with layers by name and colour; points as the drawing has them, in metres. */
export function dxfSheet<Layer extends string>(layers: Readonly<Record<Layer, Colors>>) {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  for (const [name, colour] of Object.entries<Colors>(layers)) dxf.addLayer(name, colour, 'Continuous');
  const at = ([x, y]: FlatPoint) => point3d(x * MILLIMETRES, y * MILLIMETRES, 0);
  return {
    path: (points: readonly FlatPoint[], layerName: Layer, closed: boolean) =>
      dxf.addLWPolyline(
        points.map((point) => ({ point: at(point) })),
        { flags: closed ? 1 : 0, layerName },
      ),
    line: (from: FlatPoint, to: FlatPoint, layerName: Layer) => dxf.addLine(at(from), at(to), { layerName }),
    circle: (middle: FlatPoint, radius: number, layerName: Layer) =>
      dxf.addCircle(at(middle), radius * MILLIMETRES, { layerName }),
    /** Letters so high (m). */
    text: (where: FlatPoint, text: string, { high, layerName }: { high: number; layerName: Layer }) =>
      dxf.addText(at(where), high * MILLIMETRES, oneLine(text), { layerName }),
    done: () => dxf.stringify(),
  };
}
