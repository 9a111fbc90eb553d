import { whyNot, stateOf, type BuildRecord, type BuildState, type RecordKind } from '@/core/build';
import { mayNotWork } from '@/core/shop';
import { ApiError } from '../shared/api';
import type { FloorBuild, Keeper, KeptRecord } from './keeper';
import { syncOnce, type Wire } from './sync';

/** How the server is reached: it answers, it does not, or it asks who this is. */
export type Reach = 'unknown' | 'reached' | 'away' | 'signIn';

export interface FloorSnapshot {
  build: FloorBuild | null;
  state: BuildState | null;
  records: KeptRecord[];
  reach: Reach;
  /** Records that only this device has. */
  waiting: number;
  refused: KeptRecord[];
  /** By how much this device's clock is ahead of the server's (ms); null before it is known. */
  skew: number | null;
}
const EMPTY: FloorSnapshot = {
  build: null,
  state: null,
  records: [],
  reach: 'unknown',
  waiting: 0,
  refused: [],
  skew: null,
};
const EVERY_MILLISECONDS = 20_000;

interface Surroundings {
  keeper: Keeper;
  wire: Wire;
  now: () => string;
  newId: () => string;
  device: string;
}

/**
 * One build on one device. What is recorded is on the disk of the device before it is shown, and goes to the server
 * when that answers.
 */
export class FloorStore {
  private snapshot = EMPTY;
  private readonly listeners = new Set<() => void>();
  private timer: ReturnType<typeof setInterval> | undefined;
  private running: Promise<void> | null = null;
  private again = false;

  constructor(
    readonly buildId: string,
    private readonly around: Surroundings,
  ) {}

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  getSnapshot = (): FloorSnapshot => this.snapshot;
  private set(change: Partial<FloorSnapshot>): void {
    this.snapshot = { ...this.snapshot, ...change };
    this.listeners.forEach((listener) => listener());
  }

  /** Take up work: with the build as the server has it, or as this device last knew it. */
  async start(fresh: FloorBuild | null): Promise<void> {
    if (fresh) await this.around.keeper.keepBuild(fresh);
    await this.look();
    void this.sync();
    this.timer ??= setInterval(() => {
      // A tablet that lies in its holster saves its battery.
      if (document.visibilityState === 'visible') void this.sync();
    }, EVERY_MILLISECONDS);
  }
  stop(): void {
    clearInterval(this.timer);
    this.timer = undefined;
  }

  /** What the disk has, as the page shows it. */
  private async look(): Promise<void> {
    const { build, records } = await this.around.keeper.read(this.buildId);
    const counted = records.filter(({ refusal }) => refusal === null).map(({ record }) => record);
    this.set({
      // One that was kept before there were lessons or dated lots has none.
      build: build && { ...build, lessons: build.lessons ?? [], work: build.work ?? [], dated: build.dated ?? [] },
      records,
      state: build && stateOf(build.plan, counted),
      waiting: records.filter(({ sent, refusal }) => !sent && refusal === null).length,
      refused: records.filter(({ refusal }) => refusal !== null),
    });
  }

  /** A record as it would be made now. */
  make<K extends RecordKind>(
    kind: K,
    body: object,
    { person, corrects = null }: { person: string; corrects?: string | null },
  ) {
    const { now, newId, device } = this.around;
    return { id: newId(), kind, body, at: now(), person, device, corrects } as unknown as BuildRecord;
  }
  /** Why something cannot be recorded as things stand; null where it can. */
  whyNot<K extends RecordKind>(kind: K, body: object, person: string): string | null {
    return this.refusalOf(this.make(kind, body, { person }));
  }
  private refusalOf(record: BuildRecord): string | null {
    const { state, build } = this.snapshot;
    if (!state || !build) return 'The build is not loaded yet';
    const step = 'step' in record.body && record.body.step !== null ? state.steps.get(record.body.step)?.step : null;
    const isWork = record.kind === 'begun' || record.kind === 'piece';
    const stranger = step && isWork ? mayNotWork(build.work, { kind: step.kind, person: record.person }) : null;
    return stranger ?? whyNot(state, record);
  }

  /** Record something. @returns why it was refused, for whoever stands there; null where it is kept. */
  async note<K extends RecordKind>(
    kind: K,
    body: object,
    options: { person: string; corrects?: string | null },
  ): Promise<string | null> {
    if (options.person.trim().length < 2) return 'Say first who you are';
    const record = this.make(kind, body, options);
    const why = this.refusalOf(record);
    if (why !== null) return why;
    await this.around.keeper.add(this.buildId, record);
    await this.look();
    void this.sync();
    return null;
  }

  /** Keep a photograph here until the server has it. */
  async addPhoto(bytes: Blob): Promise<string> {
    const id = this.around.newId();
    await this.around.keeper.addPhoto({ id, buildId: this.buildId, bytes });
    return id;
  }

  /** Send a refused record again: whoever made it has signed in meanwhile, say. */
  async retry(id: string): Promise<void> {
    await this.around.keeper.retry(id);
    await this.look();
    await this.sync();
  }

  /** One round with the server; asked for while one runs, another follows. */
  sync(): Promise<void> {
    if (this.running) {
      this.again = true;
      return this.running;
    }
    this.running = this.round().finally(() => {
      this.running = null;
      if (!this.again) return;
      this.again = false;
      void this.sync();
    });
    return this.running;
  }

  private async round(): Promise<void> {
    let reach: Reach = 'reached';
    try {
      const now = await syncOnce(this.around.keeper, this.around.wire, this.buildId);
      if (now !== null) this.set({ skew: Date.parse(this.around.now()) - Date.parse(now) });
    } catch (error) {
      reach = error instanceof ApiError && error.code === 'signIn' ? 'signIn' : 'away';
    }
    await this.look();
    this.set({ reach });
  }
}
