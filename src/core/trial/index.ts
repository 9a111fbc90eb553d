/** Samples that are broken on purpose: expected, measured, and what a series of them proves. */
export { BREAKS, TESTS, trialSchema, type BreakKind, type TestKind, type Trial, type TrialLayer } from './trial';
export { predictTrial, type TrialPrediction } from './predictTrial';
export { readTrial, type TrialResult } from './readTrial';
export { nextTrials, type NextTrial } from './nextTrials';
export { recommend, type Recommendation, type TriedSample } from './recommend';
export type { TrialBoat, TrialSeries } from './pages';
