import type { Scene } from '../scene';
import type { DetailOf } from '../schema';
import { box, dimension, label, millimetres as M, mm, type DetailDrawing, type Mark } from '../marks';
import { laminateSection, line } from '../shared';

export function drawTabbing(scene: Scene, detail: DetailOf<'tabbing'>): DetailDrawing {
  const widest = Math.max(40, ...detail.tapes.map(({ overlap }) => M(overlap)));
  const marks: Mark[] = [];
  const base = laminateSection(scene, -widest - 30, 2 * widest + 60, 0);
  marks.push(...base.marks);
  const y = base.top;
  const gap = detail.adhesive === null ? 3 : M(detail.bondLine);
  marks.push(
    box([-9, y + gap], [18, widest + 30], 'wood'),
    box([-M(detail.bondWidth) / 2, y], [M(detail.bondWidth), gap], 'bond'),
  );
  const r = M(detail.fillet);
  for (const sign of detail.sides === 2 ? [-1, 1] : [1]) {
    if (detail.method !== 'adhesive')
      marks.push(
        line(
          [
            [sign * 9, y],
            [sign * (9 + r), y],
            [sign * (9 + r * 0.3), y + r * 0.3],
            [sign * 9, y + r],
          ],
          'outline',
          'bond',
          true,
        ),
      );
    const tapes = [...detail.tapes].sort((p, q) => p.overlap - q.overlap);
    tapes.forEach(({ overlap }, i) => {
      const t = 1.1 + i * 1.3;
      const w = M(overlap);
      marks.push(
        line(
          [
            [sign * (9 + r + w), y + 0.6],
            [sign * (9 + r + t * 0.4), y + t],
            [sign * (9 + r * 0.35 + t * 0.7), y + r * 0.35 + t * 0.7],
            [sign * (9 + t), y + r],
            [sign * (9 + t), y + r + w * 0.85],
          ],
          'fibre',
        ),
      );
    });
    if (sign === 1 && tapes.length) {
      const most = M(tapes.at(-1)!.overlap);
      marks.push(
        dimension([9 + r, y], [9 + r + most, y], -(base.top + 14), `overlap ${mm(most)}`),
        label([9 + r + 6, y + r + 10], `fillet R ${mm(r)}`, 'start', 'small'),
      );
    }
  }
  marks.push(label([0, y + widest + 40], scene.zone.name, 'middle', 'small'));
  return { views: [{ title: 'Section across the joint', marks }] };
}
