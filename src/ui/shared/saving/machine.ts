import { KeramosError } from '@/core/error';
import type { Boat } from '@/core/document';
import { applyEdits, describeEdits, type Edit, type HistoryEntry } from '@/core/edit';

/** One action of the user on its way to the server. */
export interface Pending {
  clientId: string;
  action: HistoryEntry['action'];
  edits: Edit[];
  label?: string;
}
/** An action that could not be taken, and why; shown until somebody has read it. */
export interface Refused {
  what: string;
  why: string;
}
/** What somebody else saved while we had edits of our own. */
export interface Theirs {
  boat: Boat;
  version: number;
}

/**
 * The saving of one boat in one page, as a value. What the user typed is at every moment in exactly one of three
 * places: in the boat as the server has it, in the queue (and so on screen), or among the refused.
 */
export interface Saving {
  /** The boat as the server has it, as far as this page knows. */
  confirmed: Theirs;
  /** Version on which the head of the queue stands; older than the confirmed one only after a reload. */
  base: number;
  queue: readonly Pending[];
  /** How many of the queue's head are on their way. */
  inFlight: number;
  /** After a refusal that does not say which action it is about, actions are sent one by one until it shows. */
  oneByOne: boolean;
  mode: 'saved' | 'saving' | 'offline' | 'conflict';
  /** Somebody else's state, when the server said that ours is on an older one. */
  theirs: Theirs | null;
  refused: readonly Refused[];
  /** What is on screen: the confirmed boat with the queue on top of it. */
  boat: Boat;
}

export type SavingEvent =
  | { type: 'typed'; pending: Pending }
  | { type: 'acknowledged'; version: number }
  | { type: 'refused'; why: string; clientId: string | null }
  | { type: 'unreachable' }
  | { type: 'fetched'; theirs: Theirs }
  | { type: 'metOthers'; theirs: Theirs }
  | { type: 'settled'; way: 'onTop' | 'theirs'; of: readonly Pending[]; newId: () => string }
  | { type: 'sent'; count: number }
  | { type: 'read' };

const BATCH = 200;

/** A page that has just opened, with edits an earlier one could not save. */
export function openSaving(confirmed: Theirs, kept: { version: number; queue: readonly Pending[] } | null): Saving {
  const queue = kept?.queue ?? [];
  return shown({
    confirmed,
    base: kept && queue.length > 0 ? kept.version : confirmed.version,
    queue,
    inFlight: 0,
    oneByOne: false,
    mode: queue.length > 0 ? 'saving' : 'saved',
    theirs: null,
    refused: [],
    boat: confirmed.boat,
  });
}

/** Apply actions in order; those that no longer fit are told apart, with the reason. */
export function replay(base: Boat, queue: readonly Pending[]): { boat: Boat; fits: Pending[]; lost: Refused[] } {
  let boat = base;
  const fits: Pending[] = [];
  const lost: Refused[] = [];
  for (const pending of queue)
    try {
      boat = applyEdits(boat, pending.edits).boat;
      fits.push(pending);
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      lost.push({ what: whatOf(boat, pending), why: error.text });
    }
  return { boat, fits, lost };
}

const whatOf = (boat: Boat, { label, edits }: Pending) => label ?? describeEdits(boat, edits);

/** With the boat that its confirmed state and its queue make. */
const shown = (saving: Saving): Saving => ({ ...saving, boat: replay(saving.confirmed.boat, saving.queue).boat });

/** What should be sent now; nothing while something is on its way, a conflict stands or the queue is empty. */
export function nextBatch({ queue, inFlight, mode, oneByOne }: Saving): readonly Pending[] {
  if (inFlight > 0 || mode === 'conflict') return [];
  return queue.slice(0, oneByOne ? 1 : BATCH);
}

function typed(saving: Saving, pending: Pending): Saving {
  const { boat } = applyEdits(saving.boat, pending.edits);
  const mode = saving.mode === 'conflict' ? 'conflict' : 'saving';
  return { ...saving, boat, queue: [...saving.queue, pending], mode };
}

function acknowledged(saving: Saving, version: number): Saving {
  const [taken, queue] = [saving.queue.slice(0, saving.inFlight), saving.queue.slice(saving.inFlight)];
  // After a reload the confirmed boat may hold these actions already; what it holds is fetched anew then.
  const resumed = saving.base !== saving.confirmed.version;
  const all = queue.length === 0 ? saving.boat : replay(saving.confirmed.boat, taken).boat;
  const boat = resumed ? saving.confirmed.boat : all;
  const next: Saving = {
    ...saving,
    confirmed: { boat, version: resumed ? saving.confirmed.version : version },
    base: version,
    queue,
    inFlight: 0,
    oneByOne: saving.oneByOne && queue.length > 0,
    mode: queue.length > 0 ? 'saving' : 'saved',
  };
  // Nothing on screen changes with an acknowledgement.
  return { ...next, boat: saving.boat };
}

/** The action the server would not take leaves the queue; those that need it leave with it; the rest are sent again. */
function refusedOne(saving: Saving, why: string, clientId: string | null): Saving {
  const { queue, inFlight, confirmed } = saving;
  const at = clientId === null ? -1 : queue.findIndex((one) => one.clientId === clientId);
  const alone = inFlight === 1 ? 0 : -1;
  const index = at >= 0 ? at : alone;
  if (index < 0) return { ...saving, inFlight: 0, oneByOne: true, mode: 'saving' };
  const before = replay(confirmed.boat, queue.slice(0, index)).boat;
  const rest = replay(
    confirmed.boat,
    queue.filter((_, i) => i !== index),
  );
  const refused = { what: whatOf(before, queue[index]!), why };
  return {
    ...saving,
    queue: rest.fits,
    boat: rest.boat,
    inFlight: 0,
    mode: rest.fits.length > 0 ? 'saving' : 'saved',
    refused: [...saving.refused, refused, ...rest.lost],
  };
}

/**
 * Somebody else's state has come while nothing of ours is open: it is the new ground. With a queue it waits for the
 * server's word.
 */
function fetched(saving: Saving, theirs: Theirs): Saving {
  if (saving.mode === 'conflict' || theirs.version < saving.confirmed.version) return saving;
  if (saving.queue.length === 0)
    return { ...saving, confirmed: theirs, base: theirs.version, boat: theirs.boat, mode: 'saved' };
  return theirs.version === saving.base ? shown({ ...saving, confirmed: theirs }) : saving;
}

/** Put ours on top of theirs, or drop what the user saw of ours; what was typed since stays on top in both. */
function settled(saving: Saving, { way, of, newId }: Extract<SavingEvent, { type: 'settled' }>): Saving {
  const { theirs } = saving;
  if (theirs === null) return saving;
  const seen = new Set(of.map(({ clientId }) => clientId));
  const kept = way === 'onTop' ? saving.queue : saving.queue.filter(({ clientId }) => !seen.has(clientId));
  const { boat, fits, lost } = replay(theirs.boat, kept);
  // On other ground they are other actions: the server must not take them for those it has seen.
  const queue = fits.map((pending): Pending => ({ ...pending, clientId: newId(), action: 'do' }));
  return {
    ...saving,
    confirmed: theirs,
    base: theirs.version,
    queue,
    boat,
    theirs: null,
    inFlight: 0,
    oneByOne: false,
    mode: queue.length > 0 ? 'saving' : 'saved',
    refused: [...saving.refused, ...lost],
  };
}

/** The next state of the saving. Pure: what is to be sent follows from the state, see {@link nextBatch}. */
export function saveStep(saving: Saving, event: SavingEvent): Saving {
  switch (event.type) {
    case 'typed':
      return typed(saving, event.pending);
    case 'sent':
      return { ...saving, inFlight: event.count, mode: 'saving' };
    case 'acknowledged':
      return acknowledged(saving, event.version);
    case 'refused':
      return refusedOne(saving, event.why, event.clientId);
    case 'unreachable':
      return { ...saving, inFlight: 0, mode: saving.queue.length > 0 ? 'offline' : saving.mode };
    case 'fetched':
      return fetched(saving, event.theirs);
    case 'metOthers':
      return { ...saving, inFlight: 0, mode: 'conflict', theirs: event.theirs };
    case 'settled':
      return settled(saving, event);
    case 'read':
      return { ...saving, refused: [] };
  }
}
