/** Resin drawn through cloth under vacuum: how long, how much, and what stays dry. */
export { lineFillTime, packOf, type FlowLayer } from './line';
export { radialFillTime } from './radial';
export { resinNeeded } from './resinNeeded';
export { seriesFill, type Segment, type SeriesFill } from './series';
export { clockTime, flowTime } from './thickening';
export { arrivalAt } from './simulate/probe';
export {
  fillSimulation,
  type FillInlet,
  type FillInput,
  type FillRegion,
  type FillResult,
  type FillStep,
  type FillVent,
  type Permeability,
} from './simulate/simulate';
