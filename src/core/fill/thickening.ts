/**
 * Time as the flow counts it (s): what a resin of constant viscosity would need for as much flow as one that thickens
 * by μ e^(rate·t) has had after t. Never more than 1/rate.
 */
export const flowTime = (seconds: number, rate: number): number =>
  rate === 0 ? seconds : -Math.expm1(-rate * seconds) / rate;

/** The clock's time (s) at a time as the flow counts it; infinite where the resin never flows so long. */
export function clockTime(flow: number, rate: number): number {
  if (rate === 0) return flow;
  return rate * flow >= 1 ? Infinity : -Math.log1p(-rate * flow) / rate;
}
