import { layOwn, type Scene } from '../scene';
import type { DetailOf } from '../schema';
import { box, dimension, label, millimetres as M, mm, type DetailDrawing, type Mark } from '../marks';
import { transomBolts } from './actions';

/** The bracket hangs so far below the top of the board where there is room (mm). */
const BELOW_TOP = 20;
/** A knee seen from aft, and room for a dimension (mm). */
const [KNEE, ROOM] = [12, 40];

function fromAft(detail: DetailOf<'transom'>): Mark[] {
  const [w, h] = [M(detail.span), M(detail.height)];
  const [broad, high] = [M(detail.clampBreadth), M(detail.bracketHeight)];
  const foot = Math.max(h - BELOW_TOP - high, (h - high) / 2);
  const middle = foot + high / 2;
  const bolts = transomBolts(detail).map(([up, aside]): Mark => ({
    as: 'circle',
    at: [M(aside), middle + M(up)],
    radius: M(detail.boltDiameter) / 2,
    style: 'outline',
  }));
  const rows = [...new Set(transomBolts(detail).map(([up]) => M(up)))].sort((a, b) => a - b);
  const left = -w / 2 - KNEE;
  return [
    box([-w / 2, 0], [w, h], 'laminate'),
    ...[-1, 1].flatMap((x) => [
      box([x * (w / 2) - KNEE / 2, 0], [KNEE, h], 'wood'),
      label([x * (w / 2), h + 8], 'knee', 'middle', 'small'),
    ]),
    box([-broad / 2, foot], [broad, high], 'metal', 'thin'),
    ...bolts,
    dimension([-w / 2, 0], [w / 2, 0], -ROOM),
    dimension([w / 2 + KNEE, 0], [w / 2 + KNEE, h], -ROOM),
    dimension([left, foot], [left, foot + high], ROOM),
    ...(rows.length > 1
      ? [dimension([left + ROOM + KNEE, middle + rows[0]!], [left + ROOM + KNEE, middle + rows.at(-1)!], 0)]
      : []),
  ];
}

/** The board cut through, its skins and the glass between its sheets as thick as they are laid. */
function throughBoard({ book }: Scene, detail: DetailOf<'transom'>): Mark[] {
  const section: Mark[] = [];
  const high = M(detail.height) * 0.4;
  let x = 0;
  const put = (thickness: number, fill: 'laminate' | 'wood' | 'core') => {
    section.push(box([x, 0], [thickness, high], fill));
    x += thickness;
  };
  const skin = (layers: Parameters<typeof layOwn>[1]) =>
    layOwn(book, layers).forEach(({ thickness }) => put(M(thickness), 'laminate'));
  const sheet = detail.built === 'plywood' ? detail.plywood : detail.board;
  skin(detail.outer);
  for (let i = 0; i < sheet.sheets; i++) {
    if (i) skin([{ material: detail.glassBetween, angleDeg: 0 }]);
    put(M(sheet.thickness), detail.built === 'plywood' ? 'wood' : 'core');
  }
  skin(detail.inner);
  const clamp = `${mm(x)}; clamp ${mm(M(detail.clamp[0]))} to ${mm(M(detail.clamp[1]))}`;
  return [
    ...section,
    dimension([0, high], [x, high], 10, clamp),
    box([-8, high * 0.45], [x + 16, M(detail.boltDiameter)], 'metal'),
  ];
}

export function drawTransom(scene: Scene, detail: DetailOf<'transom'>): DetailDrawing {
  return {
    views: [
      { title: 'From aft', marks: fromAft(detail) },
      { title: 'Section through the board', marks: throughBoard(scene, detail) },
    ],
  };
}
