import { fitLine, type FittedLine } from './fitLine';
import type { AlignmentSurvey, MeasuredPair } from './survey';

/** How a part stands, by measured pairs. Lengths m, angles in degrees, to starboard and starboard down positive. */
export interface LinedUp {
  /** Middle of each pair to starboard of the string, fitted: null under two complete pairs. */
  centreline: (FittedLine & { names: string[]; points: [number, number][]; turnDeg: number }) | null;
  /** Starboard over port by the breadth between them, fitted along: lean where the line begins, twist per metre. */
  lean:
    (FittedLine & { names: string[]; points: [number, number][]; leanDeg: number; twistDegPerMetre: number }) | null;
  diagonals: { name: string; difference: number; doubtful: boolean }[];
  /** What could not be found for want of figures. */
  missing: string[];
}

const DEGREES = 180 / Math.PI;
const isPair = ({ port, starboard }: MeasuredPair) => port !== null && starboard !== null;
const isLevelled = (pair: MeasuredPair) =>
  isPair(pair) && pair.portHeight !== null && pair.starboardHeight !== null && pair.port! + pair.starboard! > 0.01;

/** Lean of a pair: starboard lower than port is positive, as seen from aft it leans to starboard. */
const leanOf = ({ port, starboard, portHeight, starboardHeight }: MeasuredPair) =>
  Math.atan2(portHeight! - starboardHeight!, port! + starboard!) * DEGREES;

/**
 * Best centreline, lean and twist of a part by what was measured to port and starboard, with the readings that the
 * others do not bear out marked and left out.
 *
 * The middle of a pair lies (starboard − port) / 2 to starboard of the string; a part that is truly alike on both
 * sides has its middles on one straight line, whose slope is by how much the string, or the part, is turned. Lean is
 * the slope between the two heights; what it changes along the part is twist. Diagonals that differ by more than 3.5
 * spreads of such a difference say that the part is racked.
 *
 * @example lineUp({ pairs, diagonals: [], tape: 0.001 }).centreline?.turnDeg // 0.06
 */
export function lineUp({ pairs, diagonals, tape }: AlignmentSurvey): LinedUp {
  const missing: string[] = [];
  const middles = pairs.filter(isPair);
  const levels = pairs.filter(isLevelled);
  const fit = (points: [number, number][], spread: number, what: string) => {
    try {
      return fitLine(points, spread);
    } catch {
      missing.push(what);
      return null;
    }
  };
  const at = middles.map(({ x, port, starboard }): [number, number] => [x, (starboard! - port!) / 2]);
  // The half difference of two readings spreads by √2 / 2 of one.
  const line = fit(at, tape * Math.SQRT1_2, 'centreline: pairs at two places at least');
  const leans = levels.map((pair): [number, number] => [pair.x, leanOf(pair)]);
  const breadth = Math.min(...levels.map(({ port, starboard }) => port! + starboard!));
  const spread = levels.length > 0 ? ((tape * Math.SQRT2) / breadth) * DEGREES : 1;
  const lean = fit(leans, spread, 'lean and twist: heights at two places at least');
  return {
    centreline: line && {
      ...line,
      names: middles.map(({ name }) => name),
      points: at,
      turnDeg: Math.atan(line.slope) * DEGREES,
    },
    lean: lean && {
      ...lean,
      names: levels.map(({ name }) => name),
      points: leans,
      leanDeg: lean.offset,
      twistDegPerMetre: lean.slope,
    },
    diagonals: diagonals.map(({ name, one, other }) => ({
      name,
      difference: one - other,
      doubtful: Math.abs(one - other) > 3.5 * tape * Math.SQRT2,
    })),
    missing,
  };
}
