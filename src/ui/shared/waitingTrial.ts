import type { Boat } from '@/core/document';
import type { Edit } from '@/core/edit';

/** A change that another screen hands over, to be looked at on trial in the Lay-up. */
export interface WaitingTrial {
  base: Boat;
  title: string;
  edits: Edit[];
}

let waiting: WaitingTrial | null = null;

/** Hand a change over; it waits until the Lay-up opens, and is forgotten when the boat has moved on by then. */
export const handOverTrial = (trial: WaitingTrial): void => void (waiting = trial);

/** What waits for this state of the boat. It stays until it is shown: a page may be drawn twice before it stands. */
export const waitingTrial = (boat: Boat): WaitingTrial | null => (waiting?.base === boat ? waiting : null);

/** It is shown: what waited does so no more. */
export const trialShown = (): void => void (waiting = null);

let found: WaitingTrial | null = null;

/** Note what was found last, so that it can be set beside what is laid. */
export const noteFound = (trial: WaitingTrial): void => void (found = trial);

/** What was found last for this state of the boat. */
export const lastFound = (boat: Boat): WaitingTrial | null => (found?.base === boat ? found : null);
