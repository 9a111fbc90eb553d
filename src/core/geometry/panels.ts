import { hullPoint, edgeAt, regionPatch, sectionOf, type BoatShape, type Section } from './boatShape';
import { deckPoint, openHalfBreadth } from './deckShape';
import { patchArea, patchSize, within, type Patch, type PatchSize } from './patch';
import { mix, type Point } from './point';
import type { Region, Support } from './region';

/** A stretch of laminate between supports: the rectangle that stands for it, and the surface itself for drawing. */
export interface Panel extends PatchSize {
  patch: Patch;
  /** Height of its lower and upper edge above the baseline (m). */
  bottom: number;
  top: number;
  /** What bounds it, in words. */
  between: { along: [string, string]; across: [string, string] };
}

type Frame = Extract<Support, { kind: 'frame' }>;

/** What the boat's panels stand between. */
export interface Supports {
  members: readonly Support[];
  /** Bulkheads: x, name, and how high they reach (m); to the deck where nothing is said. */
  bulkheads: readonly { x: number; name: string; top?: number | null }[];
  hardEdges: { keel: boolean; chine: boolean };
  /** Whether the keel holds a floor that crosses it at x. */
  keelHolds: (x: number) => boolean;
}

/** A place on one axis where panels end. */
interface Line {
  at: number;
  name: string;
}
const SLIVER = 0.1;
/** The bottom ends at 1, as s; so far off it is beyond it. */
const HAIR = 1e-9;

/** Stretches between lines, of some size. */
function stretchesOf(lines: readonly Line[]): [Line, Line][] {
  const sorted = [...lines].sort((a, b) => a.at - b.at);
  return sorted
    .slice(1)
    .flatMap((end, i): [Line, Line][] => (end.at - sorted[i]!.at < 1e-3 ? [] : [[sorted[i]!, end]]));
}
/** How much of a stretch lies in a range; below 0 where they lie apart. */
const overlapOf = ([start, end]: readonly [Line, Line], from: number, to: number): number =>
  Math.min(end.at, to) - Math.max(start.at, from);
/** Whether a stretch lies in a range by more than a sliver of the shorter of them. */
const liesIn = (stretch: readonly [Line, Line], from: number, to: number): boolean =>
  overlapOf(stretch, from, to) > SLIVER * Math.min(stretch[1].at - stretch[0].at, to - from);
/** Stretches between lines that lie in a range by more than a sliver. */
const stretches = (lines: readonly Line[], from: number, to: number): [Line, Line][] =>
  stretchesOf(lines).filter((stretch) => liesIn(stretch, from, to));

type Measured = Omit<Panel, 'patch' | 'between'>;
function measure(patch: Patch): Measured {
  const heights = [0, 0.5, 1].flatMap((u) => [0, 1].map((v) => patch.at(u, v)[2]));
  return { ...patchSize(patch), bottom: Math.min(...heights), top: Math.max(...heights) };
}
/** Panels that were measured, by the surface and what else they lie between: an edit elsewhere leaves them. */
const measured = new WeakMap<BoatShape['hull'], Map<string, Measured>>();
const MOST_MEASURED = 2000;

/** @param place what of the surface, beside the hull, the patch is made of: the same makes the same panel. */
function panelOf(
  { hull }: BoatShape,
  place: unknown,
  patch: Patch,
  [along, across]: [along: [Line, Line], across: [Line, Line]],
): Panel {
  const known = measured.get(hull) ?? new Map<string, Measured>();
  measured.set(hull, known);
  const key = JSON.stringify([place, ...[...along, ...across].map(({ at }) => at)]);
  const size = known.get(key) ?? measure(patch);
  if (known.size >= MOST_MEASURED) known.clear();
  known.set(key, size);
  const between: Panel['between'] = {
    along: [along[0].name, along[1].name],
    across: [across[0].name, across[1].name],
  };
  return { ...size, patch, between };
}

/** With nothing on the centreline a panel runs on to the other hand. */
function mirrored(lines: readonly Line[]): Line[] {
  if (lines.some(({ at }) => Math.abs(at) < 1e-6)) return [...lines];
  const first = lines.reduce((low, line) => (line.at < low.at ? line : low));
  return [...lines, { at: -first.at, name: `${first.name}, other hand` }];
}

/** The bottom of a hull, to its chine or the turn of its bilge, and the side above it. */
export type Band = 'bottom' | 'side';
/**
 * Whether a bulkhead holds the panels of a band of the hull: it stands up to the upper edge of the band, but for a
 * sliver. One that ends below it leaves them as long as they are above it.
 */
function reachesUp({ hull }: BoatShape, { x, top }: Supports['bulkheads'][number], band: Band): boolean {
  if (top === undefined || top === null) return true;
  const at = Math.min(Math.max(x, hull.aft), hull.bow);
  const [lower, upper] = (band === 'bottom' ? [0, 1] : [1, 2]).map((s) => hull.at(at, s)[2]) as [number, number];
  return top >= upper - SLIVER * (upper - lower);
}

/** Whether a frame holds the panels of a band: a floor, which ends at the chine, holds those of the bottom only. */
const runsUp = ({ upTo }: Frame, band: Band): boolean => band === 'bottom' || upTo !== 'chine';
const framesIn = (members: readonly Support[]): Frame[] =>
  members.flatMap((one) => (one.kind === 'frame' ? [one] : []));

/** Lines across a band of the hull at which its panels end (m along). */
export function hullColumns(shape: BoatShape, { members, bulkheads }: Supports, band: Band): Line[] {
  const { hull } = shape;
  return [
    { at: hull.aft, name: 'transom' },
    { at: hull.bow, name: 'stem' },
    ...bulkheads.filter((one) => reachesUp(shape, one, band)).map(({ x, name }) => ({ at: x, name })),
    ...framesIn(members)
      .filter((frame) => runsUp(frame, band))
      .map(({ x, name }) => ({ at: x, name })),
  ].filter(({ at }) => at >= hull.aft - 1e-9 && at <= hull.bow + 1e-9);
}
/** A stretch along the boat (m); of one place, twice that place. */
export type Reach = readonly [from: number, to: number];
/**
 * Whether a member runs over all of a stretch, but for a sliver: one that ends within it leaves the rest of the panel
 * without a support, which is the panel that counts.
 */
const runsOver = (member: { from: number; to: number }, [from, to]: Reach): boolean => {
  const short = SLIVER * (to - from);
  return member.from <= from + short && member.to >= to - short;
};

/** Lines along the hull that hold its panels over a stretch of it, as s. */
export function hullRows({ hull }: BoatShape, { members, hardEdges }: Supports, reach: Reach): Line[] {
  return [
    ...(hardEdges.keel ? [{ at: 0, name: 'keel' }] : []),
    ...(hardEdges.chine && hull.hardChine ? [{ at: 1, name: 'chine' }] : []),
    ...members.flatMap((m) =>
      m.kind === 'stringer' && runsOver(m, reach)
        ? [{ at: (m.band === 'bottom' ? 0 : 1) + m.share, name: m.name }]
        : [],
    ),
    { at: 2, name: 'deck edge' },
  ];
}
/** Lines across the deck (m along): of bulkheads those that reach it. */
export function deckColumns(shape: BoatShape, { members, bulkheads }: Supports): Line[] {
  const { hull, deck } = shape;
  const ends = [
    deck.cockpit && (['cockpit', deck.cockpit] as const),
    deck.coachroof && (['coachroof', deck.coachroof] as const),
  ].flatMap((opening) =>
    opening
      ? [
          { at: opening[1].from, name: `aft end of ${opening[0]}` },
          { at: opening[1].to, name: `fore end of ${opening[0]}` },
        ]
      : [],
  );
  return [
    { at: hull.aft, name: 'transom' },
    { at: hull.bow, name: 'stem' },
    ...ends,
    ...bulkheads.filter((one) => reachesUp(shape, one, 'side')).map(({ x, name }) => ({ at: x, name })),
    ...members.flatMap((m) => (m.kind === 'beam' ? [{ at: m.x, name: m.name }] : [])),
  ].filter(({ at }) => at >= hull.aft - 1e-9 && at <= hull.bow + 1e-9);
}
/** Lines along the deck that hold its panels over a stretch of it (m from the centreline). */
export function deckRows({ hull, deck }: BoatShape, { members }: Supports, reach: Reach): Line[] {
  const x = (reach[0] + reach[1]) / 2;
  const open = openHalfBreadth(deck, x);
  return [
    ...(open > 0 ? [{ at: open, name: 'coaming' }] : []),
    ...members.flatMap((m) =>
      m.kind === 'girder' && runsOver(m, reach) && m.y >= open ? [{ at: m.y, name: m.name }] : [],
    ),
    { at: hull.at(x, 2)[1], name: 'deck edge' },
  ];
}

type Rib = Extract<Support, { kind: 'rib' }>;

/** Panels of a bulkhead or transom: its posts stand vertical, its bearers lie level. */
function sectionPanels(shape: BoatShape, region: Region, section: Section, ribs: readonly Rib[]): Panel[] {
  const { bottom, top, widest, low, high, at } = section;
  const lines = (run: Rib['run'], from: number, to: number): Line[] => [
    { at: from, name: 'edge' },
    { at: to, name: 'edge' },
    ...ribs.filter((rib) => rib.run === run).map(({ share, name }) => ({ at: mix(from, to, share), name })),
  ];
  const columns = stretches(lines('across', -widest, widest), -widest, widest);
  const rows = stretches(lines('along', bottom, top), bottom, top);
  return columns.flatMap((along) =>
    rows.flatMap((across) => {
      const patch: Patch = {
        count: 1,
        flat: true,
        at: (u, v) => {
          const y = mix(along[0].at, along[1].at, u);
          const from = Math.max(low(y), across[0].at);
          return at(y, mix(from, Math.max(from, Math.min(high(y), across[1].at)), v));
        },
      };
      const { area } = patchArea(patch, 8, 4);
      // Its sides stand vertical, so far apart; what lies below or above follows the hull.
      const length = along[1].at - along[0].at;
      if (area <= 1e-4) return [];
      return [{ ...panelOf(shape, [shape.deck, region], patch, [along, across]), length, breadth: area / length }];
    }),
  );
}

type HullRegion = Extract<Region, { surface: 'hull' }>;
/** Between the lines that part a band of the hull: bays, and in each the rows that a zone may have a share of. */
interface Bay {
  ends: [Line, Line];
  /** What of it is the zone's. */
  reach: Reach;
  rows: [Line, Line][];
}
/** The bays that a zone of the hull has more than a sliver of, with their rows: of either band where they differ. */
function baysOf(shape: BoatShape, supports: Supports, region: HullRegion): Bay[] {
  const between = (band: Band, counts: (row: [Line, Line]) => boolean) =>
    stretches(hullColumns(shape, supports, band), region.from, region.to).map(([a, b]): Bay => {
      const reach = [Math.max(a.at, region.from), Math.min(b.at, region.to)] as const;
      return { ends: [a, b], reach, rows: stretchesOf(mirrored(hullRows(shape, supports, reach))).filter(counts) };
    });
  const allUp =
    supports.bulkheads.every((one) => reachesUp(shape, one, 'side')) &&
    framesIn(supports.members).every((frame) => runsUp(frame, 'side'));
  if (allUp) return between('side', () => true);
  // Where one ends lower, what runs on over the chine is looked at by what holds either band.
  return [
    ...between('bottom', ([lower]) => lower.at < 1 - HAIR),
    ...between('side', ([, upper]) => upper.at > 1 + HAIR),
  ];
}
/** Whether a zone of the hull has more than a sliver of a row at a place along it. */
function hasShareAt({ hull }: BoatShape, { lower, upper }: HullRegion, row: [Line, Line], x: number): boolean {
  return liesIn(row, edgeAt(hull, lower, x), edgeAt(hull, upper, x));
}
const middleOf = ([from, to]: Reach): number => (from + to) / 2;
/** Where along its reach the edges of a zone are looked at: in the middle of its eighths, for an end may run out. */
const PLACES = Array.from({ length: 8 }, (_, i) => (i + 0.5) / 8);
/** Bands of the hull that a zone has a share of anywhere: what parts one of them into bays need not part the other. */
function bandsOf({ hull }: BoatShape, { from, to, lower, upper }: HullRegion): Band[] {
  const [aft, fore] = [Math.max(from, hull.aft), Math.min(to, hull.bow)];
  const places = PLACES.map((share) => mix(aft, fore, share));
  return (['bottom', 'side'] as const).filter((band) =>
    places.some((x) => (band === 'bottom' ? edgeAt(hull, lower, x) < 1 - HAIR : edgeAt(hull, upper, x) > 1 + HAIR)),
  );
}
/** Less of a bay than this is the edge of the zone itself (m). */
const EDGE = 0.02;

/**
 * Panels of which a zone has an edge or an end alone, in words: less than a tenth of a bay, or a share at one end of
 * the bay and none in its middle. They are none of {@link panelsOf}, so that no check of the zone speaks of them.
 *
 * @returns what they stand between; empty for a zone that is not on hull or deck.
 * @example panelsBeside(shape, supports, sideForward) // ['Mast bulkhead to stem, keel to Bottom stringer']
 */
export function panelsBeside(shape: BoatShape, supports: Supports, region: Region): string[] {
  if (region.surface !== 'hull' && region.surface !== 'deck') return [];
  const columns =
    region.surface === 'deck'
      ? [deckColumns(shape, supports)]
      : bandsOf(shape, region).map((band) => hullColumns(shape, supports, band));
  const ends = columns
    .flatMap(stretchesOf)
    .filter((bay) => overlapOf(bay, region.from, region.to) > EDGE && !liesIn(bay, region.from, region.to));
  const edges =
    region.surface === 'deck'
      ? []
      : baysOf(shape, supports, region).flatMap(({ ends: bay, reach, rows }) =>
          rows
            .filter((row) => !hasShareAt(shape, region, row, middleOf(reach)))
            .filter((row) => PLACES.some((share) => hasShareAt(shape, region, row, mix(...reach, share))))
            .map((row) => ({ bay, row })),
        );
  const names = [
    ...ends.map(([a, b]) => `${a.name} to ${b.name}`),
    ...edges.map(({ bay: [a, b], row: [p, q] }) => `${a.name} to ${b.name}, ${p.name} to ${q.name}`),
  ];
  return [...new Set(names)];
}

/**
 * The panels of a zone: every stretch between bulkheads, frames, stringers and hard edges that the zone has a share of.
 *
 * A panel runs to its supports, beyond the zone where need be: a zone's edge holds nothing.
 *
 * @param zoneId whose ribs count. @returns an empty list for a zone without surface.
 * @example panelsOf(shape, supports, bottomForward, 'bottom-fwd').length
 */
export function panelsOf(shape: BoatShape, supports: Supports, region: Region, zoneId: string): Panel[] {
  const { hull, deck } = shape;
  if (region.surface === 'hull') {
    return baysOf(shape, supports, region).flatMap(({ ends: [a, b], reach, rows }) =>
      rows
        .filter((row) => hasShareAt(shape, region, row, middleOf(reach)))
        .map(([p, q]) => {
          const at: Patch['at'] = (u, v) => hullPoint(hull, mix(a.at, b.at, u), mix(p.at, q.at, v));
          return panelOf(shape, 'hull', { count: 2, at }, [
            [a, b],
            [p, q],
          ]);
        }),
    );
  }
  if (region.surface === 'deck') {
    return stretches(deckColumns(shape, supports), region.from, region.to).flatMap(([a, b]) => {
      const reach = [Math.max(a.at, region.from), Math.min(b.at, region.to)] as const;
      const x = (reach[0] + reach[1]) / 2;
      const rows = deckRows(shape, supports, reach);
      const open = openHalfBreadth(deck, x);
      const lines = open > 0 ? rows : mirrored(rows);
      const edge = hull.at(x, 2)[1];
      /** Rows are measured at one station; elsewhere the outer and inner lines follow deck edge and coaming. */
      const yOf = (line: Line, at: number): number => {
        if (Math.abs(line.at - edge) < 1e-9) return hull.at(at, 2)[1];
        if (Math.abs(line.at + edge) < 1e-9) return -hull.at(at, 2)[1];
        if (open > 0 && Math.abs(line.at - open) < 1e-9) return openHalfBreadth(deck, at) || open;
        return line.at;
      };
      return stretches(lines, open, edge).map(([p, q]) => {
        const at: Patch['at'] = (u, v): Point => {
          const along = mix(a.at, b.at, u);
          return deckPoint(hull, deck, along, mix(yOf(p, along), yOf(q, along), v));
        };
        return panelOf(shape, [deck, open, edge], { count: 2, at }, [
          [a, b],
          [p, q],
        ]);
      });
    });
  }
  const ribs = supports.members.flatMap((m) => (m.kind === 'rib' && m.zone === zoneId ? [m] : []));
  const section = sectionOf(shape, region);
  if (section) return sectionPanels(shape, region, section, ribs);
  const patch = regionPatch(shape, region);
  if (patch === null) return [];
  const [u0, u1] = [patch.at(0, 0.5), patch.at(1, 0.5)];
  /** Bulkheads carry what lies over them: soles, pans, roofs. */
  const crossing =
    ['cockpit', 'coachroof', 'pan'].includes(region.surface) && Math.abs(u1[0] - u0[0]) > 0.1
      ? supports.bulkheads.filter(({ x }) => x > u0[0] + 0.05 && x < u1[0] - 0.05)
      : [];
  const columns: Line[] = [
    { at: 0, name: 'edge' },
    { at: 1, name: 'edge' },
    ...crossing.map(({ x, name }) => ({ at: (x - u0[0]) / (u1[0] - u0[0]), name })),
    ...ribs.flatMap((rib) => (rib.run === 'across' ? [{ at: rib.share, name: rib.name }] : [])),
  ];
  const rows: Line[] = [
    { at: 0, name: 'edge' },
    { at: 1, name: 'edge' },
    ...ribs.flatMap((rib) => (rib.run === 'along' ? [{ at: rib.share, name: rib.name }] : [])),
  ];
  return stretches(columns, 0, 1).flatMap((along) =>
    stretches(rows, 0, 1).map((across) =>
      panelOf(shape, [deck, region], within(patch, [along[0].at, along[1].at], [across[0].at, across[1].at]), [
        along,
        across,
      ]),
    ),
  );
}
