import type { Scene } from '../scene';
import type { DetailOf } from '../schema';
import { box, dimension, label, millimetres as M, mm, type DetailDrawing, type Mark } from '../marks';
import { laminateSection, line } from '../shared';

export function drawLiner(scene: Scene, detail: DetailOf<'liner'>): DetailDrawing {
  const w = M(detail.bondWidth);
  const base = laminateSection(scene, -w * 2, w * 4);
  const g = M(detail.bondLine);
  const y = base.top;
  const marks: Mark[] = [
    ...base.marks,
    box([-w / 2, y], [w, g], 'bond'),
    line(
      [
        [-w * 1.9, y + w * 1.2],
        [-w * 0.9, y + w * 1.2],
        [-w / 2, y + g],
        [w / 2, y + g],
        [w * 0.9, y + w * 1.2],
        [w * 1.9, y + w * 1.2],
      ],
      'outline',
    ),
  ];
  marks.push(
    dimension([-w / 2, 0], [w / 2, 0], -12, `bond ${mm(w)}`),
    label([w / 2 + 4, y + g / 2], `${mm(g)} thick`, 'start', 'small'),
    label([w * 1.9, y + w * 1.2 + 6], 'liner', 'end', 'small'),
  );
  return { views: [{ title: 'Section across the bond', marks }] };
}
