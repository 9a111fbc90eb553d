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

/** Take what waits for this state of the boat; it is handed over once. */
export function takeWaitingTrial(boat: Boat): WaitingTrial | null {
  const taken = waiting?.base === boat ? waiting : null;
  waiting = null;
  return taken;
}

let found: WaitingTrial | null = null;

/** Note what was found last, so that it can be set beside what is laid. */
export const noteFound = (trial: WaitingTrial): void => void (found = trial);

/** What was found last for this state of the boat. */
export const lastFound = (boat: Boat): WaitingTrial | null => (found?.base === boat ? found : null);
