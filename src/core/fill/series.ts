import { clockTime } from './thickening';

export interface Segment {
  /** m in the direction of the flow. */
  length: number;
  permeability: number;
  porosity: number;
}

export interface SeriesFill {
  /** s; null where the front never gets there. */
  fillTime: number | null;
  times: (number | null)[];
  /** Furthest that the front ever gets (m): of one segment with a resin that thickens. */
  limitLength?: number;
}

/**
 * A straight front through segments one behind the other, with a resin that may thicken: times at the end of each.
 *
 * Derived: in segment j at s, v = Δp / (φ μ (R + s/K)) with R the lengths over permeabilities behind it; integrated
 * φ (R L + L²/(2K)) μ0/Δp of flow time a segment, turned to the clock's by the thickening.
 */
export function seriesFill({
  segments,
  viscosity,
  pressure,
  viscosityRate = 0,
}: {
  segments: readonly Segment[];
  viscosity: number;
  pressure: number;
  viscosityRate?: number | undefined;
}): SeriesFill {
  let [resistance, flow] = [0, 0];
  const times = segments.map(({ length, permeability, porosity }) => {
    flow += (viscosity / pressure) * porosity * (resistance * length + length ** 2 / (2 * permeability));
    resistance += length / permeability;
    const time = clockTime(flow, viscosityRate);
    return Number.isFinite(time) ? time : null;
  });
  const [only] = segments;
  const limit = viscosityRate > 0 && segments.length === 1 && only;
  return {
    fillTime: times.at(-1) ?? null,
    times,
    ...(limit && {
      limitLength: Math.sqrt((2 * only.permeability * pressure) / (only.porosity * viscosity * viscosityRate)),
    }),
  };
}
