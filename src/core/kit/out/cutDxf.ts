import { Colors, DxfWriter, point3d, Units } from '@tarikjabiri/dxf';
import type { CutWay } from '../cut/cutWay';
import { boxOf } from '../pieces/outline';
import type { At } from '../nest/convexParts';

const MILLIMETRES = 1000;
/** In this format a line end begins the next group: a name with one could say anything. */
const oneLine = (text: string) => text.replace(/[\p{Cc}\u2028\u2029]+/gu, ' ').slice(0, 240);

/** Layers of a cut file: what the knife follows, what is drawn, what is written. */
export const DXF_LAYERS = { CUT: Colors.Red, MARK: Colors.Blue, TEXT: Colors.White } as const;

/**
 * One roll or offcut as DXF in millimetres, x along the cloth and y across it: outlines to cut, the edge of the cloth
 * and the warp of each piece to mark, its label as text, each on a layer of its own.
 */
export function cutDxf(way: CutWay, clothId: string, labelOf: (pieceId: string) => string): string {
  const cloth = way.cloth.find(({ id }) => id === clothId);
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  for (const [name, colour] of Object.entries(DXF_LAYERS)) dxf.addLayer(name, colour, 'Continuous');
  const at = ([x, y]: At) => point3d(y * MILLIMETRES, x * MILLIMETRES, 0);
  const ring = (outline: readonly At[], layerName: string) =>
    dxf.addLWPolyline(
      outline.map((point) => ({ point: at(point) })),
      { flags: 1, layerName },
    );
  if (cloth?.outline) ring(cloth.outline, 'MARK');
  for (const { pieceId, clothId: own, outline } of way.places) {
    if (own !== clothId) continue;
    ring(outline, 'CUT');
    const { minX, maxX, minY, maxY } = boxOf(outline);
    const middle: At = [(minX + maxX) / 2, (minY + maxY) / 2];
    const reach = Math.min(0.2, (maxY - minY) / 3);
    dxf.addLine(at([middle[0], middle[1] - reach / 2]), at([middle[0], middle[1] + reach / 2]), { layerName: 'MARK' });
    dxf.addText(at([middle[0] + 0.01, middle[1] - reach / 2]), 18, oneLine(labelOf(pieceId)), { layerName: 'TEXT' });
  }
  return dxf.stringify();
}
