/** How a resin hardens: by time and temperature, and how hot it makes itself. */
export { adiabaticRise, exothermCourse, laminateSpecificHeat, type ExothermCourse } from './exotherm';
export { cureAtOneTemperature } from './degree';
export { cureRate, rateConstants, type Kinetics } from './kinetics';
export { potLifeByArrhenius } from './potLife';
export { curingSchema, USUAL_CURING, type Curing, type FamilyCure } from './curing';
export { glassTransition, rateOf, resinCure, type ResinCure } from './resinCure';
export { airAt, cureThrough, type AirStep, type CureCourse, type CureMoment, type Slice } from './throughThickness';
export { curedBy, hottestZone, type Cured } from './plan/curedBy';
export { cureOutcome, type CureOutcome } from './plan/cureOutcome';
export { inShopOf } from './plan/inShopOf';
export { slicesOf } from './plan/slices';
export {
  airOf,
  lossOf,
  shotsOf,
  thickestShot,
  zoneCure,
  type CureLimit,
  type Shot,
  type ZoneCure,
} from './plan/zoneCure';
