import { Clipper } from '@countertype/clipper2-ts';
import type { FillLine } from '../../document';
import type { FlatPoint } from '../../geometry';
import { flowTime } from '../thickening';
import { fillCase, type FillCase, type FillCaseInput } from './fillCase';

/** Lines that fill a skin in a time, and how far resin runs from each. */
export interface ProposedLines {
  lines: Omit<FillLine, 'id'>[];
  /** m */
  longestFlow: number;
  /** s that the formula gives. */
  time: number;
}

/** Stations along a line, and how far from the ends of the skin the first and the last lie (share). */
const STATIONS = 60;
const INSET = 0.0005;
const MOST_LINES = 24;
const MILLI = 1000;
/** How far off a line with fewer points may lie, and one along an edge, behind which nothing is drawn (mm). */
const MARKED = 20;
const AT_EDGE = 6;
/** A feed line ends where the vacuum is nearer than this share of a stretch: resin would run straight into it. */
const CLEAR = 0.35;

/**
 * Feed lines along a skin for a time: one at the edge from which it is filled, the next each opened when the front has
 * come to it, the vacuum along the far edge.
 *
 * Derived: a front needs c L² for a stretch L from its line, c = φ μ / (2 K Δp) of the slowest zone; n stretches of a
 * breadth B one after the other need n c (B/n)² = c B²/n, so that n = c B²/T at least. Where the skin narrows a feed
 * line ends before it comes near the vacuum, which would draw from it alone.
 * @param across whether lines run across the longer way of the picture instead of along it.
 * @returns null where even the most lines are not enough.
 */
export function proposeLines(
  { skin, stacks, flow, plan }: Pick<FillCase, 'skin' | 'stacks' | 'flow' | 'plan'>,
  across = false,
): ProposedLines | null {
  const xs = skin.outline.map(([x]) => x);
  const ys = skin.outline.map(([, y]) => y);
  const [long, high] = [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)];
  // Lines run along the longer way.
  const turned = long < high !== across;
  const ring = turned ? skin.outline.map(([x, y]): FlatPoint => [y, x]) : skin.outline;
  const spans = spansOf(ring);
  const breadth = Math.max(...spans.map(({ low, top }) => top - low));
  const slowest = [...stacks.values()].reduce((most, { k2, k1, porosity }) => {
    return Math.max(most, porosity / (2 * Math.max(k2, 1e-4 * k1)));
  }, 0);
  const c = (slowest * flow.viscosity) / plan.pressure;
  const budget = flowTime(plan.target, flow.rate);
  const count = Math.max(1, Math.ceil((c * breadth ** 2) / budget - 1e-9));
  if (count > MOST_LINES) return null;
  const along = (share: number, off = MARKED, clear = 0) => {
    const wide = spans.filter(({ low, top }) => (1 - share) * (top - low) >= clear);
    const path = (wide.length > 1 ? wide : spans).map(({ x, low, top }) => ({
      x: MILLI * x,
      y: MILLI * (low + share * (top - low)),
    }));
    // As few points as mark it on the mould.
    return Clipper.simplifyPath(path, off, false).map(({ x, y }): [number, number] => {
      const [u, v] = [Math.round(x) / MILLI, Math.round(y) / MILLI];
      return turned ? [v, u] : [u, v];
    });
  };
  const lines = Array.from({ length: count }, (_, i): Omit<FillLine, 'id'> => ({
    name: `Feed ${i + 1}`,
    role: 'feed',
    points: along(i / count, i === 0 ? AT_EDGE : MARKED, (CLEAR * breadth) / count),
    opens: i === 0 ? 'start' : 'arrival',
    at: 0,
    closes: null,
  }));
  lines.push({ name: 'Vacuum 1', role: 'vent', points: along(1, AT_EDGE), opens: 'start', at: 0, closes: null });
  return { lines, longestFlow: breadth / count, time: (c * breadth ** 2) / count };
}

/**
 * Lines for a plan as it stands, whatever lines it has.
 * @throws KeramosError as `fillCase`.
 */
export function proposeFor(input: FillCaseInput, across = false): ProposedLines | null {
  // Where it is fed does not matter to how resin moves.
  const anywhere: FillLine = {
    id: 'any',
    name: 'any',
    role: 'feed',
    points: [[0, 0]],
    opens: 'start',
    at: 0,
    closes: null,
  };
  return proposeLines(fillCase({ ...input, plan: { ...input.plan, lines: [anywhere] } }), across);
}

/** What a skin spans across its length, at stations along it: the outermost two edges. */
function spansOf(ring: readonly FlatPoint[]): { x: number; low: number; top: number }[] {
  const xs = ring.map(([x]) => x);
  const [from, to] = [Math.min(...xs), Math.max(...xs)];
  return Array.from({ length: STATIONS + 1 }, (_, i) => {
    const x = from + (to - from) * (INSET + ((1 - 2 * INSET) * i) / STATIONS);
    const cut = ring.flatMap(([ax, ay], k) => {
      const [bx, by] = ring[(k + 1) % ring.length]!;
      return ax > x === bx > x ? [] : [ay + ((by - ay) * (x - ax)) / (bx - ax)];
    });
    return { x, low: Math.min(...cut), top: Math.max(...cut) };
  }).filter(({ low, top }) => Number.isFinite(low) && top > low);
}
