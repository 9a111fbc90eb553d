import type { Scene } from '../scene';
import type { DetailOf } from '../schema';
import { box, dimension, millimetres as M, mm, type DetailDrawing, type Mark } from '../marks';
import { laminateSection, line } from '../shared';

export function drawStiffenerEnd(scene: Scene, detail: DetailOf<'stiffenerEnd'>): DetailDrawing {
  const support = scene.boat.supports.find(({ id }) => id === detail.support);
  const section = scene.boat.sections.find(({ id }) => id === support?.section);
  const h = M(section?.height ?? 0.08);
  const run = detail.end === 'cutOff' ? 0 : h * detail.taper;
  const base = laminateSection(scene, -h * 3, h * 3 + run + h);
  const y = base.top;
  const marks: Mark[] = [
    ...base.marks,
    line(
      [
        [-h * 3, y],
        [run, y],
        [0, y + h],
        [-h * 3, y + h],
      ],
      'outline',
      'core',
      true,
    ),
    dimension([0, y + h], [run, y + h], 12, run > 0 ? `1 : ${detail.taper}` : 'cut off'),
    dimension([-h * 3 - 4, y], [-h * 3 - 4, y + h], 12),
  ];
  if (detail.notch > 0)
    marks.push(
      box([-h * 2, y], [h * 0.5, M(detail.notch)], undefined, 'hidden'),
      dimension([-h * 2, y], [-h * 2, y + M(detail.notch)], 10, `notch ${mm(M(detail.notch))}`),
    );
  return { views: [{ title: 'Along the stiffener', marks }] };
}
