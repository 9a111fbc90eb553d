import { invalid } from '../error';
import { faultOf } from '../geometry';
import { said } from '../quantity';
import { BOX_FACES, type Boat, type Box, type BoxFace } from './boat';

const FAULTS = { 'no area': 'has no area', 'crosses itself': 'crosses itself' } as const;

/** Refuse an outline that cannot be cut, and a piece of its own that is of nothing. */
export function checkPieceDrawings({ pieceDrawings }: Boat): void {
  for (const { id, name, piece, material, outline, basis } of pieceDrawings) {
    const fault = faultOf(outline) ?? (basis && faultOf(basis));
    if (fault)
      throw invalid(
        `pieceDrawings.${id}.outline`,
        `${name}: its outline ${FAULTS[fault]}: give its points in order, round it`,
      );
    if (piece === null && material === null)
      throw invalid(`pieceDrawings.${id}.material`, `${name}: say of which fabric or core it is cut`);
  }
}

/** Refuse a box that its own panels fill, a bend that has no room, a cut-out over the edge of its face. */
export function checkBoxes({ boxes }: Boat): void {
  for (const box of boxes) {
    const { id, name, width, depth, height, thickness, bend } = box;
    const refuse = (field: string, why: string): never => {
      throw invalid(`boxes.${id}.${field}`, `${name}: ${why}`);
    };
    const least = Math.min(width, depth, height);
    if (2 * thickness >= least)
      refuse('thickness', `panels of ${said(thickness, 'shortLength')} leave no room in ${said(least, 'shortLength')}`);
    if (bend > 0 && bend <= thickness) refuse('bend', 'a bent corner has a radius larger than the panel is thick');
    if (bend > Math.min(width / 2, depth))
      refuse('bend', `a radius of ${said(bend, 'shortLength')} has no room between its ends`);
    if (!(Object.keys(BOX_FACES) as BoxFace[]).some((face) => box[face])) refuse('front', 'it has no face at all');
    box.cutOuts.forEach((cut, i) => {
      if (!box[cut.face]) refuse(`cutOuts.${i}.face`, `a cut-out lies in the ${BOX_FACES[cut.face]}, which is open`);
      const [across, up] = faceSize(box, cut.face);
      if (cut.across + cut.width > across + 1e-9 || cut.up + cut.height > up + 1e-9)
        refuse(`cutOuts.${i}.across`, `a cut-out lies over the edge of the ${BOX_FACES[cut.face]}`);
      if (inBend(box, cut)) refuse(`cutOuts.${i}.across`, `a cut-out of the ${BOX_FACES[cut.face]} lies in the bend`);
    });
  }
}

/** Whether a cut-out reaches into a bent corner between the front and an end. */
function inBend(box: Box, { face, across, width }: Box['cutOuts'][number]): boolean {
  const { bend, front, left, right } = box;
  if (bend === 0 || !front) return false;
  if (face === 'front')
    return across < (left ? bend : 0) - 1e-9 || across + width > box.width - (right ? bend : 0) + 1e-9;
  if (face === 'left') return across + width > box.depth - bend + 1e-9;
  return face === 'right' && across < bend - 1e-9;
}

/** Width and height of a face of a box, outside (m). */
export function faceSize({ width, depth, height }: Box, face: BoxFace): [number, number] {
  if (face === 'front' || face === 'back') return [width, height];
  return face === 'left' || face === 'right' ? [depth, height] : [width, depth];
}

/** Most frames that a plug stands on. */
const MOST_FRAMES = 120;

/** Refuse a plug that ends before it begins, or stands on a forest of frames. */
export function checkPlugs({ plugs }: Boat): void {
  for (const { id, name, from, to, spacing } of plugs) {
    if (!(to > from)) throw invalid(`plugs.${id}.to`, `${name}: it must end forward of ${said(from, 'length')}`);
    if ((to - from) / spacing > MOST_FRAMES)
      throw invalid(`plugs.${id}.spacing`, `${name}: that is more than ${MOST_FRAMES} frames`);
  }
}
