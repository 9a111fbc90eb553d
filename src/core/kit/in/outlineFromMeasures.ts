import { invalid } from '../../error';
import { faultOf } from '../../geometry';
import { parseQuantity, type UnitSystem } from '../../quantity';
import type { At } from '../nest/convexParts';

/** More lines than anybody measures. */
const MOST_LINES = 1000;

/**
 * An outline from what somebody measured on the part: a line for each place, parted by tabs, semicolons or spaces. Two
 * measures are a point (along, across), in order round the piece; three are a place along it with its left and right
 * edge, both to the right of one straight line. Measures as they are typed anywhere else: 1.2, 120 cm, 40 in; feet and
 * inches in one, only between tabs or semicolons.
 *
 * @throws KeramosError `invalid` naming the line that cannot be read, or why the outline cannot be cut.
 * @example outlineFromMeasures('0 0 0.5\n1 0.1 0.4', 'metric') // four points
 */
export function outlineFromMeasures(text: string, system: UnitSystem): At[] {
  const lines = text
    .split(/\r?\n/)
    .map((line) => line.trim())
    .filter((line) => line !== '');
  if (lines.length > MOST_LINES) throw invalid('measures', `At most ${MOST_LINES} lines`);
  const rows: number[][] = [];
  lines.forEach((line, i) => {
    const cells = cellsOf(line).map((cell) => parseQuantity(cell, 'length', system));
    const read = cells.every((cell) => cell.ok);
    // The heads of the columns may stand above.
    if (!read && i === 0 && !cells.some((cell) => cell.ok)) return;
    if (!read || cells.length < 2 || cells.length > 3)
      throw invalid('measures', `Line ${i + 1} is no two or three lengths: ${line.slice(0, 60)}`);
    rows.push(cells.map((cell) => (cell.ok ? cell.value : 0)));
  });
  const width = rows[0]?.length ?? 0;
  const odd = rows.findIndex((row) => row.length !== width);
  if (odd >= 0)
    throw invalid('measures', `Line ${odd + 1} has ${rows[odd]!.length} measures, those before it ${width}`);
  const outline =
    width === 3
      ? [
          ...rows.map(([along, left]): At => [left!, along!]),
          ...[...rows].reverse().map(([along, , right]): At => [right!, along!]),
        ].filter((point, i, all) => i === 0 || Math.hypot(point[0] - all[i - 1]![0], point[1] - all[i - 1]![1]) > 1e-6)
      : rows.map(([along, across]): At => [across!, along!]);
  const fault = outline.length < 3 ? 'no area' : faultOf(outline);
  if (fault === 'no area')
    throw invalid('measures', 'The measures enclose no area: at least three points, round the piece');
  if (fault) throw invalid('measures', 'The outline crosses itself: give the points in order, round the piece');
  return outline;
}

/** Cells of a line: by tabs or semicolons where there are any, else by blanks that stand before a number. */
function cellsOf(line: string): string[] {
  if (/[\t;]/.test(line)) return line.split(/[\t;]/).map((cell) => cell.trim());
  if (/,\s/.test(line)) return line.split(/,\s+/);
  return line.split(/\s+(?=[+−-]?[\d.])(?!\d+\/\d)/);
}
