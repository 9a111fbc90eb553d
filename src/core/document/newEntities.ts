import type { Region, ZoneGeometry } from '../geometry';
import { isHead, type ZoneLocation } from '../standard';
import { partFields, type Box, type CurePlan, type FillPlan, type Layer, type Part, type Zone } from './boat';
import { laterFields } from './entity';

/** A zone to begin with: on a region of the boat, or with typed-in figures to be replaced by its own. */
export function newZone(
  id: string,
  name: string,
  location: ZoneLocation,
  { geometry = {}, region = null }: { geometry?: Partial<ZoneGeometry>; region?: Region | null } = {},
): Zone {
  const side = location === 'side' || location === 'transom';
  return {
    id,
    name,
    location,
    geometry: {
      area: 1,
      centroidX: 2,
      centroidZ: 0.5,
      panelLength: 1,
      panelBreadth: 0.5,
      crown: 0,
      panelX: 2,
      edgeHeight: side ? 0.8 : null,
      centreHeight: side ? 0.4 : null,
      head: isHead(location) ? 0.8 : null,
      ...geometry,
    },
    region,
    overridden: [],
    designPressure: null,
    load: null,
    panelCase: null,
    match: null,
    specified: null,
    hand: 'both',
    overflow: null,
    solidEdge: null,
  };
}

/** A part with its zones and layers, one off, nothing grouped or joined yet. */
export const newPart = (part: Pick<Part, 'id' | 'name' | 'kind' | 'zones'> & Partial<Part>): Part => ({
  ...laterFields(partFields),
  layers: [],
  ...part,
});

/** A layer of structure that belongs to no group. */
export const newLayer = (layer: Pick<Layer, 'id' | 'material' | 'zones'> & Partial<Layer>): Layer => ({
  angleDeg: 0,
  thickness: null,
  role: 'structure',
  group: null,
  ...layer,
});

/** A locker of five faces, its lid open, until it is said otherwise. */
export const newBox = (box: Pick<Box, 'id' | 'name'> & Partial<Box>): Box => ({
  number: 1,
  width: 0.6,
  depth: 0.45,
  height: 0.4,
  material: null,
  thickness: 0.015,
  front: true,
  back: true,
  left: true,
  right: true,
  top: false,
  bottom: true,
  over: 'sides',
  lids: 'between',
  bend: 0,
  corner: 0.04,
  cutOuts: [],
  fillet: 0.01,
  screws: 0.1,
  skin: null,
  skins: 1,
  ...box,
});

/** A fill of three quarters of an hour in a warm shop, no lines drawn yet. */
export const newFillPlan = (plan: Pick<FillPlan, 'id' | 'name' | 'part' | 'skin'> & Partial<FillPlan>): FillPlan => ({
  target: 2700,
  celsius: 20,
  pressure: 90_000,
  potLife: 2,
  gravity: true,
  bare: [],
  brake: 0.08,
  lines: [],
  volume: null,
  ...plan,
});

/** A day in the shop as it is. */
export const newCurePlan = (plan: Pick<CurePlan, 'id' | 'name' | 'part'> & Partial<CurePlan>): CurePlan => ({
  place: 'shop',
  start: 20,
  potLife: 1,
  steps: [{ rate: 10, to: 20, hold: 86_400 }],
  mould: 0.01,
  mouldLimit: 70,
  bagLimit: 120,
  shot: null,
  ...plan,
});
