/** What floats, and how: bodies under a water plane, and where they come to rest. */
export { hullBody, slicesBetween, spaceBody, type Bounds } from './bodies';
export { floats, together, type Floating, type FloatQuestion } from './floats';
export {
  addImmersed,
  immersed,
  immersedLumps,
  nothingImmersed,
  type Immersed,
  type Lump,
  type Slice,
  type WaterPlane,
} from './immersed';
export { filledBy, filledTo, heightsOf, solid, soundings, type Filling } from './fill';
