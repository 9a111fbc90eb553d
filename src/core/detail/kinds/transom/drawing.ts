import type { Scene } from '../scene';
import type { DetailOf } from '../schema';
import { box, dimension, label, millimetres as M, mm, type DetailDrawing, type Mark } from '../marks';

export function drawTransom(_scene: Scene, detail: DetailOf<'transom'>): DetailDrawing {
  const [w, h] = [M(detail.span), M(detail.height)];
  const plan: Mark[] = [
    box([-w / 2, 0], [w, h], 'laminate'),
    box([-M(detail.clampBreadth) / 2, h * 0.35], [M(detail.clampBreadth), h * 0.5], 'metal', 'thin'),
  ];
  for (const x of [-1, 1])
    plan.push(box([x * (w / 2) - 6, 0], [12, h], 'wood'), label([x * (w / 2), h + 8], 'knee', 'middle', 'small'));
  const each = Math.max(1, Math.ceil(detail.boltCount / 2));
  for (let i = 0; i < detail.boltCount; i++) {
    const x = (i % 2 ? 1 : -1) * M(detail.clampBreadth) * 0.32;
    plan.push({
      as: 'circle',
      at: [x, h * (0.45 + (0.32 * Math.floor(i / 2)) / each)],
      radius: M(detail.boltDiameter) / 2,
      style: 'outline',
    });
  }
  plan.push(dimension([-w / 2, 0], [w / 2, 0], -16), dimension([w / 2 + 10, 0], [w / 2 + 10, h], -16));
  const section: Mark[] = [];
  const sheet = detail.built === 'plywood' ? detail.plywood : detail.board;
  let x = 0;
  const put = (t: number, fill: 'laminate' | 'wood' | 'core') => {
    section.push(box([x, 0], [t, h * 0.4], fill));
    x += t;
  };
  const skin = 0.8;
  detail.outer.forEach(() => put(skin, 'laminate'));
  for (let i = 0; i < sheet.sheets; i++) {
    if (i) put(skin, 'laminate');
    put(M(sheet.thickness), detail.built === 'plywood' ? 'wood' : 'core');
  }
  detail.inner.forEach(() => put(skin, 'laminate'));
  section.push(
    dimension(
      [0, h * 0.4],
      [x, h * 0.4],
      10,
      `about ${mm(x)}; clamp ${mm(M(detail.clamp[0]))} to ${mm(M(detail.clamp[1]))}`,
    ),
  );
  section.push(box([-8, h * 0.18], [x + 16, M(detail.boltDiameter)], 'metal'));
  return {
    views: [
      { title: 'From aft', marks: plan },
      { title: 'Section through the board', marks: section },
    ],
  };
}
