import { scaleLinear } from 'd3-scale';
import { deckPoint, mix, patchRim, regionPatch, shares, type BoatShape, type Patch, type Point } from '../geometry';
import { membersOf } from '../evaluate';
import type { Boat, Zone } from '../document';
import { lineThrough, ringThrough } from './lineThrough';

/** Of the drawing, in dots. */
export const WIDTH = 760;
const MARGIN = 26;
const PROFILE_HEIGHT = 238;
const HALF_PLAN_HEIGHT = 125;
const STATIONS = 48;
export const LABEL = 11;

/** A zone as it is seen from one side. */
export interface Area {
  zone: Zone;
  index: number;
  path: string;
  label: [number, number];
  width: number;
  height: number;
}

/** Seen from above, the hull shows below the centreline and the deck above it. */
const ABOVE = new Set(['deck', 'cockpit', 'coachroof', 'pan', 'rectangle']);

const ALONG_ROOF = 24;
/** The rim of a zone; of a roof its ridge and one edge, or from the side it would not close. */
function outline({ region }: Zone, patch: Patch): Point[] {
  if (region?.surface !== 'coachroof' || region.piece !== 'top') return patchRim(patch);
  const along = shares(ALONG_ROOF);
  return [...along.map((u) => patch.at(u, 0.5)), ...[...along].reverse().map((u) => patch.at(u, 1))];
}

function areasOf(
  boat: Boat,
  shape: BoatShape,
  project: (p: Point) => [number, number],
  wanted: (zone: Zone) => boolean,
): Area[] {
  return boat.parts
    .flatMap((part) => part.zones)
    .map((zone, index) => ({ zone, index }))
    .filter(({ zone }) => zone.region !== null && wanted(zone))
    .flatMap(({ zone, index }): Area[] => {
      const patch = regionPatch(shape, zone.region!);
      if (!patch) return [];
      const rim = outline(zone, patch).map(project);
      const [xs, ys] = [rim.map(([x]) => x), rim.map(([, y]) => y)];
      const middle = project(patch.at(0.5, 0.5));
      return [
        {
          zone,
          index,
          path: ringThrough(rim),
          label: middle,
          width: Math.max(...xs) - Math.min(...xs),
          height: Math.max(...ys) - Math.min(...ys),
        },
      ];
    });
}

/** Labels that fit where they belong, nudged apart where they would cover one another. */
export function labelsOf(areas: Area[]): { area: Area; x: number; y: number }[] {
  const placed: { x: number; y: number; half: number }[] = [];
  return areas.flatMap((area) => {
    const half = area.zone.name.length * 2.9;
    if (area.width < 14 || area.height < 9) return [];
    const at = { x: Math.min(WIDTH - half - 4, Math.max(half + 4, area.label[0])), y: area.label[1] + 4, half };
    for (
      let tries = 0;
      tries < 8 &&
      placed.some((other) => Math.abs(other.y - at.y) < LABEL && Math.abs(other.x - at.x) < other.half + half);
      tries++
    )
      at.y += LABEL;
    placed.push(at);
    return [{ area, x: at.x, y: at.y }];
  });
}

/**
 * What the profile and the plan of a boat consist of: scales from the boat to the drawing, lines, and the zones as
 * each is seen.
 *
 * @param chosen the zone that is chosen: liner pans are shown in the place of the deck while one of them is.
 */
export function boatDrawingModel(boat: Boat, shape: BoatShape, chosen: string | null) {
  const { hull, deck } = shape;
  // Liner pans lie under the deck.
  const inside = new Set(
    boat.parts.filter(({ kind }) => kind === 'liner').flatMap((part) => part.zones.map(({ id }) => id)),
  );
  const lookInside = chosen !== null && inside.has(chosen);
  const places = shares(STATIONS).map((t) => mix(hull.aft, hull.bow, t));
  const high = Math.max(...places.map((x) => deckPoint(hull, deck, x, 0)[2])) + (deck.coachroof?.height ?? 0) + 0.12;
  const low = Math.min(...places.map((x) => hull.at(x, 0)[2])) - 0.05;
  const beam = Math.max(...places.map((x) => hull.at(x, 2)[1]));
  const scale = Math.min(
    (WIDTH - 2 * MARGIN) / (hull.bow - hull.aft),
    PROFILE_HEIGHT / (high - low),
    HALF_PLAN_HEIGHT / beam,
  );
  const left = (WIDTH - scale * (hull.bow - hull.aft)) / 2;
  const X = scaleLinear([hull.aft, hull.bow], [left, WIDTH - left]);
  const base = 18 + high * scale;
  const Z = scaleLinear([0, 1], [base, base - scale]);
  const axis = Z(low) + 34 + beam * scale;
  const Y = scaleLinear([0, 1], [axis, axis - scale]);
  const rise = hull.at(hull.aft, 2)[2] - hull.at(hull.aft, 0)[2];
  const lean = Math.tan((hull.transomRakeDeg * Math.PI) / 180) * rise;
  return {
    X,
    Z,
    Y,
    axis,
    foot: Z(low),
    height: axis + beam * scale + 18,
    keel: lineThrough(places.map((x) => [X(x), Z(hull.at(x, 0)[2])])),
    chine: hull.hardChine ? lineThrough(places.map((x) => [X(x), Z(hull.at(x, 1)[2])])) : null,
    sheer: lineThrough(places.map((x) => [X(x), Z(hull.at(x, 2)[2])])),
    transom: lineThrough([
      [X(hull.aft), Z(hull.at(hull.aft, 0)[2])],
      [X(hull.aft - lean), Z(hull.at(hull.aft, 2)[2])],
      [X(hull.aft), Z(hull.at(hull.aft, 2)[2])],
    ]),
    planDeck: lineThrough(places.map((x) => [X(x), Y(hull.at(x, 2)[1])])),
    planHull: lineThrough(places.map((x) => [X(x), Y(-hull.at(x, 2)[1])])),
    planChine: hull.hardChine ? lineThrough(places.map((x) => [X(x), Y(-hull.at(x, 1)[1])])) : null,
    profile: areasOf(
      boat,
      shape,
      ([x, , z]) => [X(x), Z(z)],
      (zone) => zone.region!.surface === 'hull' || zone.region!.surface === 'coachroof',
    ),
    above: areasOf(
      boat,
      shape,
      ([x, y]) => [X(x), Y(y)],
      ({ id, region }) =>
        ABOVE.has(region!.surface) &&
        !(region!.surface === 'coachroof' && region!.piece !== 'top') &&
        inside.has(id) === lookInside,
    ),
    lookInside,
    below: areasOf(
      boat,
      shape,
      ([x, y]) => [X(x), Y(-y)],
      (zone) => zone.region!.surface === 'hull',
    ),
    members: boat.supports.flatMap((support) => {
      if (support.kind !== 'stringer' && support.kind !== 'girder') return [];
      const points = (membersOf(boat).get(support.id)?.spans ?? []).flatMap((span) => span.points);
      const onDeck = support.kind === 'girder';
      return [
        {
          id: support.id,
          profile: onDeck ? null : lineThrough(points.map(([x, , z]) => [X(x), Z(z)])),
          plan: lineThrough(points.map(([x, y]) => [X(x), Y(onDeck ? y : -y)])),
        },
      ];
    }),
  };
}
export type BoatDrawingModel = ReturnType<typeof boatDrawingModel>;
