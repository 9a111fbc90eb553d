import { said } from '../../../quantity';
import type { Scene } from '../scene';
import type { DetailOf } from '../schema';
import { box, dimension, label, loadArrow, millimetres as M, type DetailDrawing, type Mark } from '../marks';
import { directionOf, line } from '../shared';

export function drawPatch(scene: Scene, detail: DetailOf<'patch'>): DetailDrawing {
  const plan: Mark[] = [...detail.sheets]
    .sort((p, q) => q.length * q.breadth - p.length * p.breadth)
    .flatMap((sheet) => {
      const [l, b] = [M(sheet.length), M(sheet.breadth)];
      const a = (sheet.angleDeg * Math.PI) / 180;
      const half = Math.min(l, b) * 0.42;
      return [
        box([-l / 2, -b / 2], [l, b], 'laminate', 'outline'),
        line(
          [
            [-Math.cos(a) * half, -Math.sin(a) * half],
            [Math.cos(a) * half, Math.sin(a) * half],
          ],
          'fibre',
        ),
      ];
    });
  const longest = Math.max(...detail.sheets.map(({ length }) => M(length)));
  const widest = Math.max(...detail.sheets.map(({ breadth }) => M(breadth)));
  plan.push(
    dimension([-longest / 2, -widest / 2], [longest / 2, -widest / 2], -16),
    dimension([longest / 2, -widest / 2], [longest / 2, widest / 2], -16),
  );
  if (Math.hypot(...scene.inPlane) > 1)
    plan.push(...loadArrow([0, 0], directionOf(scene), longest * 0.6, said(Math.hypot(...scene.inPlane), 'force')));
  const section: Mark[] = [];
  const k = Math.max(1, Math.round(longest / 60));
  let top = 0;
  for (const { material, thickness } of scene.laid)
    if (thickness > 0) {
      section.push(
        box(
          [-longest * 0.6, top],
          [longest * 1.2, M(thickness) * k],
          material.kind === 'core' ? 'core' : 'laminate',
          'thin',
        ),
      );
      top += M(thickness) * k;
    }
  for (const sheet of [...detail.sheets].sort((p, q) => q.length - p.length)) {
    section.push(box([-M(sheet.length) / 2, top], [M(sheet.length), 0.7 * k], 'laminate'));
    top += 0.7 * k;
  }
  section.push(label([0, -14], `${scene.zone.name}; thickness drawn ×${k}`, 'middle', 'small'));
  return {
    views: [
      {
        title: { patch: 'Patch, seen square to it', wrappedEdge: 'The wrap laid flat', web: 'The web from its side' }[
          detail.form
        ],
        marks: plan,
      },
      { title: 'Section', marks: section },
    ],
  };
}
