import type { Boat, Join, Part } from './boat';

/** The lines of a part without what names zones or layers that are gone; the same array when nothing does. */
export function mendedJoins({ joins, zones, layers }: Pick<Part, 'joins' | 'zones' | 'layers'>): Join[] {
  const zoneIds = new Set(zones.map(({ id }) => id));
  const layerIds = new Set(layers.map(({ id }) => id));
  let touched = false;
  const mended = joins.flatMap((join) => {
    if (!zoneIds.has(join.a) || !zoneIds.has(join.b)) {
      touched = true;
      return [];
    }
    const laps = join.laps.filter(({ layer }) => layerIds.has(layer));
    const ends = join.ends.filter(({ layer }) => layerIds.has(layer));
    if (laps.length === join.laps.length && ends.length === join.ends.length) return [join];
    touched = true;
    return [{ ...join, laps, ends }];
  });
  return touched ? mended : joins;
}

/** Layers of a part that lie in a group which is gone. */
export const lostGroupMembers = ({ groups, layers }: Pick<Part, 'groups' | 'layers'>): string[] => {
  const known = new Set(groups.map(({ id }) => id));
  return layers.filter(({ group }) => group !== null && !known.has(group)).map(({ id }) => id);
};

function mendPart(part: Part, references: ReadonlySet<string>): Part {
  const lost = new Set(lostGroupMembers(part));
  const known = (id: string | null) => (id !== null && references.has(id) ? id : null);
  return {
    ...part,
    zones: part.zones.map((zone) => ({ ...zone, match: known(zone.match), specified: known(zone.specified) })),
    layers: part.layers.map((layer) => (lost.has(layer.id) ? { ...layer, group: null } : layer)),
    joins: mendedJoins(part),
  };
}

/**
 * A boat of an earlier version with its loose ends tied: versions before 6 let edits leave details on zones that were
 * gone, layers in unknown groups and lines between nothing. What named something that is not there names nothing now.
 */
export function mendReferences(boat: Boat): Boat {
  const ids = (items: readonly { id: string }[]) => new Set(items.map(({ id }) => id));
  const zones = new Set(boat.parts.flatMap((part) => part.zones.map(({ id }) => id)));
  const [loads, supports, references] = [ids(boat.loads), ids(boat.supports), ids(boat.references)];
  return {
    ...boat,
    parts: boat.parts.map((part) => mendPart(part, references)),
    supports: boat.supports.filter((support) => support.kind !== 'rib' || zones.has(support.zone)),
    details: boat.details.map((detail) => ({
      ...detail,
      zone: zones.has(detail.zone) ? detail.zone : '',
      load: detail.load !== null && loads.has(detail.load) ? detail.load : null,
      ...(detail.kind === 'stiffenerEnd' && !supports.has(detail.support) ? { support: '' } : {}),
    })),
  };
}
