import { nanoid } from 'nanoid';
import { KeramosError } from '@/core/error';
import {
  applyEdits,
  describeEdits,
  difference,
  editsSchema,
  EMPTY_HISTORY,
  pushHistory,
  type Change,
  type Edit,
  type HistoryEntry,
  type HistoryStacks,
} from '@/core/edit';
import { boatToJson, type Boat } from '@/core/document';
import { makeEvaluator, type ZoneEvaluation } from '@/core/evaluate';
import { api, ApiError, wordsOf } from './api';

export interface Action {
  clientId: string;
  action: HistoryEntry['action'];
  edits: Edit[];
  label?: string;
}

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

export type SaveState = 'saved' | 'saving' | 'offline' | 'conflict';

export interface BoatState extends BoatDesign {
  history: HistoryStacks;
  version: number;
  archived: boolean;
  save: SaveState;
  conflict: Conflict | null;
  /** A short notice: a refused edit, an undone action. */
  notice: { kind: 'refused' | 'done'; text: string } | null;
}

interface Initial {
  id: string;
  version: number;
  archived: boolean;
  boat: Boat;
  history: HistoryStacks;
}

const RETRY_MILLISECONDS = 3000;
const SEND_AFTER_MILLISECONDS = 30;

/**
 * The boat on the page: applies edits at once, saves them in order, keeps unsaved ones through reloads, notices when somebody else was quicker.
 * React reads it through `subscribe` with `getState` or `getDesign`.
 */
export class BoatStore {
  private state: BoatState;
  private design: BoatDesign;
  private listeners = new Set<() => void>();
  private evaluate = makeEvaluator();
  private pending: Action[] = [];
  /** The boat as the server has it at `state.version`; null when a reload found unsaved edits of an older version. */
  private confirmed: Boat | null;
  private sending = false;
  private retry: ReturnType<typeof setTimeout> | undefined;

  constructor(initial: Initial) {
    this.confirmed = initial.boat;
    const { id, boat } = initial;
    this.design = { id, boat, evaluations: this.evaluate(boat) };
    this.state = {
      ...initial,
      ...this.design,
      history: initial.history ?? EMPTY_HISTORY,
      save: 'saved',
      conflict: null,
      notice: null,
    };
  }

  getState = (): BoatState => this.state;
  getDesign = (): BoatDesign => this.design;
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

  private get storageKey(): string {
    return `keramos.unsaved.${this.state.id}`;
  }
  private keep(): void {
    try {
      if (this.pending.length === 0) localStorage.removeItem(this.storageKey);
      else
        localStorage.setItem(this.storageKey, JSON.stringify({ version: this.state.version, actions: this.pending }));
    } catch {
      // Storage may be full or forbidden: saving goes on, only the reload net is missing.
    }
  }

  private readKept(): { version: number; actions: Action[] } | null {
    try {
      return JSON.parse(localStorage.getItem(this.storageKey) ?? 'null') as {
        version: number;
        actions: Action[];
      } | null;
    } catch {
      return null;
    }
  }

  /** Take up edits that an earlier page could not save. Call once, in the browser. */
  resume(): void {
    const kept = this.readKept();
    const actions = kept?.actions?.filter((action) => editsSchema.safeParse(action.edits).success) ?? [];
    if (!kept || actions.length === 0) return;
    const sameBase = kept.version === this.state.version;
    if (!sameBase) this.confirmed = null;
    this.pending = actions;
    const { boat } = this.replay(this.state.boat, actions);
    this.set({ boat, version: kept.version, save: 'saving' });
    void this.flush();
  }

  /** Apply actions to a boat, leaving out those that no longer fit. */
  private replay(base: Boat, actions: readonly Action[]): { boat: Boat; kept: Action[]; lost: string[] } {
    let boat = base;
    const kept: Action[] = [];
    const lost: string[] = [];
    for (const action of actions) {
      try {
        boat = applyEdits(boat, action.edits).boat;
        kept.push({ ...action, clientId: nanoid(12) });
      } catch (error) {
        if (!(error instanceof KeramosError)) throw error;
        lost.push(`${describeEdits(boat, action.edits)}: ${error.message}`);
      }
    }
    return { boat, kept, lost };
  }

  private apply(action: HistoryEntry['action'], edits: Edit[], label?: string): HistoryEntry | null {
    if (this.state.archived) {
      this.set({
        notice: { kind: 'refused', text: 'This boat is archived: bring it back from the list before editing it.' },
      });
      return null;
    }
    const checked = editsSchema.safeParse(edits);
    if (!checked.success) {
      this.set({ notice: { kind: 'refused', text: checked.error.issues[0]!.message } });
      return null;
    }
    try {
      const description = label ?? describeEdits(this.state.boat, edits);
      const { boat, inverse } = applyEdits(this.state.boat, checked.data);
      const entry: HistoryEntry = { action, description, forward: checked.data, inverse };
      this.pending.push({ clientId: nanoid(12), action, edits: checked.data, ...(label && { label }) });
      this.set({
        boat,
        history: pushHistory(this.state.history, entry),
        save: this.state.save === 'conflict' ? 'conflict' : 'saving',
        notice: null,
      });
      this.keep();
      // What it comes to is shown before it is sent; until then it is kept on this machine.
      setTimeout(() => void this.flush(), SEND_AFTER_MILLISECONDS);
      return entry;
    } catch (error) {
      if (!(error instanceof KeramosError)) throw error;
      this.set({ notice: { kind: 'refused', text: error.message } });
      return null;
    }
  }

  /** One action of the user. @returns whether it was accepted; the notice says why not. */
  act = (...edits: Edit[]): boolean => this.apply('do', edits) !== null;

  /** The same, said in words of its own: several edits that together are one thing. */
  actAs = (label: string, ...edits: Edit[]): boolean => this.apply('do', edits, label.slice(0, 160)) !== null;

  undo = (): void => {
    const last = this.state.history.undo.at(-1);
    if (last && this.apply('undo', last.inverse, last.description))
      this.set({ notice: { kind: 'done', text: `Took back: ${last.description}` } });
  };
  redo = (): void => {
    const last = this.state.history.redo.at(-1);
    if (last && this.apply('redo', last.inverse, last.description))
      this.set({ notice: { kind: 'done', text: `Did again: ${last.description}` } });
  };
  dismiss = (): void => this.set({ notice: null });

  /** Send what is unsaved, in order, one request at a time. */
  private async flush(): Promise<void> {
    if (this.sending || this.pending.length === 0 || this.state.save === 'conflict') return;
    this.sending = true;
    clearTimeout(this.retry);
    const batch = this.pending.slice(0, 200);
    try {
      const { version } = await api<{ version: number }>('POST', `/api/boats/${this.state.id}/edits`, {
        baseVersion: this.state.version,
        actions: batch,
      });
      this.pending = this.pending.slice(batch.length);
      if (this.confirmed)
        this.confirmed = this.pending.length === 0 ? this.state.boat : applyAll(this.confirmed, batch);
      this.set({ version, save: this.pending.length ? 'saving' : 'saved' });
      this.keep();
      if (!this.confirmed) await this.refresh();
    } catch (error) {
      if (error instanceof ApiError && error.status === 409) await this.meetConflict();
      else if (error instanceof ApiError && error.status >= 400 && error.status < 500)
        await this.giveBack(batch, error);
      else {
        this.set({ save: 'offline' });
        this.retry = setTimeout(() => void this.flush(), RETRY_MILLISECONDS);
      }
    } finally {
      this.sending = false;
    }
    if (this.pending.length && this.state.save === 'saving') void this.flush();
  }

  private async fetchTheirs() {
    return api<Initial>('GET', `/api/boats/${this.state.id}?history`);
  }

  private async meetConflict(): Promise<void> {
    try {
      const theirs = await this.fetchTheirs();
      const base = this.confirmed;
      this.set({
        save: 'conflict',
        conflict: {
          theirs: theirs.boat,
          version: theirs.version,
          theirChanges: base && difference(base, theirs.boat),
          ourChanges: difference(base ?? theirs.boat, this.state.boat),
        },
      });
    } catch {
      this.set({ save: 'offline' });
      this.retry = setTimeout(() => void this.flush(), RETRY_MILLISECONDS);
    }
  }

  /** The server would not take an action the page took: say so, and show what the server has. */
  private async giveBack(batch: Action[], error: ApiError): Promise<void> {
    this.pending = [];
    this.keep();
    await this.refresh();
    this.set({
      notice: {
        kind: 'refused',
        text: `Not saved (${batch.length} ${batch.length === 1 ? 'change' : 'changes'}): ${error.message}`,
      },
    });
  }

  private async refresh(): Promise<void> {
    const { boat, version, history, archived } = await this.fetchTheirs();
    this.confirmed = boat;
    this.set({ boat, version, history, archived, save: 'saved', conflict: null });
  }

  /** When the window comes back: take over what others saved meanwhile, if nothing of ours is waiting. */
  lookAgain = async (): Promise<void> => {
    if (this.pending.length) return void this.flush();
    try {
      const theirs = await this.fetchTheirs();
      if (theirs.version === this.state.version || this.pending.length) return;
      const changes = difference(this.state.boat, theirs.boat);
      this.confirmed = theirs.boat;
      this.set({
        boat: theirs.boat,
        version: theirs.version,
        history: theirs.history,
        notice: changes.length
          ? {
              kind: 'done',
              text: `Changed in another window: ${changes
                .slice(0, 3)
                .map((c) => `${c.place}, ${c.subject}`)
                .join('; ')}`,
            }
          : null,
      });
    } catch {
      // The next edit will find out whether the server is there.
    }
  };

  /** Settle a conflict. 'mine on top' replays our changes on theirs; 'theirs' drops ours; 'apart' keeps ours as a boat of its own. */
  settle = async (way: 'onTop' | 'theirs' | 'apart'): Promise<void> => {
    const { conflict, boat } = this.state;
    if (!conflict) return;
    if (way === 'apart') {
      try {
        await api('POST', '/api/boats/import', boatToJson({ ...boat, name: `${boat.name} (mine)`.slice(0, 80) }));
      } catch (error) {
        this.set({ notice: { kind: 'refused', text: wordsOf(error) } });
        return;
      }
    }
    const { history } = await this.fetchTheirs();
    const ours =
      way === 'onTop' ? this.replay(conflict.theirs, this.pending) : { boat: conflict.theirs, kept: [], lost: [] };
    this.confirmed = conflict.theirs;
    this.pending = ours.kept;
    const text = ours.lost.length
      ? `Could not be put on top: ${ours.lost.join('; ')}`
      : way === 'onTop'
        ? 'Your changes are on top of theirs.'
        : way === 'apart'
          ? `Your state is kept as "${boat.name} (mine)" in the list of boats.`
          : 'Theirs taken, yours dropped.';
    let stacks = history;
    let at = conflict.theirs;
    for (const action of ours.kept) {
      const applied = applyEdits(at, action.edits);
      stacks = pushHistory(stacks, {
        action: 'do',
        description: action.label ?? describeEdits(at, action.edits),
        forward: action.edits,
        inverse: applied.inverse,
      });
      at = applied.boat;
    }
    this.pending = ours.kept.map((action) => ({ ...action, action: 'do' }));
    this.set({
      boat: ours.boat,
      version: conflict.version,
      history: stacks,
      conflict: null,
      save: ours.kept.length ? 'saving' : 'saved',
      notice: { kind: ours.lost.length ? 'refused' : 'done', text },
    });
    this.keep();
    void this.flush();
  };
}

const applyAll = (boat: Boat, actions: readonly Action[]) =>
  actions.reduce((at, action) => applyEdits(at, action.edits).boat, boat);
