import type { Boat } from '../document';
import type { Point } from '../geometry';
import { ZONE_LOCATIONS, type ZoneLocation } from '../standard';

/** A film over places of the boat: its mass (kg), area (m²) and centre (m). */
export interface Covering {
  mass: number;
  area: number;
  centre: Point;
}

/**
 * What a film weighs over every zone of some locations: area × dry thickness × density, at the middle of what it lies
 * on. @returns null where nothing of the boat lies there.
 * @example paintOver(boat, ['bottom'], { thickness: 0.0003, density: 1500 })?.mass // kg of antifouling
 */
export function paintOver(
  boat: Boat,
  locations: readonly ZoneLocation[],
  { thickness, density }: { thickness: number; density: number },
): Covering | null {
  const zones = boat.parts.flatMap((part) =>
    part.zones
      .filter(({ location }) => locations.includes(location))
      .map(({ geometry }) => ({ area: geometry.area * part.number, x: geometry.centroidX, z: geometry.centroidZ })),
  );
  const area = zones.reduce((sum, zone) => sum + zone.area, 0);
  if (!(area > 0)) return null;
  const mean = (pick: 'x' | 'z') => zones.reduce((sum, zone) => sum + zone.area * zone[pick], 0) / area;
  return { mass: area * thickness * density, area, centre: [mean('x'), 0, mean('z')] };
}

/** Locations that a boat has zones of, in the order of the pack. */
export const locationsOf = (boat: Boat): ZoneLocation[] => {
  const there = new Set(boat.parts.flatMap(({ zones }) => zones.map(({ location }) => location)));
  return (Object.keys(ZONE_LOCATIONS) as ZoneLocation[]).filter((location) => there.has(location));
};

/** A bead of adhesive or a fillet: section × length × density (kg). */
export const beadMass = (length: number, section: number, density: number): number => length * section * density;
