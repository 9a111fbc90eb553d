import { hullPoint, regionPatch, sectionOf, type BoatShape, type Section } from './boatShape';
import { deckPoint, openHalfBreadth } from './deckShape';
import { deckColumns, deckRows, hullColumns, hullRows, type Band, type Supports } from './panels';
import { crownOf, mix, runLength, shares, type Point } from './point';
import type { Region, Support } from './region';

/** One span of a stiffener between what holds it. m. */
export interface Span {
  length: number;
  /** Breadth of plating it carries. */
  spacing: number;
  rise: number;
  middle: Point;
  points: Point[];
  /** On the hull, how far up each point lies: 0 at the keel, 1 at the chine, 2 at the deck edge. */
  upHull?: number[];
  /** Which zone surface it is on: hull below or above the chine, deck, or a zone of its own. */
  on: 'bottom' | 'side' | 'deck' | 'zone';
  /** How many of the member's own ends it has: the others run on into the next span. */
  ends: 0 | 1 | 2;
}

export interface MemberGeometry {
  support: Support;
  /** All of it, both hands (m). */
  length: number;
  centre: Point;
  spans: Span[];
}

const STEPS = 12;
const spanOf = (points: Point[], spacing: number, on: Span['on'], upHull?: number[]): Span => ({
  ends: 0,
  ...(upHull && { upHull }),
  length: runLength(points),
  spacing,
  rise: crownOf(points),
  middle: points[Math.floor(points.length / 2)]!,
  points,
  on,
});

/** Half the way to the neighbours on either side. */
function halfWay(lines: readonly number[], at: number): number {
  const below = Math.max(...lines.filter((line) => line < at - 1e-6), -Infinity);
  const above = Math.min(...lines.filter((line) => line > at + 1e-6), Infinity);
  const [low, high] = [Number.isFinite(below) ? at - below : NaN, Number.isFinite(above) ? above - at : NaN];
  if (Number.isNaN(low)) return Number.isNaN(high) ? 0 : high / 2;
  return Number.isNaN(high) ? low / 2 : (low + high) / 2;
}
const pieces = (cuts: number[]): [number, number][] => {
  const sorted = [...new Set(cuts)].sort((a, b) => a - b);
  return sorted.slice(1).flatMap((to, i): [number, number][] => (to - sorted[i]! > 1e-3 ? [[sorted[i]!, to]] : []));
};

/** The spans of a member, in order along it, with the ends of its own that each has. */
function withEnds(spans: readonly Span[], { kind }: Support): Span[] {
  return spans.map((span, i): Span => {
    const [first, last] = [i === 0, i === spans.length - 1];
    // A frame runs up from the keel on both hands, with its ends at the top of each.
    const begins = kind === 'frame' ? last && span.points[0]![1] < -1e-9 : first;
    return { ...span, ends: (Number(begins) + Number(last)) as Span['ends'] };
  });
}

type Rib = Extract<Support, { kind: 'rib' }>;

/** Spans of a stiffener on a bulkhead or transom: a vertical post, or a level bearer between the posts. */
function sectionSpans({ bottom, top, widest, half, low, high, at }: Section, own: Rib, ribs: readonly Rib[]): Span[] {
  const places = (run: Rib['run'], [from, to]: readonly [number, number]) => [
    from,
    to,
    ...ribs.filter((rib) => rib.run === run).map(({ share }) => mix(from, to, share)),
  ];
  const [posts, bearers] = [places('across', [-widest, widest]), places('along', [bottom, top])];
  if (own.run === 'across') {
    const y = mix(-widest, widest, own.share);
    const run = shares(STEPS).map((t) => at(y, mix(low(y), high(y), t)));
    return runLength(run) > 1e-3 ? [spanOf(run, halfWay(posts, y), 'zone')] : [];
  }
  const z = mix(bottom, top, own.share);
  const reach = half(z);
  return pieces([-reach, reach, ...posts.filter((y) => Math.abs(y) < reach)]).map(([from, to]) =>
    spanOf(
      shares(STEPS).map((t) => at(mix(from, to, t), z)),
      halfWay(bearers, z),
      'zone',
    ),
  );
}

/**
 * Where a stiffener runs, in spans between what holds it, with the breadth of plating each carries.
 *
 * What runs along is held by what crosses it (bulkheads, frames, beams); what runs across is held at hard edges, deck
 * edge and coaming only.
 *
 * @param regionOf surface of a zone, for ribs. @returns null for a member that is nowhere on the boat.
 */
export function memberGeometry(
  shape: BoatShape,
  supports: Supports,
  support: Support,
  regionOf: (zoneId: string) => Region | null,
): MemberGeometry | null {
  const { hull, deck } = shape;
  const whole = (spans: Span[], hands: number): MemberGeometry | null => {
    if (spans.length === 0) return null;
    const length = spans.reduce((sum, span) => sum + span.length, 0);
    const centre = [0, 1, 2].map(
      (k) => spans.reduce((sum, span) => sum + span.length * span.middle[k]!, 0) / length,
    ) as unknown as Point;
    return { support, length: length * hands, centre, spans: withEnds(spans, support) };
  };
  switch (support.kind) {
    case 'frame': {
      const { x } = support;
      if (x <= hull.aft || x >= hull.bow) return null;
      const spacing = (band: Band) =>
        halfWay(
          hullColumns(shape, supports, band).map(({ at }) => at),
          x,
        );
      const top = support.upTo === 'chine' ? 1 : 2;
      const rows = hullRows(shape, { ...supports, members: [] }, [x, x]).map(({ at }) => at);
      const edges = [...rows.filter((at) => at < top), top].filter((at) => at > 0 || supports.keelHolds(x));
      const cuts = edges.includes(0) ? edges : [...edges, -Math.min(...edges)];
      const spans = pieces(cuts).map(([from, to]) => {
        const band: Band = from + to < 2 ? 'bottom' : 'side';
        const up = shares(STEPS).map((t) => mix(from, to, t));
        const points = up.map((s) => hullPoint(hull, x, s));
        const span = spanOf(points, spacing(band), band, up.map(Math.abs));
        // Two straight legs that meet at a keel are no arch.
        return from < 0 ? { ...span, rise: 0 } : span;
      });
      // The piece over the centreline is there once, the others on both hands.
      const geometry = whole(spans, 1);
      return (
        geometry && {
          ...geometry,
          length: spans.reduce((sum, span) => sum + span.length * (span.points[0]![1] < -1e-9 ? 1 : 2), 0),
        }
      );
    }
    case 'stringer': {
      const s = (support.band === 'bottom' ? 0 : 1) + support.share;
      const [from, to] = [Math.max(support.from, hull.aft), Math.min(support.to, hull.bow)];
      if (to - from < 1e-3) return null;
      const columns = hullColumns(shape, supports, support.band).map(({ at }) => at);
      const cuts = [from, to, ...columns.filter((x) => x > from && x < to)];
      return whole(
        pieces(cuts).map(([a, b]) => {
          const x = (a + b) / 2;
          const rows = hullRows(shape, supports, [a, b]);
          const girths = rows.map(({ at }) => hull.girth(x, at));
          const spacing = halfWay(
            rows.some(({ at }) => at === 0) ? girths : [...girths, -Math.min(...girths)],
            hull.girth(x, s),
          );
          return spanOf(
            shares(STEPS).map((t) => hull.at(mix(a, b, t), s)),
            spacing,
            support.band,
            shares(STEPS).map(() => s),
          );
        }),
        2,
      );
    }
    case 'beam': {
      const { x } = support;
      if (x <= hull.aft || x >= hull.bow) return null;
      const spacing = halfWay(
        deckColumns(shape, supports).map(({ at }) => at),
        x,
      );
      const [open, edge] = [openHalfBreadth(deck, x), hull.at(x, 2)[1]];
      const span = (from: number) =>
        spanOf(
          shares(STEPS).map((t) => deckPoint(hull, deck, x, mix(from, edge, t))),
          spacing,
          'deck',
        );
      return open > 0 ? whole([span(open)], 2) : whole([span(-edge)], 1);
    }
    case 'girder': {
      const [from, to] = [Math.max(support.from, hull.aft), Math.min(support.to, hull.bow)];
      if (to - from < 1e-3) return null;
      const columns = deckColumns(shape, supports).map(({ at }) => at);
      const cuts = [from, to, ...columns.filter((x) => x > from && x < to)];
      return whole(
        pieces(cuts).map(([a, b]) => {
          const x = (a + b) / 2;
          const rows = deckRows(shape, supports, [a, b]).map(({ at }) => at);
          const lines = openHalfBreadth(deck, x) > 0 ? rows : [...rows, ...rows.map((y) => -y)];
          return spanOf(
            shares(STEPS).map((t) => deckPoint(hull, deck, mix(a, b, t), support.y)),
            halfWay(lines, support.y),
            'deck',
          );
        }),
        support.y > 0 ? 2 : 1,
      );
    }
    case 'rib': {
      const region = regionOf(support.zone);
      const patch = region && regionPatch(shape, region);
      if (!patch) return null;
      const along = support.run === 'along';
      const ribs = supports.members.flatMap((m) => (m.kind === 'rib' && m.zone === support.zone ? [m] : []));
      const section = sectionOf(shape, region);
      if (section) return whole(sectionSpans(section, support, ribs), 1);
      const own = [0, 1, ...ribs.filter(({ run }) => run === support.run).map(({ share }) => share)];
      const held = along ? [0, 1, ...ribs.filter(({ run }) => run === 'across').map(({ share }) => share)] : [0, 1];
      const at = (t: number, place: number) => (along ? patch.at(t, place) : patch.at(place, t));
      return whole(
        pieces(held).map(([from, to]) => {
          const middle = (from + to) / 2;
          const breadth = runLength(shares(STEPS).map((t) => (along ? patch.at(middle, t) : patch.at(t, middle))));
          return spanOf(
            shares(STEPS).map((t) => at(mix(from, to, t), support.share)),
            halfWay(own, support.share) * breadth,
            'zone',
          );
        }),
        patch.count,
      );
    }
  }
}
