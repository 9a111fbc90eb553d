import type { LearnedUse } from '../shop';
import type { Learned } from './learn';
import type { LearnedRates, RateUse } from './learnRates';

/** What was put to use: by whom, on which day. */
export interface InUse {
  id: string;
  author: string;
  on: string;
  note: string;
}
/** What is known, and what of it is in use. */
export interface LearningPage {
  learned: Learned[];
  /** What hours and resin say of the yard’s rates. */
  rates: LearnedRates[];
  inUse: (LearnedUse & InUse)[];
  ratesInUse: (RateUse & InUse & { n: number; was: Record<string, number> })[];
  /** Cloths of the Shelf, one of which may be put on the scales; their dry weight with its binder (kg/m²). */
  cloths: { id: string; code: string; name: string; arealWeight: number }[];
}
/** What putting something to use changes on a boat. */
export interface LearningEffect {
  id: string;
  name: string;
  before: { mass: number; least: number | null };
  after: { mass: number; least: number | null };
  target: number;
}
/** What putting a rate to use changes on a boat: hours, resin bought (kg), cost in the yard’s currency. */
export interface RateEffect {
  id: string;
  name: string;
  before: { hours: number; cost: number };
  after: { hours: number; cost: number };
  currency: string;
}
