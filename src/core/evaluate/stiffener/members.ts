import { KeramosError } from '../../error';
import { memberGeometry, type BoatShape, type MemberGeometry, type Support } from '../../geometry';
import { type Boat, shapeOf, supportsOf } from '../../document';
import { gluePerMetre } from './gluePerMetre';
import { sectionProperties } from './sectionProperties';

/** The shape of every member, kept while what it depends on stays. */
const placed = new WeakMap<Boat['supports'], { key: unknown[]; members: Map<string, MemberGeometry | null> }>();
function placesOf(boat: Boat, shape: BoatShape): Map<string, MemberGeometry | null> {
  const regions = JSON.stringify(boat.parts.map((part) => part.zones.map(({ id, region }) => [id, region])));
  const key = [boat.hull, boat.deck, boat.brief, regions];
  const known = placed.get(boat.supports);
  if (known && known.key.every((value, i) => value === key[i])) return known.members;
  const supports = supportsOf(boat);
  const zones = new Map(boat.parts.flatMap((part) => part.zones.map((zone) => [zone.id, zone.region])));
  const members = new Map(
    boat.supports.map((support) => [
      support.id,
      memberGeometry(shape, supports, support, (id) => zones.get(id) ?? null),
    ]),
  );
  placed.set(boat.supports, { key, members });
  return members;
}

/** Where every support of the boat runs, by its id; null for one that is nowhere on it. Empty without a hull shape. */
export function membersOf(boat: Boat): ReadonlyMap<string, MemberGeometry | null> {
  const shape = shapeOf(boat);
  return shape ? placesOf(boat, shape) : new Map();
}

/** What a stiffener weighs by what it is made of (kg), and its centre (m). */
export interface StiffenerMass {
  support: Support;
  mass: number;
  fibre: number;
  resin: number;
  core: number;
  glue: number;
  centreX: number;
  centreZ: number;
}

/** Mass of every stiffener with a section. */
export function stiffenerMasses(boat: Boat): StiffenerMass[] {
  if (boat.sections.length === 0 || !boat.supports.some(({ section }) => section !== null)) return [];
  const places = membersOf(boat);
  return boat.supports.flatMap((support) => {
    const section = boat.sections.find(({ id }) => id === support.section);
    const geometry = places.get(support.id);
    if (!section || !geometry) return [];
    try {
      const { length, centre } = geometry;
      const { mass, fibre, resin, core } = sectionProperties(boat, section);
      const glue = gluePerMetre(boat, support, section);
      return [
        {
          support,
          mass: length * (mass + glue),
          fibre: length * fibre,
          resin: length * resin,
          core: length * core,
          glue: length * glue,
          centreX: centre[0],
          centreZ: centre[2],
        },
      ];
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      return [];
    }
  });
}
