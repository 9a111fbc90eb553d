export { analysisFactorOf } from './analysisFactor';
export { panelBuckling, type PanelBuckling } from './panelBuckling';
export { analyseZone, throughThickness, warpOf, type ZoneAnalysis } from './analyse';
export { analyseStack, type StackAnalysis } from './analyseStack';
export { designPliesOf } from './designStack';
export { fittingOnPanel, type FittingLoad, type FittingReserve } from './fittingOnPanel';
export type { SandwichCheck } from './sandwichChecks';
export { analysePanel } from './analysePanel';
export { OWN_PROOFS } from './otherProofs';
export { type PanelAnalysis, type PanelReserve } from './analyseOnePanel';
export { failureWorking } from './analysisWorking';
export { type Book, bookOf, type LaidLayer, layAll, layAlone, layReference, massOf, pliesOf } from './book';
export { stackCompatibility, type StackMember } from './compatibility';
export { makeEvaluator } from './evaluateBoat';
export {
  evaluateZone,
  targetOf,
  traceZone,
  type Verdict,
  verdictOf,
  zoneVerdict,
  type ZoneEvaluation,
} from './evaluateZone';
export { type Match, type MatchRatio, matchZone } from './match';
export { whereGoverns, type ZoneCheck } from './packChecks';
export { gatherNotes } from './gatherNotes';
export { panelWorking } from './panelWorking';
export { marginBand, type MarginBand } from './scatter';
export {
  evaluateStiffeners,
  STIFFENER_CHECKED,
  STIFFENER_NOT_CHECKED,
  type StiffenerEvaluation,
  stiffenerWorking,
} from './stiffener/evaluateStiffeners';
export { type LoadedSpan, type StiffenerCheck } from './stiffener/loadSpan';
export { membersOf, stiffenerMasses } from './stiffener/members';
export { memberOf, type SectionMember } from './stiffener/sectionMember';
export { saidBond, saidHold } from './stiffener/saidHold';
export { sectionProperties, type SectionProperties } from './stiffener/sectionProperties';
export { stackWorking, zoneWorking } from './zoneWorking';
export type { WorkingPart } from '../working';
export { ENGINE } from './engine';
export { proveBoat, type ProofStep, type ZoneProof } from './proofs';
export { cracksUnderBlows, slams } from './slamming';
export { membraneStrength } from './membraneStrength';
export { panelGive } from './panelGive';
export { zoneCounts, type ZoneCounts } from './zoneCounts';
export { heldOnTrust, supportsOnTrust } from './heldBy';
export { probeZone, type Failing, type LayerFigures, type ZoneProbe } from './probeZone';
