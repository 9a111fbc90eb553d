/** What was read of a hull beside what was planned, and what many hulls say together. */
export { asPublished, plannedOf, type Planned, type PlannedZone } from './planned';
export { furthestOff, plannedCure, type PlannedCure } from './plannedCure';
export { fibreShareOf, thicknessOf } from './fibreShareOf';
export {
  buildLog,
  causesOf,
  type BuildLog,
  type Cause,
  type Causes,
  type PartLog,
  type ReadZone,
  type ResinLimits,
} from './buildLog';
export { yardView, type LoggedBuild, type Series as LogSeries, type YardView } from './yard';
export type { LogOfBuild, LogOfYard } from './pages';
export { boatBook, EDITIONS, type BoatBook, type Edition } from './book';
export { observationOfCloth, observationsOf, observationsOfTrial, taughtBy, type Observation } from './observe';
export { GAINS_NOTHING, learn, learnCloth, type Learned, type LearnedSlice } from './learn';
export { bookWithLearned, subjectOf, withBefore } from './use';
export type { LearningEffect, LearningPage, RateEffect } from './learningPages';
export {
  learnRates,
  rateObservations,
  ratesBefore,
  ratesTakenBack,
  ratesWithLearned,
  type LearnedRates,
  type RateObservation,
  type RateUse,
} from './learnRates';
export { LEARNABLES, learnable, LEARNED_FORMS, LEARNED_RATES, type LearnedForm, type LearnedUse } from '../shop';
