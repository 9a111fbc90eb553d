import { linesOfPart } from '../lines';
import { stiffenerMasses, type LaidLayer, type ZoneEvaluation } from '../evaluate';
import type { Boat, Part } from '../document';
import type { DetailEvaluation } from '../detail/kinds';
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
export const LAPS = 'laps';
export const DETAILS = 'details';

/** What laps and layers run past their line add to a part, placed at the mean of the zones that meet there. */
function lapsOf(boat: Boat, part: Part, evaluations: ReadonlyMap<string, ZoneEvaluation>): ZoneMass {
  const none: ZoneMass = {
    zoneId: `${part.id}-${LAPS}`,
    name: 'Overlaps and run-outs',
    fibre: 0,
    resin: 0,
    core: 0,
    coating: 0,
    mass: 0,
    centreX: 0,
    centreZ: 0,
  };
  if (part.joins.length === 0) return none;
  const items = linesOfPart(boat, part, evaluations).flatMap(({ line, mass: ofOne, layers, join }) => {
    if (!ofOne) return [];
    const mass = ofOne * part.number;
    const length = part.number * (join.length ?? line.length ?? 0);
    const places = [line.a, line.b].map((id) => part.zones.find((zone) => zone.id === id)!.geometry);
    const sum = (pick: (laid: LaidLayer) => number) =>
      length * layers.reduce((total, { lap, past, laid }) => total + ((lap ?? 0) + past) * pick(laid), 0);
    const mean = (pick: (geometry: (typeof places)[number]) => number) => (pick(places[0]!) + pick(places[1]!)) / 2;
    return [
      {
        ...none,
        fibre: sum((l) => l.fibreMass + l.bindingMass),
        resin: sum((l) => l.resinMass),
        core: sum((l) => l.coreMass + l.woodMass),
        coating: sum((l) => l.coatingMass),
        mass,
        centreX: mean((g) => g.centroidX),
        centreZ: mean((g) => g.centroidZ),
      },
    ];
  });
  const total = (key: 'fibre' | 'resin' | 'core' | 'coating') => items.reduce((sum, item) => sum + item[key], 0);
  const { mass, centreX, centreZ } = rollUp(items);
  return {
    ...none,
    fibre: total('fibre'),
    resin: total('resin'),
    core: total('core'),
    coating: total('coating'),
    mass,
    centreX: centreX ?? 0,
    centreZ: centreZ ?? 0,
  };
}

/**
 * Planned laminate mass of a boat by part and zone, against its target, with the centre of gravity from the zone
 * centroids.
 *
 * Counts plies, core with the resin it takes up, coatings, stiffeners that have a section, and overlaps and run-outs
 * at lines whose length is known.
 * A part that is made several times is counted as often. The core's bevels are counted in full. Details bring their own
 * laminate, what replaces the core, and their metal and adhesive (with the coatings, as the glue of stiffeners is).
 *
 * @param evaluations of every zone by id.
 * @param ofDetails what the boat's details come to; given, so that a page which shows margins alone need not carry
 * them.
 * @example boatWeight(boat, evaluate(boat), evaluateDetails(boat)).overShare // 0.03
 */
export function boatWeight(
  boat: Boat,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
  ofDetails: readonly DetailEvaluation[],
): BoatWeight {
  const parts = boat.parts.map((part): PartMass => {
    const zones = part.zones.map((zone): ZoneMass => {
      const { layers } = evaluations.get(zone.id)!;
      const { centroidX, centroidZ } = zone.geometry;
      const area = zone.geometry.area * part.number;
      const sum = (pick: (layer: (typeof layers)[number]) => number) =>
        area * layers.reduce((total, layer) => total + pick(layer), 0);
      const [fibre, resin, core, coating] = [
        sum((l) => l.fibreMass + l.bindingMass),
        sum((l) => l.resinMass),
        sum((l) => l.coreMass + l.woodMass),
        sum((l) => l.coatingMass),
      ];
      return {
        zoneId: zone.id,
        name: zone.name,
        fibre,
        resin,
        core,
        coating,
        mass: fibre + resin + core + coating,
        centreX: centroidX,
        centreZ: centroidZ,
      };
    });
    const laps = lapsOf(boat, part, evaluations);
    const items = laps.mass > 0 ? [...zones, laps] : zones;
    return { partId: part.id, name: part.name, zones: items, ...rollUp(items) };
  });
  const members = stiffenerMasses(boat).map(({ support, glue, ...own }): ZoneMass => ({
    ...own,
    zoneId: support.id,
    name: support.name,
    coating: glue,
  }));
  if (members.length > 0) parts.push({ partId: STIFFENERS, name: 'Stiffeners', zones: members, ...rollUp(members) });
  const details = ofDetails.flatMap(({ detail, mass, total: kilograms, problem }): ZoneMass[] => {
    const zone = boat.parts.flatMap((part) => part.zones).find(({ id }) => id === detail.zone);
    if (problem !== null || !zone || Math.abs(kilograms) < 1e-9) return [];
    const { fibre, resin, core, other } = mass;
    return [
      {
        zoneId: detail.id,
        name: detail.name,
        fibre,
        resin,
        core,
        coating: other,
        mass: kilograms,
        centreX: detail.x,
        centreZ: zone.geometry.centroidZ,
      },
    ];
  });
  if (details.length > 0) parts.push({ partId: DETAILS, name: 'Details', zones: details, ...rollUp(details) });
  const total = rollUp(parts.flatMap((part) => part.zones));
  const target = boat.brief.weightTarget;
  return { parts, ...total, target, over: total.mass - target, overShare: (total.mass - target) / target };
}
