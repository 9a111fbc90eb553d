import type { Scene } from '../scene';
import type { DetailOf } from '../schema';
import { box, dimension, label, millimetres as M, mm, type DetailDrawing, type Mark } from '../marks';

export function drawFlange(scene: Scene, detail: DetailOf<'flange'>): DetailDrawing {
  const w = M(detail.width);
  const t = Math.max(
    3,
    scene.laid.reduce((sum, one) => sum + (one.material.kind === 'fabric' ? M(one.thickness) : 0), 0),
  );
  const g = M(detail.bondLine);
  const section: Mark[] = [
    box([0, 0], [w, t], 'laminate'),
    box([-t, -w * 0.9], [t, w * 0.9 + t], 'laminate'),
    box([0, t], [w, g], 'bond'),
    box([-t * 2, t + g], [w + t * 2, t], 'laminate'),
  ];
  if (detail.pitch !== null)
    section.push(
      box(
        [w - M(detail.edgeDistance) - M(detail.boltDiameter) / 2, -6],
        [M(detail.boltDiameter), 2 * t + g + 12],
        'metal',
      ),
      dimension([w - M(detail.edgeDistance), 2 * t + g + 8], [w, 2 * t + g + 8], 6),
    );
  section.push(
    dimension([0, 0], [w, 0], -12),
    label([w + 6, t + g / 2], `bond line ${mm(g)}`, 'start', 'small'),
    label([-t - 2, -w * 0.5], 'hull', 'end', 'small'),
    label([-t * 2 - 2, t + g + t / 2], 'deck', 'end', 'small'),
  );
  const plan: Mark[] = [];
  if (detail.pitch !== null) {
    const p = M(detail.pitch);
    plan.push(box([-p * 1.5, 0], [p * 3, w], 'laminate'));
    for (const k of [-1, 0, 1])
      plan.push({
        as: 'circle',
        at: [k * p, M(detail.edgeDistance)],
        radius: M(detail.boltDiameter) / 2,
        style: 'outline',
      });
    plan.push(dimension([0, w], [p, w], 10, `pitch ${mm(p)}`));
  }
  return {
    views: [
      { title: 'Section of the joint', marks: section },
      ...(plan.length ? [{ title: 'Along the flange', marks: plan }] : []),
    ],
  };
}
