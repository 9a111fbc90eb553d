import { DxfWriter, point3d, Units, Colors } from '@tarikjabiri/dxf';
import { wordsIn } from '@/core/quantity';
import { offsetLine, type DetailDrawing } from '@/core/detail/kinds';

const GAP = 120;
/** In this format a line end begins the next group: a name with one could say anything. */
const oneLine = (text: string) => text.replace(/[\p{Cc}\u2028\u2029]+/gu, ' ').slice(0, 240);
const LAYERS = {
  outline: Colors.White,
  thin: Colors.White,
  hidden: Colors.Cyan,
  centre: Colors.Cyan,
  fibre: Colors.Green,
  load: Colors.Red,
  dimension: Colors.Yellow,
  text: Colors.White,
} as const;

const lineXs = (mark: DetailDrawing['views'][number]['marks'][number]): number[] =>
  mark.as === 'line' ? mark.points.map(([x]) => x) : [];

/**
 * A detail's drawing as DXF in millimetres, true to size; views stand side by side, each kind of line on its own
 * layer.
 */
export function detailDxf({ views }: DetailDrawing, title: string): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  for (const [name, colour] of Object.entries(LAYERS)) dxf.addLayer(name, colour, 'Continuous');
  let x0 = 0;
  for (const { title: view, marks } of views) {
    const xs = marks.flatMap((mark) =>
      mark.as === 'circle' ? [mark.at[0] - mark.radius, mark.at[0] + mark.radius] : lineXs(mark),
    );
    const ys = marks.flatMap((mark) => (mark.as === 'line' ? mark.points.map(([, y]) => y) : []));
    const shift = x0 - Math.min(...xs);
    const at = ([x, y]: readonly [number, number]) => point3d(x + shift, y, 0);
    for (const mark of marks)
      switch (mark.as) {
        case 'line': {
          const closed = mark.closed ? [...mark.points, mark.points[0]!] : mark.points;
          for (const [i, point] of closed.slice(1).entries())
            dxf.addLine(at(closed[i]!), at(point), { layerName: mark.style });
          break;
        }
        case 'circle':
          dxf.addCircle(at(mark.at), mark.radius, { layerName: mark.style });
          break;
        case 'dimension': {
          const [a, b] = offsetLine(mark);
          dxf.addLine(at(a), at(b), { layerName: 'dimension' });
          dxf.addLine(at(mark.from), at(a), { layerName: 'dimension' });
          dxf.addLine(at(mark.to), at(b), { layerName: 'dimension' });
          dxf.addText(at([(a[0] + b[0]) / 2, (a[1] + b[1]) / 2 + 2]), 6, oneLine(mark.text), {
            layerName: 'dimension',
          });
          break;
        }
        case 'text':
          dxf.addText(at(mark.at), 6, oneLine(wordsIn(mark.text, 'metric')), { layerName: 'text' });
      }
    dxf.addText(point3d(x0, Math.min(...ys) - 40, 0), 8, oneLine(`${title}: ${view}, mm`), { layerName: 'text' });
    x0 += Math.max(...xs) - Math.min(...xs) + GAP;
  }
  return dxf.stringify();
}
