import type { Boat, Zone } from '../../document';
import { KINDS } from './kinds';
import type { Detail, DetailKind } from './schema';
import { startingMaterials, type Start } from './start';

/** A detail of a kind to begin with, on a zone, from what the boat's book has. Its figures are plausible, not right. */
export function newDetail(boat: Boat, kind: DetailKind, id: string, zone: Zone): Detail {
  const common = {
    id,
    name: 'New detail',
    zone: zone.id,
    load: boat.loads[0]?.id ?? null,
    x: zone.geometry.centroidX,
    y: 0,
    number: 1,
    note: '',
    proof: null,
  };
  const start = KINDS[kind].start as Start<DetailKind>;
  return { ...common, kind, ...start(startingMaterials(boat)) } as Detail;
}
