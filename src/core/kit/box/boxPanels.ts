import { BOX_FACES, type Box, type BoxFace } from '../../document';
import type { At } from '../nest/convexParts';
import { rectangle } from '../pieces/outline';

/** A panel of a box: one face, or a front bent round into its ends. */
export interface BoxPanel {
  faces: BoxFace[];
  name: string;
  /** m: x from left to right as seen from outside, y up (of top and bottom: from the front back). */
  outline: At[];
  /** Cut-outs, each once round. */
  cuts: At[][];
  notes: string[];
}

/** What a box is made of and takes, one of it. */
export interface BoxTakeoff {
  panels: BoxPanel[];
  /** Faces there are: each lies in exactly one panel. */
  faces: number;
  /** Edges at which two faces meet (m), and the filler of the fillets along them inside (m³). */
  joints: number;
  filler: number;
  /** Screws that hold it while it is glued: as many come out again. */
  screws: number;
}

/** Corners of a quarter circle. */
const ARC = 8;

/** Points of a quarter circle about a centre, from one angle on (degrees). */
const arc = ([x, y]: At, radius: number, fromDeg: number): At[] =>
  Array.from({ length: ARC + 1 }, (_, i): At => {
    const angle = ((fromDeg + (90 * i) / ARC) * Math.PI) / 180;
    return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)];
  });

/** A rectangle with its corners rounded: all of them, or the lower two. */
function rounded([x, y]: At, [w, h]: At, radius: number, corners: 'all' | 'lower' = 'all'): At[] {
  const r = Math.min(radius, w / 2, h / 2);
  if (r <= 0) return rectangle(w, h).map(([u, v]): At => [x + u, y + v]);
  const lower = [...arc([x + r, y + r], r, 180), ...arc([x + w - r, y + r], r, 270)];
  if (corners === 'lower') return [...lower, [x + w, y + h], [x, y + h]];
  return [...lower, ...arc([x + w - r, y + h - r], r, 0), ...arc([x + r, y + h - r], r, 90)];
}

/**
 * Panels of a box by its faces: outside measures, less the thickness of what runs over their edges; a front that is
 * bent round its corners in one with its ends, as long as the middle of its thickness.
 *
 * @param box that holds together. @returns one of each panel; every face there is lies in one of them.
 * @example boxPanels({ width: 0.6, depth: 0.4, height: 0.3, thickness: 0.015, … }).panels.length // 5, lid open
 */
export function boxPanels(box: Box): BoxTakeoff {
  const { width, depth, height, thickness: t, over, lids, bend } = box;
  const at = (face: BoxFace) => (box[face] ? t : 0);
  const wallHeight = lids === 'over' ? height - at('top') - at('bottom') : height;
  const low = lids === 'over' ? at('bottom') : 0;
  const sidesOver = over === 'sides' || bend > 0;
  const bent = bend > 0 && box.front && (box.left || box.right);
  const panels: BoxPanel[] = [];
  /** Cut-outs of a face where its panel has them: moved by where the panel begins. */
  const cutsOf = (face: BoxFace, [dx, dy]: At): At[][] =>
    box.cutOuts
      .filter((cut) => cut.face === face)
      .map(({ across, up, width: w, height: h }) => rounded([across - dx, up - dy], [w, h], box.corner));
  const put = (faces: BoxFace[], outline: At[], cuts: At[][], notes: string[] = []) =>
    panels.push({ faces, name: faces.map((face) => BOX_FACES[face]).join(', '), outline, cuts, notes });

  const inset = (face: 'left' | 'right') => (sidesOver ? 0 : at(face));
  if (bent) {
    const quarter = (Math.PI / 2) * (bend - t / 2);
    const straight = width - (box.left ? bend : 0) - (box.right ? bend : 0);
    const leg = depth - bend - at('back');
    const before = box.left ? leg + quarter : 0;
    const after = box.right ? quarter + leg : 0;
    const cuts = [
      ...cutsOf('left', [at('back'), low]),
      ...cutsOf('front', [(box.left ? bend : 0) - before, low]),
      ...cutsOf('right', [bend - before - straight - quarter, low]),
    ];
    const faces = (['left', 'front', 'right'] as const).filter((face) => box[face]);
    put(faces, rectangle(before + straight + after, wallHeight), cuts, [
      `bent to ${Math.round(bend * 1000)} mm outside, its length that of the middle of the panel: kerf it and try it`,
    ]);
  } else {
    const across = width - inset('left') - inset('right');
    if (box.front) put(['front'], rectangle(across, wallHeight), cutsOf('front', [inset('left'), low]));
    const along = sidesOver ? depth - at('front') - at('back') : depth;
    const [fromBack, fromFront] = sidesOver ? [at('back'), at('front')] : [0, 0];
    if (box.left) put(['left'], rectangle(along, wallHeight), cutsOf('left', [fromBack, low]));
    if (box.right) put(['right'], rectangle(along, wallHeight), cutsOf('right', [fromFront, low]));
  }
  // Behind a bent front the back runs over the ends, as a plain one does.
  if (box.back)
    put(['back'], rectangle(width - inset('left') - inset('right'), wallHeight), cutsOf('back', [inset('right'), low]));
  const lidAt: At = lids === 'over' ? [0, 0] : [at('left'), at('front')];
  const lid: At =
    lids === 'over' ? [width, depth] : [width - at('left') - at('right'), depth - at('front') - at('back')];
  const lidRadius = lids === 'over' ? bend : Math.max(0, bend - t);
  for (const face of ['top', 'bottom'] as const) {
    if (!box[face]) continue;
    const outline = bent && box.left && box.right ? rounded([0, 0], lid, lidRadius, 'lower') : rectangle(...lid);
    put([face], outline, cutsOf(face, lidAt));
  }
  const joints = jointsOf(box);
  const length = joints.reduce((sum, one) => sum + one, 0);
  return {
    panels,
    faces: (Object.keys(BOX_FACES) as BoxFace[]).filter((face) => box[face]).length,
    joints: length,
    filler: length * (1 - Math.PI / 4) * box.fillet ** 2,
    screws: box.screws === null ? 0 : joints.reduce((sum, one) => sum + Math.ceil(one / box.screws! - 1e-9) + 1, 0),
  };
}

/** Lengths of the inner edges at which two faces meet; a bent corner is none. */
function jointsOf(box: Box): number[] {
  const at = (face: BoxFace) => (box[face] ? box.thickness : 0);
  const inside = {
    width: box.width - at('left') - at('right'),
    depth: box.depth - at('front') - at('back'),
    height: box.height - at('top') - at('bottom'),
  };
  const edges: [BoxFace, BoxFace, number][] = [
    ['front', 'left', box.bend > 0 ? 0 : inside.height],
    ['front', 'right', box.bend > 0 ? 0 : inside.height],
    ['back', 'left', inside.height],
    ['back', 'right', inside.height],
    ...(['top', 'bottom'] as const).flatMap((lid): [BoxFace, BoxFace, number][] => [
      [lid, 'front', inside.width],
      [lid, 'back', inside.width],
      [lid, 'left', inside.depth],
      [lid, 'right', inside.depth],
    ]),
  ];
  return edges.filter(([a, b, length]) => box[a] && box[b] && length > 0).map(([, , length]) => length);
}
