import { KeramosError } from '../../error';
import type { Boat } from '../../document';
import { kindOf } from './kinds';
import { sceneOf } from './scene';
import type { Detail } from './schema';
import type { DetailDrawing } from './marks';

/**
 * The dimensioned drawing of a detail, in millimetres; page, PDF and DXF show the same.
 * @returns null for a detail that stands nowhere, or leads no load.
 * @example drawingSvg(drawDetail(boat, chainplate)!, 'Chainplate')
 */
export function drawDetail(boat: Boat, detail: Detail): DetailDrawing | null {
  try {
    return kindOf(detail).draw(sceneOf(boat, detail), detail);
  } catch (error) {
    if (!(error instanceof KeramosError)) throw error;
    return null;
  }
}
