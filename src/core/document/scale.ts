import { parseOrThrow } from '../error';
import type { HullEdge, HullShape, Region, Support } from '../geometry';
import { boatSchema, type Boat, type Part, type Zone } from './boat';
import { BRIEF_NUMBERS, type Brief, type BriefNumber } from './brief';
import { checkBoat } from './check';
import { settleGeometry } from './settleGeometry';

/** Particulars of a boat that is made from another; what is not given follows from what is. */
export type NewParticulars = Partial<
  Pick<
    Brief,
    | 'hullLength'
    | 'waterlineLength'
    | 'maximumBeam'
    | 'chineBeam'
    | 'deadriseDeg'
    | 'loadedMass'
    | 'maxSpeedKnots'
    | 'weightTarget'
    | 'designCategory'
  >
>;

const rounded = (value: number, digits: number) => Number(value.toFixed(digits));
const inRange = (key: BriefNumber, value: number) => {
  const { minimum, maximum } = BRIEF_NUMBERS[key];
  return Math.min(maximum, Math.max(minimum, value));
};

/**
 * The brief of a boat of other particulars: lengths along go with the length, breadths with the beam, the mass with the
 * volume, the speed with the root of the length (equal Froude number), the target with the mass.
 *
 * @param given what is known of the new boat (m, kg, kn, degrees); the rest follows.
 * @example scaledBrief(boat.brief, { hullLength: 2 * boat.brief.hullLength }).loadedMass // 8 times, if the beam is
 * left to follow
 */
export function scaledBrief(brief: Brief, given: NewParticulars): Brief {
  const along = (given.hullLength ?? brief.hullLength) / brief.hullLength;
  // A longer boat is broader too, though not as much.
  const maximumBeam = given.maximumBeam ?? rounded(inRange('maximumBeam', brief.maximumBeam * along), 2);
  const across = maximumBeam / brief.maximumBeam;
  const volume = along * across * Math.sqrt(along * across);
  const loadedMass = given.loadedMass ?? rounded(inRange('loadedMass', brief.loadedMass * volume), 0);
  const known = Object.fromEntries(Object.entries(given).filter(([, value]) => value !== undefined)) as NewParticulars;
  const follows: Brief = {
    ...brief,
    waterlineLength: rounded(inRange('waterlineLength', brief.waterlineLength * along), 2),
    maximumBeam,
    chineBeam: rounded(inRange('chineBeam', brief.chineBeam * across), 2),
    loadedMass,
    maxSpeedKnots: rounded(inRange('maxSpeedKnots', brief.maxSpeedKnots * Math.sqrt(along)), 1),
    weightTarget: rounded(inRange('weightTarget', (brief.weightTarget * loadedMass) / brief.loadedMass), 0),
  };
  return {
    ...follows,
    targets: scaledTargets(brief, { ...follows, ...known }),
    ...known,
  };
}

/** What the boat is to come to as a whole: mass, cost and hours go with her mass, heights with her depth. */
function scaledTargets(from: Brief, to: Brief): Brief['targets'] {
  const { displacement, centreHeight, trimDeg, cost, hours } = from.targets;
  const mass = to.loadedMass / from.loadedMass;
  const whole = (value: number | null) => (value === null ? null : Math.max(10, rounded(value * mass, 0)));
  return {
    displacement: displacement === null ? null : Math.min(200_000, whole(displacement)!),
    centreHeight: centreHeight === null ? null : rounded(centreHeight * ratiosOf(from, to).up, 3),
    trimDeg,
    cost: whole(cost),
    hours: whole(hours),
  };
}

/** How much longer, broader and deeper one boat is than another. */
export interface Ratios {
  along: number;
  across: number;
  up: number;
}

/** Of two boats, by their lengths and beams; depths go with the mean of both. */
export function ratiosOf(from: Brief, to: Brief): Ratios {
  const [along, across] = [to.hullLength / from.hullLength, to.maximumBeam / from.maximumBeam];
  return { along, across, up: Math.sqrt(along * across) };
}

function scaledHull(hull: HullShape, { along, across, up }: Ratios): HullShape {
  if (hull.source === 'particulars')
    return {
      ...hull,
      draft: hull.draft * up,
      transomBeam: hull.transomBeam * across,
      transomImmersion: hull.transomImmersion * up,
      freeboardAft: hull.freeboardAft * up,
      freeboardMid: hull.freeboardMid * up,
      freeboardFore: hull.freeboardFore * up,
    };
  return {
    ...hull,
    waterline: hull.waterline * up,
    stations: hull.stations.map((station) => ({
      ...station,
      x: station.x * along,
      points: station.points.map(([y, z]): [number, number] => [y * across, z * up]),
    })),
  };
}

function scaledDeck(deck: Boat['deck'], { along, across, up }: Ratios): Boat['deck'] {
  const opening = <T extends { from: number; to: number; halfBreadthAft: number; halfBreadthFore: number }>(
    one: T,
  ): T => ({
    ...one,
    from: one.from * along,
    to: one.to * along,
    halfBreadthAft: one.halfBreadthAft * across,
    halfBreadthFore: one.halfBreadthFore * across,
  });
  const { cockpit, coachroof } = deck;
  return {
    camber: deck.camber * across,
    cockpit: cockpit && { ...opening(cockpit), soleHeight: cockpit.soleHeight * up },
    coachroof: coachroof && { ...opening(coachroof), height: coachroof.height * up },
  };
}

function scaledEdge(edge: HullEdge, { across, up }: Ratios): HullEdge {
  if (edge.kind === 'girth') return { ...edge, distance: edge.distance * across };
  return edge.kind === 'height' ? { ...edge, height: edge.height * up } : edge;
}

function scaledRegion(region: Region, ratios: Ratios): Region {
  const { along, across, up } = ratios;
  switch (region.surface) {
    case 'hull':
      return {
        ...region,
        from: region.from * along,
        to: region.to * along,
        lower: scaledEdge(region.lower, ratios),
        upper: scaledEdge(region.upper, ratios),
      };
    case 'section':
      return { ...region, x: region.x * along, top: region.top === null ? null : region.top * up };
    case 'deck':
      return { ...region, from: region.from * along, to: region.to * along };
    case 'pan':
      return {
        ...region,
        from: region.from * along,
        to: region.to * along,
        halfBreadthAft: region.halfBreadthAft * across,
        halfBreadthFore: region.halfBreadthFore * across,
        height: region.height * up,
      };
    case 'rectangle':
      return {
        ...region,
        x: region.x * along,
        y: region.y * across,
        height: region.height * up,
        length: region.length * along,
        breadth: region.breadth * across,
      };
    default:
      return region;
  }
}

/** A zone where it lies on a boat of another size, the figures that nothing else gives at that size. */
function scaledZone(zone: Zone, ratios: Ratios): Zone {
  const { along, across, up } = ratios;
  const { geometry } = zone;
  const taller = (height: number | null) => (height === null ? null : height * up);
  return {
    ...zone,
    region: zone.region && scaledRegion(zone.region, ratios),
    geometry: {
      ...placed(geometry, ratios),
      area: geometry.area * along * across,
      panelLength: geometry.panelLength * along,
      panelBreadth: geometry.panelBreadth * across,
      crown: geometry.crown * across,
      edgeHeight: taller(geometry.edgeHeight),
      centreHeight: taller(geometry.centreHeight),
      head: taller(geometry.head),
    },
  };
}

const placed = (geometry: Zone['geometry'], { along, up }: Ratios): Zone['geometry'] => ({
  ...geometry,
  centroidX: geometry.centroidX * along,
  centroidZ: geometry.centroidZ * up,
  panelX: geometry.panelX * along,
});

/** A zone of a small part: it lies where it did in proportion, and keeps its size. */
function movedZone(zone: Zone, ratios: Ratios): Zone {
  const { region } = zone;
  const geometry = placed(zone.geometry, ratios);
  if (region?.surface !== 'rectangle') return { ...zone, geometry };
  const { length, breadth } = region;
  return { ...zone, geometry, region: { ...scaledRegion(region, ratios), ...{ length, breadth } } };
}

/** A part on a boat of another size; a small part, such as a lid, keeps its own. */
export const scaledPart = (part: Part, ratios: Ratios): Part => ({
  ...part,
  zones: part.zones.map((zone) => (part.kind === 'small' ? movedZone(zone, ratios) : scaledZone(zone, ratios))),
});

function scaledSupport(support: Support, { along, across }: Ratios): Support {
  const loadAt = 'loadAt' in support && support.loadAt !== null ? support.loadAt * along : null;
  switch (support.kind) {
    case 'frame':
    case 'beam':
      return { ...support, x: support.x * along };
    case 'stringer':
      return { ...support, loadAt, from: support.from * along, to: support.to * along };
    case 'girder':
      return { ...support, loadAt, y: support.y * across, from: support.from * along, to: support.to * along };
    default:
      return support;
  }
}

/**
 * A boat of other particulars: hull, deck, zones, supports and the places of its details go along, across and up with
 * them, small parts but for their size; layers, sections, loads and fittings stay as they are, for they are to be
 * found anew.
 *
 * @param given particulars of the new boat (m, kg, kn, degrees); what is not given follows.
 * @throws KeramosError `invalid` when the particulars contradict each other, or a zone would lie off the boat.
 * @example scaleBoat(launch, { hullLength: 9.2, maximumBeam: 3 })
 */
export function scaleBoat(boat: Boat, given: NewParticulars): Boat {
  const brief = scaledBrief(boat.brief, given);
  const ratios = ratiosOf(boat.brief, brief);
  const { along, across } = ratios;
  const same = [along, across, ratios.up].every((ratio) => Math.abs(ratio - 1) < 1e-9);
  const scaled: Boat = {
    ...boat,
    brief,
    hull: boat.hull && scaledHull(boat.hull, ratios),
    deck: scaledDeck(boat.deck, ratios),
    supports: boat.supports.map((support) => scaledSupport(support, ratios)),
    parts: boat.parts.map((part) => scaledPart(part, ratios)),
    details: boat.details.map((detail) => ({ ...detail, x: detail.x * along, y: detail.y * across })),
    items: boat.items.map((item) => ({ ...item, x: item.x * along, y: item.y * across, z: item.z * ratios.up })),
    spaces: boat.spaces.map((space) => ({
      ...space,
      from: space.from * along,
      to: space.to * along,
      bottom: space.bottom * ratios.up,
      top: space.top * ratios.up,
      inner: space.inner * across,
      outer: space.outer === null ? null : space.outer * across,
    })),
    // What was drawn over pieces of other measures is drawn anew.
    pieceDrawings: boat.pieceDrawings.filter(({ piece }) => same || piece === null),
    jointPlacings: same ? boat.jointPlacings : [],
    plugs: boat.plugs.map((plug) => ({
      ...plug,
      from: plug.from * along,
      to: plug.to * along,
      floor: plug.floor * ratios.up,
      level: plug.level * ratios.up,
    })),
    // Lines on a skin of other measures are drawn anew.
    fillPlans: same ? boat.fillPlans : boat.fillPlans.map((plan) => ({ ...plan, lines: [] })),
  };
  const read = parseOrThrow(boatSchema, scaled, 'boat');
  const settled = read.hull ? settleGeometry({ ...read, hull: null }, read) : read;
  checkBoat(settled);
  return settled;
}
