import { KeramosError } from '../../error';
import type { Boat } from '../../document';
import { sceneOf, type Scene } from './context';
import type { Detail } from './detailSchema';
import type { DetailDrawing } from './marks';
import { drawBolted } from './bolted/drawing';
import { drawExtension } from './extension/drawing';
import { drawFlange } from './flange/drawing';
import { drawLiner } from './liner/drawing';
import { drawPatch } from './patch/drawing';
import { drawStiffenerEnd } from './stiffenerEnd/drawing';
import { drawStrap } from './strap/drawing';
import { drawTabbing } from './tabbing/drawing';
import { drawTransom } from './transom/drawing';

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
