import { said } from '../../../quantity';
import type { Scene } from '../scene';
import type { DetailOf } from '../schema';
import { box, dimension, label, loadArrow, millimetres as M, mm, strip, type DetailDrawing, type Mark } from '../marks';
import { directionOf } from '../shared';

export function drawStrap(scene: Scene, detail: DetailOf<'strap'>): DetailDrawing {
  const direction = directionOf(scene);
  // Straps anchor on the side away from which the load pulls.
  const away = direction + 180;
  const legs = detail.sides === 2 ? [away - detail.halfAngleDeg, away + detail.halfAngleDeg] : [away];
  const anchor = M(detail.anchor);
  const width = M(detail.width);
  const ends = Array.from({ length: detail.strips - 1 }, (_, i) => anchor - (i + 1) * M(detail.step)).slice(0, 12);
  const plan: Mark[] = legs.flatMap((leg) => strip([0, 0], leg, { length: anchor, width, ends }));
  plan.push({
    as: 'circle',
    at: [0, 0],
    radius: detail.radius && detail.wrap === 'tube' ? M(detail.radius) : width * 0.12,
    style: 'outline',
  });
  plan.push(...loadArrow([0, 0], direction, anchor * 0.45, said(Math.hypot(...scene.inPlane), 'force')));
  const a = ((legs[0] ?? away) * Math.PI) / 180;
  plan.push(dimension([0, 0], [Math.cos(a) * anchor, Math.sin(a) * anchor], -width * 0.9, `anchor ${mm(anchor)}`));
  plan.push(
    label(
      [0, anchor * 0.62],
      `${detail.strips} strips a side, ${mm(width)} wide, steps of ${mm(M(detail.step))}`,
      'middle',
      'small',
    ),
  );
  // Thickness enlarged, or strips of half a millimetre could not be told apart.
  const k = Math.max(
    1,
    Math.round(
      anchor / 12 / Math.max(0.5, M(scene.laid.reduce((sum, one) => sum + one.thickness, 0)) + detail.strips * 0.6),
    ),
  );
  const own = 0.6 * k;
  const section: Mark[] = [];
  let top = 0;
  for (const { material, thickness } of scene.laid)
    if (thickness > 0) {
      section.push(
        box(
          [-anchor * 0.1, top],
          [anchor * 1.3, M(thickness) * k],
          material.kind === 'core' ? 'core' : 'laminate',
          'thin',
        ),
      );
      top += M(thickness) * k;
    }
  for (let i = 0; i < Math.min(detail.strips, 16); i++)
    section.push(box([0, top + i * own], [anchor - i * M(detail.step), own], 'laminate'));
  const crest = top + detail.strips * own;
  section.push(
    dimension(
      [anchor - (detail.strips - 1) * M(detail.step), crest + 4],
      [anchor, crest + 4],
      8,
      `${detail.strips - 1} × ${mm(M(detail.step))}`,
    ),
  );
  section.push(dimension([0, 0], [anchor, 0], -12, `anchor ${mm(anchor)}`));
  section.push(label([anchor * 0.5, -38], `${scene.zone.name}; thickness drawn ×${k}`, 'middle', 'small'));
  return {
    views: [
      { title: 'On the laminate, seen square to it', marks: plan },
      { title: 'Section along a leg', marks: section },
    ],
  };
}
