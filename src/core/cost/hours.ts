import type { DetailEvaluation } from '../detail/kinds';
import type { Boat, Part, Zone } from '../document';
import { membersOf, type LaidLayer, type ZoneEvaluation } from '../evaluate';
import type { Fabric, LayerMaterial } from '../material';
import type { ProcessRates, Rates } from './rates';

/** The steps of making a boat, in their order. */
export const WORK_STEPS = {
  mould: 'Prepare moulds',
  coat: 'Coats',
  cut: 'Cut cloth',
  lay: 'Lay',
  core: 'Fit core',
  bag: 'Bag',
  fill: 'Set up and fill',
  cure: 'Cure, attended',
  demould: 'Demould and trim',
  stiffeners: 'Stiffeners',
  details: 'Details',
  join: 'Fit parts together',
  fit: 'Fit out',
} as const;
export type WorkStep = keyof typeof WORK_STEPS;

/** Hours of a step on a part, or on what belongs to none. */
export interface WorkHours {
  step: WorkStep;
  /** A part, or null. */
  partId: string | null;
  hours: number;
}

/** How a place is to work on: its crown over its breadth, and whether it is small. */
const CURVED_FROM = 0.03;
const TIGHT_FROM = 0.12;
const SMALL = 0.25;
export function shapeFactor({ geometry }: Pick<Zone, 'geometry'>, rates: Rates): number {
  const bent = geometry.crown / Math.max(1e-6, geometry.panelBreadth);
  if (bent >= TIGHT_FROM || geometry.area < SMALL) return rates.shapeTight;
  return bent >= CURVED_FROM ? rates.shapeCurved : 1;
}

const formOf = (fabric: Fabric): 'layMat' | 'layWoven' | 'layStitched' => {
  const forms = fabric.components.map(({ form }) => form);
  if (forms.every((form) => form === 'randomMat')) return 'layMat';
  return forms.includes('woven') ? 'layWoven' : 'layStitched';
};

/**
 * Hours of a square metre of one layer laid in a zone: cut and laid, sprayed or fitted, with its share of the debulks.
 *
 * @returns h/m²; what does not go by the layer (mould, bag, demoulding) is not in it.
 */
export function hoursOfLayer(
  zone: Zone,
  { kind, ...material }: LayerMaterial,
  own: ProcessRates,
  rates: Rates,
): number {
  const shape = shapeFactor(zone, rates);
  const debulk = own.debulkEvery > 0 ? own.debulk / own.debulkEvery : 0;
  if (kind === 'fabric') return own.cut + own[formOf(material as Fabric)] * shape + debulk;
  return kind === 'coating' ? own.coat : own.core * shape;
}

/** Hours of a square metre of a zone, its layers laid by a process: without what goes by the part. */
export function hoursPerArea(zone: Zone, layers: readonly LaidLayer[], own: ProcessRates, rates: Rates): number {
  const shape = shapeFactor(zone, rates);
  const cloths = layers.filter(({ material }) => material.kind === 'fabric').length;
  const debulks = own.debulkEvery > 0 ? own.debulk * Math.floor(cloths / own.debulkEvery) : 0;
  return layers.reduce(
    (sum, { material }) => {
      if (material.kind === 'fabric') return sum + own.cut + own[formOf(material)] * shape;
      return sum + (material.kind === 'coating' ? own.coat : own.core * shape);
    },
    own.mould + own.bag * shape + own.demould + debulks,
  );
}

function partHours(boat: Boat, part: Part, layersOf: (zone: Zone) => readonly LaidLayer[], rates: Rates): WorkHours[] {
  const own = rates.processes[boat.brief.process];
  const hours: Record<WorkStep, number> = Object.fromEntries(
    Object.keys(WORK_STEPS).map((step) => [step, 0]),
  ) as Record<WorkStep, number>;
  let fabrics = 0;
  for (const zone of part.zones) {
    const { area } = zone.geometry;
    const layers = layersOf(zone);
    if (layers.length === 0) continue;
    const shape = shapeFactor(zone, rates);
    hours.mould += own.mould * area;
    hours.bag += own.bag * area * shape;
    hours.demould += own.demould * area;
    for (const { material } of layers) {
      if (material.kind === 'coating') hours.coat += own.coat * area;
      if (material.kind === 'core' || material.kind === 'wood') hours.core += own.core * area * shape;
      if (material.kind !== 'fabric') continue;
      hours.cut += own.cut * area;
      hours.lay += own[formOf(material)] * area * shape;
    }
    const cloths = layers.filter(({ material }) => material.kind === 'fabric').length;
    fabrics += cloths;
    if (own.debulkEvery > 0) hours.bag += own.debulk * area * Math.floor(cloths / own.debulkEvery);
  }
  if (fabrics > 0) {
    hours.fill += own.setUp + own.fill;
    hours.cure += own.cure;
  }
  return (Object.keys(WORK_STEPS) as WorkStep[]).flatMap((step) =>
    hours[step] > 0 ? [{ step, partId: part.id, hours: part.number * hours[step] }] : [],
  );
}

/**
 * Hours of a boat by step and part, from what is laid and how large it is.
 *
 * @param rates of the yard, in hours for each m², m, kg, part or detail.
 */
export function workHours(
  boat: Boat,
  evaluations: ReadonlyMap<string, ZoneEvaluation>,
  details: readonly DetailEvaluation[],
  rates: Rates,
): WorkHours[] {
  const layersOf = ({ id }: Zone) => evaluations.get(id)!.layers;
  const parts = boat.parts.flatMap((part) => partHours(boat, part, layersOf, rates));
  const places = membersOf(boat);
  const stiffened = boat.supports.reduce((sum, { id, section }) => {
    return sum + (section === null ? 0 : (places.get(id)?.length ?? 0));
  }, 0);
  const made = details.reduce((sum, { detail, total, problem }) => {
    return sum + (problem === null ? detail.number * rates.detail + Math.max(0, total) * rates.detailMass : 0);
  }, 0);
  const laid = boat.parts.filter(({ zones }) => zones.some((zone) => layersOf(zone).length > 0));
  const fitted = boat.items.reduce((sum, { hours, number }) => sum + (hours ?? 0) * number, 0);
  const rest: WorkHours[] = [
    { step: 'stiffeners', partId: null, hours: stiffened * rates.stiffener },
    { step: 'details', partId: null, hours: made },
    { step: 'join', partId: null, hours: Math.max(0, laid.length - 1) * rates.fitPart },
    { step: 'fit', partId: null, hours: fitted },
  ];
  return [...parts, ...rest.filter(({ hours }) => hours > 0)];
}
