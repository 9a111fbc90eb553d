import type { Learned, LearnedUse } from './learn';
import type { LearnedRates } from './learnRates';

/** What is known, and what of it is in use. */
export interface LearningPage {
  learned: Learned[];
  /** What hours and resin say of the yard’s rates, and the version of the rates that they were held against. */
  rates: LearnedRates[];
  ratesVersion: number;
  inUse: (LearnedUse & { id: string; author: string; on: string; note: string })[];
}
/** What putting something to use changes on a boat. */
export interface LearningEffect {
  id: string;
  name: string;
  before: { mass: number; least: number | null };
  after: { mass: number; least: number | null };
  target: number;
}
