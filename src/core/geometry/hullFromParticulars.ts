import { invalid } from '../error';
import type { DrawnHull, HullParticulars, Station } from './hullShape';
import { mix, shares } from './point';

const STATIONS = 40;
const GIRTH = 16;
const radians = (degrees: number) => (degrees * Math.PI) / 180;
const clamp = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value));

type Line = (x: number) => number;

/** Where the keel is lowest, and where the forefoot begins to rise, over the waterline from aft. */
const LOWEST = 0.45;
const FOREFOOT = 0.55;
/** Where the hull is as broad as it gets. */
const MIDDLE = 0.4;
/** Half-breadth of the stem where no bottom is left (m). */
const HAIR = 0.001;
/** How straight a stem runs into its head: 1 is a straight line. */
const STEM = 1.2;

/**
 * Keel and stem as one line, without a kink from transom to stem head: level at its lowest place, at the water where
 * the waterline ends, at the deck edge at the bow.
 */
function keelLine(
  { draft, transomImmersion }: Pick<DrawnHull, 'draft' | 'transomImmersion'>,
  { aft, bow, LWL, top }: { aft: number; bow: number; LWL: number; top: number },
): { keel: Line; stemAt: (z: number) => number } {
  const lowest = LOWEST * LWL;
  // A transom in the water ends the run where it is; one above it carries the run on, up and aft.
  const atTransom = Math.max(0, transomImmersion > 0 ? draft - transomImmersion : draft + 0.35 * -aft);
  const atEnd = Math.max(0, draft - transomImmersion);
  const rises = aft < -0.02 * LWL && atEnd > 1e-6 && atTransom > atEnd;
  const run = rises ? clamp(Math.log(atTransom / atEnd) / Math.log((lowest - aft) / lowest), 1.6, 6) : 2.2;

  const forefoot = FOREFOOT * LWL;
  const overhang = ((bow - LWL) / (bow - forefoot)) ** (1 / STEM);
  const power = clamp(Math.log(draft / top) / Math.log(1 - overhang), 1.5, 14);
  const keel: Line = (x) => {
    if (x <= lowest) return atTransom * Math.max(0, (lowest - x) / (lowest - aft)) ** run;
    if (x <= forefoot) return 0;
    return top * (1 - Math.max(0, (bow - x) / (bow - forefoot)) ** (1 / STEM)) ** power;
  };
  const stemAt = (z: number) => bow - (bow - forefoot) * (1 - (z / top) ** (1 / power)) ** STEM;
  return { keel, stemAt };
}

/** A parabola through three points. */
const through =
  (
    [x0, y0]: readonly [number, number],
    [x1, y1]: readonly [number, number],
    [x2, y2]: readonly [number, number],
  ): Line =>
  (x) =>
    (y0 * (x - x1) * (x - x2)) / ((x0 - x1) * (x0 - x2)) +
    (y1 * (x - x0) * (x - x2)) / ((x1 - x0) * (x1 - x2)) +
    (y2 * (x - x0) * (x - x1)) / ((x2 - x0) * (x2 - x1));

/** A line that is level in the middle and leaves it to either end by a power, so that it has no kink there. */
function fromMiddle(
  value: number,
  { middle, aft, fore }: { middle: number; aft: [x: number, value: number]; fore: [x: number, value: number] },
  powers: { aft: number; fore: number },
): Line {
  return (x) =>
    x <= middle
      ? value + (aft[1] - value) * ((middle - x) / (middle - aft[0])) ** powers.aft
      : value + (fore[1] - value) * Math.min(1, (x - middle) / (fore[0] - middle)) ** powers.fore;
}

/**
 * Sections of a hull from its particulars alone: keel and stem, chine (or the corner a round bilge is drawn into) and
 * deck edge as fair lines, joined by straight panels or a quadratic curve.
 *
 * The waterline length fixes the stem at the waterline, rake and freeboard its head; what is left of the hull's
 * length is overhang aft. The chine runs into the stem between waterline and stem head.
 * Amidships (0.4 of the waterline from aft) chine beam, deadrise and maximum beam are met as given.
 *
 * @throws KeramosError `invalid` with the remedy when rake and freeboard ask for more overhang forward than the lengths
 * leave, the overhang aft lifts the transom's foot to the deck edge, or deadrise lifts the chine above it.
 * @example stationsFromParticulars(shapeFor(particulars, 'motor'), particulars).length // 41
 * Source: our own construction, docs/engineering.md, "Hull from particulars".
 */
export function stationsFromParticulars(
  shape: DrawnHull,
  { hullLength, waterlineLength: LWL, maximumBeam, chineBeam, deadriseDeg }: HullParticulars,
): Station[] {
  const { draft } = shape;
  // A plumb stem still needs a way to rise on.
  const foreOverhang = Math.max(0.004 * LWL, shape.freeboardFore * Math.tan(radians(shape.stemRakeDeg)));
  const aftOverhang = hullLength - LWL - foreOverhang;
  if (aftOverhang < -0.004 * LWL - 1e-6)
    throw invalid(
      'hull.stemRakeDeg',
      `A stem raked ${shape.stemRakeDeg}° reaches ${foreOverhang.toFixed(2)} m beyond the ` +
        `waterline, but the hull is only ${(hullLength - LWL).toFixed(2)} m longer than it: ` +
        'less rake, less freeboard forward, or a shorter waterline',
    );
  const [aft, bow] = [-Math.max(0, aftOverhang), LWL + foreOverhang];
  const middle = MIDDLE * LWL;
  const { keel, stemAt } = keelLine(shape, { aft, bow, LWL, top: draft + shape.freeboardFore });
  const sheer = through(
    [aft, draft + shape.freeboardAft],
    [middle, draft + shape.freeboardMid],
    [bow, draft + shape.freeboardFore],
  );
  const rise = sheer(aft) - keel(aft);
  if (rise < 0.05)
    throw invalid(
      'hull.transomImmersion',
      `The overhang of ${(-aft).toFixed(2)} m aft lifts the foot of the transom to ${(-rise).toFixed(2)} m above the ` +
        'deck edge: a longer waterline, more stem rake, or more freeboard aft',
    );

  const rises = (halfBreadth: number, x: number, degrees: number) => keel(x) + halfBreadth * Math.tan(radians(degrees));
  const chineMiddle = rises(chineBeam / 2, middle, deadriseDeg);
  const middleHeight = sheer(middle) - chineMiddle;
  if (middleHeight <= 0.02)
    throw invalid(
      'hull.freeboardMid',
      `The chine stands ${(-middleHeight).toFixed(2)} m above the deck edge ` +
        'amidships: less deadrise or chine beam, or more freeboard',
    );
  const lean = (maximumBeam - chineBeam) / 2 / middleHeight;
  // The topside leans aft as it does amidships, as far as the transom has room for it.
  const chineAft = clamp(
    shape.transomBeam / 2 - lean * Math.max(0, sheer(aft) - rises(0.45 * chineBeam, aft, shape.deadriseAftDeg)),
    0.02,
    chineBeam / 2,
  );
  const chineRise: [number, number] = [
    aft,
    Math.min(rises(chineAft, aft, shape.deadriseAftDeg), sheer(aft) - 0.15 * rise),
  ];

  // Forward the chine climbs to the stem: as steep as deadrise asks three quarters along, and no higher than the sheer.
  const three = 0.75 * LWL;
  const climb = rises(0.39 * chineBeam, three, mix(deadriseDeg, shape.deadriseForeDeg, 0.5)) - chineMiddle;
  const atStem = clamp(chineMiddle + 2 * climb, draft + 0.05 * shape.freeboardFore, draft + 0.7 * shape.freeboardFore);
  const chineEnd = stemAt(atStem);
  const along = (x: number) => (x - middle) / (chineEnd - middle);
  const steepens = clamp(Math.log(clamp(climb / (atStem - chineMiddle), 0.02, 0.9)) / Math.log(along(three)), 2, 4);
  const chine = fromMiddle(
    chineBeam / 2,
    { middle, aft: [aft, chineAft], fore: [chineEnd, 0] },
    { aft: 2.2, fore: 2.6 },
  );
  const chineHeight = fromMiddle(
    chineMiddle,
    { middle, aft: chineRise, fore: [chineEnd, atStem] },
    { aft: 2.2, fore: steepens },
  );

  // The deck edge closes on the stem; its fullness is what the flare at the end of the waterline asks.
  const flared = chine(LWL) + (sheer(LWL) - Math.max(keel(LWL), chineHeight(LWL))) * Math.tan(radians(shape.flareDeg));
  const fullness = clamp(
    Math.log(clamp(1 - (2 * flared) / maximumBeam, 0.02, 0.98)) / Math.log((LWL - middle) / (bow - middle)),
    2,
    5,
  );
  const edgeAft = Math.max(chineAft + 1e-4, shape.transomBeam / 2);
  const edge = fromMiddle(
    maximumBeam / 2,
    { middle, aft: [aft, edgeAft], fore: [bow, 0] },
    { aft: 2.2, fore: fullness },
  );

  return shares(STATIONS).map((share): Station => {
    // Closer together towards the stem, where everything turns.
    const x = mix(aft, bow, 1 - (1 - share) ** 1.6);
    const [zk, zs] = [keel(x), sheer(x)];
    const ahead = x >= chineEnd;
    // Ahead of the chine's end the stem is a hair broad, so that bottom and topside stay two.
    const yc = Math.max(ahead ? 0 : chine(x), (HAIR * (bow - x)) / (bow - chineEnd));
    const zc = ahead ? Math.min(zs, zk + HAIR) : clamp(chineHeight(x), zk, zs - 0.1 * Math.max(0, zs - zk));
    const ys = Math.max(yc, edge(x)) + 1e-4;
    if (shape.form === 'hardChine') {
      const points = [
        ...shares(GIRTH / 2).map((s): [number, number] => [yc * s, mix(zk, zc, s)]),
        ...shares(GIRTH / 2)
          .slice(1)
          .map((s): [number, number] => [mix(yc, ys, s), mix(zc, zs, s)]),
      ];
      return { x, points, chine: GIRTH / 2 };
    }
    const points = shares(GIRTH).map((t): [number, number] => [
      2 * t * (1 - t) * yc + t * t * ys,
      (1 - t) ** 2 * zk + 2 * t * (1 - t) * zc + t * t * zs,
    ]);
    return { x, points, chine: null };
  });
}
