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
export { fillingSchema, USUAL_FILLING, type Filling } from './filling';
export { onSkin, fillCase, type FillCase } from './plan/fillCase';
export { fillOutcome, thickerBy, type DryPlace, type FillOutcome, type ZoneOutcome } from './plan/fillOutcome';
export { proposeFor, proposeLines, type ProposedLines } from './plan/propose';
export { drawnBesides } from './plan/drawnBesides';
export { resinFlowAt, viscosityAt, type ResinFlow } from './plan/resinAt';
export { resinToHave, type ResinToHave } from './plan/resinToHave';
export { stackFlow, throughTime, type StackFlow } from './plan/stackFlow';
export { WHAT_IFS, whatIf, type WhatIf } from './plan/whatIfs';
export { bagOf, type Bag } from './bag/bagStack';
export { dropTestSchema, mayBeMixed, standingTests, type DropTest, type KeptDropTest } from './bag/dropReading';
export { dropTest, type DropReading, type DropResult } from './bag/dropTest';
export { isolines, type Isoline } from './isolines';
export { skinsOf, type FillSkin, type SkinZone } from './skin/skins';
export type { FillMesh } from './simulate/mesh';
export { datumsOf, linesDxf, linesSvg, markedPoints, type MarkedPoint } from './out/linesOut';
