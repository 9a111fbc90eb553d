/** Frames, stringers and beams of a boat: what their sections come to, where they run, what they bear. */
export {
  evaluateStiffeners,
  STIFFENER_CHECKED,
  STIFFENER_NOT_CHECKED,
  stiffenerWorking,
  type StiffenerEvaluation,
} from './evaluateStiffeners';
export { type LoadedSpan, type StiffenerCheck } from './loadSpan';
export { membersOf, stiffenerMasses } from './members';
export { memberOf, type SectionMember } from './sectionMember';
export { saidBond, saidHold } from './saidHold';
export { sectionProperties, type SectionProperties } from './sectionProperties';
