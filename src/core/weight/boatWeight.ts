import { stiffenerMasses, type Boat, type ZoneEvaluation } from '../schedule';
import { rollUp, type MassItem } from './rollUp';

/** Mass of one zone by what it is made of (kg), with its centroid (m). */
export interface ZoneMass extends MassItem {
  zoneId: string;
  name: string;
  fibre: number;
  resin: number;
  core: number;
  coating: number;
}

export interface PartMass {
  partId: string;
  name: string;
  zones: ZoneMass[];
  mass: number;
  centreX: number | null;
  centreZ: number | null;
}

export interface BoatWeight {
  parts: PartMass[];
  mass: number;
  centreX: number | null;
  centreZ: number | null;
  target: number;
  /** Mass over target, kg; negative is in hand. */
  over: number;
  /** The same as a share of the target. */
  overShare: number;
}

/** Identity of the frames, stringers and beams among the parts. */
export const STIFFENERS = 'stiffeners';

/**
 * Planned laminate mass of a boat by part and zone, against its target, with the centre of gravity from the zone centroids.
 *
 * Counts plies, core with the resin it takes up, coatings, and stiffeners that have a section. Overlaps at zone edges, bonding and fittings are not in it.
 *
 * @param evaluations of every zone by id.
 * @example boatWeight(boat, evaluate(boat)).overShare // 0.03
 */
export function boatWeight(boat: Boat, evaluations: ReadonlyMap<string, ZoneEvaluation>): BoatWeight {
  const parts = boat.parts.map((part): PartMass => {
    const zones = part.zones.map((zone): ZoneMass => {
      const { layers } = evaluations.get(zone.id)!;
      const { area, centroidX, centroidZ } = zone.geometry;
      const sum = (pick: (layer: (typeof layers)[number]) => number) => area * layers.reduce((total, layer) => total + pick(layer), 0);
      const [fibre, resin, core, coating] = [sum((l) => l.fibreMass + l.bindingMass), sum((l) => l.resinMass), sum((l) => l.coreMass), sum((l) => l.coatingMass)];
      return { zoneId: zone.id, name: zone.name, fibre, resin, core, coating, mass: fibre + resin + core + coating, centreX: centroidX, centreZ: centroidZ };
    });
    return { partId: part.id, name: part.name, zones, ...rollUp(zones) };
  });
  const members = stiffenerMasses(boat).map(({ support, mass, fibre, resin, core, centreX, centreZ }): ZoneMass => ({
    zoneId: support.id,
    name: support.name,
    fibre,
    resin,
    core,
    coating: 0,
    mass,
    centreX,
    centreZ,
  }));
  if (members.length > 0) parts.push({ partId: STIFFENERS, name: 'Stiffeners', zones: members, ...rollUp(members) });
  const total = rollUp(parts.flatMap((part) => part.zones));
  const target = boat.brief.weightTarget;
  return { parts, ...total, target, over: total.mass - target, overShare: (total.mass - target) / target };
}
