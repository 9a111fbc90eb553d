import type { Learned, LearnedUse } from './learn';

/** What is known, and what of it is in use. */
export interface LearningPage {
  learned: Learned[];
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
