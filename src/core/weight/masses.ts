import type { DetailEvaluation } from '../detail/kinds';
import {
  ITEM_STATES,
  itemKindOf,
  shapeOf,
  type Boat,
  type Condition,
  type Item,
  type Part,
  type Space,
  type Stage,
  type Zone,
} from '../document';
import type { LaidLayer, ZoneEvaluation } from '../evaluate';
import { filledBy, solid, spaceBody, type Slice } from '../float';
import { regionPatch, type BoatShape, type Patch, type Point } from '../geometry';
import { PROCESSES } from '../material';
import { boatWeight, DETAILS, LAPS, STIFFENERS } from './boatWeight';
import { coreBonding } from './coreBonding';
import type { Vector } from './rollUpMasses';

/** What makes a mass uncertain, one standard deviation each (kg); the first three are off alike all over the boat. */
export interface MassScatter {
  fibre: number;
  core: number;
  film: number;
  own: number;
}

/** One thing that weighs, wherever it comes from. kg, m, kg·m². */
export interface Mass {
  id: string;
  name: string;
  /** What it belongs to: a part, the stiffeners, the details, the items of a kind. */
  group: string;
  groupName: string;
  of: 'zone' | 'laps' | 'stiffener' | 'detail' | 'bonding' | 'item' | 'contents' | 'foam';
  mass: number;
  centre: Vector;
  inertia: Vector;
  scatter: MassScatter;
  stage: Stage;
  aboard: Readonly<Record<Condition, number>>;
  /** Water it displaces when it is under (m³), and the places it is spread over. */
  volume: number;
  places: readonly Point[];
  /** Where a share of it is aboard, its centre may lie elsewhere: a tank half full. */
  centreAt?: (share: number) => Vector;
}

const ALWAYS = { light: 1, half: 1, full: 1 } as const;
/** Standard deviations where nothing else is known: density of cores, thickness of films, measured areas. */
export const USUAL_SCATTER = { core: 0.05, film: 0.2, area: 0.02, detail: 0.1, bonding: 0.25 } as const;
const NO_SCATTER: MassScatter = { fibre: 0, core: 0, film: 0, own: 0 };
/** Densities by which small pieces of unknown thickness displace water, the cautious way: laminate, core or wood. */
const LAMINATE = 1700;
const DENSE_CORE = 500;
const HEAVIEST_WATER = 1030;
const HONEYCOMB_WALLS = 1200;

/** What a layer displaces for each m² (m): its thickness, but a honeycomb only what its walls are made of. */
const displacing = ({ material, thickness, coreMass }: LaidLayer) =>
  material.kind === 'core' && material.behaviour === 'honeycomb' ? coreMass / HONEYCOMB_WALLS : thickness;

/** How far the mass of a layer is off when the fibre fraction is: dm/dψ = fibre/ψ², resin being what it is. */
const byFibreFraction = ({ fibreMass, resinMass, material }: LaidLayer, scatter: number) => {
  const whole = fibreMass + resinMass;
  return material.kind === 'fabric' && fibreMass > 0 ? ((whole * whole) / fibreMass) * scatter : 0;
};

/** Places spread over a patch, each for an even share of u and v, both hands where there are two. */
const [ALONG, ACROSS] = [8, 5];
function placesOn(patch: Patch, hand: Zone['hand'], region: Zone['region']): { at: Point; area: number }[] {
  const places = Array.from({ length: ALONG * ACROSS }, (_, k) => {
    const [i, j] = [k % ALONG, Math.floor(k / ALONG)];
    const corner = (di: number, dj: number) => patch.at((i + di) / ALONG, (j + dj) / ACROSS);
    const [a, b, c, d] = [corner(0, 0), corner(1, 0), corner(1, 1), corner(0, 1)];
    const [p, q] = [0, 1].map((s) => [0, 1, 2].map((k) => (s === 0 ? c[k]! - a[k]! : d[k]! - b[k]!))) as [
      number[],
      number[],
    ];
    const cross = [p[1]! * q[2]! - p[2]! * q[1]!, p[2]! * q[0]! - p[0]! * q[2]!, p[0]! * q[1]! - p[1]! * q[0]!];
    return { at: corner(0.5, 0.5), area: 0.5 * Math.hypot(...cross) };
  });
  const mirrored = ({ at: [x, y, z], area }: (typeof places)[number]) => ({ at: [x, -y, z] as Point, area });
  if (hand === 'port') return places.map(mirrored);
  const twice = hand === 'both' && (patch.count === 2 || (region?.surface === 'rectangle' && region.count > 1));
  return twice ? [...places, ...places.map(mirrored)] : places;
}

type Places = ReturnType<typeof placesOn>;
const spread = new WeakMap<object, { hull: object; deck: object; hand: Zone['hand']; places: Places }>();
/** The same, remembered with the region as long as the shape stands. */
function placesOf({ hull, deck }: BoatShape, { region, hand }: Zone, patch: Patch): Places {
  const known = spread.get(region!);
  if (known && known.hull === hull && known.deck === deck && known.hand === hand) return known.places;
  const places = placesOn(patch, hand, region);
  spread.set(region!, { hull, deck, hand, places });
  return places;
}

/** Inertia of a mass spread over places, about their middle, and the middle across the boat. */
function spreadOf(mass: number, places: readonly { at: Point; area: number }[]): { inertia: Vector; y: number } {
  const whole = places.reduce((sum, { area }) => sum + area, 0);
  if (!(whole > 0)) return { inertia: [0, 0, 0], y: 0 };
  const mean = [0, 1, 2].map((k) => places.reduce((sum, { at, area }) => sum + area * at[k]!, 0) / whole);
  const square = [0, 1, 2].map(
    (k) => (mass * places.reduce((sum, { at, area }) => sum + area * (at[k]! - mean[k]!) ** 2, 0)) / whole,
  );
  const [x, y, z] = square as [number, number, number];
  return { inertia: [y + z, x + z, x + y], y: mean[1]! };
}

const sideOf = (hand: Zone['hand'] | undefined) => {
  if (hand === 'port') return -1;
  return hand === 'starboard' ? 1 : 0;
};

function zoneMasses(boat: Boat, shape: BoatShape | null, evaluations: ReadonlyMap<string, ZoneEvaluation>): Mass[] {
  const { scatter } = PROCESSES[boat.brief.process];
  const weight = boatWeight(boat, evaluations, []);
  const zonesOf = new Map(boat.parts.map((part): [string, Part] => [part.id, part]));
  return weight.parts.flatMap((group) => {
    const part = zonesOf.get(group.partId);
    return group.zones.flatMap((own): Mass[] => {
      const zone = part?.zones.find(({ id }) => id === own.zoneId);
      const common = { id: own.zoneId, name: own.name, group: group.partId, groupName: group.name, mass: own.mass };
      const rest = { stage: 'bare' as Stage, aboard: ALWAYS };
      if (!zone) {
        const laps = own.zoneId.endsWith(`-${LAPS}`);
        const fibre = own.fibre > 0 ? ((own.fibre + own.resin) ** 2 / own.fibre) * scatter : 0;
        const film = USUAL_SCATTER.film * own.coating;
        return [
          {
            ...common,
            ...rest,
            of: laps ? 'laps' : 'stiffener',
            stage: laps ? 'bare' : 'bonded',
            centre: [own.centreX, 0, own.centreZ],
            inertia: [0, 0, 0],
            scatter: { fibre, core: USUAL_SCATTER.core * own.core, film, own: USUAL_SCATTER.area * own.mass },
            volume: (own.fibre + own.resin) / LAMINATE + own.core / DENSE_CORE,
            places: [],
          },
        ];
      }
      const { layers } = evaluations.get(zone.id)!;
      const area = zone.geometry.area * part!.number;
      const patch = shape && zone.region && regionPatch(shape, zone.region);
      const places = patch ? placesOf(shape, zone, patch) : [];
      const { inertia, y } = spreadOf(own.mass, places);
      const fibre = area * layers.reduce((sum, layer) => sum + byFibreFraction(layer, scatter), 0);
      return [
        {
          ...common,
          ...rest,
          of: 'zone',
          centre: [own.centreX, y, own.centreZ],
          inertia,
          scatter: {
            fibre,
            core: USUAL_SCATTER.core * own.core,
            film: USUAL_SCATTER.film * own.coating,
            own: USUAL_SCATTER.area * own.mass,
          },
          volume: area * layers.reduce((sum, layer) => sum + displacing(layer), 0),
          places: places.map(({ at }) => at),
        },
      ];
    });
  });
}

function detailMasses(boat: Boat, details: readonly DetailEvaluation[]): Mass[] {
  return details.flatMap(({ detail, mass, total, problem }): Mass[] => {
    const zone = boat.parts.flatMap((part) => part.zones).find(({ id }) => id === detail.zone);
    if (problem !== null || !zone || Math.abs(total) < 1e-9) return [];
    const laid = Math.max(0, mass.fibre + mass.resin);
    return [
      {
        id: detail.id,
        name: detail.name,
        group: DETAILS,
        groupName: 'Details',
        of: 'detail',
        mass: total,
        centre: [detail.x, sideOf(zone.hand) * Math.abs(detail.y), zone.geometry.centroidZ],
        inertia: [0, 0, 0],
        scatter: { ...NO_SCATTER, own: USUAL_SCATTER.detail * Math.abs(total) },
        stage: 'bonded',
        aboard: ALWAYS,
        volume: laid / LAMINATE + Math.max(0, mass.core) / DENSE_CORE + Math.max(0, mass.other) / 7800,
        places: [],
      },
    ];
  });
}

/** An item as a mass; what is usual for its kind fills in what it does not say. */
function itemMass(item: Item): Mass {
  const kind = itemKindOf(item.kind);
  const mass = item.mass * item.number;
  const along = (mass * item.length ** 2) / 12;
  return {
    id: item.id,
    name: item.number === 1 ? item.name : `${item.name}, ${item.number} off`,
    group: `items-${item.kind}`,
    groupName: kind.name,
    of: 'item',
    mass,
    centre: [item.x, item.y, item.z],
    inertia: [0, along, along],
    scatter: { ...NO_SCATTER, own: mass * (item.scatter ?? ITEM_STATES[item.state].scatter) },
    stage: kind.stage,
    aboard: kind.aboard,
    // People are counted as carried: nothing of them lifts the boat.
    volume: item.kind === 'people' ? 0 : mass / (item.density ?? kind.density),
    places: [],
  };
}

/** Bodies of the spaces, remembered with shape and space. */
const bodies = new WeakMap<Space, { shape: BoatShape['hull']; deck: BoatShape['deck']; body: Slice[] }>();
/** A space of the boat as a body. */
export function bodyOfSpace(shape: BoatShape, space: Space): Slice[] {
  const known = bodies.get(space);
  if (known && known.shape === shape.hull && known.deck === shape.deck) return known.body;
  const body = spaceBody(shape, { ...space, gap: space.kind === 'tank' ? space.gap : 0 });
  bodies.set(space, { shape: shape.hull, deck: shape.deck, body });
  return body;
}

function spaceMasses(boat: Boat, shape: BoatShape | null): Mass[] {
  return boat.spaces.flatMap((space): Mass[] => {
    if (space.kind === 'compartment') return [];
    const body = shape ? bodyOfSpace(shape, space) : [];
    const whole = solid(body);
    if (!whole) return [];
    const common = { id: space.id, name: space.name, centre: whole.centre, inertia: [0, 0, 0] as Vector, places: [] };
    if (space.kind === 'foam') {
      const mass = whole.volume * space.filled * space.density;
      const scatter = { ...NO_SCATTER, own: 0.1 * mass };
      const group = { group: 'items-foam', groupName: 'Buoyancy foam', of: 'foam' as const };
      // What it lifts is reckoned with its own shape.
      return [{ ...common, ...group, mass, scatter, stage: 'bonded', aboard: ALWAYS, volume: 0 }];
    }
    const mass = whole.volume * space.density;
    const { aboard, stage } = itemKindOf('contents');
    return [
      {
        ...common,
        group: 'items-contents',
        groupName: itemKindOf('contents').name,
        of: 'contents',
        mass,
        scatter: { ...NO_SCATTER, own: 0.02 * mass },
        stage,
        aboard,
        // What may run out lifts no more than it weighs.
        volume: whole.volume * Math.min(1, space.density / HEAVIEST_WATER),
        centreAt: (share) => filledBy(body, share)?.centre ?? whole.centre,
      },
    ];
  });
}

/**
 * Everything that weighs in a boat, with place, scatter and the stage at which it comes aboard: laminate by zone,
 * overlaps, stiffeners, details, bonding of cores, items, contents of integral tanks, buoyancy foam.
 *
 * @param evaluations of every zone by id. @param details what the boat's details come to.
 * Source: docs/engineering.md, "Weight, centre and floating".
 */
export function massesOf(
  boat: Boat,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
  details: readonly DetailEvaluation[],
): Mass[] {
  const shape = shapeOf(boat);
  const bonding = coreBonding(boat, evaluations).map(({ partId, name, mass, centre }): Mass => ({
    id: `${partId}-core-bonding`,
    name: 'Core bonding and kerfs',
    group: partId,
    groupName: name,
    of: 'bonding',
    mass,
    centre,
    inertia: [0, 0, 0],
    scatter: { ...NO_SCATTER, own: USUAL_SCATTER.bonding * mass },
    stage: 'bare',
    aboard: ALWAYS,
    volume: mass / 1200,
    places: [],
  }));
  const laid = zoneMasses(boat, shape, evaluations);
  const inTurn = (of: Mass['of'][]) => laid.filter((mass) => of.includes(mass.of));
  const parts = boat.parts.flatMap(({ id }) => [
    ...inTurn(['zone', 'laps']).filter(({ group }) => group === id),
    ...bonding.filter(({ group }) => group === id),
  ]);
  return [
    ...parts,
    ...inTurn(['stiffener']),
    ...detailMasses(boat, details),
    ...boat.items.map(itemMass),
    ...spaceMasses(boat, shape),
  ];
}
export { STIFFENERS };
