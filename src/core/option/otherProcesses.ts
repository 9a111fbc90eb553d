import { hoursPerArea, USUAL_RATES, type Rates } from '../cost';
import type { Boat, Part, Zone } from '../document';
import { evaluateZone } from '../evaluate';
import { PROCESSES, type Process } from '../material';

/** What a zone comes to when the same layers are laid by another process. */
export interface OtherProcess {
  process: Process;
  name: string;
  /** kg/m², m; of fibre by mass. */
  mass: number;
  thickness: number;
  fibreWeightFraction: number;
  /** Per m², in the money of the Shelf; null where a price is missing. */
  cost: number | null;
  /** Per m², by the rates of the yard, without what goes by the part. */
  hours: number;
  reserveFactor: number | null;
  governs: string | null;
}

/**
 * The layers of a zone as they are, laid by every process: what leaves more resin in it is thicker, stiffer in bending
 * and heavier; the boat's own process is among them. Resin and mould stay what they are.
 *
 * @example otherProcesses(boat, hull, side).find(({ process }) => process === 'handLayUp')?.mass
 */
export const otherProcesses = (boat: Boat, part: Part, zone: Zone, rates: Rates = USUAL_RATES): OtherProcess[] =>
  (Object.keys(PROCESSES) as Process[]).map((process) => {
    const e = evaluateZone({ ...boat, brief: { ...boat.brief, process } }, part, zone);
    return {
      process,
      name: PROCESSES[process].name,
      mass: e.laminatedArealWeight,
      thickness: e.thickness,
      fibreWeightFraction: e.fibreWeightFraction,
      cost: e.cost,
      hours: hoursPerArea(zone, e.layers, rates.processes[process], rates),
      reserveFactor: e.unproven.length > 0 ? null : (e.governing?.reserveFactor ?? null),
      governs: e.governing?.id ?? null,
    };
  });
