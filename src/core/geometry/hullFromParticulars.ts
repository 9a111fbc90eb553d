import { invalid } from '../error';
import type { DrawnHull, HullParticulars, Station } from './hullShape';
import { pchip } from './pchip';
import { mix, shares } from './point';

const STATIONS = 32;
const GIRTH = 16;
const radians = (degrees: number) => (degrees * Math.PI) / 180;

/**
 * Sections of a hull from its particulars alone: keel, chine (or the corner a round bilge is drawn into) and deck edge
 * as smooth lines, joined by straight panels or a quadratic curve.
 *
 * The waterline length fixes the stem at the waterline, rake and freeboard its head; what is left of the hull's
 * length is overhang aft.
 * Amidships (0.4 of the waterline from aft) chine beam, deadrise and maximum beam are met as given.
 *
 * @throws KeramosError `invalid` when rake and freeboard ask for more overhang forward than the lengths leave, or the
 * deadrise lifts the chine above the deck edge.
 * @example stationsFromParticulars(shapeFor(particulars, 'motor'), particulars).length // 33
 * Source: our own construction, docs/engineering.md, "Hull from particulars".
 */
export function stationsFromParticulars(
  shape: DrawnHull,
  { hullLength, waterlineLength: LWL, maximumBeam, chineBeam, deadriseDeg }: HullParticulars,
): Station[] {
  const { draft } = shape;
  const foreOverhang = shape.freeboardFore * Math.tan(radians(shape.stemRakeDeg));
  const aftOverhang = hullLength - LWL - foreOverhang;
  if (aftOverhang < -1e-6)
    throw invalid(
      'hull.stemRakeDeg',
      `A stem raked ${shape.stemRakeDeg}° reaches ${foreOverhang.toFixed(2)} m beyond the ` +
        `waterline, but the hull is only ${(hullLength - LWL).toFixed(2)} m longer than it: ` +
        'less rake, less freeboard forward, or a shorter waterline',
    );
  const [aft, bow] = [-Math.max(0, aftOverhang), LWL + foreOverhang];
  const middle = 0.4 * LWL;
  // A transom in the water ends the run where it is; one above it carries the run on, up and aft.
  const transomKeel = shape.transomImmersion > 0 ? draft - shape.transomImmersion : draft + 0.35 * -aft;
  const keelPoints: [number, number][] = [
    [aft, Math.max(0, transomKeel)],
    ...(aft < -0.02 * LWL ? [[0, Math.max(0, draft - shape.transomImmersion)] as [number, number]] : []),
    [0.45 * LWL, 0],
    [0.72 * LWL, 0.07 * draft],
    [0.9 * LWL, 0.38 * draft],
    [LWL, draft],
    [bow, draft + shape.freeboardFore],
  ];
  const keel = pchip(
    keelPoints.map(([x]) => x),
    keelPoints.map(([, z]) => z),
  );
  const sheer = pchip(
    [aft, middle, mix(middle, bow, 0.6), bow],
    [
      shape.freeboardAft,
      shape.freeboardMid,
      mix(shape.freeboardMid, shape.freeboardFore, 0.42),
      shape.freeboardFore,
    ].map((f) => draft + f),
  );
  const deadrise = pchip(
    [aft, middle, 0.75 * LWL, LWL],
    [shape.deadriseAftDeg, deadriseDeg, mix(deadriseDeg, shape.deadriseForeDeg, 0.5), shape.deadriseForeDeg],
  );

  const chineAt = (halfBreadth: number, x: number) => keel(x) + halfBreadth * Math.tan(radians(deadrise(x)));
  const middleHeight = sheer(middle) - chineAt(chineBeam / 2, middle);
  if (middleHeight <= 0.02)
    throw invalid(
      'hull.freeboardMid',
      `The chine stands ${(-middleHeight).toFixed(2)} m above the deck edge ` +
        'amidships: less deadrise or chine beam, or more freeboard',
    );
  const middleLean = (maximumBeam - chineBeam) / 2 / middleHeight;
  const lean = pchip([aft, middle, LWL], [middleLean, middleLean, Math.tan(radians(shape.flareDeg))]);
  const aftChine = Math.max(
    0.02,
    shape.transomBeam / 2 - middleLean * Math.max(0, sheer(aft) - chineAt((chineBeam / 2) * 0.9, aft)),
  );
  const chine = pchip(
    [aft, middle, 0.62 * LWL, 0.82 * LWL, LWL],
    [Math.min(aftChine, chineBeam / 2), chineBeam / 2, 0.475 * chineBeam, 0.32 * chineBeam, 0.05 * chineBeam],
  );

  return shares(STATIONS).map((share): Station => {
    // Closer together towards the stem, where everything turns.
    const x = mix(aft, bow, 1 - (1 - share) ** 1.25);
    const [zk, zs] = [keel(x), sheer(x)];
    const fade = x <= LWL ? 1 : Math.max(0, 1 - (x - LWL) / (bow - LWL));
    const yc = chine(x) * fade;
    const zc = Math.min(chineAt(yc, x), mix(zk, zs, 0.85));
    const ys = Math.max(yc + 1e-4, yc + (zs - zc) * lean(x));
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
