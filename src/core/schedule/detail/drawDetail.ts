import { KeramosError } from '../../error';
import type { Boat } from '../boat';
import { sceneOf, type Scene } from './context';
import type { Detail, DetailOf } from './detailSchema';
import { box, dimension, label, loadArrow, millimetres as M, mm, strip, type At, type DetailDrawing, type Mark } from './drawing';

/** Section through the zone's own laminate at a place, left to right (mm): skins and core as bands, outer face down. */
function laminateSection(scene: Scene, x: number, width: number, from = 0): { marks: Mark[]; top: number } {
  let y = from;
  const marks = scene.laid
    .filter(({ thickness }) => thickness > 0)
    .map(({ material, thickness }) => {
      const band = box(x, y, width, M(thickness), material.kind === 'core' ? 'core' : 'laminate');
      y += M(thickness);
      return band;
    });
  return { marks, top: y };
}
const line = (points: readonly At[], style: Extract<Mark, { as: 'line' }>['style'], fill?: Extract<Mark, { as: 'line' }>['fill'], closed = false): Mark => ({
  as: 'line',
  points,
  style,
  closed,
  ...(fill && { fill }),
});
const directionOf = ({ inPlane }: Scene) => (Math.atan2(inPlane[1], inPlane[0]) * 180) / Math.PI;

function drawStrap(scene: Scene, detail: DetailOf<'strap'>): DetailDrawing {
  const direction = directionOf(scene);
  // Straps anchor on the side away from which the load pulls.
  const away = direction + 180;
  const legs = detail.sides === 2 ? [away - detail.halfAngleDeg, away + detail.halfAngleDeg] : [away];
  const anchor = M(detail.anchor);
  const width = M(detail.width);
  const ends = Array.from({ length: detail.strips - 1 }, (_, i) => anchor - (i + 1) * M(detail.step)).slice(0, 12);
  const plan: Mark[] = legs.flatMap((leg) => strip([0, 0], leg, anchor, width, ends));
  plan.push({ as: 'circle', at: [0, 0], radius: detail.radius && detail.wrap === 'tube' ? M(detail.radius) : width * 0.12, style: 'outline' });
  plan.push(...loadArrow([0, 0], direction, anchor * 0.45, `${(Math.hypot(...scene.inPlane) / 1000).toFixed(1)} kN`));
  const a = ((legs[0] ?? away) * Math.PI) / 180;
  plan.push(dimension([0, 0], [Math.cos(a) * anchor, Math.sin(a) * anchor], -width * 0.9, `anchor ${mm(anchor)}`));
  plan.push(label([0, anchor * 0.62], `${detail.strips} strips a side, ${mm(width)} wide, steps of ${mm(M(detail.step))}`, 'middle', 'small'));
  // Thickness enlarged, or strips of half a millimetre could not be told apart.
  const k = Math.max(1, Math.round(anchor / 12 / Math.max(0.5, M(scene.laid.reduce((sum, one) => sum + one.thickness, 0)) + detail.strips * 0.6)));
  const own = 0.6 * k;
  const section: Mark[] = [];
  let top = 0;
  for (const { material, thickness } of scene.laid)
    if (thickness > 0) {
      section.push(box(-anchor * 0.1, top, anchor * 1.3, M(thickness) * k, material.kind === 'core' ? 'core' : 'laminate', 'thin'));
      top += M(thickness) * k;
    }
  for (let i = 0; i < Math.min(detail.strips, 16); i++) section.push(box(0, top + i * own, anchor - i * M(detail.step), own, 'laminate'));
  const crest = top + detail.strips * own;
  section.push(dimension([anchor - (detail.strips - 1) * M(detail.step), crest + 4], [anchor, crest + 4], 8, `${detail.strips - 1} × ${mm(M(detail.step))}`));
  section.push(dimension([0, 0], [anchor, 0], -12, `anchor ${mm(anchor)}`));
  section.push(label([anchor * 0.5, -38], `${scene.zone.name}; thickness drawn ×${k}`, 'middle', 'small'));
  return {
    views: [
      { title: 'On the laminate, seen square to it', marks: plan },
      { title: 'Section along a leg', marks: section },
    ],
  };
}

function drawBolted(scene: Scene, detail: DetailOf<'bolted'>): DetailDrawing {
  const [bl, bb] = [M(detail.base[0]), M(detail.base[1])];
  const plan: Mark[] = [];
  for (const sheet of [...detail.sheets].sort((p, q) => q.length * q.breadth - p.length * p.breadth))
    plan.push(box(-M(sheet.length) / 2, -M(sheet.breadth) / 2, M(sheet.length), M(sheet.breadth), 'laminate', 'thin'));
  const cores = scene.laid.filter(({ material }) => material.kind === 'core');
  const core = cores.reduce((sum, one) => sum + M(one.thickness), 0);
  const run = detail.core === 'none' ? 0 : core * detail.bevel;
  if (run > 0) plan.push(box(-bl / 2 - run, -bb / 2 - run, bl + 2 * run, bb + 2 * run, undefined, 'hidden'));
  plan.push(box(-bl / 2, -bb / 2, bl, bb, 'metal'));
  if (detail.plate) plan.push(box(-M(detail.plate.length) / 2, -M(detail.plate.breadth) / 2, M(detail.plate.length), M(detail.plate.breadth), undefined, 'hidden'));
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
  if (Math.max(...xs) > Math.min(...xs)) plan.push(dimension([Math.min(...xs), -reachY], [Math.max(...xs), -reachY], -gap));
  if (Math.max(...ys) > Math.min(...ys)) plan.push(dimension([reachX, Math.min(...ys)], [reachX, Math.max(...ys)], -gap));
  plan.push(dimension([-bl / 2, -reachY - gap], [bl / 2, -reachY - gap], -gap));
  if (Math.hypot(...scene.inPlane) > 1) plan.push(...loadArrow([0, 0], directionOf(scene), reachX * 0.9, `${(Math.hypot(...scene.inPlane) / 1000).toFixed(1)} kN`));
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
          detail.core === 'plywood' ? 'wood' : detail.core === 'highDensity' ? 'core' : 'laminate',
          true,
        ),
      );
    } else section.push(box(-half, y, 2 * half, t, material.kind === 'core' ? 'core' : 'laminate'));
    y += t;
  }
  section.push(box(-bl / 2, -6, bl, 6, 'metal'));
  if (detail.plate) section.push(box(-M(detail.plate.length) / 2, y, M(detail.plate.length), M(detail.plate.thickness), 'metal'));
  for (const x of [...new Set(xs)]) section.push(box(x - M(detail.boltDiameter) / 2, -14, M(detail.boltDiameter), y + 24, 'metal'));
  section.push(dimension([half, 0], [half, y], -12), label([0, y + 22], detail.plate ? 'backing plate' : 'washers', 'middle', 'small'));
  if (run > 0) section.push(dimension([bl / 2, y + 2], [bl / 2 + run, y + 2], 8, `1 : ${detail.bevel}`));
  return {
    views: [
      { title: 'Bolt pattern, seen square to the laminate', marks: plan },
      { title: 'Section through the bolts', marks: section },
    ],
  };
}

function drawPatch(scene: Scene, detail: DetailOf<'patch'>): DetailDrawing {
  const plan: Mark[] = [...detail.sheets]
    .sort((p, q) => q.length * q.breadth - p.length * p.breadth)
    .flatMap((sheet) => {
      const [l, b] = [M(sheet.length), M(sheet.breadth)];
      const a = (sheet.angleDeg * Math.PI) / 180;
      const half = Math.min(l, b) * 0.42;
      return [
        box(-l / 2, -b / 2, l, b, 'laminate', 'outline'),
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
  plan.push(dimension([-longest / 2, -widest / 2], [longest / 2, -widest / 2], -16), dimension([longest / 2, -widest / 2], [longest / 2, widest / 2], -16));
  if (Math.hypot(...scene.inPlane) > 1) plan.push(...loadArrow([0, 0], directionOf(scene), longest * 0.6, `${(Math.hypot(...scene.inPlane) / 1000).toFixed(1)} kN`));
  const section: Mark[] = [];
  const k = Math.max(1, Math.round(longest / 60));
  let top = 0;
  for (const { material, thickness } of scene.laid)
    if (thickness > 0) {
      section.push(box(-longest * 0.6, top, longest * 1.2, M(thickness) * k, material.kind === 'core' ? 'core' : 'laminate', 'thin'));
      top += M(thickness) * k;
    }
  for (const sheet of [...detail.sheets].sort((p, q) => q.length - p.length)) {
    section.push(box(-M(sheet.length) / 2, top, M(sheet.length), 0.7 * k, 'laminate'));
    top += 0.7 * k;
  }
  section.push(label([0, -14], `${scene.zone.name}; thickness drawn ×${k}`, 'middle', 'small'));
  return {
    views: [
      { title: { patch: 'Patch, seen square to it', wrappedEdge: 'The wrap laid flat', web: 'The web from its side' }[detail.form], marks: plan },
      { title: 'Section', marks: section },
    ],
  };
}

function drawTransom(detail: DetailOf<'transom'>): DetailDrawing {
  const [w, h] = [M(detail.span), M(detail.height)];
  const plan: Mark[] = [box(-w / 2, 0, w, h, 'laminate'), box(-M(detail.clampBreadth) / 2, h * 0.35, M(detail.clampBreadth), h * 0.5, 'metal', 'thin')];
  for (const x of [-1, 1]) plan.push(box(x * (w / 2) - 6, 0, 12, h, 'wood'), label([x * (w / 2), h + 8], 'knee', 'middle', 'small'));
  const each = Math.max(1, Math.ceil(detail.boltCount / 2));
  for (let i = 0; i < detail.boltCount; i++) {
    const x = (i % 2 ? 1 : -1) * M(detail.clampBreadth) * 0.32;
    plan.push({ as: 'circle', at: [x, h * (0.45 + (0.32 * Math.floor(i / 2)) / each)], radius: M(detail.boltDiameter) / 2, style: 'outline' });
  }
  plan.push(dimension([-w / 2, 0], [w / 2, 0], -16), dimension([w / 2 + 10, 0], [w / 2 + 10, h], -16));
  const section: Mark[] = [];
  const sheet = detail.built === 'plywood' ? detail.plywood : detail.board;
  let x = 0;
  const put = (t: number, fill: 'laminate' | 'wood' | 'core') => {
    section.push(box(x, 0, t, h * 0.4, fill));
    x += t;
  };
  const skin = 0.8;
  detail.outer.forEach(() => put(skin, 'laminate'));
  for (let i = 0; i < sheet.sheets; i++) {
    if (i) put(skin, 'laminate');
    put(M(sheet.thickness), detail.built === 'plywood' ? 'wood' : 'core');
  }
  detail.inner.forEach(() => put(skin, 'laminate'));
  section.push(dimension([0, h * 0.4], [x, h * 0.4], 10, `about ${mm(x)}; clamp ${mm(M(detail.clamp[0]))} to ${mm(M(detail.clamp[1]))}`));
  section.push(box(-8, h * 0.18, x + 16, M(detail.boltDiameter), 'metal'));
  return {
    views: [
      { title: 'From aft', marks: plan },
      { title: 'Section through the board', marks: section },
    ],
  };
}

function drawTabbing(scene: Scene, detail: DetailOf<'tabbing'>): DetailDrawing {
  const widest = Math.max(40, ...detail.tapes.map(({ overlap }) => M(overlap)));
  const marks: Mark[] = [];
  const base = laminateSection(scene, -widest - 30, 2 * widest + 60, 0);
  marks.push(...base.marks);
  const y = base.top;
  const gap = detail.adhesive === null ? 3 : M(detail.bondLine);
  marks.push(box(-9, y + gap, 18, widest + 30, 'wood'), box(-M(detail.bondWidth) / 2, y, M(detail.bondWidth), gap, 'bond'));
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
      marks.push(dimension([9 + r, y], [9 + r + most, y], -(base.top + 14), `overlap ${mm(most)}`), label([9 + r + 6, y + r + 10], `fillet R ${mm(r)}`, 'start', 'small'));
    }
  }
  marks.push(label([0, y + widest + 40], scene.zone.name, 'middle', 'small'));
  return { views: [{ title: 'Section across the joint', marks }] };
}

function drawFlange(scene: Scene, detail: DetailOf<'flange'>): DetailDrawing {
  const w = M(detail.width);
  const t = Math.max(
    3,
    scene.laid.reduce((sum, one) => sum + (one.material.kind === 'fabric' ? M(one.thickness) : 0), 0),
  );
  const g = M(detail.bondLine);
  const section: Mark[] = [box(0, 0, w, t, 'laminate'), box(-t, -w * 0.9, t, w * 0.9 + t, 'laminate'), box(0, t, w, g, 'bond'), box(-t * 2, t + g, w + t * 2, t, 'laminate')];
  if (detail.pitch !== null)
    section.push(
      box(w - M(detail.edgeDistance) - M(detail.boltDiameter) / 2, -6, M(detail.boltDiameter), 2 * t + g + 12, 'metal'),
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
    plan.push(box(-p * 1.5, 0, p * 3, w, 'laminate'));
    for (const k of [-1, 0, 1]) plan.push({ as: 'circle', at: [k * p, M(detail.edgeDistance)], radius: M(detail.boltDiameter) / 2, style: 'outline' });
    plan.push(dimension([0, w], [p, w], 10, `pitch ${mm(p)}`));
  }
  return { views: [{ title: 'Section of the joint', marks: section }, ...(plan.length ? [{ title: 'Along the flange', marks: plan }] : [])] };
}

function drawExtension(scene: Scene, detail: DetailOf<'extension'>): DetailDrawing {
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
  detail.outer.forEach(({ overlap }, i) => marks.push(box(-M(overlap), -(i + 1) * 3, 2 * M(overlap), 2.4, 'laminate', 'thin')));
  detail.inner.forEach(({ overlap }, i) => marks.push(box(-M(overlap), T + i * 3 + 0.6, 2 * M(overlap), 2.4, 'laminate', 'thin')));
  marks.push(
    dimension([-run / 2, T + detail.inner.length * 3 + 6], [run / 2, T + detail.inner.length * 3 + 6], 8, `${mm(run)}, 1 : ${detail.ratio}`),
    label([0, -detail.outer.length * 3 - 12], `thickness ${mm(t)}, drawn ×${mm(k)}`, 'middle', 'small'),
  );
  return { views: [{ title: 'Section across the joint', marks }] };
}

function drawLiner(scene: Scene, detail: DetailOf<'liner'>): DetailDrawing {
  const w = M(detail.bondWidth);
  const base = laminateSection(scene, -w * 2, w * 4);
  const g = M(detail.bondLine);
  const y = base.top;
  const marks: Mark[] = [
    ...base.marks,
    box(-w / 2, y, w, g, 'bond'),
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

function drawStiffenerEnd(scene: Scene, detail: DetailOf<'stiffenerEnd'>): DetailDrawing {
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
    marks.push(box(-h * 2, y, h * 0.5, M(detail.notch), undefined, 'hidden'), dimension([-h * 2, y], [-h * 2, y + M(detail.notch)], 10, `notch ${mm(M(detail.notch))}`));
  return { views: [{ title: 'Along the stiffener', marks }] };
}

/**
 * The dimensioned drawing of a detail, in millimetres; page, PDF and DXF show the same.
 * @returns null for a detail that stands nowhere, or leads no load.
 * @example drawingSvg(drawDetail(boat, chainplate)!, 'Chainplate')
 */
export function drawDetail(boat: Boat, detail: Detail): DetailDrawing | null {
  try {
    return drawnIn(sceneOf(boat, detail), detail);
  } catch (error) {
    if (!(error instanceof KeramosError)) throw error;
    return null;
  }
}

function drawnIn(scene: Scene, detail: Detail): DetailDrawing {
  switch (detail.kind) {
    case 'strap':
      return drawStrap(scene, detail);
    case 'bolted':
      return drawBolted(scene, detail);
    case 'patch':
      return drawPatch(scene, detail);
    case 'transom':
      return drawTransom(detail);
    case 'tabbing':
      return drawTabbing(scene, detail);
    case 'flange':
      return drawFlange(scene, detail);
    case 'extension':
      return drawExtension(scene, detail);
    case 'liner':
      return drawLiner(scene, detail);
    case 'stiffenerEnd':
      return drawStiffenerEnd(scene, detail);
  }
}
