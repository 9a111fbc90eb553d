import type { Scene } from '../scene';
import type { DetailOf } from '../schema';
import { box, dimension, label, millimetres as M, mm, type At, type DetailDrawing, type Mark } from '../marks';
import { line } from '../shared';

export function drawExtension(scene: Scene, detail: DetailOf<'extension'>): DetailDrawing {
  const t = Math.max(
    2,
    scene.laid.reduce((sum, one) => sum + (one.material.kind === 'fabric' ? M(one.thickness) : 0), 0),
  );
  const run = t * detail.ratio;
  const over = Math.max(30, ...[...detail.outer, ...detail.inner].map((tape) => M(tape.overlap)));
  // Thickness enlarged so that the slope can be seen.
  const k = Math.max(1, run / (6 * t));
  const T = t * k;
  const marks: Mark[] = [];
  if (detail.form === 'scarf') {
    marks.push(
      line(
        [
          [-over - run / 2, 0],
          [run / 2, 0],
          [-run / 2, T],
          [-over - run / 2, T],
        ],
        'outline',
        'laminate',
        true,
      ),
      line(
        [
          [run / 2, 0],
          [run / 2 + over, 0],
          [run / 2 + over, T],
          [-run / 2, T],
        ],
        'outline',
        'laminate',
        true,
      ),
    );
  } else {
    const n = 5;
    const stair: At[] = Array.from({ length: n }, (_, i): At[] => [
      [run / 2 - (i * run) / n, (i * T) / n],
      [run / 2 - (i * run) / n, ((i + 1) * T) / n],
    ]).flat();
    marks.push(
      line([[-over - run / 2, 0], ...stair, [-over - run / 2, T]], 'outline', 'laminate', true),
      line([[run / 2 + over, 0], ...stair, [run / 2 + over, T]], 'outline', 'laminate', true),
    );
  }
  detail.outer.forEach(({ overlap }, i) =>
    marks.push(box([-M(overlap), -(i + 1) * 3], [2 * M(overlap), 2.4], 'laminate', 'thin')),
  );
  detail.inner.forEach(({ overlap }, i) =>
    marks.push(box([-M(overlap), T + i * 3 + 0.6], [2 * M(overlap), 2.4], 'laminate', 'thin')),
  );
  marks.push(
    dimension(
      [-run / 2, T + detail.inner.length * 3 + 6],
      [run / 2, T + detail.inner.length * 3 + 6],
      8,
      `${mm(run)}, 1 : ${detail.ratio}`,
    ),
    label([0, -detail.outer.length * 3 - 12], `thickness ${mm(t)}, drawn ×${mm(k)}`, 'middle', 'small'),
  );
  return { views: [{ title: 'Section across the joint', marks }] };
}
