/** What was read of a hull beside what was planned, and what many hulls say together. */
export { plannedOf, type Planned, type PlannedZone } from './planned';
export { fibreShareOf } from './fibreShareOf';
export { buildLog, causesOf, type BuildLog, type Cause, type Causes, type PartLog, type ReadZone } from './buildLog';
export { yardView, type LoggedBuild, type Series as LogSeries, type YardView } from './yard';
export type { LogOfBuild, LogOfYard } from './pages';
export { boatBook, EDITIONS, type BoatBook, type Edition } from './book';
export {
  bookWithLearned,
  learn,
  LEARNED_FORMS,
  observationsOf,
  withLearned,
  withoutLearned,
  type Learned,
  type LearnedForm,
  type LearnedUse,
  type Observation,
} from './learn';
export type { LearningEffect, LearningPage } from './learningPages';
export {
  LEARNED_RATES,
  learnRates,
  rateObservations,
  ratesWithLearned,
  type LearnedRate,
  type LearnedRates,
  type RateObservation,
} from './learnRates';
