import { hoursOfLayer, USUAL_RATES } from '../../cost';
import { invalid } from '../../error';
import { applyEdits } from '../../edit';
import { makeEvaluator } from '../../evaluate';
import { piecesIn } from './readyPart';
import type { SolveInteger } from './coupleZones';
import { optimiseBoat, type OptimiseInput } from './optimiseBoat';
import type { GridAnswer, GridStep } from './optimisePart';

/** Two things that cannot both be least. */
export type TradeAxes = 'mass-cost' | 'mass-hours' | 'mass-pieces';

/** A schedule on the curve. */
export interface TradePoint {
  /** kg, money (null where a price is missing), hours of cutting and laying, and pieces of the part's zones. */
  mass: number;
  cost: number | null;
  hours: number;
  pieces: number;
  answer: Pick<GridAnswer, 'edits' | 'binding' | 'gap' | 'evaluated'>;
}

const secondOf = (axes: TradeAxes) => axes.slice('mass-'.length) as 'cost' | 'hours' | 'pieces';

/** Weights of the second against the first, as shares of what either end of the curve comes to. */
const SHARES = [0, 0.15, 0.3, 0.5, 0.7, 0.85, 1] as const;

/**
 * The trade of mass against price, hours or pieces, as schedules of which none is better in both: the best for a
 * number of weights between the two ends, each found and proven as the best for one is.
 *
 * @returns from the lightest on.
 */
export function* tradeOff(
  input: Omit<OptimiseInput, 'weights'>,
  axes: TradeAxes,
  solve: SolveInteger,
): Generator<GridStep, TradePoint[]> {
  const second = secondOf(axes);
  const points: TradePoint[] = [];
  /** Kilograms that a unit of the second is worth at the middle of the curve. */
  let scale: number | null = null;
  const laid = makeEvaluator()(input.boat);
  const part = input.boat.parts.find(({ id }) => id === input.partId);
  if (!part) throw invalid('part', 'This part is gone');
  const zones = part.zones.filter(({ id }) => input.zoneIds === undefined || input.zoneIds.includes(id));
  const costOf = (evaluations: typeof laid) =>
    zones.reduce<number | null>((sum, { id, geometry }) => {
      const { cost } = evaluations.get(id)!;
      return sum === null || cost === null ? null : sum + cost * geometry.area * part.number;
    }, 0);
  const rates = input.rates ?? USUAL_RATES;
  const own = rates.processes[input.boat.brief.process];
  const hoursOf = (evaluations: typeof laid) =>
    zones.reduce((sum, zone) => {
      const { layers } = evaluations.get(zone.id)!;
      const perArea = layers.reduce((all, { material }) => all + hoursOfLayer(zone, material, own, rates), 0);
      return sum + perArea * zone.geometry.area * part.number;
    }, 0);
  for (const [i, share] of [0, 1, ...SHARES.slice(1, -1)].entries()) {
    if (share > 0 && share < 1 && scale === null) break;
    const weights = { mass: share === 1 ? 1e-3 : 1 - share, cost: 0, hours: 0, pieces: 0 };
    if (share > 0) weights[second] = share === 1 ? 1 : share * scale!;
    const search = optimiseBoat({ ...input, weights }, { solve });
    for (let step = search.next(); ; step = search.next()) {
      if (!step.done) {
        yield { done: (i + step.value.done) / SHARES.length, at: step.value.at };
        continue;
      }
      const { edits, binding, gap, evaluated, after } = step.value;
      const boat = applyEdits(input.boat, edits).boat;
      const evaluations = edits.length === 0 ? laid : makeEvaluator()(boat);
      const pieces = piecesIn(boat, input.partId);
      points.push({
        mass: after.mass,
        cost: costOf(evaluations),
        hours: hoursOf(evaluations),
        pieces,
        answer: { edits, binding, gap, evaluated },
      });
      break;
    }
    if (points.length === 2) {
      const [a, b] = points as [TradePoint, TradePoint];
      const apart = Math.abs((a[second] ?? 0) - (b[second] ?? 0));
      scale = apart > 0 && Math.abs(b.mass - a.mass) > 1e-9 ? Math.abs(b.mass - a.mass) / apart : null;
    }
  }
  const better = (a: TradePoint, b: TradePoint) =>
    a.mass <= b.mass + 1e-9 && (a[second] ?? 0) <= (b[second] ?? 0) + 1e-9;
  const same = (a: TradePoint, b: TradePoint) => better(a, b) && better(b, a);
  return points
    .filter((one, i) => points.every((other, j) => i === j || !better(other, one) || (same(other, one) && j > i)))
    .sort((a, b) => a.mass - b.mass);
}

/**
 * What one more buys along the curve: how much of the second each further kilogram saves, or how many kilograms each
 * further unit of the second, between neighbouring points.
 */
export const slopes = (points: readonly TradePoint[], axes: TradeAxes): number[] =>
  points.slice(1).map((point, i) => {
    const before = points[i]!;
    const second = secondOf(axes);
    return ((before[second] ?? 0) - (point[second] ?? 0)) / (point.mass - before.mass);
  });
