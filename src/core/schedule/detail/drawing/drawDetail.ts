import { KeramosError } from '../../../error';
import type { Boat } from '../../boat';
import { sceneOf, type Scene } from '../context';
import type { Detail } from '../detailSchema';
import { type DetailDrawing } from './marks';
import { drawBolted } from './bolted';
import { drawExtension } from './extension';
import { drawFlange } from './flange';
import { drawLiner } from './liner';
import { drawPatch } from './patch';
import { drawStiffenerEnd } from './stiffenerEnd';
import { drawStrap } from './strap';
import { drawTabbing } from './tabbing';
import { drawTransom } from './transom';

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
