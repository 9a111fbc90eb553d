import { invalid } from '../error';
import type { Station } from './hullShape';

/** What a hull may measure, m; beyond it a unit or a column was mistaken. */
const RANGES = { long: [1.5, 30], wide: [0.3, 12], high: [0.1, 8] } as const;
const [FEWEST, MOST] = [3, 200];
/** So many times as wide as both its neighbours, a station is in another unit. */
const OUT_OF_LINE = 4;

function refuseSize(what: keyof typeof RANGES, value: number): void {
  const [low, high] = RANGES[what];
  if (value < low || value > high)
    throw invalid(
      'file',
      `The hull would be ${value.toPrecision(3)} m ${what}; ${low} to ${high} m are expected. Is the unit right?`,
    );
}

/** One station out of line by a factor is a slip of unit in its column. */
function refuseOutOfLine(stations: readonly Station[]): void {
  const widths = stations.map(({ points }) => Math.max(...points.map(([y]) => y)));
  widths.forEach((width, i) => {
    const neighbours = [widths[i - 1], widths[i + 1]].filter((other) => other !== undefined);
    if (width <= 0.2 || !neighbours.every((other) => width > OUT_OF_LINE * other)) return;
    const times = (width / Math.max(...neighbours)).toFixed(0);
    throw invalid(
      'file',
      `The station at ${stations[i]!.x.toFixed(3)} m is ${times} times as wide as its neighbours: a mixed unit?`,
    );
  });
}

/**
 * Stations that make a boat, as they are.
 *
 * @param stations from aft, m.
 * @throws KeramosError `invalid` for fewer than 3 or more than 200, a hull out of all measure, or a station that is
 * in another unit than its neighbours.
 */
export function checkStations(stations: Station[]): Station[] {
  const count = stations.length;
  if (count < FEWEST) {
    const found = count === 1 ? 'only one was' : `${count} were`;
    throw invalid('file', `A hull needs at least ${FEWEST} stations; ${found} found. Is the right column chosen?`);
  }
  if (count > MOST)
    throw invalid(
      'file',
      `${count} stations were found, more than the ${MOST} a hull may have. Is the right column chosen?`,
    );
  const length = stations.at(-1)!.x - stations[0]!.x;
  const points = stations.flatMap((station) => station.points);
  const beam = 2 * Math.max(...points.map(([y]) => y));
  const heights = points.map(([, z]) => z);
  refuseSize('long', length);
  refuseSize('wide', beam);
  refuseSize('high', Math.max(...heights) - Math.min(...heights));
  if (length < beam / 2)
    throw invalid(
      'file',
      `The hull would be ${length.toFixed(2)} m long and ` +
        `${beam.toFixed(2)} m wide: are stations and half-breadths in one ` +
        'unit?',
    );
  refuseOutOfLine(stations);
  return stations;
}
