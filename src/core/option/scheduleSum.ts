import { evaluateDetails } from '../detail/kinds';
import { boatCost, USUAL_RATES, type Offer, type Rates } from '../cost';
import type { Boat } from '../document';
import { makeEvaluator } from '../evaluate';
import { piecesOf } from '../lines';
import { boatWeight } from '../weight';

/** A zone of a schedule, as it is set beside the same zone of another. */
export interface ZoneOfSchedule {
  id: string;
  part: string;
  name: string;
  /** Null where it is not proven or cannot be checked. */
  reserveFactor: number | null;
  governs: string | null;
  /** kg/m², m */
  arealWeight: number;
  thickness: number;
  /** From the mould: codes of its layers. */
  layers: string[];
}

/** What a schedule comes to. */
export interface ScheduleSum {
  /** kg; m from the stern, and above the base. */
  mass: number;
  centreX: number | null;
  centreZ: number | null;
  /** Materials of its zones, in the money of the Shelf; null where a price is missing. */
  cost: number | null;
  /** Of the boat by the rates and prices of the yard: hours, and all that it costs. */
  hours: number;
  whole: number;
  pieces: number;
  rows: number;
  zones: ZoneOfSchedule[];
}

/**
 * What a schedule comes to, zone by zone and in total: by its rules, at planned values.
 * @example scheduleSum(boat).zones[0].layers // ['GEL', 'CSM 300', 'BX45 600']
 */
export function scheduleSum(
  boat: Boat,
  yard: { rates: Rates; offers: readonly Offer[] } = { rates: USUAL_RATES, offers: [] },
): ScheduleSum {
  const evaluations = makeEvaluator()(boat);
  const details = evaluateDetails(boat);
  const { mass, centreX, centreZ } = boatWeight(boat, evaluations, details);
  const { totals } = boatCost(boat, evaluations, details, yard);
  const zones = boat.parts.flatMap((part) => part.zones.map((zone) => ({ part, zone, e: evaluations.get(zone.id)! })));
  return {
    mass,
    centreX,
    centreZ,
    hours: totals.hours,
    whole: totals.cost,
    cost: zones.reduce<number | null>(
      (sum, { part, zone, e }) =>
        sum === null || e.cost === null ? null : sum + e.cost * zone.geometry.area * part.number,
      0,
    ),
    pieces: boat.parts.reduce((sum, part) => sum + piecesOf(boat, part).reduce((own, { count }) => own + count, 0), 0),
    rows: boat.parts.reduce((sum, { layers }) => sum + layers.length, 0),
    zones: zones.map(({ part, zone, e }) => ({
      id: zone.id,
      part: part.name,
      name: zone.name,
      reserveFactor: e.unproven.length > 0 ? null : (e.governing?.reserveFactor ?? null),
      governs: e.governing?.id ?? null,
      arealWeight: e.laminatedArealWeight,
      thickness: e.thickness,
      layers: e.layers.map(({ material, layer }) =>
        layer.angleDeg === 0 ? material.code : `${material.code} ${layer.angleDeg}°`.replace('-', '−'),
      ),
    })),
  };
}
