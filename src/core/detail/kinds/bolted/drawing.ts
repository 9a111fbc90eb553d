import { said } from '../../../quantity';
import type { Scene } from '../scene';
import type { DetailOf } from '../schema';
import { box, dimension, label, loadArrow, millimetres as M, type DetailDrawing, type Mark } from '../marks';
import { directionOf, line } from '../shared';

/** What stands in the place of the core. */
const CORE_FILL = { none: 'laminate', solid: 'laminate', highDensity: 'core', plywood: 'wood' } as const;

export function drawBolted(scene: Scene, detail: DetailOf<'bolted'>): DetailDrawing {
  const [bl, bb] = [M(detail.base[0]), M(detail.base[1])];
  const plan: Mark[] = [];
  for (const sheet of [...detail.sheets].sort((p, q) => q.length * q.breadth - p.length * p.breadth))
    plan.push(
      box([-M(sheet.length) / 2, -M(sheet.breadth) / 2], [M(sheet.length), M(sheet.breadth)], 'laminate', 'thin'),
    );
  const cores = scene.laid.filter(({ material }) => material.kind === 'core');
  const core = cores.reduce((sum, one) => sum + M(one.thickness), 0);
  const run = detail.core === 'none' ? 0 : core * detail.bevel;
  if (run > 0) plan.push(box([-bl / 2 - run, -bb / 2 - run], [bl + 2 * run, bb + 2 * run], undefined, 'hidden'));
  plan.push(box([-bl / 2, -bb / 2], [bl, bb], 'metal'));
  if (detail.plate)
    plan.push(
      box(
        [-M(detail.plate.length) / 2, -M(detail.plate.breadth) / 2],
        [M(detail.plate.length), M(detail.plate.breadth)],
        undefined,
        'hidden',
      ),
    );
  for (const [i, [x, y]] of detail.bolts.entries()) {
    plan.push(
      { as: 'circle', at: [M(x), M(y)], radius: M(detail.boltDiameter) / 2, style: 'outline' },
      { as: 'circle', at: [M(x), M(y)], radius: M(detail.washerDiameter) / 2, style: 'hidden' },
      label([M(x) + M(detail.boltDiameter), M(y) + M(detail.boltDiameter)], String(i + 1), 'start', 'small'),
    );
  }
  const xs = detail.bolts.map(([x]) => M(x));
  const ys = detail.bolts.map(([, y]) => M(y));
  const reachX = Math.max(bl / 2, ...detail.sheets.map((s) => M(s.length) / 2));
  const gap = Math.max(14, bl * 0.16, ...detail.sheets.map((s) => M(s.length) * 0.1));
  const reachY = Math.max(bb / 2, ...detail.sheets.map((s) => M(s.breadth) / 2));
  if (Math.max(...xs) > Math.min(...xs))
    plan.push(dimension([Math.min(...xs), -reachY], [Math.max(...xs), -reachY], -gap));
  // Away from where the arrow of the load says its force.
  const aside = scene.inPlane[0] > 0 ? -1 : 1;
  if (Math.max(...ys) > Math.min(...ys))
    plan.push(dimension([aside * reachX, Math.min(...ys)], [aside * reachX, Math.max(...ys)], -aside * gap));
  plan.push(dimension([-bl / 2, -reachY - gap], [bl / 2, -reachY - gap], -gap));
  if (Math.hypot(...scene.inPlane) > 1)
    plan.push(...loadArrow([0, 0], directionOf(scene), reachX * 0.9, said(Math.hypot(...scene.inPlane), 'force')));
  const half = bl / 2 + run + 40;
  const section: Mark[] = [];
  let y = 0;
  for (const { material, thickness } of scene.laid) {
    const t = M(thickness);
    if (t <= 0) continue;
    if (material.kind === 'core' && detail.core !== 'none') {
      for (const sign of [-1, 1])
        section.push(
          line(
            [
              [sign * half, y],
              [sign * (bl / 2 + run), y],
              [sign * (bl / 2 + run - t * detail.bevel), y + t],
              [sign * half, y + t],
            ],
            'outline',
            'core',
            true,
          ),
        );
      section.push(
        line(
          [
            [-bl / 2 - run, y],
            [bl / 2 + run, y],
            [bl / 2 + run - t * detail.bevel, y + t],
            [-bl / 2 - run + t * detail.bevel, y + t],
          ],
          'outline',
          CORE_FILL[detail.core],
          true,
        ),
      );
    } else section.push(box([-half, y], [2 * half, t], material.kind === 'core' ? 'core' : 'laminate'));
    y += t;
  }
  section.push(box([-bl / 2, -6], [bl, 6], 'metal'));
  if (detail.plate)
    section.push(box([-M(detail.plate.length) / 2, y], [M(detail.plate.length), M(detail.plate.thickness)], 'metal'));
  for (const x of [...new Set(xs)])
    section.push(box([x - M(detail.boltDiameter) / 2, -14], [M(detail.boltDiameter), y + 24], 'metal'));
  section.push(
    dimension([half, 0], [half, y], -12),
    label([0, y + 22], detail.plate ? 'backing plate' : 'washers', 'middle', 'small'),
  );
  if (run > 0) section.push(dimension([bl / 2, y + 2], [bl / 2 + run, y + 2], 8, `1 : ${detail.bevel}`));
  return {
    views: [
      { title: 'Bolt pattern, seen square to the laminate', marks: plan },
      { title: 'Section through the bolts', marks: section },
    ],
  };
}
