import { nanoid } from 'nanoid';
import { cleaned, KeramosError } from '@/core/error';
import { boatToJson, takePanels, type Boat, type CheckedPanel } from '@/core/document';
import {
  applyEdits,
  describeEdits,
  difference,
  editsSchema,
  EMPTY_HISTORY,
  placeOfEdits,
  pushHistory,
  type Change,
  type Edit,
  type EditPlace,
  type HistoryEntry,
  type HistoryStacks,
} from '@/core/edit';
import { makeEvaluator, type ZoneEvaluation } from '@/core/evaluate';
import { api, ApiError, wordsOf } from './api';
import { nextBatch, openSaving, saveStep, type Pending, type Saving, type SavingEvent } from './saving/machine';
import { browserStorage, Unsent, type UnsentStorage } from './saving/unsent';

export interface Conflict {
  theirs: Boat;
  version: number;
  /** What the other side changed since our last common state; null when that state is unknown (after a reload). */
  theirChanges: Change[] | null;
  ourChanges: Change[];
}

/** The boat and what its zones come to. */
export interface BoatDesign {
  id: string;
  boat: Boat;
  evaluations: ReadonlyMap<string, ZoneEvaluation>;
}

export type SaveState = Saving['mode'];

export interface BoatState extends BoatDesign {
  history: HistoryStacks;
  version: number;
  archived: boolean;
  save: SaveState;
  conflict: Conflict | null;
  /** A short notice: a refused edit, an undone action. Quantities are left open for the reader's units. */
  notice: { kind: 'refused' | 'done'; text: string } | null;
}

export interface Initial {
  id: string;
  version: number;
  archived: boolean;
  boat: Boat;
  history: HistoryStacks;
  /** It stands behind the boat it is a variant of. */
  behind?: boolean;
  /** The panels of its zones, where the server has found them already. */
  panels?: Readonly<Record<string, readonly CheckedPanel[]>>;
}

const RETRY_MILLISECONDS = 3000;
const SEND_AFTER_MILLISECONDS = 30;
const ALIVE_MILLISECONDS = 5000;

const without = (entries: HistoryEntry[], lost: ReadonlySet<HistoryEntry>) =>
  entries.filter((entry) => !lost.has(entry));

/**
 * The boat on the page: applies edits at once, saves them in order, keeps unsaved ones through reloads, notices when
 * somebody else was quicker. What becomes of an edit is decided by the saving machine; this runs what it asks for.
 * React reads it through `subscribe` with `getState` or `getDesign`; while a page wakes up, with `getRendered…`.
 */
export class BoatStore {
  private state: BoatState;
  private design: BoatDesign;
  private readonly rendered: { state: BoatState; design: BoatDesign };
  private listeners = new Set<() => void>();
  private turned = new Set<(place: EditPlace) => void>();
  private evaluate = makeEvaluator();
  private saving: Saving;
  private unsent: Unsent;
  private entries = new Map<string, HistoryEntry>();
  private retry: ReturnType<typeof setTimeout> | undefined;
  private behind: boolean;

  constructor(initial: Initial, storage: UnsentStorage = browserStorage) {
    const { id, boat, version } = initial;
    this.saving = openSaving({ boat, version }, null);
    this.unsent = new Unsent(storage, id, nanoid(8), () => Date.now());
    this.behind = initial.behind ?? false;
    if (initial.panels) takePanels(boat, initial.panels);
    this.design = { id, boat, evaluations: this.evaluate(boat) };
    this.state = {
      version,
      archived: initial.archived,
      ...this.design,
      history: initial.history ?? EMPTY_HISTORY,
      save: 'saved',
      conflict: null,
      notice: null,
    };
    this.rendered = { state: this.state, design: this.design };
  }

  getState = (): BoatState => this.state;
  getDesign = (): BoatDesign => this.design;
  /** As the server rendered it, whatever has come since: unsent edits of before a reload, say. */
  getRenderedState = (): BoatState => this.rendered.state;
  getRenderedDesign = (): BoatDesign => this.rendered.design;
  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  private set(change: Partial<BoatState>): void {
    const evaluations =
      change.boat && change.boat !== this.state.boat ? this.evaluate(change.boat) : this.state.evaluations;
    this.state = { ...this.state, ...change, evaluations };
    if (this.design.boat !== this.state.boat || this.design.evaluations !== evaluations)
      this.design = { id: this.state.id, boat: this.state.boat, evaluations };
    this.listeners.forEach((listener) => listener());
  }

  /** Take a step of the saving machine; the page shows what follows, the browser keeps what is not sent. */
  private step(event: SavingEvent, change: Partial<BoatState> = {}): void {
    const before = this.saving;
    this.saving = saveStep(before, event);
    const { boat, base, confirmed, mode, refused, queue } = this.saving;
    this.unsent.keep(base, queue);
    const news = refused.slice(before.refused.length);
    this.set({
      boat,
      version: queue.length > 0 ? base : confirmed.version,
      save: mode,
      ...(mode === 'conflict' ? {} : { conflict: null }),
      ...(news.length > 0 ? this.tellRefused(news) : {}),
      ...change,
    });
  }

  /** What could not be taken, in words, and out of what can be undone. */
  private tellRefused(news: Saving['refused']): Partial<BoatState> {
    const waiting = new Set(this.saving.queue.map(({ clientId }) => clientId));
    const lost = new Set([...this.entries].filter(([id]) => !waiting.has(id)).map(([, entry]) => entry));
    const { undo, redo } = this.state.history;
    const text = news.map(({ what, why }) => `${what}: ${why}`).join('; ');
    return {
      history: { undo: without(undo, lost), redo: without(redo, lost) },
      notice: {
        kind: 'refused',
        text: `Not saved (${news.length === 1 ? '1 change' : `${news.length} changes`}): ${text}`,
      },
    };
  }

  /** Take up edits that an earlier page could not save. Call once, in the browser; gives back how to leave. */
  resume(): () => void {
    const kept = this.unsent.takeOver();
    if (kept) {
      this.saving = openSaving(this.saving.confirmed, kept);
      this.set({ boat: this.saving.boat, version: this.saving.base, save: this.saving.mode });
      void this.flush();
    }
    const alive = setInterval(() => this.unsent.keep(this.saving.base, this.saving.queue), ALIVE_MILLISECONDS);
    if (this.behind) void this.followParent();
    return () => {
      clearInterval(alive);
      this.unsent.keep(this.saving.base, this.saving.queue, true);
    };
  }

  /** Let a variant follow its parent; what follows comes as an action of its own. */
  private async followParent(): Promise<void> {
    try {
      const { problem } = await api<{ problem: string | null }>('POST', `/api/boats/${this.state.id}/variant`);
      if (problem === null) await this.lookAgain();
    } catch {
      // It follows when it is next opened.
    }
  }

  private refuse(text: string): null {
    this.set({ notice: { kind: 'refused', text } });
    return null;
  }

  private apply(action: HistoryEntry['action'], edits: Edit[], label?: string): HistoryEntry | null {
    if (this.state.archived)
      return this.refuse('This boat is archived: bring it back from the list before editing it.');
    // What was pasted may hold what cannot be kept.
    const checked = editsSchema.safeParse(cleaned(edits));
    if (!checked.success) return this.refuse(checked.error.issues[0]!.message);
    try {
      const before = this.state.boat;
      const { inverse } = applyEdits(before, checked.data);
      const description = label ?? describeEdits(before, edits);
      const entry: HistoryEntry = { action, description, forward: checked.data, inverse };
      const pending: Pending = { clientId: nanoid(12), action, edits: checked.data, ...(label && { label }) };
      this.entries.set(pending.clientId, entry);
      this.step({ type: 'typed', pending }, { history: pushHistory(this.state.history, entry), notice: null });
      // What it comes to is shown before it is sent; until then it is kept on this machine.
      setTimeout(() => void this.flush(), SEND_AFTER_MILLISECONDS);
      return entry;
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      return this.refuse(error.text);
    }
  }

  /** One action of the user. @returns whether it was accepted; the notice says why not. */
  act = (...edits: Edit[]): boolean => this.apply('do', edits) !== null;

  /** The same, said in words of its own: several edits that together are one thing. */
  actAs = (label: string, ...edits: Edit[]): boolean => this.apply('do', edits, cleaned(label).slice(0, 160)) !== null;

  undo = (): void => this.turn('undo', 'Took back');
  redo = (): void => this.turn('redo', 'Did again');
  private turn(which: 'undo' | 'redo', said: string): void {
    const last = this.state.history[which].at(-1);
    if (!last || !this.apply(which, last.inverse, last.description)) return;
    this.set({ notice: { kind: 'done', text: `${said}: ${last.description}` } });
    const place = placeOfEdits(last.inverse);
    this.turned.forEach((listener) => listener(place));
  }
  /** Called with the place of what was taken back or done again. @returns stops it. */
  onTurned = (listener: (place: EditPlace) => void): (() => void) => {
    this.turned.add(listener);
    return () => this.turned.delete(listener);
  };
  dismiss = (): void => {
    this.saving = saveStep(this.saving, { type: 'read' });
    this.set({ notice: null });
  };

  /** Send what is unsaved, in order, one request at a time. */
  private async flush(): Promise<void> {
    const batch = nextBatch(this.saving);
    if (batch.length === 0) return;
    clearTimeout(this.retry);
    this.step({ type: 'sent', count: batch.length });
    const body = { baseVersion: this.saving.base, actions: batch };
    try {
      const { version } = await api<{ version: number }>('POST', `/api/boats/${this.state.id}/edits`, body);
      this.step({ type: 'acknowledged', version });
      batch.forEach(({ clientId }) => this.entries.delete(clientId));
      if (this.saving.queue.length === 0 && this.saving.base !== this.saving.confirmed.version) await this.refresh();
    } catch (error) {
      await this.answerTo(error);
    }
    if (this.saving.mode === 'saving') void this.flush();
  }

  /** What the machine makes of an answer that is no acknowledgement. */
  private async answerTo(error: unknown): Promise<void> {
    if (error instanceof ApiError && error.status === 409) return this.meetOthers();
    // Whose session has ended signs in again, and what was typed is sent then.
    if (error instanceof ApiError && error.status >= 400 && error.status < 500 && error.code !== 'signIn') {
      const clientId = typeof error.details['clientId'] === 'string' ? error.details['clientId'] : null;
      return this.step({ type: 'refused', why: error.text, clientId });
    }
    this.tryLater();
    // The server is there and says what it is in: its disk is full, say.
    if (error instanceof ApiError && error.code === 'unavailable') this.refuse(error.text);
  }

  private tryLater(): void {
    this.step({ type: 'unreachable' });
    clearTimeout(this.retry);
    this.retry = setTimeout(() => void this.flush(), RETRY_MILLISECONDS);
  }

  private fetchTheirs = () => api<Initial>('GET', `/api/boats/${this.state.id}?history`);

  private async meetOthers(): Promise<void> {
    try {
      const { boat, version } = await this.fetchTheirs();
      const { confirmed, base } = this.saving;
      const common = base === confirmed.version ? confirmed.boat : null;
      const conflict: Conflict = {
        theirs: boat,
        version,
        theirChanges: common && difference(common, boat),
        ourChanges: difference(common ?? boat, this.state.boat),
      };
      this.step({ type: 'metOthers', theirs: { boat, version } }, { conflict });
    } catch {
      this.tryLater();
    }
  }

  /** The server's state as new ground; history comes along where nothing of ours is open. */
  private async refresh(): Promise<void> {
    const { boat, version, history, archived } = await this.fetchTheirs();
    const before = this.saving.confirmed;
    this.step({ type: 'fetched', theirs: { boat, version } });
    if (this.saving.queue.length === 0 && this.saving.confirmed !== before) this.set({ history, archived });
  }

  /** When the window comes back: take over what others saved meanwhile, if nothing of ours is waiting. */
  lookAgain = async (): Promise<void> => {
    if (this.saving.queue.length > 0) return void this.flush();
    const before = this.state.boat;
    try {
      await this.refresh();
    } catch {
      // The next edit will find out whether the server is there.
      return;
    }
    if (this.saving.queue.length > 0) return;
    const changes = difference(before, this.state.boat);
    if (changes.length === 0) return;
    const places = changes.slice(0, 3).map((change) => `${change.place}, ${change.subject}`);
    this.set({ notice: { kind: 'done', text: `Changed in another window: ${places.join('; ')}` } });
  };

  /**
   * Settle a conflict. 'onTop' replays our changes on theirs; 'theirs' drops ours; 'apart' keeps ours as a boat of
   * its own.
   */
  settle = async (way: 'onTop' | 'theirs' | 'apart'): Promise<void> => {
    if (!this.state.conflict) return;
    const of = this.saving.queue;
    const { boat } = this.state;
    let history: HistoryStacks;
    try {
      if (way === 'apart') {
        const own = boatToJson({ ...boat, name: `${boat.name} (mine)`.slice(0, 80) });
        await api('POST', '/api/boats/import', own);
      }
      ({ history } = await this.fetchTheirs());
    } catch (error) {
      this.refuse(wordsOf(error));
      return;
    }
    const words = {
      onTop: 'Your changes are on top of theirs.',
      theirs: 'Theirs taken, yours dropped.',
      apart: `Your state is kept as "${boat.name} (mine)" in the list of boats.`,
    };
    const { refused } = this.saving;
    this.step({ type: 'settled', way: way === 'onTop' ? 'onTop' : 'theirs', of, newId: () => nanoid(12) });
    const { queue, confirmed } = this.saving;
    const lost = this.saving.refused.slice(refused.length);
    this.set({
      history: this.historyOn(history, confirmed.boat, queue),
      notice: lost.length
        ? {
            kind: 'refused',
            text: `Could not be put on top: ${lost.map(({ what, why }) => `${what}: ${why}`).join('; ')}`,
          }
        : { kind: 'done', text: words[way] },
    });
    void this.flush();
  };

  /** The server's history with the queue on top of it. */
  private historyOn(history: HistoryStacks, ground: Boat, queue: readonly Pending[]): HistoryStacks {
    this.entries.clear();
    let stacks = history;
    let at = ground;
    for (const pending of queue) {
      const { boat, inverse } = applyEdits(at, pending.edits);
      const description = pending.label ?? describeEdits(at, pending.edits);
      const entry: HistoryEntry = { action: 'do', description, forward: pending.edits, inverse };
      this.entries.set(pending.clientId, entry);
      stacks = pushHistory(stacks, entry);
      at = boat;
    }
    return stacks;
  }
}
