/** Where load comes in: load cases, straps, bolts, bonds, and the drawing of each. */
export { boltJoint, type BoltJoint, type BoltJointInput } from './boltJoint';
export { pullThrough, type PullThroughInput } from './pullThrough';
export { boltGroupShear, boltGroupTension, type BoltPlace } from './boltGroup';
export { lapJoint, type LapJointInput } from './lapJoint';
export { strapOffAxis, strapPair, type StrapPairInput } from './strap';
export { tabbingShear } from './tabbingShear';
export { threadEngagement } from './threadEngagement';
export { scarfJoint } from './scarfJoint';
export { boltStrength } from './boltStrength';
export {
  actingLoad,
  LOAD_CAUSES,
  LOAD_START,
  loadCaseSchema,
  type ActingLoad,
  type LoadCase,
  type LoadCause,
} from './loadCase';
export { tippedBolts, type TippedBolts } from './tippedBolts';
export { BOLT_CLASSES, type BoltClass } from './boltClasses';
export { nutThread } from './nutThread';
export { lapPeel, type LapPeelInput } from './lapPeel';
export { openedFillet } from './openedFillet';
