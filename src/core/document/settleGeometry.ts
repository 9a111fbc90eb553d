import { invalid } from '../error';
import type { ZoneGeometry } from '../geometry';
import type { Boat } from './boat';
import { groundOf, keepPanels, ratedPanels } from './panelsToCheck';
import { shapeOf, supportsOf } from './shape';
import { panelsIn } from './zonePanels';

const sameZones = (a: Boat, b: Boat) =>
  a.parts === b.parts ||
  (a.parts.length === b.parts.length && a.parts.every((part, i) => part.zones === b.parts[i]!.zones));

/**
 * The boat with the figures of its zones taken anew from its geometry, overrides kept, when something they depend on
 * changed.
 *
 * @throws KeramosError `invalid` when the new geometry leaves a zone without surface or contradicts the particulars.
 */
export function settleGeometry(before: Boat, after: Boat): Boat {
  const same =
    before.hull === after.hull &&
    before.deck === after.deck &&
    before.supports === after.supports &&
    before.brief === after.brief &&
    before.packs[0] === after.packs[0] &&
    sameZones(before, after);
  if (same) return after;
  const shape = shapeOf(after);
  if (shape === null) {
    const lying = after.parts.flatMap((part) => part.zones).find(({ region }) => region !== null);
    if (lying)
      throw invalid(
        'hull',
        `${lying.name} takes its figures from the hull: give the boat a hull shape first, or type its figures in`,
      );
    return after;
  }
  const supports = supportsOf(after);
  const ground = groundOf(after);
  const parts = after.parts.map((part) => {
    const zones = part.zones.map((zone) => {
      if (zone.region === null) return zone;
      const found = panelsIn({ shape, supports, boat: after }, zone, zone.region);
      const derived = found.panels[found.governing]!.geometry;
      const kept = Object.fromEntries(zone.overridden.map((key) => [key, zone.geometry[key]]));
      const geometry: ZoneGeometry = { ...derived, ...kept };
      const unchanged = (Object.keys(geometry) as (keyof ZoneGeometry)[]).every(
        (key) => geometry[key] === zone.geometry[key],
      );
      const settled = unchanged ? zone : { ...zone, geometry };
      keepPanels(ground, settled, ratedPanels(after, settled, found.panels));
      return settled;
    });
    return zones.every((zone, i) => zone === part.zones[i]) ? part : { ...part, zones };
  });
  return parts.every((part, i) => part === after.parts[i]) ? after : { ...after, parts };
}
