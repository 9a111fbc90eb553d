import type { FillPlan, LineRole } from '../../document';
import { lineLength } from '../../geometry';
import type { FillSkin } from '../skin/skins';

/** So near to the centreline a line is one for both hands (m). */
const ON_CENTRE = 0.02;

/** m of the lines of a plan that feed, or that draw, both hands. */
export const lengthOfLines = (
  { lines }: Pick<FillPlan, 'lines'>,
  { half, mirrored }: Pick<FillSkin, 'half' | 'mirrored'>,
  role: LineRole,
): number =>
  lines
    .filter((line) => line.role === role)
    .reduce((sum, { points }) => {
      const shared = mirrored && points.every(([, y]) => Math.abs(y) < ON_CENTRE);
      return sum + (half && !shared ? 2 : 1) * lineLength(points);
    }, 0);
