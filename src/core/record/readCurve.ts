import { invalid } from '../error';
import { displayUnit, parseQuantity, type UnitSystem } from '../quantity';

/** Most points of one curve. */
export const MOST_POINTS = 5000;

/**
 * Load against deflection as it is typed, pasted or read from a CSV: two figures a line, parted by a tab, semicolon or
 * blanks (commas too where points part decimals); heads and empty lines are passed over.
 *
 * @param units of figures without a unit: kN and mm, or lbf and in. @returns [N, m] in the order of the lines.
 * @throws KeramosError `invalid` with the line that does not read, or where there are too many.
 * @example readCurve('load;deflection\n0,5;0,12\n1,0;0,25', 'metric') // [[500, 0.00012], [1000, 0.00025]]
 */
export function readCurve(text: string, units: UnitSystem): [load: number, deflection: number][] {
  const points: [number, number][] = [];
  for (const [i, line] of text.split(/\r?\n/).entries()) {
    if (line.trim() === '') continue;
    const cells = cellsOf(line);
    const [load, deflection] = [
      parseQuantity(cells[0] ?? '', 'force', units),
      parseQuantity(cells[1] ?? '', 'thickness', units),
    ];
    if (!load.ok || !deflection.ok) {
      // Heads stand above the figures.
      if (points.length === 0 && !/\d/.test(line)) continue;
      throw invalid('points', `Line ${i + 1} is no load and deflection: “${line.trim().slice(0, 60)}”`);
    }
    points.push([load.value, deflection.value]);
    if (points.length > MOST_POINTS) throw invalid('points', `At most ${MOST_POINTS} points: thin them out`);
  }
  return points;
}

/** Two cells of a line, by the strongest separator that it has. */
function cellsOf(line: string): string[] {
  for (const separator of ['\t', ';']) if (line.includes(separator)) return line.split(separator);
  const blanks = line.trim().split(/\s{1,}/);
  if (blanks.length === 2) return blanks;
  return line.includes(',') ? line.split(',') : blanks;
}

/** A point as a line that `readCurve` reads back, in the units of the reader. */
export function sayPoint([load, deflection]: readonly [number, number], units: UnitSystem): string {
  const [force, length] = [displayUnit('force', units).factor, displayUnit('thickness', units).factor];
  return `${Number((load / force).toPrecision(7))}; ${Number((deflection / length).toPrecision(7))}`;
}
