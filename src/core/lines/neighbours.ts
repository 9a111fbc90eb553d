import { edgeAt, openHalfBreadth, type BoatShape, type Point, type Region } from '../geometry';
import { isOneHanded, type Boat, type Part, type Zone, shapeOf } from '../document';

/** The line where two zones of a part meet; on the centreline a zone meets its own other hand and `a` is `b`. */
export interface ZoneLine {
  a: string;
  b: string;
  name: string;
  /** Which way the line runs on the boat; a cut across it shows it. */
  runs: 'along' | 'across' | 'unknown';
  /** Of all hands on which it lies (m); null where no geometry gives it. */
  length: number | null;
  /** How far each zone reaches from the line (m). */
  reachA: number | null;
  reachB: number | null;
}

const SAME = 0.02;
const STEPS = 12;
type Hull = BoatShape['hull'];
type OnHull = Extract<NonNullable<Zone['region']>, { surface: 'hull' }>;

const lengthOf = (points: readonly Point[]) =>
  points.reduce(
    (sum, p, i) => (i === 0 ? 0 : sum + Math.hypot(...p.map((value, axis) => value - points[i - 1]![axis]!))),
    0,
  );
const sampled = (from: number, to: number, at: (t: number) => Point) =>
  lengthOf(Array.from({ length: STEPS + 1 }, (_, i) => at(from + ((to - from) * i) / STEPS)));
const girth = (hull: Hull, x: number, low: number, high: number) => sampled(low, high, (s) => hull.at(x, s));

/** A hull zone cut to the hull: its ends, and its edges at x. */
function onHull(hull: Hull, region: OnHull) {
  const from = Math.max(hull.aft, Math.min(hull.bow, region.from));
  const to = Math.max(hull.aft, Math.min(hull.bow, region.to));
  return {
    from,
    to,
    low: (x: number) => edgeAt(hull, region.lower, x),
    high: (x: number) => edgeAt(hull, region.upper, x),
  };
}

type ZoneOnHull = Zone & { region: OnHull };

function hullLine(hull: Hull, a: ZoneOnHull, b: ZoneOnHull): ZoneLine | null {
  const [ra, rb] = [a.region, b.region];
  const [A, B] = [onHull(hull, ra), onHull(hull, rb)];
  const [from, to] = [Math.max(A.from, B.from), Math.min(A.to, B.to)];
  const touches = (x: number) =>
    Math.abs(A.high(x) - B.low(x)) < SAME && A.high(x) - A.low(x) > SAME && B.high(x) - B.low(x) > SAME;
  const middle = (from + to) / 2;
  if (to - from > SAME && touches(middle)) {
    const name =
      ra.upper.kind === 'chine' || rb.lower.kind === 'chine'
        ? `Chine, ${a.name} to ${b.name}`
        : `${a.name} to ${b.name}`;
    return {
      a: a.id,
      b: b.id,
      name,
      runs: 'along',
      length: 2 * sampled(from, to, (x) => hull.at(x, A.high(x))),
      reachA: girth(hull, middle, A.low(middle), A.high(middle)),
      reachB: girth(hull, middle, B.low(middle), B.high(middle)),
    };
  }
  if (Math.abs(A.to - B.from) < SAME) {
    const x = A.to;
    const [low, high] = [Math.max(A.low(x), B.low(x)), Math.min(A.high(x), B.high(x))];
    if (high - low > SAME)
      return {
        a: a.id,
        b: b.id,
        name: `${a.name} to ${b.name}, x ${x.toFixed(2)} m`,
        runs: 'across',
        length: 2 * girth(hull, x, low, high),
        reachA: A.to - A.from,
        reachB: B.to - B.from,
      };
  }
  return null;
}

/** Corners between surfaces of the deck. */
function deckLine({ hull, deck }: BoatShape, a: Zone, b: Zone): ZoneLine | null {
  const [ra, rb] = [a.region!, b.region!];
  const line = (name: string, runs: ZoneLine['runs'], length: number): ZoneLine => ({
    a: a.id,
    b: b.id,
    name,
    runs,
    length,
    reachA: null,
    reachB: null,
  });
  if (ra.surface === 'deck' && rb.surface === 'deck' && Math.abs(ra.to - rb.from) < SAME) {
    const x = ra.to;
    const halfBreadth = hull.at(Math.max(hull.aft, Math.min(hull.bow, x)), 2)[1] - openHalfBreadth(deck, x);
    const reach = ({ from, to }: { from: number; to: number }) => Math.min(to, hull.bow) - Math.max(from, hull.aft);
    return {
      ...line(`${a.name} to ${b.name}, x ${x.toFixed(2)} m`, 'across', 2 * Math.max(0, halfBreadth)),
      reachA: reach(ra),
      reachB: reach(rb),
    };
  }
  const { cockpit, coachroof } = deck;
  if (cockpit && ra.surface === 'cockpit' && rb.surface === 'cockpit' && ra.piece === 'sole' && rb.piece === 'side')
    return line(`Sole corner, ${a.name} to ${b.name}`, 'along', 2 * (cockpit.to - cockpit.from));
  if (coachroof && ra.surface === 'coachroof' && rb.surface === 'coachroof') {
    const pair = [ra.piece, rb.piece].join('|');
    if (pair === 'side|top')
      return line(`Coachroof corner, ${a.name} to ${b.name}`, 'along', 2 * (coachroof.to - coachroof.from));
    if (pair === 'front|top')
      return line(`Coachroof front, ${a.name} to ${b.name}`, 'across', 2 * openHalfBreadth(deck, coachroof.to - SAME));
  }
  if (ra.surface === 'deck') {
    const opening = openingAt(deck, rb);
    const common = opening ? Math.min(ra.to, opening.to) - Math.max(ra.from, opening.from) : 0;
    if (common > SAME) return line(`Deck corner, ${a.name} to ${b.name}`, 'along', 2 * common);
  }
  return null;
}

/** The opening of the deck whose side a region is. */
function openingAt({ cockpit, coachroof }: BoatShape['deck'], region: Region) {
  if (region.surface === 'cockpit' && region.piece === 'side') return cockpit;
  return region.surface === 'coachroof' && region.piece === 'side' ? coachroof : null;
}

/** What a zone meets on the keel: one of both hands itself, one of a single hand its twin, told once for the two. */
function metOnKeel(zones: readonly Zone[], zone: Zone): Zone | undefined {
  if (zone.hand === 'starboard') return undefined;
  return zone.hand === 'port' ? otherHand(zones, zone) : zone;
}

/** The zone of the same place on the other hand. */
export function otherHand(zones: readonly Zone[], { hand, region, location }: Zone): Zone | undefined {
  const other = hand === 'port' ? 'starboard' : 'port';
  const place = JSON.stringify(region);
  return zones.find(
    (zone) => zone.hand === other && zone.location === location && JSON.stringify(zone.region) === place,
  );
}

function linesOf(shape: BoatShape | null, part: Part): ZoneLine[] {
  const { zones } = part;
  const lines: ZoneLine[] = [];
  if (shape === null || zones.every(({ region }) => region === null))
    return zones.slice(1).map((zone, i) => ({
      a: zones[i]!.id,
      b: zone.id,
      name: `${zones[i]!.name} to ${zone.name}`,
      runs: 'unknown',
      length: null,
      reachA: null,
      reachB: null,
    }));
  const { hull } = shape;
  for (const a of zones) {
    const { region } = a;
    if (region?.surface === 'hull') {
      const A = onHull(hull, region);
      const meets = metOnKeel(zones, a);
      if (meets && A.to - A.from > SAME && region.lower.kind === 'centreline') {
        const x = (A.from + A.to) / 2;
        const reach = girth(hull, x, 0, A.high(x));
        lines.push({
          a: a.id,
          b: meets.id,
          name: `Keel, ${a.name}`,
          runs: 'along',
          length: sampled(A.from, A.to, (at) => hull.at(at, 0)),
          reachA: reach,
          reachB: reach,
        });
      }
    }
    for (const b of zones) {
      if (a === b || !a.region || !b.region || (a.hand !== b.hand && isOneHanded(a) && isOneHanded(b))) continue;
      const add = (found: ZoneLine | null) => {
        // A zone of one hand meets the other on that hand alone.
        if (found) lines.push(isOneHanded(a) || isOneHanded(b) ? { ...found, length: found.length! / 2 } : found);
      };
      if (a.region.surface === 'hull' && b.region.surface === 'hull')
        add(hullLine(hull, { ...a, region: a.region }, { ...b, region: b.region }));
      else if (a.region.surface === 'hull' && b.region.surface === 'transom') {
        const A = onHull(hull, a.region);
        const [low, high] = [A.low(hull.aft), A.high(hull.aft)];
        if (A.from - hull.aft < SAME && high - low > SAME)
          add({
            a: a.id,
            b: b.id,
            name: `Transom corner, ${a.name}`,
            runs: 'across',
            length: 2 * girth(hull, hull.aft, low, high),
            reachA: A.to - A.from,
            reachB: hull.at(hull.aft, 2)[2] - hull.at(hull.aft, 0)[2],
          });
      } else add(deckLine(shape, a, b));
    }
  }
  return lines;
}

interface Known {
  hull: Boat['hull'];
  deck: Boat['deck'];
  brief: Boat['brief'];
  lines: ZoneLine[];
}
const known = new WeakMap<Part['zones'], Known>();

/**
 * The lines where zones of a part meet, from where they lie on the boat; zones with typed-in figures meet in the
 * order of their columns.
 *
 * @example neighboursOf(boat, hull).find(({ a, b }) => a === b)?.name // 'Keel, Keel band'
 */
export function neighboursOf(boat: Pick<Boat, 'hull' | 'deck' | 'brief'>, part: Part): ZoneLine[] {
  const last = known.get(part.zones);
  if (last && last.hull === boat.hull && last.deck === boat.deck && last.brief === boat.brief) return last.lines;
  const lines = linesOf(shapeOf(boat), part);
  known.set(part.zones, { hull: boat.hull, deck: boat.deck, brief: boat.brief, lines });
  return lines;
}
